import { unsettled } from '@plain-cleat/core/findings';
import { readySteps } from '@plain-cleat/core/scheduling';
import type { Workup } from '@plain-cleat/core/workup';
import type { Progress } from '@plain-cleat/api';

/** What is projected of a rig onto its row. */
export interface Standing {
  readonly progress: Progress;
  /** Signed for, and nothing changed since. */
  readonly closed: boolean;
  /** Changed since it was signed for. */
  readonly changed: boolean;
}

/** What the floor shows of a rig: how far it is and what comes next. */
export function progressOf(w: Workup): Standing {
  const open = unsettled(w.findings);
  const toSettle: Record<string, number> = {};
  for (const f of open) toSettle[f.step] = (toSettle[f.step] ?? 0) + 1;
  const done = w.build.steps.filter((s) => s.done).length;
  const stops = open.filter((f) => f.severity === 'stop').length;
  const { closed, changed } = w.handover.closing;
  const next = (): string => {
    if (closed) return `Signed by ${w.ledger.signed?.name ?? ''}`;
    if (changed) return 'Changed since signed: a new signature';
    if (w.aboard.items.length === 0) return 'Lay it out';
    if (stops > 0 && done === 0) return `Settle ${stops} ${stops === 1 ? 'stop' : 'stops'} before drilling`;
    return readySteps(w.build.steps)[0]?.says ?? 'Walk the owner through and hand over';
  };
  return { progress: { done, total: w.build.steps.length, toSettle, stops, next: next() }, closed, changed };
}
