/**
 * The one set of axes of the whole product. Nothing converts between axes anywhere else.
 *
 * - x runs aft from the bow tip,
 * - y runs to starboard from the centre line (port is negative),
 * - z runs up from the lowest point of the keel.
 *
 * Right-handed, millimetres.
 */
export interface Point {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

export type Side = 'port' | 'starboard';

/** −1 for port, +1 for starboard: the sign of y on that side. */
export const sideSign = (side: Side): -1 | 1 => (side === 'port' ? -1 : 1);

/** The side a y lies on, or `centre` within half a millimetre of the centre line. */
export const sideOf = (y: number): Side | 'centre' => (Math.abs(y) < 0.5 ? 'centre' : y < 0 ? 'port' : 'starboard');

/** Scalar product of two vectors. */
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z;

/** Vector product of two vectors. */
export const cross = (a: Point, b: Point): Point => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});

/** Straight distance between two points, mm. */
export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
