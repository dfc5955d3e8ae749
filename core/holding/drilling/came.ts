import { girthDown, type HullSurface } from '../../boat/hull';
import { placeFitting, toHull, type Placed } from '../../layout';
import { mountFitting } from '../mounting';
import type { Part } from '../../parts/parts';
import { cameHole, isThere, type Fitting, type Ledger, type LedgerHole, type Plan } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Memory } from '../../base/stages';
import { boreOf, onSurface, throughHoles } from './holes';

/** What the holes that came with the boat follow from. */
export interface CameInput extends Pick<Plan, 'fittings'> {
  readonly surface: HullSurface;
  readonly shop: ShopSettings;
  /** The part of each fitting. */
  readonly parts: ReadonlyMap<string, Part>;
}

/** Who made a hole, by how its thing came to be aboard. */
const MADE_BY = { maker: 'the maker', 'earlier rig': 'an earlier rig', found: 'somebody before' } as const;

/**
 * The holes under what was on the boat when it came in, where no fact tells of them: by the part's own pattern, where the
 * drawing or whoever took stock has it.
 */
export function cameHoles({ surface, shop, fittings, parts }: CameInput, memory: Memory): readonly LedgerHole[] {
  const holes = Object.entries(fittings).flatMap(([id, fitting]) => {
    const part = parts.get(id);
    const { aboard } = fitting;
    if (!part || !aboard) return [];
    return [memory.last(id, [surface, shop, part, aboard], () => made(surface, shop, { id, fitting, part, aboard }))];
  });
  // The same list while every hole in it is the same.
  return memory.last('all', holes, () => holes.flat());
}

/** The holes of the part's pattern at the place where the thing was found. */
function made(
  surface: HullSurface,
  shop: ShopSettings,
  { id, fitting, part, aboard }: { id: string; fitting: Fitting; part: Part; aboard: NonNullable<Fitting['aboard']> },
): LedgerHole[] {
  const { place, hold } = aboard;
  const { aboard: _, ...bare } = fitting;
  const was = { ...bare, place, lift: 0, mount: { hold, plate: false, reason: '' } };
  const placed = placeFitting(surface, id, was, part, { place });
  if (!placed) return [];
  const mounted = mountFitting(placed, shop, surface.model);
  if (mounted.holes === 0) return [];
  return throughHoles(part).flatMap((h, i): LedgerHole[] => {
    const nth = i + 1;
    if (aboard.holes?.[String(nth)] !== undefined) return [];
    const at = onSurface(surface, placed, toHull(placed.frame, h.u, h.v, 0));
    const name = cameHole(id, nth);
    const down = place.on === 'side' ? girthDown(surface, at.x, surface.gunwale(at.x) - at.z) : null;
    const by = MADE_BY[aboard.from];
    return [
      {
        id: name,
        label: `${part.name} ${nth}`,
        rig: null,
        bit: boreOf(mounted, shop, h.bore).mm,
        measured: {
          hullRevision: surface.model.revision,
          datum: 'bow',
          run: 'centre',
          reading: at.x,
          offCentre: at.y,
          down,
          ...(down === null ? {} : { downBy: 'girth' as const }),
          aimed: at.x,
        },
        at,
        elsewhere: false,
        found: `under ${part.name}`,
        plugged: null,
        photos: [],
        also: [],
        alike: null,
        by,
        when: '',
        fact: name,
      },
    ];
  });
}

/** The hole of the ledger under a thing that came aboard, by its number: the fact that tells of it, or its own name. */
const holeUnder = (id: string, { aboard }: Pick<Fitting, 'aboard'>, nth: number): string =>
  aboard?.holes?.[String(nth)] ?? cameHole(id, nth);

/** The holes of the ledger under a thing that came aboard, by their numbers. */
export const holesUnder = ({ id, fitting, part }: Pick<Placed, 'id' | 'fitting' | 'part'>): [nth: string, hole: string][] =>
  throughHoles(part).map((_, i) => [String(i + 1), holeUnder(id, fitting, i + 1)]);

/** Holes of the ledger that a thing came with and still stands on; none once it is moved or held otherwise. */
export const holesItCameWith = (placed: Placed, ledger: Ledger): LedgerHole[] => {
  if (!isThere(placed.fitting, placed.place)) return [];
  const names = new Set(holesUnder(placed).map(([, hole]) => hole));
  return ledger.holes.filter((h) => names.has(h.fact) && h.plugged === null);
};
