import type { Stood } from '../../layout';
import type { LedgerHole } from '../../rig';
import type { Mounted } from '../mounting';
import type { Opening, PlannedHole } from './hole';

/** One fitting worked out: where it stands, how it is held, what it is called, which holes it makes. */
export interface Fitted extends Stood {
  readonly mounted: Mounted;
  readonly holes: readonly PlannedHole[];
  /** Holes it came aboard with and stands on: nobody drills them. */
  readonly under: readonly LedgerHole[];
}

/** Everything aboard as it is held and drilled for. */
export interface Aboard {
  /** Every place every fitting takes, bow to stern. */
  readonly stands: readonly Fitted[];
  /** Every fitting of the rig once, at its own place, with the holes of all its places. */
  readonly owned: readonly Fitted[];
  /** What stands aboard in the set shown. */
  readonly items: readonly Fitted[];
  /** The set shown; null when it is everything at its own place. */
  readonly shown: string | null;
  /** Where a hand gets into the hull. */
  readonly openings: readonly Opening[];
}

/** What stands aboard in one set. */
export const inSet = (stands: readonly Fitted[], set: string): Fitted[] => stands.filter((f) => f.sets?.includes(set));
