import { circuitPrint, type Diagnosis, FaultFinder, readingsOf, type Tested } from '@plain-cleat/core/electric/bench-test';
import { expose } from 'comlink';

export interface FaultWorker {
  diagnose(wiring: Tested, taken: readonly (readonly [string, number])[]): Diagnosis;
}

/** What was worked out of the last circuit serves its next reading too. */
let last: { readonly print: string; readonly finder: FaultFinder } | null = null;

/** Asks what explains the readings, away from the screen. */
const worker: FaultWorker = {
  diagnose(wiring, taken) {
    const print = circuitPrint(wiring);
    if (last?.print !== print) last = { print, finder: new FaultFinder(wiring, readingsOf(wiring)) };
    return last.finder.diagnose(new Map(taken));
  },
};
expose(worker);
