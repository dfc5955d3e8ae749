import { seatRange, type SeatRange, type SeatSearch } from '@plain-cleat/core/proposals/seating';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { expose } from 'comlink';

export interface SeatWorker {
  range(input: WorkupInput, how: Pick<SeatSearch, 'step' | 'set'>): SeatRange | null;
}

/** Tries every place of a seat, away from the screen. */
const worker: SeatWorker = { range: (input, how) => seatRange(input, how) };
expose(worker);
