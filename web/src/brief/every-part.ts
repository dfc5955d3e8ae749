import type { Part } from '@plain-cleat/core/parts/parts';
import type { Choice } from '../controls/choice-field';

/** Every part to choose from, under what is more likely meant. */
export const everyPart = (parts: readonly Part[]): Choice<string>[] =>
  parts.map((p) => ({ value: p.id, says: p.name, under: 'Every part' }));
