import {
  type BarPlan,
  type BarStock,
  type BoardPlan,
  type BoardStock,
  cutBars,
  cutBoards,
  type Piece,
  type Plate,
} from '@plain-cleat/core/work/cutting';
import { expose } from 'comlink';

export interface CutWorker {
  bars(pieces: readonly Piece[], stock: BarStock, budget: number, progress: (share: number) => void): BarPlan;
  boards(plates: readonly Plate[], stock: BoardStock, budget: number, progress: (share: number) => void): BoardPlan;
}

/** Searches cut plans away from the screen. Ending the worker stops the search. */
const worker: CutWorker = {
  bars: (pieces, stock, budget, progress) => cutBars(pieces, stock, { seed: 1, budget, progress }),
  boards: (plates, stock, budget, progress) => cutBoards(plates, stock, { seed: 1, budget, progress }),
};
expose(worker);
