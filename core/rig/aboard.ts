import type { HullModel } from '../boat/hull';
import type { Hold, Part } from '../parts/parts';
import { entryOf } from './entry-of';
import type { Fact } from './fact';
import type { Place, Plan } from './plan';
import type { Run } from './run';
import type { Fitting } from './fitting';
import { sameJson } from './same-json';

type Laying = Pick<Run, 'aboard' | 'from' | 'to' | 'lane' | 'via'>;
type Came = Pick<Fitting, 'aboard' | 'becomes' | 'place' | 'mount' | 'lift'>;

/** Whether a fitting came aboard and stands where it did, held as it was: nothing is drilled, bought or fastened for it. */
export const isThere = ({ aboard, place, mount, lift }: Came, at: Place = place): boolean =>
  aboard !== undefined && lift === 0 && mount.hold === aboard.hold && sameJson(at, aboard.place);

/** Whether the hull's maker fitted it: it is part of the hull's own mass, wherever it stands now. */
export const isMakers = ({ aboard }: Pick<Fitting, 'aboard'>): boolean => aboard?.from === 'maker';

/** Whether a fitting that came aboard leaves the boat, or left it before: it stands nowhere. */
export const hasGone = ({ becomes }: Pick<Fitting, 'becomes'>): boolean => becomes !== undefined && becomes.is !== 'left';

/** Whether it is taken off in this build, to be bagged and given back. */
export const takenOff = ({ becomes }: Pick<Fitting, 'becomes'>): boolean =>
  becomes?.is === 'replaced' || becomes?.is === 'removed';

/** The name of a hole that came with a thing aboard and that no fact tells of. */
export const cameHole = (fitting: string, nth: number): string => `came.${fitting}.${nth}`;

/** Whether a hole came with a thing aboard, and no fact tells of it. */
export const isCameHole = (name: string): boolean => name.startsWith('came.');

/** Whether a cable that came aboard lies as it lay, between things that stand as they stood: nothing is pulled or ended. */
export const isLaid = ({ aboard, from, to, lane, via }: Laying, stays: (fitting: string) => boolean): boolean =>
  aboard !== undefined &&
  sameJson({ from, to, lane, via }, { from: aboard.from, to: aboard.to, lane: aboard.lane, via: aboard.via }) &&
  [from, to, ...via.flatMap((w) => (w.at === 'gland' ? [w.fitting] : []))].every(stays);

const standing = (part: string, place: Place, hold: Fitting['mount']['hold']) => ({
  part,
  place,
  lift: 0,
  mount: { hold, plate: false, reason: '' },
  suppliedBy: "owner's own" as const,
  note: '',
});

/** The name under which a thing of the hull's stock stands in a plan. */
export const stockKey = (id: string): string => `stock-${id}`;

/** What the maker fits, as fittings that came aboard. */
export const stockFittings = ({ stock = [] }: Pick<HullModel, 'stock'>): Plan['fittings'] =>
  Object.fromEntries(
    stock.map(({ id, part, place, hold }): [string, Fitting] => [
      stockKey(id),
      { ...standing(part, place, hold), aboard: { from: 'maker', place, hold } },
    ]),
  );

/** How a part that was found at a place is held there, as far as one sees from outside: its first way that suits the place. */
function holdFound({ holding: { ways } }: Pick<Part, 'holding'>, { on }: Place): Hold {
  const wanted: Partial<Record<Place['on'], readonly Hold[]>> = {
    track: ['track'],
    insert: ['insert'],
    scupper: ['scupper'],
    rail: ['clamp', 'cable tie'],
    plate: ['through', 'insert'],
    space: ['loose', 'strap', 'glue'],
    fitting: ['loose', 'clamp', 'track', 'cable tie', 'hook and loop', 'magnet'],
  };
  const suits = wanted[on] ?? ['rivet', 'screw', 'through', 'glue', 'loose'];
  return suits.find((hold) => ways.includes(hold)) ?? ways[0] ?? 'loose';
}

/** A thing found on the boat that nobody had listed. */
export function foundFitting(part: Pick<Part, 'id' | 'revision' | 'holding'>, place: Place): Fitting {
  const hold = holdFound(part, place);
  const { revision } = part;
  return {
    ...standing(part.id, place, hold),
    ...(revision === undefined ? {} : { revision }),
    aboard: { from: 'found', place, hold },
  };
}

/** How a thing was when the boat came in. */
export type Seen = Extract<Fact, { kind: 'thingSeen' }>;

/** A fitting without what belongs to the one thing on the one boat: that it came aboard, what becomes of it, its old holes and straps. */
export function withoutBoat<F extends Fitting>({
  aboard: _,
  becomes: __,
  uses: ___,
  straps: ____,
  ...fitting
}: F): Omit<F, 'aboard' | 'becomes' | 'uses' | 'straps'> {
  return fitting;
}

/** The features of the hull that the plan takes off. */
export const featuresGone = ({ features }: Pick<Plan, 'features'>): string[] =>
  Object.keys(features)
    .filter((key) => {
      const becomes = entryOf(features, key);
      return becomes !== undefined && becomes.is !== 'left';
    })
    .sort();
