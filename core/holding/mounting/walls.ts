import type { HullModel } from '../../boat/hull';
import { SOURCES, type Source } from '../../base/units';

/** What a hull's wall bears. Ranges are of the material as built into small boats; judged at the low end. */
export interface WallMaterial {
  readonly name: string;
  /** Yield or, where it breaks without yielding, strength in tension and bearing, MPa. */
  readonly strength: readonly [low: number, high: number];
  /** Through the thickness, MPa. */
  readonly shear: readonly [low: number, high: number];
  /** Young's modulus, MPa. */
  readonly modulus: readonly [low: number, high: number];
  /** Growth with heat, 1/K. */
  readonly grows: readonly [low: number, high: number];
  /** Share of the strength it may carry for years (judgement): plastics creep, and more in the sun. */
  readonly share: number;
  readonly source: Source;
}

const POISSON = 0.4;

/**
 * Wall materials. Polyethylene as rotomoulded (yield 15 to 20 MPa), ABS sheet, hand-laid glass polyester,
 * marine plywood. Values from memory of plastics and laminate handbooks; the shares are our judgement.
 */
export const WALLS: Readonly<Record<HullModel['material'], WallMaterial | null>> = {
  polyethylene: {
    name: 'polyethylene',
    strength: [15, 20],
    shear: [9, 12],
    modulus: [500, 800],
    grows: [100e-6, 200e-6],
    share: 1 / 3,
    source: SOURCES.plastics,
  },
  abs: {
    name: 'ABS',
    strength: [35, 45],
    shear: [20, 27],
    modulus: [1900, 2400],
    grows: [70e-6, 100e-6],
    share: 0.4,
    source: SOURCES.plastics,
  },
  composite: {
    name: 'glass laminate',
    strength: [80, 140],
    shear: [50, 80],
    modulus: [6000, 9000],
    grows: [18e-6, 35e-6],
    share: 0.4,
    source: SOURCES.plastics,
  },
  wood: {
    name: 'marine plywood',
    strength: [18, 30],
    shear: [4, 8],
    modulus: [5000, 8000],
    grows: [5e-6, 10e-6],
    share: 0.4,
    source: SOURCES.plastics,
  },
  // Fabric is not drilled: nothing is held by its thickness.
  'pvc fabric': null,
};

/** What the wall may carry, MPa: a pull held for hours and come back to for years, and a shock that passes. */
export const allowed = (m: WallMaterial): Record<'held' | 'shock', { bearing: number; shear: number }> => ({
  held: { bearing: m.strength[0] * m.share, shear: m.shear[0] * m.share },
  shock: { bearing: m.strength[0], shear: m.shear[0] },
});

/** Mean pressure under a fastener of diameter d through a wall of thickness t, MPa: F/(d·t). */
export const bearing = (newtons: number, d: number, t: number): number => newtons / (d * t);

/** Shear of the wall about the rim of a washer, MPa: T/(π·d·t). */
export const pullThrough = (newtons: number, rim: number, t: number): number => newtons / (Math.PI * rim * t);

/**
 * How far a stiff round base rocks in the middle of a flexible panel, degrees.
 *
 * Thin elastic plate, clamped at its edge (radius a), a rigid hub of radius b tilted by a moment (Timoshenko
 * and Woinowsky-Krieger; the closed form is checked against its boundary values in the spec). Good for a
 * small base on a flat side; a rib, a corner or a curved wall is stiffer.
 *
 * @param moment N·mm
 * @param hub half the smaller side of what spreads the load, mm
 * @param wall thickness, mm
 * @param panel radius of flat wall about it, mm
 */
export function rocking(moment: number, hub: number, wall: number, modulus: number, panel: number): number {
  const stiffness = (modulus * wall ** 3) / (12 * (1 - POISSON ** 2));
  const k = Math.min(0.9, hub / panel);
  const turn = (moment / (4 * Math.PI * stiffness)) * (Math.log(1 / k) - (1 - k ** 2) / (1 + k ** 2));
  return (turn * 180) / Math.PI;
}
