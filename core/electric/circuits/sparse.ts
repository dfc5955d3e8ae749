/** A symmetric matrix by its rows, each by the columns that are not nought. */
export type SparseRows = readonly Map<number, number>[];

/** Smaller than this a pivot is nought. */
const NOUGHT = 1e-18;

/** The order in which to eliminate so that little fills in: always the row that has the fewest others left. */
export function eliminationOrder(rows: SparseRows): number[] {
  const beside = rows.map((row, i) => new Set([...row.keys()].filter((k) => k !== i)));
  const left = new Set(rows.keys());
  const order: number[] = [];
  while (left.size) {
    let best = -1;
    for (const i of left) {
      if (best < 0 || (beside[i]?.size ?? 0) < (beside[best]?.size ?? 0)) best = i;
      // A leaf is never dearer than another.
      if ((beside[best]?.size ?? 0) <= 1) break;
    }
    const near = [...(beside[best] ?? [])];
    for (const a of near) {
      beside[a]?.delete(best);
      for (const b of near) if (a !== b) beside[a]?.add(b);
    }
    left.delete(best);
    order.push(best);
  }
  return order;
}

/**
 * Solves a symmetric system by elimination in a given order; the matrix is used up. Networks are nearly trees: taken from their
 * leaves next to nothing fills in.
 * @returns null when the matrix is singular
 */
export function solveSymmetric(rows: SparseRows, right: Float64Array, order: readonly number[]): Float64Array | null {
  for (const k of order) {
    const row = rows[k];
    const pivot = row?.get(k) ?? 0;
    if (!row || Math.abs(pivot) < NOUGHT) return null;
    for (const [i, a] of row) {
      if (i === k) continue;
      const other = rows[i];
      if (!other) continue;
      const factor = a / pivot;
      for (const [j, b] of row) if (j !== k) other.set(j, (other.get(j) ?? 0) - factor * b);
      other.delete(k);
      right[i] = (right[i] ?? 0) - factor * (right[k] ?? 0);
    }
  }
  // From the last to the first: each row holds only what was eliminated after it.
  for (let n = order.length - 1; n >= 0; n--) {
    const k = order[n] ?? 0;
    let sum = right[k] ?? 0;
    for (const [j, b] of rows[k] ?? []) if (j !== k) sum -= b * (right[j] ?? 0);
    right[k] = sum / (rows[k]?.get(k) ?? NaN);
  }
  return right;
}
