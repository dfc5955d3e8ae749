import { cutList, reelCuts, type WantedBar } from '@plain-cleat/core/work/cutting';
import { holesOfRig, type OtherHole } from '@plain-cleat/core/holding/drilling';
import { areasInWords } from '@plain-cleat/core/work/handover';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { readySteps } from '@plain-cleat/core/work/scheduling';
import type { Workup, WorkupInput } from '@plain-cleat/core/workup';
import type { Progress } from '@plain-cleat/api';
import { outlineOf } from './outline';

/** What others than its own screen show of a rig. */
export interface Projected {
  readonly hull: string;
  readonly outline: [number, number][];
  readonly progress: Progress;
  /** Signed for, and nothing changed since. */
  readonly closed: boolean;
  /** Changed since it was signed for. */
  readonly changed: boolean;
  /** The holes it plans or uses, for the other rigs of its hull. */
  readonly holes: OtherHole[];
  /** What must be cut for it. */
  readonly cuts: ReturnType<typeof cutList> & { readonly reels: readonly WantedBar[] };
}

/** How far a rig is and what comes next. */
function progressOf(w: Workup): Progress {
  const open = unsettled(w.findings);
  const toSettle: Record<string, number> = {};
  for (const f of open) toSettle[f.step] = (toSettle[f.step] ?? 0) + 1;
  const done = w.build.steps.filter((s) => s.done).length;
  const stops = open.filter((f) => f.severity === 'stop').length;
  const { closed, changed } = w.handover.closing;
  const next = (): string => {
    if (closed) return `Signed by ${w.ledger.signed?.name ?? ''}`;
    if (changed.length > 0) return `Changed since signed: ${areasInWords(changed)}`.slice(0, 200);
    if (w.aboard.items.length === 0) return 'Lay it out';
    if (stops > 0 && done === 0) return `Settle ${stops} ${stops === 1 ? 'stop' : 'stops'} before drilling`;
    return readySteps(w.build.steps)[0]?.says ?? 'Walk the owner through and hand over';
  };
  return { done, total: w.build.steps.length, toSettle, stops, next: next() };
}

/** Everything that is read of a rig without working it up again. */
export const project = (number: string, { hull, shop }: WorkupInput, w: Workup): Projected => ({
  hull: hull.name,
  outline: outlineOf(hull),
  progress: progressOf(w),
  closed: w.handover.closing.closed,
  changed: w.handover.closing.changed.length > 0,
  holes: holesOfRig(number, w.drilling.holes, w.ledger, w.aboard.owned),
  cuts: {
    ...cutList(number, w.aboard.owned, hull, shop),
    reels: reelCuts(number, { wiring: w.wiring, lines: w.lines, owned: w.aboard.owned, ledger: w.ledger }),
  },
});
