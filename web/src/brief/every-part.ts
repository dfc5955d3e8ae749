import type { Part } from '@plain-cleat/core/parts/parts';
import type { Choice } from '../controls/choice-field';

/** Every part to choose from, under what is more likely meant. */
export const everyPart = (parts: readonly Part[]): Choice<string>[] =>
  parts.map((p) => ({ value: p.id, says: p.name, under: 'Every part' }));

/** What a wish may be of: no part, those it likely means, then every other. */
export const partChoices = (likely: readonly Part[], every: readonly Choice<string>[]): Choice<string>[] => {
  const offered = new Set(likely.map((p) => p.id));
  return [
    { value: '', says: 'no part: a line by itself' },
    ...likely.map((p) => ({ value: p.id, says: p.name })),
    ...every.filter((one) => !offered.has(one.value)),
  ];
};
