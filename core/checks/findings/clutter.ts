import { BUDGETS } from '../../parts/parts';
import type { Fitted } from '../../holding/fitted';
import { capital, say, over } from '../../base/units';
import { laneOf } from '../../electric/wiring';
import { check } from './check';
import { aboutHull, type Raw } from './finding';

/** Rods this size of hull carries comfortably: a light boat, the largest decks, the rest. */
function comfortable(
  hull: { length: number; beam: number; model: { massKg: number } },
  rods: { light: number; usual: number; large: number },
): number {
  if (hull.model.massKg < 22) return rods.light;
  return hull.beam >= 930 ? rods.large : rods.usual;
}

/** Rods that can stand aboard: sockets, less those a net, a flag or a light stands in. */
export function rodsCarried(items: readonly Fitted[]): number {
  const sockets = items.reduce((sum, i) => sum + i.placed.rods.length, 0);
  const taken = items.reduce((sum, i) => sum + (i.placed.part.goesWith.takes?.['rod sockets'] ?? 0), 0);
  return Math.max(0, sockets - taken);
}

/** More rods than the hull carries comfortably. */
export const tooManyRods = check({
  about: 'set',
  finds: {
    'too-many-rods': { called: 'More rods than are used', severity: 'look', decides: 'the owner', since: 2 },
  },
  judge: ({ items, hull, shop, plan }) => {
    const carried = Math.max(rodsCarried(items), plan.brief.rods);
    const most = comfortable(hull, shop.limits.rods);
    if (carried <= most) return [];
    return [
      {
        ...aboutHull(hull, hull.model.seat.x),
        code: 'too-many-rods',
        measure: over(carried, 'count', most),
        says: say`${carried} rods; this hull carries ${most} comfortably.`,
        because: say`Two or three on a light boat, up to six usually, twelve on the largest decks: common practice.`,
      },
    ];
  },
});

/** Sockets, ports, channels and glands used up, per set. */
export const budgets = check({
  about: 'set',
  finds: {
    'used-up': { called: 'More wanted than is aboard', severity: 'look', since: 2 },
  },
  judge: ({ items, hull, wiring: { runs } }) =>
    BUDGETS.flatMap((what): Raw[] => {
      // A gland is used up only by a wire that goes inside.
      const wired = (id: string): boolean => runs.some((r) => r.to === id && laneOf(r.lane).where === 'inside');
      const own = (i: (typeof items)[number]): number => (what === 'rod sockets' ? (i.placed.part.rods?.count ?? 0) : 0);
      const given = items.reduce((sum, i) => sum + (i.placed.part.goesWith.gives?.[what] ?? own(i)), 0);
      const takers = items.filter(
        (i) => (i.placed.part.goesWith.takes?.[what] ?? 0) > 0 && (what !== 'glands' || wired(i.placed.id)),
      );
      const taken = takers.reduce((sum, i) => sum + (i.placed.part.goesWith.takes?.[what] ?? 0), 0);
      if (taken <= given) return [];
      return [
        {
          ...aboutHull(hull, takers[0]?.placed.frame.origin.x),
          code: 'used-up',
          detail: what.replace(' ', '-'),
          measure: over(taken, 'count', given),
          says: say`${capital(what)}: ${taken} wanted, ${given || 'none'} aboard.`,
          because: say`Wanted by ${takers.map((i) => i.letter).join(', ')}.`,
        },
      ];
    }),
});
