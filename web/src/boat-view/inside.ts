import type { BoatDrawing } from './drawing';
import { boxPath, pathThrough, roomPath } from './shapes';

/** The rooms of a hull from above. */
export const roomsOf = ({ hull, scale, rect }: BoatDrawing) =>
  [...hull.rooms.values()]
    .filter(({ space }) => !space.worn)
    .map(({ space: s }) => ({
      ...s,
      rect: rect(s.fore, s.aft, s.port, s.starboard),
      d: roomPath(scale, hull, s),
    }));

/** What fills it: foam and tubes. */
export const fillingsOf = ({ hull, scale }: BoatDrawing) =>
  hull.hazards.map(({ hazard: h, from, to }) => ({
    id: h.id,
    name: h.name,
    tube: h.shape === 'tube',
    d: h.shape === 'tube' ? pathThrough(scale, h.path) : boxPath(scale, from, to),
    wide: h.shape === 'tube' ? 2 * h.radius * scale.perMm : 0,
    x: scale.x((from.x + to.x) / 2),
    y: scale.y((from.y + to.y) / 2),
    long: (to.x - from.x) * scale.perMm,
  }));
