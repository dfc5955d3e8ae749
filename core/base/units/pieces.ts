import { distance, dot, type Point } from './axes';

/** A straight piece from one point to another. */
export interface Piece {
  readonly from: Point;
  readonly to: Point;
}

/** The point at a share of the way from one point to another. */
export const onTheWay = ({ from, to }: Piece, share: number): Point => ({
  x: from.x + share * (to.x - from.x),
  y: from.y + share * (to.y - from.y),
  z: from.z + share * (to.z - from.z),
});

/** Length of a path, mm. */
export const pathLength = (path: readonly Point[]): number =>
  path.reduce((sum, p, i) => sum + (i ? distance(path[i - 1] ?? p, p) : 0), 0);

const minus = (p: Point, q: Point): Point => ({ x: p.x - q.x, y: p.y - q.y, z: p.z - q.z });
const clamp = (t: number): number => Math.min(1, Math.max(0, t));

/** Least distance between two straight pieces in space, by the closed form for lines clamped to their ends, mm. */
export function betweenPieces(a: Piece, b: Piece): number {
  const [u, v, w] = [minus(a.to, a.from), minus(b.to, b.from), minus(a.from, b.from)];
  const [uu, uv, vv, uw, vw] = [dot(u, u), dot(u, v), dot(v, v), dot(u, w), dot(v, w)];
  const far = (s: number, t: number): number =>
    distance(
      { x: a.from.x + s * u.x, y: a.from.y + s * u.y, z: a.from.z + s * u.z },
      { x: b.from.x + t * v.x, y: b.from.y + t * v.y, z: b.from.z + t * v.z },
    );
  const d = uu * vv - uv * uv;
  const s = d > 1e-9 ? clamp((uv * vw - vv * uw) / d) : 0;
  const t = clamp((uv * s + vw) / (vv || 1));
  // Clamping one end moves the best place on the other: take the least of the corners too.
  return Math.min(
    far(clamp((uv * t - uw) / (uu || 1)), t),
    ...[0, 1].map((end) => far(end, clamp((uv * end + vw) / (vv || 1)))),
    ...[0, 1].map((end) => far(clamp((uv * end - uw) / (uu || 1)), end)),
  );
}
