import { Bezier } from 'bezier-js';
import fc from 'fast-check';
import { TOLVANE } from '../../../demo/index';
import { distance } from '../../base/units';
import { integrate, invert, monotone } from './monotone';
import { datums, fairHull, findDatum, hookAt, type HullModel, hullModelSchema, placeOfReading, reading } from './index';

const bare = (stations: [x: number, b: number, g: number, k: number][], fullness = 1, flare = 0): HullModel => ({
  ...TOLVANE,
  stations: stations.map(([x, halfBreadth, gunwale, keel]) => ({ x, halfBreadth, gunwale, keel, fullness, flare })),
  decks: [],
});

describe('monotone cubic', () => {
  it('goes through its points and never overshoots (Fritsch & Carlson 1980)', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -500, max: 500, noNaN: true }), { minLength: 3, maxLength: 12 }), (v) => {
        const curve = monotone(
          v.map((_, i) => i * 10),
          v,
        );
        return v.every((value, i) => {
          const next = v[i + 1];
          if (Math.abs(curve.value(i * 10) - value) > 1e-9) return false;
          if (next === undefined) return true;
          return [1, 3, 5, 7, 9].every((d) => {
            const y = curve.value(i * 10 + d);
            return y >= Math.min(value, next) - 1e-9 && y <= Math.max(value, next) + 1e-9;
          });
        });
      }),
      { seed: 1, numRuns: 300 },
    );
  });

  it('has the slope of its value', () => {
    const c = monotone([0, 1, 3, 4, 7], [0, 2, 3, 3, 9]);
    for (let t = 0.1; t < 7; t += 0.37) expect(c.slope(t)).toBeCloseTo((c.value(t + 1e-6) - c.value(t - 1e-6)) / 2e-6, 4);
  });

  it('refuses points that do not increase', () => {
    expect(() => monotone([0, 0, 1], [1, 2, 3])).toThrowError(RangeError);
    expect(() => monotone([0], [1])).toThrowError(RangeError);
  });
});

describe('integration and inverse', () => {
  it('integrates polynomials to degree nineteen exactly (Gauss–Legendre, ten points)', () => {
    expect(integrate((t) => t ** 19, 0, 1)).toBeCloseTo(1 / 20, 12);
    expect(integrate(Math.sin, 0, Math.PI)).toBeCloseTo(2, 10);
  });

  it('inverts an increasing function, flat spots included', () => {
    const f = (t: number): number => t ** 3;
    for (const y of [0, 0.001, 1, 500]) expect(f(invert(f, (t) => 3 * t * t, y, 0, 10))).toBeCloseTo(y, 6);
  });
});

describe('gunwale arc', () => {
  it('of a straight gunwale is the straight distance (closed form)', () => {
    const hull = fairHull(
      bare([
        [0, 0, 300, 0],
        [1000, 300, 300, 0],
        [2000, 600, 300, 0],
        [3000, 900, 300, 0],
      ]),
    );
    expect(hull.gunwaleArc(3000)).toBeCloseTo(Math.hypot(3000, 900), 6);
    expect(hull.gunwaleArc(1500)).toBeCloseTo(Math.hypot(1500, 450), 6);
  });

  it('of a half circle measured at close stations is half its circumference within 0.05 %', () => {
    const r = 1000;
    const stations = Array.from({ length: 41 }, (_, i): [number, number, number, number] => {
      const a = Math.PI * (1 - i / 40);
      return [r + r * Math.cos(a), r * Math.sin(a), 300, 0];
    });
    expect(fairHull(bare(stations)).gunwaleArc(2 * r) / (Math.PI * r)).toBeCloseTo(1, 3);
  });

  it('agrees with an independent library span by span (bezier-js)', () => {
    const stations = [...TOLVANE.stations];
    let t = 0;
    const knots = stations.map((s, i) => {
      const before = stations[i - 1];
      if (before) t += Math.hypot(s.x - before.x, s.halfBreadth - before.halfBreadth);
      return t;
    });
    const curves = (['x', 'halfBreadth', 'gunwale'] as const).map((k) =>
      monotone(
        knots,
        stations.map((s) => s[k]),
      ),
    );
    let sum = 0;
    for (let i = 0; i < knots.length - 1; i++) {
      const [a = 0, b = 0] = [knots[i], knots[i + 1]];
      // A cubic is a Bézier with its inner points a third of the tangent out.
      const at = (s: number, d: number): number[] => curves.map((c) => c.value(s) + (d * c.slope(s) * (b - a)) / 3);
      const inner = curves.map((c) => c.slope(a + 1e-9));
      const outer = curves.map((c) => c.slope(b - 1e-9));
      const p = [
        at(a, 0),
        curves.map((c, k) => c.value(a) + ((inner[k] ?? 0) * (b - a)) / 3),
        curves.map((c, k) => c.value(b) - ((outer[k] ?? 0) * (b - a)) / 3),
        at(b, 0),
      ];
      sum += new Bezier(p.map(([x = 0, y = 0, z = 0]) => ({ x, y, z }))).length();
    }
    expect(fairHull(TOLVANE).gunwaleArc(3600)).toBeCloseTo(sum, 1);
  });

  it('and its inverse undo each other', () => {
    const hull = fairHull(TOLVANE);
    for (const x of [1, 77, 900, 1800, 2750, 3599]) expect(hull.gunwaleAt(hull.gunwaleArc(x))).toBeCloseTo(x, 4);
  });
});

