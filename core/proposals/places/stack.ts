import type { Part } from '../../parts/parts';
import { joinFault, missingAdapters } from '../../holding/mounting';
import { fittingOf, type Fitting, type Place } from '../../rig';

/** What comes aboard for one thing wished for: what it stands on first, the thing itself last. */
export type Stack = readonly [Part, ...Part[]];

/** The thing that is wished for. */
export const wishedOf = (stack: Stack): Part => stack.at(-1) ?? stack[0];

/** What a stack costs, cents. */
const costs = (stack: readonly Part[]): number => stack.reduce((sum, p) => sum + p.sold.priceCents, 0);

/**
 * The stacks by which a part may come aboard: alone, and where it has a foot on what the shop sells for it, the fewest pieces and
 * the cheapest for each way a base is held.
 */
export function stacksFor(part: Part, range: readonly Part[]): Stack[] {
  if (!part.joins?.foot) return [[part]];
  const bases = range.filter((p) => p.joins && !p.joins.foot && p.joins.heads.length > 0);
  const found = bases.flatMap((base): Stack[] => {
    const between = joinFault(base, part) === null ? [] : missingAdapters(base, part, range);
    return between ? [[base, ...between, part]] : [];
  });
  const best = new Map<string, Stack>();
  for (const one of found.sort((a, b) => a.length - b.length || costs(a) - costs(b))) {
    const way = one[0].holding.ways[0] ?? '';
    if (!best.has(way)) best.set(way, one);
  }
  // What is aboard already may have a head for it.
  return [[part], ...best.values()];
}

/** A stack as fittings: the lowest at a place, each other on the one below. */
export function fittingsOf(
  stack: Stack,
  at: { readonly place: Place; readonly mount: Fitting['mount']; readonly uses?: Fitting['uses'] },
  ids: readonly string[],
): { readonly id: string; readonly fitting: Fitting }[] {
  return stack.flatMap((part, i) => {
    const id = ids[i];
    if (id === undefined) return [];
    const { place, mount, uses } = at;
    if (i === 0) return [{ id, fitting: { ...fittingOf(part, place), mount, ...(uses ? { uses } : {}) } }];
    return [{ id, fitting: fittingOf(part, { on: 'fitting', fitting: ids[i - 1] ?? '', u: 0, v: 0, heading: 0 }) }];
  });
}
