import type { Fitted } from '../../holding/fitted';
import type { Day } from '../../rig';
import type { Wiring } from '../wiring';
import { type Wetted } from './resistance';

/** What a day follows from. */
export interface DayInput {
  readonly day: Day;
  readonly wiring: Pick<Wiring, 'flows' | 'network'>;
  readonly owned: readonly Fitted[];
  readonly wetted: Wetted;
}
