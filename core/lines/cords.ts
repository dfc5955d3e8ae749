import { roundTo } from '../base/units';
import type { Fitted } from '../holding/fitted';
import type { CordAboard, CordKind } from '../rig';

/** What a cord of some material is like. */
export interface CordTraits {
  /** It breaks at so much times its diameter squared, N/mm². */
  readonly strong: number;
  /** Of the fibre, kg/m³. */
  readonly density: number;
  /** How much longer it gets at a tenth of what breaks it, as a share. */
  readonly stretch: number;
  /** Friction over plastic or steel, wet. */
  readonly rubs: number;
  /** So many years in the sun before it is replaced. */
  readonly sun: number;
}

/**
 * Cords by material, all from memory. Strength: nylon as EN 564 asks of accessory cord, 0.2 kN times the diameter squared;
 * polyester and polypropylene under ISO 1141 and ISO 1346; high-modulus well under what makers say of twelve strands; shock cord
 * by practice. Density of the fibres: polymer handbooks. Stretch, friction and years in the sun: judgement, with plastic loops
 * gone after about five years by common practice.
 */
export const CORD_TRAITS: Readonly<Record<CordKind, CordTraits>> = {
  polyester: { strong: 150, density: 1380, stretch: 0.02, rubs: 0.2, sun: 7 },
  nylon: { strong: 200, density: 1140, stretch: 0.05, rubs: 0.2, sun: 5 },
  polypropylene: { strong: 150, density: 910, stretch: 0.035, rubs: 0.2, sun: 3 },
  'high-modulus': { strong: 600, density: 970, stretch: 0.005, rubs: 0.1, sun: 5 },
  'shock cord': { strong: 20, density: 1100, stretch: 0.5, rubs: 0.3, sun: 3 },
};

/**
 * The year a line is to be new by: what lies in the sun goes.
 * @param opened ISO date the rig was opened, which a line is new in unless it came aboard
 */
export const newBy = ({ cord, old }: { readonly cord: Cord; readonly old: CordAboard | null }, opened: string): number =>
  Number((old?.since ?? opened).slice(0, 4)) + CORD_TRAITS[cord.of].sun;

/** A cord: what it is made of, and how thick it is, mm. */
export interface Cord {
  readonly of: CordKind;
  readonly diameter: number;
}

/** What breaks a cord, N. */
export const breaksAt = ({ of, diameter }: Cord): number => CORD_TRAITS[of].strong * diameter ** 2;

/** Thicknesses cords are sold in, mm. */
export const THICKNESSES = [3, 4, 5, 6, 8, 10, 12] as const;

/** So much of a cord's strength is left at a knot (common practice, no source). */
export const KNOTTED = 0.5;

/** Fibre fills so much of a cord's round (judgement, so that ISO 1140 and 1141 weights at 6 mm come out). */
const FILLED = 0.7;

/** kg a metre. */
export const kgPerMetre = ({ of, diameter }: Cord): number =>
  (CORD_TRAITS[of].density * FILLED * Math.PI * diameter ** 2) / 4 / 1e6;

/** Whether it lies on the water: fresh water is heavier than its fibre. */
export const cordFloats = ({ of }: Pick<Cord, 'of'>): boolean => CORD_TRAITS[of].density < 1000;

/** How hard a cord is to lengthen: the pull that would double it, N. */
export const stiffness = (cord: Cord): number => (0.1 * breaksAt(cord)) / CORD_TRAITS[cord.of].stretch;

/** How much longer a piece gets under a pull, mm. */
export const stretchOf = (cord: Cord, length: number, newtons: number): number => (length * newtons) / stiffness(cord);

/** The consumable a cord is bought as. */
export const cordId = ({ of, diameter }: Cord): string =>
  `cord-${of.replace(' ', '-')}-${Number(diameter.toFixed(1))}`.replace('.', '-');

/** What a tether is made of, and a knot with its tail in times the cord's thickness (judgement). */
export const TETHER: Cord = { of: 'polyester', diameter: 4 };
export const KNOT = 30;

/** What is cut for a tether of a length, mm: a knot at each end. */
const tetherCut = (length: number): number => length + 2 * KNOT * TETHER.diameter;

/** Every tether that is cut, mm: what came aboard on its tether keeps it, unless a longer one is wanted. */
export const tethersOf = (
  owned: readonly Pick<Fitted, 'letter' | 'placed'>[],
): { readonly fitting: string; readonly letter: string; readonly name: string; readonly cut: number }[] =>
  owned.flatMap(({ letter, placed: { id, part, fitting } }) =>
    fitting.tether && fitting.tether.length > (fitting.aboard?.tether ?? -1)
      ? [{ fitting: id, letter, name: part.name, cut: tetherCut(fitting.tether.length) }]
      : [],
  );

/** A cord in words: polyester, 6 mm. Cords are sold by the millimetre everywhere. */
export const cordWords = ({ of, diameter }: Cord): string => `${of}, ${Number(roundTo(diameter * 10, 'nearest') / 10)} mm`;

/** Pieces of one cord, as they come off one reel. */
export interface CordGroup {
  readonly cord: Cord;
  /** Longest first, so that a short offcut still serves. */
  readonly pieces: readonly { readonly label: string; readonly cut: number }[];
  readonly total: number;
}

/** What is cut, by cord: the thickest first. */
export function cordList(pieces: readonly { readonly cord: Cord; readonly label: string; readonly cut: number }[]): CordGroup[] {
  const groups = [...new Map(pieces.map((p) => [cordId(p.cord), p.cord])).values()];
  return groups
    .map((cord) => {
      const own = pieces.filter((p) => cordId(p.cord) === cordId(cord)).sort((a, b) => b.cut - a.cut);
      return { cord, pieces: own.map(({ label, cut }) => ({ label, cut })), total: own.reduce((sum, p) => sum + p.cut, 0) };
    })
    .sort((a, b) => b.cord.diameter - a.cord.diameter || a.cord.of.localeCompare(b.cord.of));
}
