import { partKey, type Part } from '../parts/parts';
import type { WorkupInput } from './workup';

/** An input that knows more parts than are aboard: what may come is worked up like what is there. */
export function withParts<I extends Pick<WorkupInput, 'catalog'>>(input: I, parts: readonly Part[]): I {
  const known = new Set(input.catalog.parts.map(partKey));
  const more = parts.filter((p) => !known.has(partKey(p)));
  return more.length ? { ...input, catalog: { ...input.catalog, parts: [...input.catalog.parts, ...more] } } : input;
}
