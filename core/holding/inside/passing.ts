/** The clear shape of an opening, seen square to it, mm. */
export interface Clear {
  /** A stadium is a rectangle with half a circle at each end of its longer side. */
  readonly shape: 'rectangle' | 'circle' | 'stadium';
  /** Its two sides, whichever is the longer; of a circle both are the diameter. */
  readonly long: number;
  readonly wide: number;
}

/** A box by its three sides, mm. */
export type Sides = readonly [number, number, number];

/** How a rectangle lies in a shape. */
export interface Fit {
  /** By so much both its sides could grow and it would still fit, mm; below nought it does not. */
  readonly margin: number;
  /** Turned by so many degrees off the long side of the shape. */
  readonly turn: number;
}

/** One way of a box through an opening: how what it needs of the opening lies in that. */
export interface Passage extends Fit {
  /** The sides it needs of the opening, mm. */
  readonly needs: readonly [number, number];
  /** The side that goes through first, as an index into the sides. */
  readonly leads: 0 | 1 | 2;
  /** It has to be tilted in, for want of room beyond the rim. */
  readonly tilted: boolean;
}

/** What lies beyond an opening, mm. */
export interface Beyond {
  /** From the underside of the rim to what is opposite, under a rectangle of these sides in the middle of the opening. */
  depth(p: number, q: number): number;
  /** How far the room goes along the long and along the wide side of the opening. */
  readonly along: number;
  readonly across: number;
  /** How thick the rim is. */
  readonly rim: number;
}

/** As fine as margins are found, mm. */
const FINE = 0.01;

/** Whether a corner lies within a shape that is the same upside down. */
function holds({ shape, long, wide }: Clear, x: number, y: number): boolean {
  if (shape === 'circle') return Math.hypot(x, y) <= long / 2;
  if (shape === 'rectangle') return Math.abs(x) <= long / 2 && Math.abs(y) <= wide / 2;
  const [most, least] = [Math.max(long, wide), Math.min(long, wide)];
  const [along, across] = long >= wide ? [x, y] : [y, x];
  return Math.hypot(Math.max(0, Math.abs(along) - (most - least) / 2), across) <= least / 2;
}

/** Turned by no more than this between two looks, degrees. */
const LOOK = 0.5;

/**
 * How a rectangle of `p` × `q` lies in a shape, turned as suits it best. Shape and rectangle are the same upside down, so it fits somewhere only if it does
 * about the middle; it is turned by half degrees, then finer about the best.
 *
 * @param turned whether it may be turned at all; else `p` lies along the long side
 */
export function planarFit(clear: Clear, p: number, q: number, turned = true): Fit {
  let [best, turn] = [-Infinity, 0];
  const look = (degrees: number): void => {
    const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
    const fits = (grown: number): boolean => {
      const [x, y] = [(p + grown) / 2, (q + grown) / 2];
      return x >= 0 && y >= 0 && holds(clear, c * x - s * y, s * x + c * y) && holds(clear, c * x + s * y, s * x - c * y);
    };
    let [low, high] = [Math.max(best, -Math.min(p, q)), Math.max(clear.long, clear.wide)];
    if (!fits(low)) return;
    while (high - low > FINE / 4) {
      const middle = (low + high) / 2;
      if (fits(middle)) low = middle;
      else high = middle;
    }
    if (low > best) [best, turn] = [low, degrees];
  };
  look(0);
  // A circle is the same whichever way it is turned.
  if (!turned || clear.shape === 'circle') return { margin: best, turn };
  for (let degrees = LOOK; degrees < 180; degrees += LOOK) look(degrees);
  for (let step = LOOK / 10; step > 1e-5; step /= 10) for (let i = -10, about = turn; i <= 10; i++) look(about + i * step);
  return { margin: best, turn };
}

