import type { Body } from '../../layout';
import { isInside } from '../../holding/inside';
import type { Part } from '../../parts/parts';
import type { DraftChange } from '../../rig';
import type { Point, Sentence } from '../../base/units';
import type { WorkupInput } from '../../workup';
import type { PlacesSoFar, TriedPlace } from './place-trials';
import type { RestSoFar } from './place-rest';
import { orderInWords, placeInWords, type PlaceWords } from './words';

/** A place as it is shown: plain data, to be sent from a worker. */
export interface ShownPlace extends PlaceWords {
  readonly item: string;
  readonly changes: readonly DraftChange[];
  /** What comes aboard, the thing itself last. */
  readonly parts: readonly Part[];
  readonly bodies: readonly Body[];
  readonly at: Point;
  readonly inside: boolean;
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

/** So many places are numbered. */
export const NUMBERED = 3;

export function shownPlaces(input: Pick<WorkupInput, 'plan'>, { places, stopped, done }: PlacesSoFar): ShownPlaces {
  return {
    places: places.map((tried) => shownPlace(input, tried)),
    stopped: stopped ? stoppedBy(stopped) : null,
    order: orderInWords(places.slice(0, NUMBERED)),
    done,
  };
}

function shownPlace(input: Pick<WorkupInput, 'plan'>, tried: TriedPlace): ShownPlace {
  const { item, changes, stack, after } = tried;
  const fresh = new Set(changes.flatMap((c) => (c.kind === 'placeItem' ? [c.item] : [])));
  const placed = after.aboard.items.map((i) => i.placed).filter((p) => fresh.has(p.id));
  const own = placed.find((p) => p.id === item);
  return {
    ...placeInWords(input, tried),
    ...{ item, changes, parts: stack },
    bodies: placed.flatMap((p) => p.bodies),
    at: own?.frame.origin ?? { x: 0, y: 0, z: 0 },
    inside: own !== undefined && isInside(own),
  };
}

/** What stops a place: that would have to give. */
const stoppedBy = ({ against }: Pick<TriedPlace, 'against'>): Sentence =>
  against
    .filter((f) => f.severity === 'stop')
    .slice(0, 2)
    .flatMap((f, i) => [...(i ? [' '] : []), ...f.says]);

/** Placing the rest as it is shown. */
export interface ShownRest extends Pick<RestSoFar, 'placed' | 'of' | 'changes' | 'extras' | 'doing' | 'trials'> {
  /** What has no place that passes, and what stops the least bad. */
  readonly lacking: readonly { readonly wish: string; readonly name: string; readonly says: Sentence }[];
}

export const shownRest = ({ lacking, placed, of, changes, extras, doing, trials }: RestSoFar): ShownRest => ({
  ...{ placed, of, changes, extras, doing, trials },
  lacking: lacking.map(({ wish, part, stopped }) => ({ wish, name: part.name, says: stopped ? stoppedBy(stopped) : [] })),
});
