import fc from 'fast-check';
import { gapNeeded, planarFit, throughOpening, type Beyond, type Clear, type Sides } from './passing';
import { runs } from '../../../testing/runs';

const rectangle = (long: number, wide: number): Clear => ({ shape: 'rectangle', long, wide });
const circle = (long: number): Clear => ({ shape: 'circle', long, wide: long });
const stadium = (long: number, wide: number): Clear => ({ shape: 'stadium', long, wide });
const room = (depth: number, along = 10_000, across = along, rim = 0): Beyond => ({ depth: () => depth, along, across, rim });
const DEEP = room(10_000);

/** Whether p × q fits a × b turned as one likes: Carver, "The rectangle in the rectangle", 1957 (from memory). */
function carver(p: number, q: number, a: number, b: number): boolean {
  const [long, short] = [Math.max(p, q), Math.min(p, q)];
  const [most, least] = [Math.max(a, b), Math.min(a, b)];
  if (long <= most) return short <= least;
  return (
    short <= least &&
    least >=
      (2 * long * short * most + (long ** 2 - short ** 2) * Math.sqrt(long ** 2 + short ** 2 - most ** 2)) /
        (long ** 2 + short ** 2)
  );
}

describe('a rectangle in an opening', () => {
  it('of a rectangle agrees with Carver, a tenth of a millimetre to either side of the margin', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 400, noNaN: true }),
        fc.double({ min: 40, max: 400, noNaN: true }),
        fc.double({ min: 80, max: 400, noNaN: true }),
        fc.double({ min: 80, max: 400, noNaN: true }),
        (p, q, a, b) => {
          const margin = planarFit(rectangle(a, b), p, q).margin;
          return margin === -Infinity
            ? !carver(p, q, a, b)
            : carver(p + margin - 0.1, q + margin - 0.1, a, b) && !carver(p + margin + 0.1, q + margin + 0.1, a, b);
        },
      ),
      { seed: 14, numRuns: runs(60) },
    );
  });

  it('of a circle is its diagonal', () => {
    expect(planarFit(circle(250), 150, 200).margin).toBeCloseTo(0, 1);
    expect(planarFit(circle(250), 150.2, 200.2).margin).toBeLessThan(0);
    // 7 5/8 × 6 3/4 in through a port of 6 in: nowhere near.
    expect(planarFit(circle(152.4), 193.7, 171.5).margin).toBeLessThan(-60);
  });

  it('of a stadium agrees with a fine brute force over turns and places', () => {
    const inside = (clear: Clear, x: number, y: number): boolean => {
      const [r, half] = [Math.min(clear.long, clear.wide) / 2, Math.abs(clear.long - clear.wide) / 2];
      const [u, v] = clear.long >= clear.wide ? [x, y] : [y, x];
      const end = u > half ? half : u < -half ? -half : u;
      return (u - end) ** 2 + v ** 2 <= r ** 2;
    };
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 350 }),
        fc.integer({ min: 100, max: 350 }),
        fc.integer({ min: 40, max: 330 }),
        fc.integer({ min: 40, max: 330 }),
        (a, b, p, q) => {
          const clear = stadium(a, b);
          const margin = planarFit(clear, p, q).margin;
          let fits = false;
          for (let t = 0; t < 180 && !fits; t += 1)
            for (let dx = -40; dx <= 40 && !fits; dx += 20)
              for (let dy = -40; dy <= 40 && !fits; dy += 20) {
                const [c, s] = [Math.cos((t * Math.PI) / 180), Math.sin((t * Math.PI) / 180)];
                fits = [
                  [1, 1],
                  [1, -1],
                  [-1, 1],
                  [-1, -1],
                ].every(([i = 0, j = 0]) => inside(clear, dx + (c * i * p - s * j * q) / 2, dy + (s * i * p + c * j * q) / 2));
              }
          return fits ? margin >= 0 : margin < 3;
        },
      ),
      { seed: 14, numRuns: runs(150) },
    );
  });
});

/**
 * A plate through a gap into a room, by flooding all its poses: angle off the way in, and height of its middle. It shares
 * nothing with the product but the question.
 */