/**
 * How wide a gap a plate so long and so thick needs to be brought in where there is only so much room beyond it: turned
 * about its lower end on the opposite side until it lies. Straight in, its thickness; Infinity when it cannot lie there
 * at all.
 *
 * Standing at an angle φ off the way in, it crosses the gap with thick/cos φ at the most, and once its upper end nears the
 * gap with what is still above it, t/(sin φ cos φ). It goes through all angles from upright to the one at which it is in,
 * `long`·cos φ + `thick`·sin φ = depth, so it needs the most of these. The rim's thickness asks for rim·tan φ more.
 */
export function gapNeeded(long: number, thick: number, { depth, rim }: { readonly depth: number; readonly rim: number }): number {
  if (long <= depth) return thick;
  if (thick > depth) return Infinity;
  const left = (a: number): number => long * Math.cos(a) + thick * Math.sin(a) - depth;
  let [inside, outside] = [Math.PI / 2, Math.atan2(thick, long)];
  while (inside - outside > 1e-9) {
    const middle = (inside + outside) / 2;
    if (left(middle) > 0) outside = middle;
    else inside = middle;
  }
  const crossing = (a: number): number =>
    Math.min(thick / Math.cos(a), long / Math.sin(a), left(a) / (Math.sin(a) * Math.cos(a))) + rim * Math.tan(a);
  const STEPS = 400;
  let [most, at] = [thick, 0];
  const look = (from: number, to: number): void => {
    for (let i = 1; i < STEPS; i++) {
      const a = from + ((to - from) * i) / STEPS;
      const gap = crossing(a);
      if (gap > most) [most, at] = [gap, a];
    }
  };
  look(0, inside);
  look(Math.max(0, at - (2 * inside) / STEPS), Math.min(inside, at + (2 * inside) / STEPS));
  return most;
}

const WAYS = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 0, 2],
  [1, 2, 0],
  [2, 0, 1],
  [2, 1, 0],
] as const;

/**
 * The easiest way of a rigid box through an opening: on which end it goes, and by how much. Straight it needs its third
 * side as room beyond the rim; where there is less it is tilted in about one of its sides.
 *
 * Assumes an opening all of whose rim lies in one plane, and nothing above it in the way. It is never turned about two
 * axes at once, which passes a little more.
 */
export function throughOpening(sides: Sides, clear: Clear, beyond: Beyond): Passage {
  let best: Passage = { ...NO_FIT, needs: [0, 0], leads: 0, tilted: false };
  for (const [leads, thick, across] of WAYS) {
    const [long, p, q] = [sides[leads], sides[thick], sides[across]];
    const depth = beyond.depth(p, q);
    const tilted = long > depth;
    const gap = gapNeeded(long, p, { depth, rim: beyond.rim });
    if (gap === Infinity) continue;
    const fit = tilted ? tiltedFit(clear, beyond, { long, gap, q }) : planarFit(clear, p, q);
    // Straight is easier than tilted where both do.
    if (fit.margin > best.margin + FINE || (fit.margin > best.margin - FINE && best.tilted && !tilted))
      best = { ...fit, needs: [gap, q], leads, tilted };
  }
  return best;
}

const NO_FIT: Fit = { margin: -Infinity, turn: 0 };

/** What is tilted in needs a gap along the way it is tilted, and room that way beyond the rim. */
function tiltedFit(
  clear: Clear,
  { along, across }: Beyond,
  { long, gap, q }: Readonly<Record<'long' | 'gap' | 'q', number>>,
): Fit {
  const { shape, long: l, wide: w } = clear;
  const crosswise = planarFit({ shape, long: w, wide: l }, gap, q, false);
  return [
    long <= along ? planarFit(clear, gap, q, false) : NO_FIT,
    long <= across ? { ...crosswise, turn: 90 } : NO_FIT,
    long <= Math.min(along, across) ? planarFit(clear, gap, q) : NO_FIT,
  ].reduce((a, b) => (b.margin > a.margin ? b : a));
}
