import type { Joint, Part } from '../../parts/parts';

const meet = (head: Joint, foot: Joint): boolean => head.kind === foot.kind && head.size === foot.size;
const words = (j: Joint): string => `${j.size} ${j.kind}`;

/** Why the upper part cannot stand on the lower one; null when they join, or when neither is part of a chain. */
export function joinFault(lower: Part, upper: Part): string | null {
  const foot = upper.joins?.foot;
  if (!foot) return null;
  const heads = lower.joins?.heads ?? [];
  if (heads.some((h) => meet(h, foot))) return null;
  return heads.length
    ? `it wants a ${words(foot)}, there is a ${heads.map(words).join(' or ')}`
    : `it wants a ${words(foot)}, there is nothing to join to`;
}

/**
 * The shortest chain of adapters that joins two parts, by breadth first over the stores.
 *
 * @returns adapters from the lower part up; empty when they meet already, undefined when nothing sold joins them
 */
export function missingAdapters(lower: Part, upper: Part, stores: readonly Part[]): Part[] | undefined {
  if (!joinFault(lower, upper)) return [];
  const adapters = stores
    .filter((p) => p.joins?.foot && p.joins.heads.length > 0)
    .sort((a, b) => a.sold.priceCents - b.sold.priceCents);
  let ends: Part[][] = [[]];
  const seen = new Set<string>();
  for (let long = 0; long < 4; long++) {
    const next: Part[][] = [];
    for (const chain of ends) {
      const top = chain.at(-1) ?? lower;
      for (const a of adapters) {
        if (seen.has(a.id) || joinFault(top, a)) continue;
        const longer = [...chain, a];
        if (!joinFault(a, upper)) return longer;
        seen.add(a.id);
        next.push(longer);
      }
    }
    ends = next;
  }
  return undefined;
}
