import { tell, type Sentence } from '../../base/units';
import { createRequire } from 'node:module';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { HULLS, TOLVANE } from '../../../demo/index';
import { project, reversed } from './photo';
import { selfCrossing } from './outline';
import {
  type TapeReading,
  fairHull,
  fairReadings,
  homography,
  type Homography,
  outlineFault,
  outlineOf,
  outlinePoints,
  outlineSvg,
  type Picture,
  readingFaults,
  readingsFromOutline,
  rectify,
  type Spot,
  trust,
} from './index';

const section = { fullness: 5, flare: 0.25 };
const bench = (more: Record<number, Partial<TapeReading>> = {}): TapeReading[] =>
  TOLVANE.stations.map((s, i) => ({
    x: s.x,
    port: s.halfBreadth,
    starboard: s.halfBreadth,
    gunwale: s.gunwale,
    keel: s.keel,
    ...more[i],
  }));

const told = (fault: Sentence | null): string => (fault ? tell(fault, 'imperial') : '');

describe('a hull from the tape', () => {
  it('fairs the readings it is given and passes through each', () => {
    const f = fairReadings(bench(), section);
    const curve = outlineOf(f);
    f.stations.forEach((s, i) => expect(curve.value(curve.knots[i] ?? 0)).toBeCloseTo(s.halfBreadth, 9));
    expect(f.because.length).toBeGreaterThan(20);
    const hull = fairHull({ ...TOLVANE, stations: f.stations, fairing: f.fairing });
    expect(hull.halfBreadth(1800)).toBeCloseTo(440, 0);
  });

  it('says which reading looks wrong, and by how much', () => {
    const f = fairReadings(bench({ 4: { port: 484, starboard: 484 } }), section);
    const worst = f.suspects.filter((s) => s.what === 'half-breadth');
    expect(worst.map((s) => s.row)).toEqual([4]);
    expect(worst[0]?.by).toBeGreaterThan(40);
    expect(fairReadings(bench(), section).suspects).toEqual([]);
  });

  it('says where port and starboard differ', () => {
    const f = fairReadings(bench({ 5: { port: 452, starboard: 430 } }), section);
    expect(f.suspects.find((s) => s.what === 'sides differ')).toEqual({ row: 5, what: 'sides differ', by: 22 });
  });

  it('takes the monotone curve where a natural spline would bulge', () => {
    const square = [0, 100, 200, 1500, 2900, 3000].map((x, i) => {
      const half = [0, 390, 400, 400, 400, 0][i] ?? 0;
      return { x, port: half, starboard: half, gunwale: 300, keel: 0 };
    });
    const f = fairReadings(square, section);
    expect(f.fairing).toBe('monotone');
    const curve = outlineOf(f);
    for (let s = curve.from; s <= curve.to; s += 25) expect(curve.value(s)).toBeLessThan(401);
  });

  for (const [what, readings, column, says] of [
    ['too few', bench().slice(0, 3), 'x', 'four stations at least'],
    ['out of order', bench({ 3: { x: 300 } }), 'x', 'out of order'],
    ['two in one place', bench({ 3: { x: 400 } }), 'x', 'another station stands at 15 3/4 in'],
    ['a gunwale under its keel', bench({ 2: { gunwale: 5, keel: 14 } }), 'gunwale', 'stands over the keel'],
    ['no breadth', bench().map((r) => ({ ...r, port: 0, starboard: 0 })), 'port', 'no station has any breadth'],
  ] as const)
    it(`refuses ${what} by row and column`, () => {
      const [fault] = readingFaults(readings);
      expect(fault?.column).toBe(column);
      expect(told(fault?.says ?? null)).toContain(says);
      expect(() => fairReadings(readings, section)).toThrowError(RangeError);
    });
});

/** Whether a corner of a closed line lies on another of its pieces: neither crossing nor apart. */
function touches(points: readonly (readonly [number, number])[]): boolean {
  return points.some((p, i) =>
    points.some((a, k) => {
      const b = points[(k + 1) % points.length] ?? a;
      if (k === i || (k + 1) % points.length === i) return false;
      const cross = (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]);
      const along = (p[0] - a[0]) * (p[0] - b[0]) + (p[1] - a[1]) * (p[1] - b[1]);
      return cross === 0 && along <= 0;
    }),
  );
}

