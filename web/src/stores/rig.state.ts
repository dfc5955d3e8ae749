import type { RigDocument } from '@plain-cleat/api';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Fact, NewFact, Plan } from '@plain-cleat/core/rig';
import type { Workup, WorkupInput } from '@plain-cleat/core/workup';
import type { WaitingChange, WaitingFact } from './tablet';

/** A change of mine on a field somebody else changed first: the person chooses. */
export interface ClashShown {
  /** Mine, as it is kept until one is chosen. */
  readonly mine: WaitingChange;
  readonly field: string;
  readonly found: unknown;
  readonly wanted: unknown;
}

/** What is said over the rig, until it is settled or read. */
export interface Notices {
  /** When the server was last heard, while one works on the tablet's own copy. */
  readonly copyOf: string | null;
  /** Since when no news of others' work comes; null while it does. */
  readonly noNews: string | null;
  /** Set while the server does not answer. */
  readonly unsent: string | null;
  /** What the server would not take, in its words. */
  readonly refused: string | null;
}

export interface RigState extends Notices {
  /** Changes of mine that met another's, each to be chosen from. */
  readonly clashes: readonly ClashShown[];
  readonly doc: RigDocument;
  /** The plan with what is not yet sent applied. */
  readonly plan: Plan;
  /** The same without the change still under the finger. */
  readonly settled: Plan;
  readonly facts: readonly Fact[];
  readonly workup: Workup;
  /** What of the stores the plan is worked up from. */
  readonly catalog: WorkupInput['catalog'];
  /** Every part that may come aboard, each in its newest revision, by name. */
  readonly parts: readonly Part[];
  /** Parts this device knows besides those of the rig. */
  readonly known: readonly Part[];
  /** The set being shown; null shows every fitting at its own place. */
  readonly set: string | null;
  readonly waiting: number;
  /** Facts the server would not take: they stay here until somebody decides. */
  readonly notTaken: readonly WaitingFact[];
}

/** What a workup follows from besides plan and facts. */
export const inputOf = ({
  doc: { hull, shop, today, others },
  catalog,
}: Pick<RigState, 'doc' | 'catalog'>): Omit<WorkupInput, 'plan' | 'facts'> => ({ hull, catalog, shop, others, asOf: today });

/** The rig as it is settled, in the set that is shown: what is asked about it away from the screen. */
export const settledInput = (state: RigState): WorkupInput => ({
  ...inputOf(state),
  ...{ plan: state.settled, facts: state.facts, set: state.set },
});

/** A fact before this device has said which rig, when and under which id. */
export type FactBody = NewFact extends infer F ? (F extends NewFact ? Omit<F, 'id' | 'rig' | 'deviceTime'> : never) : never;
