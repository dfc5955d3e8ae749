import fc from 'fast-check';
import { QUENBY, TOLVANE } from '../../demo/index';
import { fairHull, type HullSurface } from '../boat/hull';
import { CORDS, LINE_PATHS } from '../rig';
import { pathLength, type Point } from '../base/units';
import { anchorHolds, anchorWanted, driftWith, drogueHolds, lyingTo, shareAtScope } from './ground';
import { capstan, drawnSideways, hauled, overSheave, pullAt, type Bend } from './pull';
import { loopLength, pointAlong } from './laying';
import { stretchOf } from './cords';
import { tautBetween, tautOver, turnAt } from './taut';
import { breaksAt, CORD_TRAITS, cordFloats, kgPerMetre } from './index';

const HULLS: readonly HullSurface[] = [fairHull(TOLVANE), fairHull(QUENBY)];

describe('cords', () => {
  it('nylon breaks at what EN 564 asks of accessory cord (its table, from memory)', () => {
    for (const [diameter, kilonewtons] of [
      [4, 3.2],
      [5, 5],
      [6, 7.2],
      [7, 9.8],
      [8, 12.8],
    ] as const)
      expect(breaksAt({ of: 'nylon', diameter })).toBeCloseTo(kilonewtons * 1000, 6);
  });

  it('weighs what ISO 1140, 1141 and 1346 say of 6 mm, within a tenth (2.26, 2.70 and 1.72 kg a hundred metres, from memory)', () => {
    for (const [of, kg] of [
      ['nylon', 2.26],
      ['polyester', 2.7],
      ['polypropylene', 1.72],
    ] as const)
      expect(Math.abs((100 * kgPerMetre({ of, diameter: 6 })) / kg - 1))
        .withContext(of)
        .toBeLessThan(0.1);
  });

  it('polypropylene and high-modulus lie on the water, the rest goes down (densities of the fibres)', () => {
    expect(CORDS.filter((of) => cordFloats({ of }))).toEqual(['polypropylene', 'high-modulus']);
  });

  it('gets longer by its share at a tenth of what breaks it, and by as much for each piece', () => {
    const cord = { of: 'nylon', diameter: 6 } as const;
    expect(stretchOf(cord, 10_000, 720)).toBeCloseTo(10_000 * CORD_TRAITS.nylon.stretch, 6);
    expect(stretchOf(cord, 5000, 360)).toBeCloseTo(2500 * CORD_TRAITS.nylon.stretch, 6);
  });
});

