import { inSet, type Fitted } from '../../holding/fitted';
import { waterAt } from '../../water/float';
import { bodyOverlap, boundsOf, everybody, intoLimb, near, overBand, turn, uprightLimbs } from '../../layout';
import { betweenPieces, mm, say, sideOf, over, under } from '../../base/units';
import { rodsCarried } from './clutter';
import { check } from './check';
import {
  about,
  aboutHull,
  alone,
  boxIn,
  isWorn,
  joined,
  nameOf,
  type Raw,
  rodsIn,
  slideTo,
  toOtherSide,
  type Try,
} from './finding';

/** Butts of side-mounted holders drag in the water. */
export const rodButts = check({
  about: 'set',
  finds: {
    'rod-butt': { called: 'Rod butt meets something', severity: 'look', alsoOfMakers: true, since: 2 },
  },
  judge: ({ items, hull, float }) =>
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
          fixable: true,
          measure: over(deep, 'mm'),
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
    }),
});

/** A tube too shallow for the handle leaves the rod top-heavy. */
export const shallowTubes = check({
  about: 'set',
  finds: {
    'shallow-tube': { called: 'Rod tube too shallow', severity: 'look', since: 2 },
  },
  judge: alone((item, { shop }): Raw[] => {
    const { rods } = item.placed.part;
    const wanted = shop.limits.handle * shop.limits.tubeDeep;
    if (!rods || rods.depth >= wanted) return [];
    return [
      {
        ...about(item),
        code: 'shallow-tube',
        measure: under(rods.depth, 'mm', wanted),
        says: say`Tubes of ${nameOf(item)} are ${mm(rods.depth, 'down')} deep; ${mm(wanted, 'up')} wanted.`,
        because: say`A rod's handle is ${mm(shop.limits.handle)} long; ${Math.round(shop.limits.tubeDeep * 100)} % of it should stand in the tube, or the rod is top-heavy.`,
      },
    ];
  }),
});

/** Rods closer than this tangle (judgement), mm. */
const TANGLE = 60;

/** Rods of two holders that cross; said once a pair. */
export const rodsCross = check({
  about: 'set',
  finds: {
    'rods-cross': { called: 'Rods cross', severity: 'look', alsoOfMakers: true, since: 2 },
  },
  judge: ({ items, memory }) => {
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
            fixable: true,
            measure: under(gap, 'mm', TANGLE),
            says: say`Rods in ${nameOf(b)} pass ${mm(gap, 'down')} from those in ${a.letter}, ${nameOf(a)}.`,
            because: say`Closer than ${mm(TANGLE)} they tangle. Turn or lean one of them.`,
            tries: leanTries(b),
          },
        ];
      }),
    );
  },
});

/** A rod is kept so far from a head and a back (judgement), mm. */
const FROM_BODY = 30;

/** A rod that stands where somebody's back or head is. */
export const rodAtBody = check({
  about: 'set',
  ofBody: true,
  finds: {
    'rod-at-body': { called: 'Rod at the body', severity: ['look', 'stop'], alsoOfMakers: true, since: 14 },
  },
  judge: ({ items, paddlers, hull, plan, shop, memory }) =>
    items.flatMap((item): Raw[] => {
      const { rods } = item.placed;
      if (rods.length === 0 || paddlers.length === 0) return [];
      const verdict = memory.of('rods at bodies', item.placed, () =>
        overBand(shop, (scale) => {
          const bodies = everybody(hull, plan.brief, scale).flatMap(uprightLimbs);
          return Math.max(0, ...bodies.map((limb) => intoLimb(limb, rodsIn(memory, item.placed), FROM_BODY))) || undefined;
        }),
      );
      if (!verdict) return [];
      return [
        {
          ...about(item),
          code: 'rod-at-body',
          severity: verdict.nominal ? 'stop' : 'look',
          fixable: true,
          measure: over(verdict.hit, 'mm'),
          says: say`A rod in ${nameOf(item)} stands ${mm(verdict.hit, 'up')} too near a head or a back.`,
          because: say`${mm(FROM_BODY)} clear at the least, where they sit and where they stand. A reel or a ring in the neck is the next thing.`,
          tries: [...asternTries(item), ...leanTries(item), ...toOtherSide(hull, item)],
        },
      ];
    }),
});

/** A rod that goes through something that stands aboard: it does not go into its tube, or lies against that. */
export const rodMeets = check({
  about: 'set',
  finds: {
    'rod-meets': { called: 'Rod meets something', severity: 'stop', alsoOfMakers: true, since: 14 },
  },
  judge: ({ items, hull, memory }) => {
    const holders = items.filter((i) => i.placed.rods.length > 0);
    const boxes = items.map((i) => boxIn(memory, i.placed));
    return holders.flatMap((item): Raw[] => {
      const pieces = rodsIn(memory, item.placed);
      const box = memory.of('box of rods', item.placed, () => boundsOf(pieces));
      return items.flatMap((other, i): Raw[] => {
        const theirs = boxes[i];
        if (!theirs || !near(box, theirs)) return [];
        if (other === item || isWorn(other, hull) || joined(item.placed, other.placed)) return [];
        const by = memory.pair('rod meets', item.placed, other.placed, () =>
          Math.max(0, ...pieces.flatMap((p) => other.placed.bodies.map((b) => bodyOverlap(p, b)))),
        );
        if (by < 0.5) return [];
        return [
          {
            ...about(item),
            code: 'rod-meets',
            detail: other.placed.id,
            fixable: true,
            measure: over(by, 'mm'),
            says: say`A rod in ${nameOf(item)} goes ${mm(by, 'up')} into ${other.letter}, ${nameOf(other)}.`,
            because: say`A rod in its tube takes its place from butt to tip. Turn or lean the holder, or move one of them.`,
            tries: [...leanTries(item), ...asternTries(item)],
          },
        ];
      });
    });
  },
});

/** More rods wanted than can stand in any set. */
export const rodPlaces = check({
  about: 'rig',
  finds: {
    'rod-places': { called: 'Fewer places for rods than rods', severity: 'look', decides: 'the owner', since: 14 },
  },
  judge: ({ plan, stands, owned, hull }) => {
    const wanted = plan.brief.rods;
    const sets = Object.keys(plan.sets);
    const most = Math.max(...(sets.length ? sets.map((set) => rodsCarried(inSet(stands, set))) : [rodsCarried(owned)]));
    // Before anything is laid out nothing is missed.
    if (wanted <= most || owned.length === 0) return [];
    return [
      {
        ...aboutHull(hull, hull.model.seat.x),
        code: 'rod-places',
        measure: under(most, 'count', wanted),
        says: say`${wanted} rods are wanted; ${most === 0 ? 'none' : most} can stand aboard.`,
        because: say`Sockets, less those a net, a flag or a light stands in. More holders, or rods laid along the side.`,
      },
    ];
  },
});

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
export const rodTips = check({
  about: 'set',
  finds: {
    'rod-tips': { called: 'Rod tips beyond the beam', severity: ['note', 'look'], alsoOfMakers: true, since: 2 },
  },
  judge: ({ items, hull, plan }) => {
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
          fixable: true,
          // Meant so, farther out is no worse.
          measure: trolls ? null : over(out, 'mm'),
          says: say`Tips of rods in ${nameOf(item)} stand ${mm(out, 'up')} beyond the beam on the ${sideOf(item.placed.frame.origin.y)} side.`,
          because: trolls
            ? say`Meant so for trolling out to the sides; turn them astern at the dock.`
            : say`They catch on docks and branches. Straight back they are within it.`,
          tries: [...asternTries(item), ...leanTries(item)],
        },
      ];
    });
  },
});
