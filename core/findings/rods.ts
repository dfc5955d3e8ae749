import type { Fitted } from '../drilling';
import { waterAt } from '../float';
import { turn } from '../layout';
import { betweenPieces, mm, say, sideOf } from '../units';
import { about, alone, type Judgement, nameOf, type Raw, slideTo, type Try } from './finding';

/** Butts of side-mounted holders drag in the water. */
export const rodButts: Judgement = ({ items, hull, float }) =>
  items.flatMap((item): Raw[] => {
    const wet = item.placed.rods
      .filter((r) => Math.abs(r.butt.y) > hull.halfWidth(r.butt.x, r.butt.z) - 1)
      .map((r) => waterAt(float, r.butt.x) - r.butt.z);
    const deep = Math.max(...wet, 0);
    if (deep <= 0) return [];
    const { lift } = item.placed.fitting;
    const { place } = item.placed;
    return [
      {
        ...about(item),
        code: 'rod-butt',
        severity: 'look',
        curable: true,
        says: say`Butts of ${nameOf(item)} hang ${mm(deep, 'up')} under the waterline.`,
        because: say`The water stands ${mm(waterAt(float, item.placed.frame.origin.x))} over the keel here, an estimate. Raise the mount.`,
        tries: [
          {
            says: say`Raise it ${mm(deep + 25, 'up')}`,
            changes: [
              place.on === 'side'
                ? slideTo(item, { ...place, down: Math.max(0, Math.floor(place.down - deep - 25)) })
                : { kind: 'liftItem', item: item.placed.id, from: lift, to: Math.ceil(lift + deep + 25) },
            ],
          },
        ],
      },
    ];
  });

/** A tube too shallow for the handle leaves the rod top-heavy. */
export const shallowTubes = alone((item, { shop }): Raw[] => {
  const { rods } = item.placed.part;
  const wanted = shop.limits.handle * shop.limits.tubeDeep;
  if (!rods || rods.depth >= wanted) return [];
  return [
    {
      ...about(item),
      code: 'shallow-tube',
      severity: 'look',
      says: say`Tubes of ${nameOf(item)} are ${mm(rods.depth, 'down')} deep; ${mm(wanted, 'up')} wanted.`,
      because: say`A rod's handle is ${mm(shop.limits.handle)} long; ${Math.round(shop.limits.tubeDeep * 100)} % of it should stand in the tube, or the rod is top-heavy.`,
    },
  ];
});

/** Rods closer than this tangle (judgement), mm. */
const TANGLE = 60;

/** Rods of two holders that cross; said once a pair. */
export const rodsCross: Judgement = ({ items, memory }) => {
  const holders = items.filter((i) => i.placed.rods.length > 0);
  return holders.flatMap((b, i): Raw[] =>
    holders.slice(0, i).flatMap((a): Raw[] => {
      const gap = memory.pair('rods', a.placed, b.placed, () =>
        Math.min(
          ...a.placed.rods.flatMap((p) =>
            b.placed.rods.map((q) => betweenPieces({ from: p.mouth, to: p.tip }, { from: q.mouth, to: q.tip })),
          ),
        ),
      );
      if (gap >= TANGLE) return [];
      return [
        {
          ...about(b),
          code: 'rods-cross',
          detail: a.placed.id,
          severity: 'look',
          curable: true,
          says: say`Rods in ${nameOf(b)} pass ${mm(gap, 'down')} from those in ${a.letter}, ${nameOf(a)}.`,
          because: say`Closer than ${mm(TANGLE)} they tangle. Turn or lean one of them.`,
          tries: leanTries(b),
        },
      ];
    }),
  );
};

const leanTries = (item: Fitted): Try[] => {
  const { lean = null } = item.placed.fitting;
  return [10, -10, 20, -20].map((by) => ({
    says: say`Lean it ${Math.abs(by)}° ${by > 0 ? 'more' : 'less'}`,
    changes: [{ kind: 'leanItem', item: item.placed.id, from: lean, to: (lean ?? 0) + by }],
  }));
};

/** Turned a quarter, so that what leans out leans astern. */
function asternTries(item: Fitted): Try[] {
  const { place } = item.placed;
  if (!('heading' in place)) return [];
  return [-90, 90].map((by) => ({
    says: say`Turn it ${Math.abs(by)}° to ${by > 0 ? 'port' : 'starboard'}`,
    changes: [slideTo(item, turn(place, by))],
  }));
}

/** Tips beyond the beam catch on docks and other boats; trolled rods are meant to. */
export const rodTips: Judgement = ({ items, hull, plan }) => {
  const trolls =
    plan.brief.propulsion.some((p) => p !== 'paddle') && plan.brief.work.some((w) => w === 'rods' || w === 'handline');
  return items.flatMap((item): Raw[] => {
    const out = Math.max(...item.placed.rods.map((r) => Math.abs(r.tip.y) - hull.beam / 2), 0);
    if (out <= 0) return [];
    return [
      {
        ...about(item),
        code: 'rod-tips',
        severity: trolls ? 'note' : 'look',
        curable: true,
        says: say`Tips of rods in ${nameOf(item)} stand ${mm(out, 'up')} beyond the beam on the ${sideOf(item.placed.frame.origin.y)} side.`,
        because: trolls
          ? say`Meant so for trolling out to the sides; turn them astern at the dock.`
          : say`They catch on docks and branches. Straight back they are within it.`,
        tries: [...asternTries(item), ...leanTries(item)],
      },
    ];
  });
};
