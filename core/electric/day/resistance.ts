import { FRESH_WATER, waterAt, type Floating, type Slices } from '../../water/float';
import { GRAVITY } from '../../base/units';

/** How hard a day may be: each guess at the kind side, in the middle and at the hard side. */
export const GUESSES = ['easy', 'likely', 'hard'] as const;
export type Guess = (typeof GUESSES)[number];
/** What is found of each guess. */
export type ByGuess<T> = Readonly<Record<Guess, T>>;

export const byGuess = <T>(make: (of: Guess) => T): ByGuess<T> => ({
  easy: make('easy'),
  likely: make('likely'),
  hard: make('hard'),
});

/** Friction of a smooth plate by its Reynolds number: the ITTC 1957 line (from memory). */
export const friction = (reynolds: number): number => 0.075 / (Math.log10(reynolds) - 2) ** 2;

/** Viscosity of fresh water at 15 °C, m²/s (ITTC tables, from memory). */
const VISCOSITY = 1.139e-6;
/** Air at 15 °C, kg/m³. */
const AIR = 1.225;

/**
 * More than a plate's by the hull's form; waves at a Froude number of 0.4 over friction; what of the battery's watts pushes, of a
 * small motor behind a boat that is in its way; what it takes to turn at all, W; m² in the wind (judgement, so that the 10 A of a
 * small motor at 3 mph that riggers speak of lie within the band).
 */
const HULL: ByGuess<{
  readonly form: number;
  readonly waves: number;
  readonly pushes: number;
  readonly turns: number;
  readonly windage: number;
}> = {
  easy: { form: 0.05, waves: 0.5, pushes: 0.35, turns: 4, windage: 0.5 },
  likely: { form: 0.15, waves: 1.2, pushes: 0.2, turns: 10, windage: 0.7 },
  hard: { form: 0.3, waves: 2.5, pushes: 0.12, turns: 18, windage: 0.9 },
};

/** A hull in the water, as its resistance follows from it. */
export interface Wetted {
  /** m². */
  readonly area: number;
  /** Of the waterline, m. */
  readonly length: number;
}

/** Pieces of a section's outline under the water. */
const PIECES = 40;

/** The wetted surface of a hull as it floats: the outline of each section under the water, along the boat. */
export function wettedOf({ at }: Slices, floating: Floating): Wetted {
  let area = 0;
  const wet: number[] = [];
  for (const { x, weight, section } of at) {
    const top = Math.min(waterAt(floating, x), section.gunwale);
    if (top <= section.keel) continue;
    wet.push(x);
    // A flat bottom is there before anything rises.
    let girth = section.halfWidth(section.keel + 1e-6);
    for (let i = 0, before = girth; i < PIECES; i++) {
      const z = section.keel + ((top - section.keel) * (i + 1)) / PIECES;
      const half = section.halfWidth(z);
      girth += Math.hypot(half - before, (top - section.keel) / PIECES);
      before = half;
    }
    area += 2 * girth * weight;
  }
  return { area: area / 1e6, length: wet.length ? (Math.max(...wet) - Math.min(...wet)) / 1000 : 0 };
}

/** What holds a hull back through still water, N: friction, form and waves. */
export function dragOf({ area, length }: Wetted, speed: number, guess: Guess): number {
  if (speed <= 0 || length <= 0) return 0;
  const { form, waves } = HULL[guess];
  const froude = speed / Math.sqrt(GRAVITY * length);
  const plate = 0.5 * FRESH_WATER * area * speed ** 2 * friction((speed * length) / VISCOSITY);
  return plate * (1 + form + waves * (froude / 0.4) ** 4);
}

/** What wind from ahead holds it back by, N; negative from behind. */
export const windOf = (speed: number, guess: Guess): number => 0.5 * AIR * HULL[guess].windage * speed * Math.abs(speed);

/** Watts out of the battery to go through the water at a speed against a wind over the ground, m/s. */
export function wattsFor(wetted: Wetted, through: number, wind: number, guess: Guess): number {
  if (through <= 0) return 0;
  const { pushes, turns } = HULL[guess];
  return turns + Math.max(0, ((dragOf(wetted, through, guess) + windOf(wind, guess)) * through) / pushes);
}
