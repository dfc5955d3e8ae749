import type { Finding } from '../checks/findings';
import type { Workup } from './workup';

/** What one workup differs from another by, for the person who must choose between them. */
export interface Alteration {
  /** Findings that stand no more. */
  readonly settled: readonly Finding[];
  /** Findings that were not there before. */
  readonly raised: readonly Finding[];
  /** How much dearer, cents. */
  readonly cents: number;
  /** How much more work, minutes. */
  readonly minutes: number;
  /** Planned holes that are no more, are new, or come to lie over a tenth of a millimetre elsewhere. */
  readonly holes: number;
}

const MOVED = 0.1;

/** What changes for a plan when its hull, catalog or shop settings are taken in another revision. */
export function whatAlters(before: Workup, after: Workup): Alteration {
  const key = (f: Finding): string => f.key;
  const [was, is] = [new Set(before.findings.map(key)), new Set(after.findings.map(key))];
  const old = new Map(before.drilling.holes.map((h) => [h.id, h.at]));
  const now = new Set(after.drilling.holes.map((h) => h.id));
  const moved = after.drilling.holes.filter((h) => {
    const at = old.get(h.id);
    return !at || Math.hypot(at.x - h.at.x, at.y - h.at.y, at.z - h.at.z) > MOVED;
  });
  const gone = before.drilling.holes.filter((h) => !now.has(h.id));
  return {
    settled: before.findings.filter((f) => !is.has(f.key)),
    raised: after.findings.filter((f) => !was.has(f.key)),
    cents: after.price.totals.totalCents - before.price.totals.totalCents,
    minutes: after.price.totals.laborMinutes - before.price.totals.laborMinutes,
    holes: moved.length + gone.length,
  };
}
