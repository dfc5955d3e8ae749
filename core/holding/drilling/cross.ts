import type { LedgerHole } from '../../rig';
import { distance, type Point } from '../../base/units';
import { faceOf } from './holes';
import type { PlannedHole } from '../fitted';

/** A check with the rule: from this hole to a neighbour, straight. */
export interface CrossMeasure {
  readonly to: string;
  readonly distance: number;
  /** The neighbour is in the boat already. */
  readonly drilled: boolean;
}

/** A rule is laid from centre to centre over so much, and no farther than it is long (judgement), mm. */
const RULE = { least: 25, most: 600 } as const;

/**
 * The neighbour to check a hole by before it is drilled: the nearest hole on the same face of the hull that is
 * there already, else the nearest that is planned. Null when none is within a rule's length.
 *
 * @param old holes of the hull no fitting of the plan uses
 */
export function crossMeasure(
  hole: PlannedHole,
  holes: readonly PlannedHole[],
  old: readonly LedgerHole[] = [],
): CrossMeasure | null {
  const candidates: (CrossMeasure & { at: Point })[] = [
    ...holes
      .filter((h) => h.id !== hole.id && h.abandoned === null && faceOf(h) === faceOf(hole))
      .map((h) => ({ to: h.label, at: h.drilled?.at ?? h.at, drilled: h.drilled !== null, distance: 0 })),
    ...old
      .filter((h) => faceOf(h.measured) === faceOf(hole))
      .flatMap((h) => (h.at ? [{ to: `old ${h.label}`, at: h.at, drilled: true, distance: 0 }] : [])),
  ];
  const near = candidates
    .filter(({ at }) => hole.down === null || Math.sign(at.y) === Math.sign(hole.at.y))
    .map((c) => ({ ...c, distance: distance(c.at, hole.at) }))
    .filter((c) => c.distance >= RULE.least && c.distance <= RULE.most)
    .sort((a, b) => Number(b.drilled) - Number(a.drilled) || a.distance - b.distance);
  const [best] = near;
  return best ? { to: best.to, distance: best.distance, drilled: best.drilled } : null;
}
