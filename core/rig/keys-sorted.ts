/** The same value with the keys of every object in order, so that equal values are written alike. */
export function keysSorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(keysSorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, keysSorted(v)]),
  );
}