describe('a line that is pulled', () => {
  it('round a bollard needs what mechanics texts tabulate for the capstan: whole turns at friction 0.1, 0.3 and 0.5', () => {
    const turns = (n: number): number => 2 * Math.PI * n;
    for (const [friction, n, times] of [
      [0.1, 1, 1.87],
      [0.1, 3, 6.59],
      [0.3, 1, 6.59],
      [0.3, 2, 43.4],
      [0.5, 1, 23.1],
    ] as const)
      expect(Math.abs(capstan(friction, turns(n)) / times - 1)).toBeLessThan(0.01);
  });

  /** A tackle: so many parts between a block held fast at the top and one that is lifted, the hand beside the top. */
  const tackle = (parts: number): Bend[] => {
    const out: Bend[] = [{ at: { x: 0, y: 0, z: parts % 2 ? 0 : 10_000 }, by: 'eye' }];
    for (let i = 1; i <= parts; i++) {
      const high = (parts - i) % 2 === 0;
      out.push({ at: { x: 0, y: 0, z: high ? 10_000 : 0 }, by: 'pulley' });
    }
    // The hand draws downwards from the topmost block.
    return [...out, { at: { x: 0, y: 0, z: -20_000 }, by: 'eye' }];
  };
  /** What a tackle lifts for a newton of the hand, from the forces on its lower block. */
  const lifts = (bends: readonly Bend[]): number => {
    const tight = hauled(bends, 0);
    return bends.reduce((sum, b, i) => (b.at.z === 0 ? sum + pullAt(bends, tight, i).z : sum), 0);
  };

  it('through a tackle lifts e + e² + … for sheaves of efficiency e: 0.9, 1.71, 2.44 and 3.10 (statics of tackles, closed form)', () => {
    for (const parts of [1, 2, 3, 4]) {
      const e = 0.9;
      const closed = (e * (1 - e ** parts)) / (1 - e);
      expect(lifts(tackle(parts)))
        .withContext(`${parts} parts`)
        .toBeCloseTo(closed, 9);
    }
    expect(lifts(tackle(3))).toBeCloseTo(2.439, 3);
  });

  it('loses more the further it is turned, nothing straight on, and all of a sheave’s loss half round', () => {
    expect(overSheave(0)).toBe(1);
    expect(overSheave(Math.PI)).toBeCloseTo(1 / 0.9, 12);
    expect(overSheave(Math.PI / 2)).toBeLessThan(overSheave(Math.PI));
  });

  it('has its forces in balance: what it draws at its bends, ends among them, adds up to nothing without friction', () => {
    const point = fc.record({
      x: fc.double({ min: 0, max: 4000, noNaN: true }),
      y: fc.double({ min: -500, max: 500, noNaN: true }),
      z: fc.double({ min: 0, max: 600, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 8 }), (points) => {
        const bends = points.map((at): Bend => ({ at, by: 'eye' }));
        const tight = hauled(bends, 0);
        const sum = bends.map((_, i) => pullAt(bends, tight, i)).reduce((a, b) => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z }));
        return Math.hypot(sum.x, sum.y, sum.z) < 1e-6;
      }),
    );
  });

  it('is drawn the tighter with friction the nearer to the hand', () => {
    const bends = [0, 1, 2, 3].map((i): Bend => ({ at: { x: 100 * i, y: i % 2 ? 80 : 0, z: 0 }, by: 'eye' }));
    const tight = hauled(bends, 0.25);
    const angle = turnAt({ x: 0, y: 0, z: 0 }, { x: 100, y: 80, z: 0 }, { x: 200, y: 0, z: 0 });
    expect(tight[2]).toBe(1);
    expect(tight[1]).toBeCloseTo(Math.exp(-0.25 * angle), 12);
    expect(tight[0]).toBeCloseTo(Math.exp(-0.5 * angle), 12);
  });

  it('drawn sideways between two pulleys follows F = EA · α³ while it is nearly straight (cables under a load amid, mechanics texts)', () => {
    const stiff = 200_000;
    for (const force of [0.5, 5, 50]) {
      const { tight, out } = drawnSideways(force, stiff);
      const alpha = Math.cbrt(force / stiff);
      expect(Math.abs(2 * out * (1 / alpha) - 1)).toBeLessThan(0.01);
      // And it is in balance whatever it gives.
      expect(2 * tight * Math.sin(Math.atan(2 * out))).toBeCloseTo(force, 6);
    }
  });
});

describe('a line as it lies', () => {
  it('over some ground is the shortest way: as short as the shortest of all ways along its points, tried one by one', () => {
    const ground = fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(ground, (heights) => {
        const all = heights.map((h, i) => ({ s: i * 100, h }));
        const taut = tautOver(all);
        const long = (way: readonly { s: number; h: number }[]): number =>
          way.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.s - (way[i]?.s ?? 0), p.h - (way[i]?.h ?? 0)), 0);
        const clear = (way: readonly { s: number; h: number }[]): boolean =>
          all.every((p) =>
            way.slice(1).some((b, i) => {
              const a = way[i] as { s: number; h: number };
              return p.s >= a.s && p.s <= b.s && a.h + ((b.h - a.h) * (p.s - a.s)) / (b.s - a.s) >= p.h - 1e-9;
            }),
          );
        const inner = all.slice(1, -1);
        let best = Infinity;
        for (let mask = 0; mask < 1 << inner.length; mask++) {
          const way = [all[0], ...inner.filter((_, i) => mask & (1 << i)), all.at(-1)] as { s: number; h: number }[];
          if (clear(way)) best = Math.min(best, long(way));
        }
        return clear(taut) && Math.abs(long(taut) - best) < 1e-6;
      }),
    );
  });

  it('never runs through a hull, whatever its ends: over the deck or outside', () => {
    const share = fc.double({ min: 0.04, max: 0.96, noNaN: true });
    const off = fc.double({ min: -0.9, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...HULLS), fc.constantFrom(...LINE_PATHS), share, off, share, off, (hull, way, s, a, t, b) => {
        const at = (along: number, across: number): Point => {
          const x = along * hull.length;
          const sign = way === 'outside port' ? -1 : 1;
          const y = (way === 'over the deck' ? across : sign * Math.abs(across)) * hull.halfBreadth(x);
          return { x, y, z: hull.spot(x, y).z + 20 };
        };
        const [from, to] = [at(s, a), at(t, b)];
        const path = tautBetween(hull, way, from, to);
        const straight = Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z);
        if (pathLength(path) < straight - 1e-6) return false;
        const whole = pathLength(path);
        return Array.from({ length: 60 }, (_, i) => pointAlong(path, (whole * (i + 0.5)) / 60) as Point).every((p) => {
          // Close by its ends it comes up from what it is made fast to.
          if (Math.min(Math.hypot(p.x - from.x, p.y - from.y), Math.hypot(p.x - to.x, p.y - to.y)) < 40) return true;
          if (way === 'over the deck') {
            const spot = hull.spot(p.x, p.y);
            // A step of the deck between two looks is cut by no more than its height over their distance.
            return spot.off || p.z > spot.z - 25;
          }
          return (
            Math.abs(p.y) >= hull.halfBreadth(p.x) - 1 || p.x < Math.min(from.x, to.x) + 16 || p.x > Math.max(from.x, to.x) - 16
          );
        });
      }),
      { numRuns: 120 },
    );
  });

  it('as a loop is as long wherever its ring stands', () => {
    const path = tautBetween(HULLS[0] as HullSurface, 'outside port', { x: 400, y: -60, z: 330 }, { x: 3200, y: -80, z: 300 });
    const loops = [0, 0.13, 0.5, 0.99, 1].map((at) => loopLength(path, [25, 25], at));
    for (const one of loops) expect(one).toBeCloseTo(2 * pathLength(path) + Math.PI * 25, 6);
  });
});

