import { circuitPrint, type Diagnosis, Doctor, readingsOf, type Tested } from '@plain-cleat/core/electric/bench-test';
import { expose } from 'comlink';

export interface BenchWorker {
  diagnose(wiring: Tested, taken: readonly (readonly [string, number])[]): Diagnosis;
}

/** What was worked out of the last circuit serves its next reading too. */
let last: { readonly print: string; readonly doctor: Doctor } | null = null;

/** Asks what explains the readings, away from the screen. */
const worker: BenchWorker = {
  diagnose(wiring, taken) {
    const print = circuitPrint(wiring);
    if (last?.print !== print) last = { print, doctor: new Doctor(wiring, readingsOf(wiring)) };
    return last.doctor.diagnose(new Map(taken));
  },
};
expose(worker);