function floods(long: number, thick: number, gap: number, depth: number): boolean {
  const [ANGLES, HEIGHTS] = [360, 500];
  const top = (long + thick) / 2;
  const heightOf = (j: number): number => top + 1 - ((2 * top + depth) * j) / HEIGHTS;
  const free = (i: number, j: number): boolean => {
    const a = ((Math.PI / 2) * i) / ANGLES;
    const corners = [
      [1, 1],
      [1, -1],
      [-1, -1],
      [-1, 1],
    ].map(([u = 0, v = 0]): [number, number] => [
      (u * long * Math.sin(a) + v * thick * Math.cos(a)) / 2,
      heightOf(j) + (u * long * Math.cos(a) - v * thick * Math.sin(a)) / 2,
    ]);
    if (corners.some(([, z]) => z < -depth)) return false;
    const cuts = corners.flatMap(([x, z], k) => {
      const [nx, nz] = corners[(k + 1) % 4] as [number, number];
      return z * nz < 0 ? [x + ((nx - x) * z) / (z - nz)] : [];
    });
    return cuts.length === 0 || Math.max(...cuts) - Math.min(...cuts) <= gap;
  };
  const seen = new Uint8Array((ANGLES + 1) * (HEIGHTS + 1));
  const queue: [number, number][] = [];
  const visit = (i: number, j: number): void => {
    const k = i * (HEIGHTS + 1) + j;
    if (i < 0 || j < 0 || i > ANGLES || j > HEIGHTS || seen[k] || !free(i, j)) return;
    seen[k] = 1;
    queue.push([i, j]);
  };
  for (let i = 0; i <= ANGLES; i++) visit(i, 0);
  for (let next = queue.pop(); next; next = queue.pop()) {
    const [i, j] = next;
    const a = ((Math.PI / 2) * i) / ANGLES;
    if (heightOf(j) + (long * Math.cos(a) + thick * Math.sin(a)) / 2 <= 0) return true;
    visit(i + 1, j);
    visit(i - 1, j);
    visit(i, j + 1);
    visit(i, j - 1);
  }
  return false;
}

describe('a box tilted in', () => {
  it('needs its thickness where the room is as deep as it is long, and cannot lie where it is thicker than the room', () => {
    expect(gapNeeded(300, 80, { depth: 300, rim: 0 })).toBe(80);
    expect(gapNeeded(300, 80, { depth: 79, rim: 0 })).toBe(Infinity);
    expect(gapNeeded(300, 80, { depth: 200, rim: 5 })).toBeGreaterThan(gapNeeded(300, 80, { depth: 200, rim: 0 }));
  });

  it('agrees with a flood over all its poses, just passing and just not', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 120, max: 400 }),
        fc.integer({ min: 20, max: 110 }),
        fc.integer({ min: 30, max: 390 }),
        (long, thick, depth) => {
          fc.pre(thick < long);
          const gap = gapNeeded(long, thick, { depth, rim: 0 });
          if (gap === Infinity) return !floods(long, thick, 2 * long, depth);
          // What the grid of the flood leaves open: a hundredth of the length.
          const slack = 2 + 0.012 * long;
          return floods(long, thick, gap + slack, depth + 1) && !floods(long, thick, gap - slack, depth - 1);
        },
      ),
      { seed: 14, numRuns: runs(60) },
    );
  });
});

describe('a box through an opening', () => {
  it('goes on whichever end is easiest, straight where it can', () => {
    const battery: Sides = [181, 77, 167];
    expect(throughOpening(battery, rectangle(300, 450), DEEP)).toEqual(jasmine.objectContaining({ tilted: false }));
    expect(throughOpening(battery, circle(184), DEEP).margin).toBeGreaterThan(0);
    expect(throughOpening(battery, circle(183.8), DEEP).margin).toBeLessThan(0.1);
    expect(throughOpening(battery, circle(183), DEEP).margin).toBeLessThan(0);
  });

  it('a crate of 406 mm does not drop into a well of 350 mm, whichever way', () => {
    expect(throughOpening([406, 406, 280], rectangle(600, 350), DEEP).margin).toBeGreaterThan(0);
    expect(throughOpening([406, 406, 360], rectangle(600, 350), DEEP).margin).toBeLessThan(0);
    expect(throughOpening([406, 406, 280], rectangle(600, 350), room(300, 350)).margin).toBeLessThan(0);
  });

  it('a rack of rods is tilted in along a hold, not across it', () => {
    const rack: Sides = [1500, 90, 60];
    expect(throughOpening(rack, rectangle(450, 300), room(300, 2000, 500)).margin).toBeGreaterThan(0);
    expect(throughOpening(rack, rectangle(450, 300), room(300, 500, 2000)).margin).toBeGreaterThan(0);
    expect(throughOpening(rack, rectangle(450, 300), room(300, 500, 500)).margin).toBe(-Infinity);
    expect(throughOpening(rack, rectangle(450, 80), room(300, 500, 2000)).margin).toBeLessThan(0);
  });

  it('is the same for every order of its sides and when opening and room are turned round', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 30, max: 300 }), { minLength: 3, maxLength: 3 }),
        fc.integer({ min: 60, max: 300 }),
        fc.integer({ min: 60, max: 300 }),
        fc.integer({ min: 60, max: 400 }),
        (sides, a, b, depth) => {
          const [p = 0, q = 0, r = 0] = sides;
          const beyond = room(depth, 1000, 1000, 4);
          const one = throughOpening([p, q, r], rectangle(a, b), beyond).margin;
          const other = throughOpening([r, p, q], rectangle(b, a), beyond).margin;
          return one === other || Math.abs(one - other) < 0.1;
        },
      ),
      { seed: 14, numRuns: runs(25) },
    );
  });
});
