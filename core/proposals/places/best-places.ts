import type { Part } from '../../parts/parts';
import type { WorkupInput } from '../../workup';
import { companionsFor, connectionsFor } from './extras';
import { PlaceTrials, SHOWN, type Extras, type PlaceSearch, type PlacesSoFar } from './place-trials';

/**
 * Searches the places where a part goes best: by what the hull and what is aboard offer, sifted by what can be told of a place
 * alone, worked up whole. Ranked by a fixed order, the first that differs decides: no stop; at hand as its use asks; trim and lean;
 * what is found; new holes; minutes; money; the shop's habit. Told after every trial; the best come with what they need.
 */
export function* searchPlaces(input: WorkupInput, part: Part, search: PlaceSearch): Generator<PlacesSoFar, PlacesSoFar> {
  const trials = new PlaceTrials(input, part, search);
  yield* trials.run();
  let companions: Extras | undefined;
  for (const tried of trials.best().slice(0, SHOWN)) {
    // The same come to each place, so that they are compared alike; where they would be stopped, others.
    const own =
      companions && trials.passes(tried, companions.changes)
        ? companions
        : companionsFor(trials.shown, tried, search, trials.memory);
    companions ??= own;
    const cables = connectionsFor(trials.shown, [...tried.changes, ...own.changes], trials.memory);
    trials.completed(tried, { changes: [...own.changes, ...cables.changes], names: [...own.names, ...cables.names] });
    yield trials.soFar(false);
  }
  return trials.soFar(true);
}

/** What a search says at its end. */
export function bestPlaces(input: WorkupInput, part: Part, search: PlaceSearch): PlacesSoFar {
  const searching = searchPlaces(input, part, search);
  for (;;) {
    const { value, done } = searching.next();
    if (done) return value;
  }
}
