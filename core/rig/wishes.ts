import type { Plan } from './plan';

/** A wish, with how many of it are aboard. */
export interface CountedWish {
  readonly id: string;
  readonly text: string;
  readonly part: string | null;
  readonly count: number;
  /** So many of it stand on the boat; what stands there is counted for one wish only, in the order of the list. */
  readonly placed: number;
}

/** Every wish with what of it is aboard, in the order of the list. */
export function countWishes({ wishes, fittings }: Pick<Plan, 'wishes' | 'fittings'>): CountedWish[] {
  const left = new Map<string, number>();
  for (const { part } of Object.values(fittings)) left.set(part, (left.get(part) ?? 0) + 1);
  return Object.entries(wishes).map(([id, { text, part, count = 1 }]): CountedWish => {
    const there = part === null ? 0 : (left.get(part) ?? 0);
    const placed = Math.min(count, there);
    if (part !== null) left.set(part, there - placed);
    return { id, text, part, count, placed };
  });
}

/** How far a wish is, in words: `2 of 3 placed`. */
export const placedWords = ({ count, placed }: Pick<CountedWish, 'count' | 'placed'>): string =>
  count > 1 && placed < count ? `${placed} of ${count} placed` : placed >= count ? 'placed' : 'not placed';
