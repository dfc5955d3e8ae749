import type { RigDocument } from '@plain-cleat/api';
import { applyChange, type Change, type Fact, type Plan } from '@plain-cleat/core/rig';
import { Memory } from '@plain-cleat/core/stages';
import { workUp } from '@plain-cleat/core/workup';
import { type Observable, scan } from 'rxjs';
import { inputOf, type Notices, type RigState } from './rig.state';
import type { Waiting, WaitingFact } from './tablet';
import { onTop } from './undo';

/** All that an open rig is shown from. */
export interface RigSources {
  readonly doc: RigDocument;
  /** Plan and facts as the server has them. */
  readonly serverPlan: Plan;
  readonly serverFacts: readonly Fact[];
  /** What of mine is not acknowledged. */
  readonly waiting: readonly Waiting[];
  readonly notTaken: readonly WaitingFact[];
  /** A change still under the finger. */
  readonly previewed: Change | null;
  readonly set: string | null;
  readonly notices: Notices;
}

export const NO_NOTICES: Notices = { copyOf: null, unsent: null, clash: null, refused: null };

/** A plan with a change on it; as it was when it does not go on it. */
function withChange(plan: Plan, change: Change | null): Plan {
  try {
    return change ? applyChange(plan, change).plan : plan;
  } catch {
    return plan;
  }
}

/** The rig as it is shown: the server's truth, mine on top of it, what is under the finger, and the workup of all. */
function shown(before: RigState | null, sources: RigSources, session: Memory): RigState {
  const { doc, waiting, notTaken, notices } = sources;
  const { plan: settled, facts } = onTop(sources.serverPlan, sources.serverFacts, waiting);
  const plan = withChange(settled, sources.previewed);
  const set = sources.set !== null && Object.hasOwn(plan.sets, sources.set) ? sources.set : null;
  const same =
    before &&
    before.plan === plan &&
    before.facts === facts &&
    before.doc.hull === doc.hull &&
    before.doc.shop === doc.shop &&
    before.doc.catalog === doc.catalog &&
    before.doc.others === doc.others &&
    before.doc.today === doc.today &&
    before.set === set;
  const workup = same ? before.workup : workUp({ ...inputOf(doc), plan, facts, set }, session);
  return { doc, plan, settled, facts, workup, set, waiting: waiting.length, notTaken, ...notices };
}

/** What is shown of a rig as what it follows from changes; of none, nothing. Another rig begins with a session of its own. */
export const shownRig = (sources$: Observable<RigSources | null>): Observable<RigState | null> => {
  let session = new Memory();
  return sources$.pipe(
    scan((before: RigState | null, sources) => {
      if (before?.doc.id !== sources?.doc.id) session = new Memory();
      return sources && shown(before?.doc.id === sources.doc.id ? before : null, sources, session);
    }, null),
  );
};