describe('what holds in the water', () => {
  const boat = { area: 2.2, length: 3.4, side: 0.4, middle: 1800 };

  it('lies bow to the stream at the bow, across it at its side, stern to it at the stern', () => {
    const water = { stream: 2, wind: 0 };
    expect(lyingTo(boat, { x: 0, y: 0, z: 0 }, water).heading).toBeCloseTo(0, 6);
    expect(lyingTo(boat, { x: 1800, y: 400, z: 0 }, water).heading).toBeCloseTo(90, 6);
    expect(lyingTo(boat, { x: 3600, y: 0, z: 0 }, water).heading).toBeCloseTo(180, 6);
    const [end, side] = [lyingTo(boat, { x: 0, y: 0, z: 0 }, water), lyingTo(boat, { x: 1800, y: 400, z: 0 }, water)];
    expect(side.newtons).toBeGreaterThan(5 * end.newtons);
    // Across: ½ · 1000 · 0.4 m² · 1.2 · (2 / 3.6)², by hand.
    expect(side.newtons).toBeCloseTo(74.07, 1);
  });

  it('holds by scope what anchoring books say: 0.35 at 2, 0.53 at 3, 0.77 at 5, 0.91 at 7, all of it at 10 (from memory)', () => {
    for (const [scope, share] of [
      [2, 0.35],
      [3, 0.53],
      [4, 0.67],
      [5, 0.77],
      [7, 0.91],
      [10, 1],
      [20, 1],
    ] as const)
      expect(shareAtScope(scope)).toBeCloseTo(share, 9);
    expect(shareAtScope(6)).toBeCloseTo(0.84, 9);
    expect(anchorHolds(1.36, 'sand', 10)).toBeGreaterThan(anchorHolds(1.36, 'weed', 10));
  });

  it('asks an anchor of 3 lb in still water, 5 lb as a rule, 10 lb in wind or stream (common practice, no source)', () => {
    const pounds = (stream: number, wind: number): number => Math.round(anchorWanted({ stream, wind }) / 0.45359237);
    expect([pounds(0.5, 8), pounds(0.51, 0), pounds(2, 20), pounds(2.01, 0), pounds(0, 20.1)]).toEqual([3, 5, 5, 10, 10]);
  });

  it('a drogue drifts where wind and water balance, and holds by a parachute’s drag (Hoerner, from memory)', () => {
    // 18 in at 1 m/s: ½ · 1000 · 0.1642 m² · 1.4.
    expect(drogueHolds(457.2, 3.6)).toBeCloseTo(114.9, 1);
    const [with18, without] = [driftWith(457, boat, 25), driftWith(0, boat, 25)];
    expect(with18).toBeLessThan(without / 1.5);
    expect(with18).toBeGreaterThan(0.2);
  });
});