describe('an outline', () => {
  it('gives back the hull it was drawn from, within two millimetres', () => {
    for (const model of HULLS) {
      const hull = fairHull(model);
      const readings = readingsFromOutline(outlinePoints(hull, 400), { gunwale: 300, keel: 0 }, 21);
      for (const r of readings.slice(1, -1)) {
        expect(Math.abs(r.starboard - hull.halfBreadth(r.x)))
          .withContext(model.name)
          .toBeLessThan(2);
        expect(Math.abs(r.port - r.starboard)).toBeLessThan(0.2);
      }
    }
  });

  it('that crosses itself is refused and says where', () => {
    const bow: [number, number][] = [
      [0, 0],
      [1000, 400],
      [2000, -300],
      [3000, 0],
      [2000, 300],
      [1000, -400],
    ];
    expect(told(outlineFault(bow))).toContain('crosses itself: piece 2 runs over piece 5');
    expect(told(outlineFault(bow.slice(0, 3)))).toContain('fewer than six points');
    expect(told(outlineFault(bow.map(([x, y]) => [x / 10, y / 10])))).toContain('long; a kayak is 59 1/16 in to 354 5/16 in');
    expect(() => readingsFromOutline(bow, { gunwale: 300, keel: 0 })).toThrowError(RangeError);
  });

  it('that does not cross covers what its shoelace area says, by a polygon clipper from the registry (property)', () => {
    const coordinate = fc.integer({ min: 0, max: 40 });
    const area = (ring: readonly (readonly [number, number])[]): number =>
      Math.abs(
        ring.reduce((sum, [x, y], i) => {
          const [nx, ny] = ring[(i + 1) % ring.length] ?? [x, y];
          return sum + (x * ny - nx * y) / 2;
        }, 0),
      );
    let crossed = 0;
    fc.assert(
      fc.property(fc.array(fc.tuple(coordinate, coordinate), { minLength: 4, maxLength: 8 }), (points) => {
        if (selfCrossing(points)) return ++crossed > 0;
        const covered = polygonClipping
          .union([[...points, points[0] ?? [0, 0]]])
          .reduce((s, poly) => s + poly.reduce((t, ring, i) => t + (i ? -1 : 1) * area(ring), 0), 0);
        // Pieces that only touch may cover less; nothing that does not cross covers more or folds over.
        return covered <= area(points) + 1e-9 || Math.abs(covered - area(points)) < 1e-9 || touches(points);
      }),
      { seed: 33, numRuns: 400 },
    );
    expect(crossed).toBeGreaterThan(100);
  });

  it('swapping two neighbours of a round outline makes it cross', () => {
    const round = Array.from({ length: 12 }, (_, i): [number, number] => [
      1500 + 1400 * Math.cos((i * Math.PI) / 6),
      400 * Math.sin((i * Math.PI) / 6),
    ]);
    expect(selfCrossing(round)).toBeNull();
    for (let i = 0; i < 11; i++) {
      const swapped = [...round];
      [swapped[i], swapped[i + 1]] = [round[i + 1] ?? [0, 0], round[i] ?? [0, 0]];
      expect(selfCrossing(swapped)).not.toBeNull();
    }
  });

  it('as a drawing is in millimetres, bow to the left', () => {
    const svg = outlineSvg(fairHull(TOLVANE), 'Tolvane <118>');
    expect(svg).toContain('width="3600mm" height="880mm"');
    expect(svg).toContain('<title>Tolvane 118</title>');
  });
});

