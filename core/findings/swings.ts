import {
  bodyOfBox,
  bodyOverlap,
  boundsOf,
  near,
  type Body,
  type Rod,
  sweptBy,
  sweptByHull,
  type Swept,
  planOverlap,
  squareAt,
  standsOn,
} from '../layout';
import type { Fitted } from '../drilling';
import { distance, kg, mm, say } from '../units';
import { about, aboutHull, type Judged, type Judgement, nameOf, type Raw, slideTo } from './finding';

/** Something that turns, and whose it is. */
interface Turning {
  readonly swept: Swept;
  readonly of: Fitted | null;
}

function turnings(judged: Judged): Turning[] {
  const own = judged.items.flatMap((of) =>
    judged.memory.of('swept', of.placed, () => sweptBy(of.placed)).map((swept) => ({ swept, of })),
  );
  const hulls = judged.memory.of('swept', judged.hull, () => sweptByHull(judged.hull));
  return [...hulls.map((swept) => ({ swept, of: null })), ...own];
}

/** What stands on the lid goes with it: its foot at the lid's top, its middle within the outline. */
function ridesOn(rest: Body, item: Fitted): boolean {
  const { x, y, z } = item.placed.frame.origin;
  return planOverlap(rest.outline, squareAt(x, y, 0.5)) > 0 && z >= rest.bottom - 40 && z <= rest.top + 40;
}

const solidsOf = (judged: Judged, { placed }: Fitted): Body[] =>
  judged.memory.of('solids', placed, () => [...placed.bodies, ...placed.rods.map(rodBody)]);

/** The deepest a fitting stands in the way of what turns; what already overlaps at rest is said elsewhere. */
function inTheWay(swept: Swept, solids: readonly Body[]): number {
  let most = 0;
  for (const body of solids) {
    const bounds = boundsOf([body]);
    if (!near(swept.bounds, bounds) || bodyOverlap(swept.rest, body) > 1) continue;
    swept.poses.forEach((pose, i) => {
      const span = swept.spans[i];
      if (span && near(span, bounds)) most = Math.max(most, bodyOverlap(pose, body));
    });
  }
  return most;
}

/** A rod as one slim box from the mouth of its tube to its tip. */
function rodBody({ mouth, tip }: Rod): Body {
  const long = distance(mouth, tip) || 1;
  const w = { x: (tip.x - mouth.x) / long, y: (tip.y - mouth.y) / long, z: (tip.z - mouth.z) / long };
  const flat = Math.hypot(w.x, w.y);
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : { x: -w.y / flat, y: w.x / flat, z: 0 };
  const v = { x: w.y * u.z - w.z * u.y, y: w.z * u.x - w.x * u.z, z: w.x * u.y - w.y * u.x };
  const middle = { x: (mouth.x + tip.x) / 2, y: (mouth.y + tip.y) / 2, z: (mouth.z + tip.z) / 2 };
  return bodyOfBox('rod', { middle, axes: [u, v, w], half: [8, 8, long / 2] });
}

/** Everything that folds, lifts, swings or opens still can. */
export const swings: Judgement = (judged) => {
  const boxes = judged.items.map((item) => judged.memory.of('bounds', item.placed, () => boundsOf(solidsOf(judged, item))));
  return turnings(judged).flatMap(({ swept, of }): Raw[] =>
    judged.items.flatMap((item, i): Raw[] => {
      const box = boxes[i];
      if (!box || !near(swept.within, box) || !near(swept.bounds, box)) return [];
      const by = judged.memory.pair('way', swept, item.placed, () =>
        ridesOn(swept.rest, item) ? 0 : inTheWay(swept, solidsOf(judged, item)),
      );
      if (by < 1 || item === of || (of && standsOn(of.placed, item.placed))) return [];
      const whose = of ? say`the ${swept.name} of ${of.letter}, ${nameOf(of)},` : say`the ${swept.name}`;
      return [
        {
          ...about(item),
          code: 'swings',
          detail: `${of?.placed.id ?? 'hull'}.${swept.name.replace(/\W+/g, '-')}`,
          severity: 'stop',
          curable: true,
          says: [...say`${nameOf(item)} stands ${mm(by, 'up')} in the way of `, ...whose, ' as it moves.'],
          because: say`Its way is followed from rest to its other end; behind the hinge is clear of it.`,
          tries: item.placed.place.on === 'fitting' ? behind(item) : [],
        },
      ];
    }),
  );
};

/** Room for the thickness of an open lid (judgement), mm. */
const LID = 25;

/** To the other end of what it stands on: tubes hung off the back of a crate. */
function behind(item: Fitted): Raw['tries'] {
  const { place, below, fitting } = item.placed;
  if (place.on !== 'fitting' || !below || fitting.locked) return [];
  const half = below.part.body.base.length / 2;
  const deep = item.placed.part.body.base.length / 2 + LID;
  return [1, -1].map((end) => ({
    says: say`Hang it off the ${end > 0 ? 'back' : 'front'} of ${below.part.name}`,
    changes: [slideTo(item, { ...place, u: end * (half + deep) })],
  }));
}

/** A lid outgrows its gas strut when gear is screwed to it. */
export const struts: Judgement = (judged) =>
  turnings(judged).flatMap(({ swept, of }): Raw[] => {
    if (swept.strutKg === undefined) return [];
    const riders = judged.items.filter(
      (i) => i !== of && judged.memory.pair('rides', swept, i.placed, () => ridesOn(swept.rest, i)),
    );
    const load = riders.reduce((sum, i) => sum + i.placed.part.body.massKg, 0);
    const [first] = riders;
    if (!first || load <= swept.strutKg) return [];
    return [
      {
        ...(of ? about(of) : aboutHull(judged.hull, swept.rest.outline[0]?.[0])),
        code: 'strut',
        detail: swept.name.replace(/\W+/g, '-'),
        severity: 'look',
        says: say`The ${swept.name} carries ${kg(load)}; its strut still lifts ${kg(swept.strutKg)}.`,
        because: say`${riders.map((i) => i.letter).join(', ')} stand on it. It will not stay open by itself.`,
        curable: true,
        tries: riders
          .filter((i) => i.placed.place.on === 'deck')
          .flatMap((i) => {
            const { place } = i.placed;
            const aft = Math.max(...swept.rest.outline.map(([x]) => x)) + i.placed.part.body.base.length;
            return place.on === 'deck'
              ? [
                  {
                    says: say`${nameOf(i)} off the lid`,
                    changes: [slideTo(i, { ...place, x: aft })],
                  },
                ]
              : [];
          }),
      },
    ];
  });
