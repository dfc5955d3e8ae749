import type { Fitted } from '../../holding/fitted';
import { handsOf, type ToldControl } from '../../holding/hands';
import type { HullSurface } from '../../boat/hull';
import type { Paddler, Placed } from '../../layout';
import type { Ledger } from '../../rig';
import type { WiredRun } from '../../electric/wiring';
import { basesOf, type BaseTops } from './bases';
import { closingOf, type Closing } from './closing';
import type { SignedThings } from './signed-for';
import { contents, type Contents } from './contents';
import { givenBack, walk, type GivenBack, type WalkStop } from './walk';

/** What a handover follows from. */
export interface HandoverInput extends SignedThings {
  readonly surface: HullSurface;
  readonly owned: readonly Fitted[];
  /** Every place every fitting takes. */
  readonly stands: readonly Fitted[];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
  readonly runs: readonly WiredRun[];
  readonly ledger: Ledger;
  readonly paddlers: readonly Paddler[];
}

export interface Handover {
  /** Whether it is handed over, and what stands against it. */
  readonly closing: Closing;
  readonly walk: readonly WalkStop[];
  /** What came off for something new and goes back in a bag. */
  readonly givenBack: readonly GivenBack[];
  /** What is in each container. */
  readonly contents: readonly Contents[];
  /** Bases with what goes on them, and what stays standing. */
  readonly bases: readonly BaseTops[];
  /** What each control is for, and the hand it is for. */
  readonly controls: readonly ToldControl[];
}

/** All of a handover: the walk, what goes back, and whether it is signed for as it is. */
export const handOver = (input: HandoverInput): Handover => {
  const { surface, plan, owned, stands, takenOff, runs, ledger, paddlers, shop } = input;
  return {
    closing: closingOf(input),
    walk: walk(owned, runs, ledger),
    givenBack: givenBack(owned, takenOff),
    contents: contents(surface, owned, plan),
    bases: basesOf(stands),
    // A body that is not kept has no hands to tell of.
    controls: plan.brief.forgotten
      ? []
      : handsOf({ people: paddlers, brief: plan.brief, items: owned, clear: shop.stroke.hand }).legend,
  };
};