describe('a photo', () => {
  const require = createRequire(import.meta.url);
  const reference = require('perspective-transform') as (from: number[], to: number[]) => { coeffs: number[] };
  /** A camera over the deck, tilted: mm to pixels. */
  const CAMERA: Homography = [0.42, 0.03, 210, -0.02, -0.4, 640, 0.00002, 0.00004, 1];
  const TAPED: Spot[] = [
    [800, -300],
    [2800, -300],
    [2800, 300],
    [800, 300],
  ];

  it('four marks give the projection a library from the registry gives', () => {
    const marks = TAPED.map((p) => project(CAMERA, p));
    const ours = homography(marks, TAPED) ?? [];
    const theirs = reference(marks.flat(), TAPED.flat()).coeffs;
    ours.forEach((v, i) => expect(Math.abs(v - (theirs[i] ?? 0)) / Math.max(1, Math.abs(v))).toBeLessThan(1e-6));
  });

  it('and its inverse undo each other (property)', () => {
    const h =
      homography(
        TAPED.map((p) => project(CAMERA, p)),
        TAPED,
      ) ?? [];
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3600, noNaN: true }), fc.double({ min: -440, max: 440, noNaN: true }), (x, y) => {
        const back = project(h, project(reversed(h), [x, y]));
        return Math.hypot(back[0] - x, back[1] - y) < 1e-6;
      }),
      { seed: 34 },
    );
  });

  it('three marks in one line make none', () => {
    const flat: Spot[] = [
      [0, 0],
      [100, 0],
      [200, 0],
      [300, 0],
    ];
    expect(homography(flat, TAPED)).toBeUndefined();
    expect(homography(flat.slice(0, 3), TAPED.slice(0, 3))).toBeUndefined();
  });

  it('trust: an exact picture has no residual, a wrong distance shows, a slip of the pick is carried to the ends', () => {
    const marks = TAPED.map((p) => project(CAMERA, p));
    const ends: Spot[] = [project(CAMERA, [0, 0]), project(CAMERA, [3600, 0])];
    const check = (mm: number) => [{ from: project(CAMERA, [100, 0]), to: project(CAMERA, [1900, 100]), mm }];
    const exact = Math.hypot(1800, 100);
    expect(trust(marks, TAPED, check(exact), ends)?.residual).toBeLessThan(1e-6);
    expect(trust(marks, TAPED, check(exact + 25), ends)?.residual).toBeCloseTo(25, 6);
    const t = trust(marks, TAPED, [], ends);
    expect(t?.residual).toBeNull();
    expect(t?.marks).toBeGreaterThan(2);
    expect(t?.marks).toBeLessThan(60);
  });

  it('a synthetic photo of known geometry comes back to scale within three millimetres', () => {
    // White dots of 60 mm painted on a dark deck, seen through the camera, 4 pixels of blur from sampling.
    const dots: Spot[] = [
      [300, 0],
      [1200, 250],
      [2000, -350],
      [3300, 60],
    ];
    const [width, height] = [1900, 900];
    const data = new Uint8ClampedArray(width * height * 4).fill(255);
    const back = reversed(CAMERA);
    for (let py = 0; py < height; py++)
      for (let px = 0; px < width; px++) {
        const [x, y] = project(back, [px + 0.5, py + 0.5]);
        const on = dots.some(([dx, dy]) => Math.hypot(x - dx, y - dy) < 30);
        const i = (py * width + px) * 4;
        data[i] = data[i + 1] = data[i + 2] = on ? 255 : 20;
      }
    const photo: Picture = { width, height, data };
    const h =
      homography(
        TAPED.map((p) => project(CAMERA, p)),
        TAPED,
      ) ?? [];
    const window = { fore: 0, aft: 3600, port: -450, starboard: 450, perMm: 0.4 };
    const flat = rectify(photo, h, window);
    for (const [dx, dy] of dots) {
      let [sum, sx, sy] = [0, 0, 0];
      for (let row = 0; row < flat.height; row++)
        for (let column = 0; column < flat.width; column++) {
          const x = window.fore + (column + 0.5) / window.perMm;
          const y = window.starboard - (row + 0.5) / window.perMm;
          if (Math.hypot(x - dx, y - dy) > 80) continue;
          const bright = Math.max(0, (flat.data[(row * flat.width + column) * 4] ?? 0) - 20);
          sum += bright;
          sx += bright * x;
          sy += bright * y;
        }
      expect(Math.hypot(sx / sum - dx, sy / sum - dy)).toBeLessThan(3);
    }
    let rows = 0;
    expect(rectify(photo, h, window, () => ++rows > 3).data.slice(-4)).toEqual(new Uint8ClampedArray(4));
  });
});
