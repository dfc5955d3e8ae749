import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import type { Placed } from '../layout';
import type { Ledger, Plan } from '../rig';
import type { BuildStep } from '../scheduling';
import type { WiredRun } from '../wiring';
import { closingOf, type Closing } from './closing';
import { contents, type Contents } from './contents';
import { givenBack, walk, type GivenBack, type WalkStop } from './walk';

/** What a handover follows from. */
export interface HandoverInput {
  readonly surface: HullSurface;
  readonly plan: Plan;
  readonly owned: readonly Fitted[];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
  readonly runs: readonly WiredRun[];
  readonly ledger: Ledger;
  readonly steps: readonly BuildStep[];
}

export interface Handover {
  /** Whether it is handed over, and what stands against it. */
  readonly closing: Closing;
  readonly walk: readonly WalkStop[];
  /** What came off for something new and goes back in a bag. */
  readonly givenBack: readonly GivenBack[];
  /** What is in each container. */
  readonly contents: readonly Contents[];
}

/** All of a handover: the walk, what goes back, and whether it is signed for as it is. */
export const handOver = ({ surface, plan, owned, takenOff, runs, ledger, steps }: HandoverInput): Handover => ({
  closing: closingOf(plan, ledger, steps),
  walk: walk(owned, runs, ledger),
  givenBack: givenBack(owned, takenOff),
  contents: contents(surface, owned, plan),
});
