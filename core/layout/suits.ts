import type { Part } from '../parts/parts';
import type { HullSurface } from '../boat/hull';
import type { Brief } from '../rig';
import { onRail } from './frame';
import { railFault, slotFault } from './interchange';

/** How well a part suits a place that was pointed at: nought does not, more is better. */
export interface Suits {
  readonly rank: number;
  readonly says: string;
}

/** Within so far of a track or an insert it is meant (judgement), mm. */
const NEAR = 70;

/**
 * Whether a part suits a place: on a track what rides it, at an insert what screws into it, in a well what
 * drops in, on deck what is bolted or stood there, by the drill policy.
 */
export function suits(hull: HullSurface, part: Part, at: { readonly x: number; readonly y: number }, brief: Brief): Suits {
  const { model } = hull;
  const none = { rank: 0, says: '' };
  const track = model.tracks.find((t) => Math.abs(t.y - at.y) <= NEAR && at.x >= t.fore - NEAR && at.x <= t.aft + NEAR);
  if (track)
    return part.holding.ways.includes('track') && slotFault(part.holding, track.slot) === null
      ? { rank: 3, says: `rides the ${track.name}` }
      : none;
  const insert = model.inserts.find((i) => Math.hypot(i.x - at.x, i.y - at.y) <= NEAR);
  if (insert && part.holding.ways.includes('insert')) return { rank: 3, says: `screws into the ${insert.name}` };
  const scupper = model.scuppers.find((s) => Math.hypot(s.x - at.x, s.y - at.y) <= NEAR);
  if (scupper && part.holding.ways.includes('scupper')) return { rank: 3, says: 'goes into the scupper' };
  const plate = model.plates?.find((p) => Math.hypot(p.x - at.x, p.y - at.y) <= NEAR + 60);
  if (plate && part.holding.ways.includes('through')) return { rank: 2, says: `bolts to the ${plate.name}` };
  const rail = model.rails?.find((r) => {
    const on = onRail(r, at.x);
    return Math.hypot(on.x - at.x, on.y - at.y) <= NEAR;
  });
  if (rail) return railFault(part, rail) === null ? { rank: 3, says: `clamps on the ${rail.name}` } : none;
  const spot = hull.spot(at.x, at.y);
  if (spot.off) return none;
  const { length, width } = part.body.base;
  if (spot.deck?.kind === 'tank well' && part.holding.ways.includes('loose')) {
    const [long, wide] = [spot.deck.aft - spot.deck.fore, spot.deck.starboard - spot.deck.port];
    const fits = (length <= long && width <= wide) || (width <= long && length <= wide);
    return fits && length > 120 ? { rank: 2, says: 'drops into the well' } : none;
  }
  if (part.holding.ways.includes('loose') && spot.deck?.kind === 'cockpit') return { rank: 1, says: 'stands on the floor' };
  const drills = part.holding.ways.some((h) => h === 'through' || h === 'rivet');
  const may = brief.holes !== 'none' && !brief.borrowed && model.material !== 'pvc fabric';
  return drills && may && Math.max(length, width) < 420 ? { rank: 1, says: 'is bolted or riveted down' } : none;
}
