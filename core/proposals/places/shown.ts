import type { Body } from '../../layout';
import type { DraftChange } from '../../rig';
import type { Point, Sentence } from '../../base/units';
import type { WorkupInput } from '../../workup';
import { placedBy } from '../fixes';
import { SHOWN, type PlacesSoFar, type TriedPlace } from './place-trials';
import type { RestSoFar } from './place-rest';
import { orderInWords, placeInWords, stoppedBy, type PlaceWords } from './words';

/** A place as it is shown: plain data, to be sent from a worker. */
export interface ShownPlace extends PlaceWords {
  readonly item: string;
  readonly changes: readonly DraftChange[];
  readonly bodies: readonly Body[];
  readonly at: Point;
}

/** Places as they are shown while a search goes on. */
export interface ShownPlaces {
  readonly places: readonly ShownPlace[];
  /** Where nothing passes: what stops the least bad place. */
  readonly stopped: Sentence | null;
  /** Why those shown first come in this order. */
  readonly order: string;
  readonly done: boolean;
}

export function shownPlaces(input: Pick<WorkupInput, 'plan'>, { places, stopped, done }: PlacesSoFar): ShownPlaces {
  return {
    places: places.map((tried) => shownPlace(input, tried)),
    stopped: stopped ? stoppedBy(stopped) : null,
    order: orderInWords(places.slice(0, SHOWN)),
    done,
  };
}

function shownPlace(input: Pick<WorkupInput, 'plan'>, tried: TriedPlace): ShownPlace {
  const { item, changes, after } = tried;
  const fresh = placedBy(changes);
  const placed = after.aboard.items.map((i) => i.placed).filter((p) => fresh.has(p.id));
  return {
    ...placeInWords(input, tried),
    ...{ item, changes },
    bodies: placed.flatMap((p) => p.bodies),
    at: placed.find((p) => p.id === item)?.frame.origin ?? { x: 0, y: 0, z: 0 },
  };
}

/** Placing the rest as it is shown. */
export interface ShownRest extends Pick<RestSoFar, 'placed' | 'of' | 'changes' | 'extras' | 'doing' | 'share'> {
  /** What has no place that passes, and what stops the least bad. */
  readonly lacking: readonly { readonly wish: string; readonly name: string; readonly says: Sentence }[];
}

export const shownRest = ({ lacking, placed, of, changes, extras, doing, share }: RestSoFar): ShownRest => ({
  ...{ placed, of, changes, extras, doing, share },
  lacking: lacking.map(({ wish, part, stopped }) => ({ wish, name: part.name, says: stopped ? stoppedBy(stopped) : [] })),
});