describe('hull surface', () => {
  const hull = fairHull(TOLVANE);

  it('goes through the measured stations', () => {
    for (const s of TOLVANE.stations) {
      expect(hull.halfBreadth(s.x)).toBeCloseTo(s.halfBreadth, 6);
      expect(hull.gunwale(s.x)).toBeCloseTo(s.gunwale, 6);
      expect(hull.keel(s.x)).toBeCloseTo(s.keel, 6);
    }
  });

  it('has the section of a straight V at fullness one', () => {
    const vee = fairHull(
      bare([
        [0, 200, 300, 0],
        [1000, 200, 300, 0],
        [2000, 200, 300, 0],
        [3000, 200, 300, 0],
      ]),
    );
    expect(vee.halfWidth(1500, 150)).toBeCloseTo(100, 9);
    expect(vee.halfWidth(1500, -5)).toBe(0);
    expect(vee.halfWidth(5000, 150)).toBe(0);
  });

  it('names what lies under a point, the highest surface first', () => {
    expect(hull.spot(2050, 0).name).toBe('seat base');
    expect(hull.spot(1400, 0).name).toBe('cockpit floor');
    expect(hull.spot(1400, 380).name).toBe('gunwale');
    expect(hull.spot(1400, 600).off).toBeTrue();
  });

  it('accepts its own model', () => expect(hullModelSchema.safeParse(TOLVANE).success).toBeTrue());
});

describe('the tape', () => {
  const hull = fairHull(TOLVANE);
  const bow = findDatum(hull, 'bow');
  const point = { x: 1560, y: 372, z: 304 };

  it('reads three different figures taut, along the centre and laid along the gunwale', () => {
    expect(reading(hull, bow, 'centre', point)).toBe(1560);
    expect(reading(hull, bow, 'taut', point)).toBeCloseTo(Math.hypot(1560, 372, 304 - 400), 6);
    const arc = reading(hull, bow, 'gunwale', point);
    expect(arc).toBeGreaterThan(1560 + 50);
  });

  it('from bow and stern along the centre sums to the length', () => {
    const stern = findDatum(hull, 'stern');
    expect(reading(hull, bow, 'centre', point) + reading(hull, stern, 'centre', point)).toBeCloseTo(hull.length, 6);
  });

  it('finds the place that reads so, for every hook and run', () => {
    for (const datum of datums(hull).filter((d) => ['bow', 'stern'].includes(d.id)))
      for (const run of ['taut', 'centre', 'gunwale'] as const) {
        const value = reading(hull, datum, run, point);
        const x = placeOfReading(hull, { datum, run, value, y: point.y, heightAt: () => point.z });
        expect(x).withContext(`${datum.id} ${run}`).toBeCloseTo(point.x, 2);
      }
  });

  it('says so when no place reads that', () => {
    for (const run of ['taut', 'centre', 'gunwale'] as const)
      expect(placeOfReading(hull, { datum: bow, run, value: 9000, y: 0, heightAt: () => 300 })).toBeUndefined();
    expect(placeOfReading(hull, { datum: bow, run: 'taut', value: 10, y: 372, heightAt: () => 304 })).toBeUndefined();
  });

  it('falls back to the bow tip for a hook this hull lacks', () => expect(findDatum(hull, 'nowhere').id).toBe('bow'));

  it('measures distance as everybody does', () => expect(distance({ x: 0, y: 3, z: 4 }, { x: 0, y: 0, z: 0 })).toBe(5));

  it('hooks anywhere, and a reading ahead of the hook runs forward', () => {
    const hull = fairHull(TOLVANE);
    const hook = findDatum(hull, hookAt(1800.4, 0));
    expect([hook.at.x, hook.at.y]).toEqual([1800, 0]);
    const heightAt = (x: number): number => hull.spot(x, 0).z;
    expect(placeOfReading(hull, { datum: hook, run: 'centre', value: 600, y: 0, heightAt })).toBe(2400);
    expect(placeOfReading(hull, { datum: hook, run: 'centre', value: 600, y: 0, heightAt, towards: 'forward' })).toBe(1200);
    const x = placeOfReading(hull, { datum: hook, run: 'taut', value: 700, y: 0, heightAt, towards: 'forward' }) ?? NaN;
    expect(reading(hull, hook, 'taut', { x, y: 0, z: heightAt(x) })).toBeCloseTo(700, 3);
    expect(x).toBeLessThan(1800);
    expect(findDatum(hull, 'at.x.y').id).toBe('bow');
  });
});
