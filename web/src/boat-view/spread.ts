/** A place on a drawing. */
interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Rounds of pushing apart; each settles most of what is left. */
const ROUNDS = 60;

/**
 * Places for the marks of things that stand close: each as near its own as it can be without lying over another.
 * @param at where the things stand, in drawing units
 * @param apart between two marks' middles, at least
 * @param within what a mark's middle keeps inside
 * @param held the one that does not give way, as while it is dragged; -1 when none is
 */
export function spreadApart(
  at: readonly Spot[],
  apart: number,
  within: { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number },
  held = -1,
): Spot[] {
  const out = at.map(({ x, y }) => ({ x, y }));
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (let i = 0; i < out.length; i++)
      for (let j = i + 1; j < out.length; j++) {
        const [a, b] = [out[i], out[j]];
        if (!a || !b) continue;
        const [dx, dy] = [b.x - a.x, b.y - a.y];
        const near = Math.hypot(dx, dy);
        if (near >= apart - 1e-6) continue;
        // Of two in one place, one goes up and one down; after that along the line between them.
        const [ux, uy] = near > 1e-6 ? [dx / near, dy / near] : [0, 1];
        const push = (apart - near) / 2 + 0.01;
        const [share, other] = i === held ? [0, 2] : j === held ? [2, 0] : [1, 1];
        a.x -= ux * push * share;
        a.y -= uy * push * share;
        b.x += ux * push * other;
        b.y += uy * push * other;
        moved = true;
      }
    out.forEach((p, i) => {
      if (i === held) return;
      p.x = Math.min(within.x1, Math.max(within.x0, p.x));
      p.y = Math.min(within.y1, Math.max(within.y0, p.y));
    });
    if (!moved) break;
  }
  return out;
}

/**
 * How high a word stands so that no mark lies over it: where it would stand, or as little above or under that as it takes.
 * @param marks where marks stand
 * @param word the middle of the word
 * @param near how far from that, along and across, a mark lies over the word
 */
export function clearOf(marks: readonly Spot[], word: Spot, near: Spot): number {
  const beside = marks.filter((m) => Math.abs(m.x - word.x) < near.x);
  const free = (y: number): boolean => beside.every((m) => Math.abs(m.y - y) >= near.y - 1e-9);
  const ways = [word.y, ...beside.flatMap((m) => [m.y - near.y, m.y + near.y])];
  return ways.filter(free).sort((a, b) => Math.abs(a - word.y) - Math.abs(b - word.y))[0] ?? word.y;
}
