import { waterAt } from '../../water/float';
import { boundsOf, type Body, type Placed } from '../../layout';
import type { HullSurface } from '../../boat/hull';
import { mm, over, say, under } from '../../base/units';
import { check } from './check';
import { about, nameOf, type Judged, type Raw } from './finding';

/** A propeller sucks air when its shaft ends no deeper than this (judgement), mm. */
const DEEP = 150;
/** A shaft that is within the hull by no more only touches it, mm. */
const TOUCH = 1;

/** A shaft is followed at so many heights. */
const HEIGHTS = 8;

/** Whether a solid stands within the hull somewhere between keel and deck. */
function throughHull(hull: HullSurface, shaft: Body): boolean {
  const { fore, aft, port, starboard } = boundsOf([shaft]);
  const inmost = port * starboard <= 0 ? 0 : Math.min(Math.abs(port), Math.abs(starboard));
  return [fore, (fore + aft) / 2, aft].some((x) => {
    if (x <= TOUCH || x >= hull.length - TOUCH) return false;
    const [low, high] = [Math.max(shaft.bottom, hull.keel(x)), Math.min(shaft.top, hull.gunwale(x))];
    return Array.from({ length: HEIGHTS }, (_, i) => low + ((i + 0.5) * (high - low)) / HEIGHTS).some(
      (z) => high > low && inmost < hull.halfWidth(x, z) - TOUCH && z < hull.spot(x, 0).z - TOUCH,
    );
  });
}

/** The shaft a motor hangs down; none where it has its own below the deck. */
function shaftOf({ bodies, frame, part }: Placed): Body | undefined {
  if (part.use.propels !== 'motor' || part.body.recess) return undefined;
  return bodies.filter((b) => b.bottom < frame.origin.z - DEEP).sort((a, b) => a.bottom - b.bottom)[0];
}

/** Whether a motor stands where its shaft would go down through the hull. */
export function isShaftInHull(hull: HullSurface, placed: Placed): boolean {
  const shaft = shaftOf(placed);
  return shaft !== undefined && throughHull(hull, shaft);
}

/** A motor with a shaft of its own hangs it outside the hull, deep enough in the water. What is let into the hull has a well there. */
export const motorInWater = check({
  about: 'set',
  finds: {
    'shaft-in-hull': { called: 'Motor shaft through the hull', severity: 'stop', acceptedBy: 'nobody', since: 15 },
    'shaft-shallow': { called: 'Propeller not deep enough', severity: 'look', since: 15 },
  },
  judge: (judged) => judged.items.flatMap((item) => ofMotor(judged, item)),
});

function ofMotor({ hull, float }: Judged, item: Judged['items'][number]): Raw[] {
  const { frame } = item.placed;
  const shaft = shaftOf(item.placed);
  if (!shaft) return [];
  if (throughHull(hull, shaft))
    return [
      {
        ...about(item),
        code: 'shaft-in-hull',
        measure: over(frame.origin.z - shaft.bottom, 'mm'),
        says: say`${nameOf(item)} stands where its shaft would go down through the hull.`,
        because: say`The shaft hangs outside: over the bow, over the stern, or beside the gunwale, on a plate or a bracket.`,
      },
    ];
  const deep = waterAt(float, Math.min(hull.length, Math.max(0, frame.origin.x))) - shaft.bottom;
  if (deep >= DEEP) return [];
  return [
    {
      ...about(item),
      code: 'shaft-shallow',
      measure: under(deep, 'mm', DEEP),
      says:
        deep > 0
          ? say`The shaft of ${nameOf(item)} ends ${mm(deep, 'down')} under water.`
          : say`The shaft of ${nameOf(item)} ends ${mm(-deep, 'up')} over the water.`,
      because: say`A propeller less than ${mm(DEEP)} deep sucks air and races. A longer shaft, a lower plate, or weight at that end.`,
    },
  ];
}
