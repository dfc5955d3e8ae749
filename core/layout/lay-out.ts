import type { Part } from '../parts/parts';
import type { HullSurface } from '../boat/hull';
import { assignLetters, hasGone, setsInOrder, standsOf, takenOff, type Plan, type Stand } from '../rig';
import type { Memory } from '../base/stages';
import { placeFitting } from './frame';
import { bowToStern, type Placed } from './placed';

/** What a layout follows from. */
export interface LayoutInput extends Pick<Plan, 'fittings' | 'sets' | 'letters'> {
  readonly surface: HullSurface;
  /** Of the rods aboard, mm. */
  readonly rodLength: number;
  /** The part of each fitting. */
  readonly parts: ReadonlyMap<string, Part>;
}

/** A fitting where it stands in some sets, with its letter. */
export interface Stood {
  readonly placed: Placed;
  readonly letter: string;
  /** The sets it stands here in; null when the rig has no sets. */
  readonly sets: readonly string[] | null;
  /** The set that has it here; empty at its own place. */
  readonly elsewhere: string;
}

/** Where everything stands. */
export interface Layout {
  /** The sets, in their order. */
  readonly sets: readonly string[];
  /** Every place every fitting takes, bow to stern. */
  readonly stood: readonly Stood[];
  /** What stands aboard no more, where it stood when the boat came in. */
  readonly gone: readonly Placed[];
  /** Of that, what the plan takes off. */
  readonly takenOff: readonly Placed[];
}

/** Puts every fitting of a plan on the hull, what carries before what it carries; what has no part or no place is left out. */
export function layOut({ surface, fittings, sets, letters, rodLength, parts }: LayoutInput, memory: Memory): Layout {
  const stands = standsOf({ fittings, sets });
  const byKey = new Map(stands.map((s) => [keyOf(s), s]));
  const placed = new Map<Stand, Placed>();
  const visiting = new Set<Stand>();
  const place = (stand: Stand): Placed | undefined => {
    const done = placed.get(stand);
    if (done || visiting.has(stand)) return done;
    visiting.add(stand);
    const { id, fitting, place: at, elsewhere } = stand;
    const on = at.on === 'fitting' ? at.fitting : undefined;
    const under = on === undefined ? undefined : (byKey.get(`${on}.${elsewhere}`) ?? byKey.get(`${on}.`));
    const below = under && place(under);
    const part = parts.get(id);
    const made = memory.last(keyOf(stand), [surface, part, fitting, at, below, rodLength], () =>
      placeFitting(surface, id, fitting, part, { place: at, below, rodLength }),
    );
    if (made) placed.set(stand, made);
    return made;
  };
  stands.forEach(place);
  const gone = Object.entries(fittings).flatMap(([id, fitting]): Placed[] => {
    const at = hasGone(fitting) ? fitting.aboard?.place : undefined;
    const part = parts.get(id);
    const stood =
      at && memory.last(`${id} off`, [surface, part, fitting], () => placeFitting(surface, id, fitting, part, { place: at }));
    return stood ? [stood] : [];
  });
  const inOrder = [...placed].sort(([, a], [, b]) => bowToStern(a, b));
  const names = assignLetters(
    inOrder.filter(([stand]) => stand.elsewhere === '').map(([, p]) => p.id),
    letters,
  );
  return {
    sets: setsInOrder({ sets }),
    stood: inOrder.map(([{ sets: where, elsewhere }, p]) => ({
      placed: p,
      letter: names.get(p.id) ?? '?',
      sets: where,
      elsewhere,
    })),
    ...memory.last('gone', gone, () => ({ gone, takenOff: gone.filter((p) => takenOff(p.fitting)) })),
  };
}

const keyOf = (stand: Pick<Stand, 'id' | 'elsewhere'>): string => `${stand.id}.${stand.elsewhere}`;
