import type { LeadKind } from '../parts/parts';
import type { Point } from '../base/units';
import { turnAt } from './taut';

/** Of what is pulled round half a turn a small plain sheave lets so much through (rope-rescue texts say 0.9, from memory). */
const SHEAVE = 0.9;

/** A place where a line bends or ends. */
export interface Bend {
  readonly at: Point;
  /** What turns it there; the hull where it bears on that. */
  readonly by: LeadKind | 'hull';
}

/** What must be pulled with for each newton held beyond an eye or an edge: e to the friction times the angle (Euler–Eytelwein). */
export const capstan = (friction: number, radians: number): number => Math.exp(friction * radians);

/** The same over a sheave: what its pin rubs away goes with what presses on it. */
export const overSheave = (radians: number, efficiency = SHEAVE): number =>
  1 + (1 / efficiency - 1) * Math.sin(Math.min(Math.PI, radians) / 2);

/**
 * How tight a line is on each of its stretches while it is hauled, for each newton at the hand: 1 on the last, less and less
 * towards what it pulls.
 * @param bends from what it pulls to the hand, both ends among them
 */
export function hauled(bends: readonly Bend[], friction: number): number[] {
  const tight = Array.from({ length: Math.max(0, bends.length - 1) }, () => 1);
  for (let i = tight.length - 2; i >= 0; i--) tight[i] = (tight[i + 1] as number) / costAt(bends, i + 1, friction);
  return tight;
}

/** What a bend asks more on its far side. */
function costAt(bends: readonly Bend[], i: number, friction: number): number {
  const [before, bend, after] = [bends[i - 1], bends[i], bends[i + 1]];
  if (!before || !bend || !after) return 1;
  const angle = turnAt(before.at, bend.at, after.at);
  return bend.by === 'pulley' ? overSheave(angle) : capstan(friction, angle);
}

/** A force, N along each axis. */
export type Force = Point;

/** What a line pulls with at one of its bends: both its stretches draw away from there, N for each newton of `tight`. */
export function pullAt(bends: readonly Bend[], tight: readonly number[], i: number): Force {
  const here = bends[i]?.at;
  const sum = { x: 0, y: 0, z: 0 };
  if (!here) return sum;
  for (const [other, newtons] of [
    [bends[i - 1]?.at, tight[i - 1] ?? 0],
    [bends[i + 1]?.at, tight[i] ?? 0],
  ] as const) {
    const far = other ? Math.hypot(other.x - here.x, other.y - here.y, other.z - here.z) : 0;
    if (!other || far < 1e-9) continue;
    sum.x += (newtons * (other.x - here.x)) / far;
    sum.y += (newtons * (other.y - here.y)) / far;
    sum.z += (newtons * (other.z - here.z)) / far;
  }
  return sum;
}

/**
 * How tight a line between two pulleys gets when something draws at it sideways, half way: it gives until it stretches.
 * The balance 2 · T · sin α = F with T = EA · (1/cos α − 1 − slack), solved by halving.
 * @param newtons what draws at it
 * @param stiff the pull that would double the line, N
 * @param slack how much longer than the distance it is made, as a share of that
 * @returns its tightness, N, and how far it is drawn out, as a share of the distance between the pulleys
 */
export function drawnSideways(newtons: number, stiff: number, slack = 0): { readonly tight: number; readonly out: number } {
  const tightAt = (a: number): number => stiff * Math.max(0, 1 / Math.cos(a) - 1 - slack);
  let [low, high] = [0, Math.PI / 2 - 1e-9];
  for (let i = 0; i < 80; i++) {
    const a = (low + high) / 2;
    if (2 * tightAt(a) * Math.sin(a) > newtons) high = a;
    else low = a;
  }
  return { tight: tightAt(high), out: Math.tan(high) / 2 };
}
