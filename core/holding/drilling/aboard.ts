import { inSet, type Aboard, type Fitted, type PlannedHole } from '../fitted';
import type { ShopSettings } from '../../parts/shop';
import type { HullSurface } from '../../boat/hull';
import type { Stood } from '../../layout';
import { mountFitting } from '../mounting';
import type { Ledger, Tape } from '../../rig';
import type { Memory } from '../../base/stages';
import { holesItCameWith } from './came';
import { holesOf } from './holes';
import { openingsOf } from './inside';

/** What everything aboard follows from. */
export interface AboardInput {
  readonly surface: HullSurface;
  readonly stood: readonly Stood[];
  readonly sets: readonly string[];
  /** The set to show; every fitting at its own place when it is null. */
  readonly set: string | null;
  readonly tape: Tape;
  readonly shop: ShopSettings;
  readonly ledger: Ledger;
}

/** Holds every fitting and drills for it. What stands in no set stays ashore and is not drilled for. */
export function fitOut(input: AboardInput, memory: Memory): Aboard {
  const { surface, stood, sets, set, tape, shop, ledger } = input;
  const open = stood.map((s) => s.placed).filter((p) => p.part.body.opening);
  const openings = memory.last('openings', [surface, ...open], () => openingsOf(surface, open));
  const made = new Map<string, number>();
  const fit = (s: Stood): Fitted => {
    const { placed, letter, elsewhere } = s;
    const after = made.get(placed.id) ?? 0;
    const where = s.sets?.join();
    const fitted = memory.last(
      `${placed.id}.${elsewhere}`,
      [surface, placed, letter, where, after, tape, shop, ledger, openings],
      (): Fitted => {
        const mounted = mountFitting(placed, shop, surface.model);
        const setting = { letter, tape, shop, ledger, openings, elsewhere, after };
        const holes = s.sets?.length === 0 ? [] : holesOf(surface, placed, mounted, setting);
        return { ...s, mounted, holes, under: holesItCameWith(placed, ledger) };
      },
    );
    made.set(placed.id, after + fitted.holes.length);
    return fitted;
  };
  // Own places first: the holes of other places are numbered after theirs.
  const [own, other] = [stood.filter((s) => s.elsewhere === ''), stood.filter((s) => s.elsewhere !== '')];
  const fitted = new Map([...own, ...other].map((s) => [s, fit(s)]));
  const stands = stood.flatMap((s) => fitted.get(s) ?? []);
  const elsewhere = new Map<string, PlannedHole[]>();
  for (const s of stands)
    if (s.elsewhere !== '' && s.holes.length) {
      const { id } = s.placed;
      elsewhere.set(id, [...(elsewhere.get(id) ?? []), ...s.holes]);
    }
  const owned = stands
    .filter((s) => s.elsewhere === '')
    .map((s) => {
      const more = elsewhere.get(s.placed.id);
      return more ? memory.last(`${s.placed.id} owned`, [s, ...more], () => ({ ...s, holes: [...s.holes, ...more] })) : s;
    });
  const shown = set !== null && sets.includes(set) ? set : null;
  return { stands, owned, items: shown === null ? owned : inSet(stands, shown), shown, openings };
}
