import { settleAll, type SettledAll } from '@plain-cleat/core/proposals/fixes';
import {
  placeRest,
  searchPlaces,
  SHOWN,
  shownPlaces,
  shownRest,
  type PlaceSearch,
  type ShownPlaces,
  type ShownRest,
  type Wanted,
} from '@plain-cleat/core/proposals/places';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { WorkupInput } from '@plain-cleat/core/workup';
import { expose } from 'comlink';

/** How the screen searches: by its units, among what the shop sells. */
export type Asked = Pick<PlaceSearch, 'units' | 'range'>;

export interface PlacesWorker {
  best(input: WorkupInput, part: Part, how: Asked, found: (places: ShownPlaces) => Promise<void>): Promise<void>;
  rest(input: WorkupInput, wanted: readonly Wanted[], how: Asked, told: (rest: ShownRest) => Promise<void>): Promise<void>;
  settle(input: WorkupInput, how: Asked): SettledAll;
}

const newId = (): string => crypto.randomUUID();
/** Most workups: of one search, of placing the rest for each piece, of a fix (judgement: a second or two, and ten). */
const BUDGET = { best: 60, rest: 40, fix: 40 } as const;
/** Places are tried four inches apart first, in either units (judgement), mm. */
const STEP = { imperial: 101.6, metric: 100 } as const;

/** Searches places and fixes that go together, away from the screen. */
const worker: PlacesWorker = {
  async best(input, part, how, found) {
    const searching = searchPlaces(input, part, { ...how, newId, budget: BUDGET.best, step: STEP[how.units] });
    let shown = '';
    for (;;) {
      const { value, done } = searching.next();
      // Told when what is numbered is another.
      const now = value.places
        .slice(0, SHOWN)
        .map((p) => p.item)
        .join();
      if (done || now !== shown) await found(shownPlaces(input, value));
      shown = now;
      if (done) return;
    }
  },
  async rest(input, wanted, how, told) {
    const placing = placeRest(input, wanted, { ...how, newId, budget: BUDGET.rest * wanted.length, step: STEP[how.units] });
    for (;;) {
      const { value, done } = placing.next();
      await told(shownRest(value));
      if (done) return;
    }
  },
  settle: (input, how) => settleAll(input, { ...how, newId, budget: BUDGET.fix, isOne: (f) => f.step === 'lay out' }),
};
expose(worker);
