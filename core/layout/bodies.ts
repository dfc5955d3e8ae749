import type { Recess, Solid } from '../parts/parts';
import { cross, distance, type Point } from '../base/units';
import { extentOfBox, outlineOfBox, type PosedBox } from './box';
import { type Axes, type Frame, type Body, type Rod } from './placed';

/** Carries a point of the frame to hull coordinates. */
export const toHull = ({ origin, u: a, v: b, w: c }: Frame, u: number, v: number, w: number): Point => ({
  x: origin.x + u * a.x + v * b.x + w * c.x,
  y: origin.y + u * a.y + v * b.y + w * c.y,
  z: origin.z + u * a.z + v * b.z + w * c.z,
});

/** A box as a body; its outline is drawn when it is first asked for. */
export function bodyOfBox(name: string, box: PosedBox): Body {
  const [bottom, top] = extentOfBox(box, 'z');
  let drawn: Body['outline'] | undefined;
  return {
    name,
    box,
    bottom,
    top,
    get outline() {
      return (drawn ??= outlineOfBox(box));
    },
  };
}

/** A slim square bar from one point to another: a rod, a line, a bundle of wire. @param half half its thickness, mm */
export function slimBody(from: Point, to: Point, half: number, name = 'line'): Body {
  const long = distance(from, to) || 1;
  const w = { x: (to.x - from.x) / long, y: (to.y - from.y) / long, z: (to.z - from.z) / long };
  const flat = Math.hypot(w.x, w.y);
  const u = flat < 1e-9 ? { x: 1, y: 0, z: 0 } : { x: -w.y / flat, y: w.x / flat, z: 0 };
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2, z: (from.z + to.z) / 2 };
  return bodyOfBox(name, { middle, axes: [u, cross(w, u), w], half: [half, half, long / 2] });
}

/** A direction of the frame in hull coordinates. */
export const directed = ({ u, v, w }: Axes, d: Point): Point => ({
  x: d.x * u.x + d.y * v.x + d.z * w.x,
  y: d.x * u.y + d.y * v.y + d.z * w.y,
  z: d.x * u.z + d.y * v.z + d.z * w.z,
});

/** A box of a frame as a body, raised by `lift`. */
export function bodyOf(
  frame: Frame,
  solid: Readonly<Omit<Solid, 'u' | 'v' | 'w'>> & Readonly<Record<'u' | 'v' | 'w', readonly [number, number]>>,
  lift: number,
): Body {
  const mean = ([a, b]: readonly [number, number]): number => (a + b) / 2;
  const half = ([a, b]: readonly [number, number]): number => (b - a) / 2;
  return bodyOfBox(solid.name, {
    middle: toHull(frame, mean(solid.u), mean(solid.v), mean(solid.w) + lift),
    axes: [frame.u, frame.v, frame.w],
    half: [half(solid.u), half(solid.v), half(solid.w)],
  });
}

/** The way a recess goes in, in its part's frame: leaning aft above the surface it runs forward below it. */
export function recessAxis({ lean, out }: Recess): Point {
  const [l, o] = [(lean * Math.PI) / 180, (out * Math.PI) / 180];
  return { x: -Math.sin(l) * Math.cos(o), y: Math.sin(l) * Math.sin(o), z: -Math.cos(l) };
}

/** What of a recessed part lies under its surface: a square about its tube, leaning as that does. */
export function boreOf(frame: Frame, recess: Recess, lift: number): Body {
  const { bore, deep } = recess;
  const down = recessAxis(recess);
  const o = (recess.out * Math.PI) / 180;
  const across = { x: Math.sin(o), y: Math.cos(o), z: 0 };
  const along = {
    x: down.y * across.z - down.z * across.y,
    y: down.z * across.x - down.x * across.z,
    z: down.x * across.y - down.y * across.x,
  };
  return bodyOfBox('below the deck', {
    middle: toHull(frame, (down.x * deep) / 2, (down.y * deep) / 2, (down.z * deep) / 2 + lift),
    axes: [directed(frame, along), directed(frame, across), directed(frame, down)],
    half: [bore / 2, bore / 2, deep / 2],
  });
}

/** A rod from the mouth of its tube to its tip, in pieces so short that their boxes are as good as the rod, as bodies. */
export function rodBodies({ mouth, tip }: Rod): Body[] {
  const pieces = Math.max(1, Math.ceil(distance(mouth, tip) / ROD_PIECE));
  const at = (i: number): Point => {
    const t = i / pieces;
    return { x: mouth.x + t * (tip.x - mouth.x), y: mouth.y + t * (tip.y - mouth.y), z: mouth.z + t * (tip.z - mouth.z) };
  };
  return Array.from({ length: pieces }, (_, i) => slimBody(at(i), at(i + 1), ROD_HALF, 'rod'));
}
/** A rod is looked at piece by piece, and is so thick with its rings, half, mm (judgement). */
const ROD_PIECE = 60;
const ROD_HALF = 8;

/** The post under a raised fitting stands in the way like anything else (judgement: 40 mm square). */
export const RISER = { name: 'riser', u: [-20, 20], v: [-20, 20] } as const satisfies Omit<Solid, 'w'>;
