import fc from 'fast-check';
import { partOf, partWith } from '@plain-cleat/testing/plans';
import { allowed, bearing, boltGroup, loadCases, plateFor, pullThrough, rocking, WALLS, workingLoad } from './index';

const at0 = { u: 0, v: 0, w: 0 };
const rectangle = (u: number, v: number) => [
  { u: -u, v: -v },
  { u: -u, v },
  { u, v: -v },
  { u, v },
];

describe('bolt groups', () => {
  /**
   * A worked example of the machine-design texts (Shigley, bolts of a cantilevered bar; value from memory): four
   * bolts 75 and 60 mm off their middle, 16 kN 425 mm away. Two carry 21.0 kN, two 14.8 kN.
   */
  it('agree with the textbook bracket: 21.0 and 14.8 kN', () => {
    const loads = boltGroup(
      rectangle(75, 60),
      { u: 0, v: 16_000, w: 0, at: { u: 425, v: 0, w: 0 } },
      { length: 200, width: 150 },
    );
    expect(loads.map((l) => Math.round(l.shear / 100) / 10)).toEqual([14.8, 14.8, 21, 21]);
    expect(loads.every((l) => l.tension === 0)).toBeTrue();
  });

  it('tilting about the pressed edge: M·s/Σs² (any machine-design text), the far row carries most', () => {
    const loads = boltGroup(rectangle(75, 30), { u: 10_000, v: 0, w: 0, at: { ...at0, w: 250 } }, { length: 200, width: 100 });
    [7000, 7000, 1000, 1000].forEach((newtons, i) => expect(loads[i]?.tension).toBeCloseTo(newtons, 9));
  });

  it('a pull straight out in the middle is shared alike; off it, the near ones carry more', () => {
    const base = { length: 120, width: 80 };
    const straight = boltGroup(rectangle(40, 20), { u: 0, v: 0, w: 400, at: at0 }, base);
    expect(straight.map((l) => l.tension)).toEqual([100, 100, 100, 100]);
    const off = boltGroup(rectangle(40, 20), { u: 0, v: 0, w: 400, at: { u: 30, v: 0, w: 0 } }, base).map((l) => l.tension);
    expect(off[2] ?? 0).toBeGreaterThan(off[0] ?? 0);
  });

  it('hold up what pulls on them (property): shears sum to the force, tension makes up the moment', () => {
    const spots = fc.array(fc.record({ u: fc.integer({ min: -60, max: 60 }), v: fc.integer({ min: -40, max: 40 }) }), {
      minLength: 2,
      maxLength: 8,
    });
    fc.assert(
      fc.property(spots, fc.integer({ min: -500, max: 500 }), fc.integer({ min: 1, max: 400 }), (s, u, w) => {
        const base = { length: 140, width: 100 };
        const loads = boltGroup(s, { u, v: 0, w: 0, at: { ...at0, w } }, base);
        // About the pressed edge the tensions make the whole moment.
        const edge = base.length / 2;
        const made = loads.reduce((sum, l, i) => sum + l.tension * (edge - (s[i]?.u ?? 0) * Math.sign(u)), 0);
        return Math.abs(made - Math.abs(u) * w) < 1e-6 * Math.max(1, Math.abs(u) * w);
      }),
      { seed: 4, numRuns: 300 },
    );
  });

  it('of none is none', () => expect(boltGroup([], { u: 1, v: 1, w: 1, at: at0 }, { length: 1, width: 1 })).toEqual([]));
});

describe('working loads', () => {
  it('come from the part, else from what is usual for it, at a share of its height', () => {
    expect(workingLoad(partOf('pad-eye'))).toEqual({ newtons: 150, lever: 22, toward: 'any', own: false });
    const load = { newtons: 90, lever: 10, toward: 'out' as const };
    expect(workingLoad(partWith(partOf('pad-eye'), { holding: { load } }))).toEqual({ ...load, own: true });
  });

  it('are tried straight out and every eighth of a turn, shock on top', () => {
    const load = { newtons: 100, lever: 50, toward: 'any' as const, own: true };
    const all = loadCases(load, 20, 2);
    expect(all.length).toBe(9);
    for (const f of all) expect(Math.hypot(f.u, f.v, f.w)).toBeCloseTo(200, 9);
    expect(loadCases({ ...load, toward: 'out' }, 0, 1)).toEqual([{ u: 0, v: 0, w: 100, at: at0 }]);
    expect(loadCases({ ...load, toward: 'side' }, 0, 1).every((f) => Math.abs(f.u) < 1e-9)).toBeTrue();
  });
});

describe('walls', () => {
  it('bearing and pull-through by their definitions', () => {
    expect(bearing(500, 5, 5)).toBe(20);
    expect(pullThrough(Math.PI * 12 * 5 * 3, 12, 5)).toBeCloseTo(3, 12);
  });

  it('polyethylene holds a third of its yield, fabric is not drilled', () => {
    const pe = WALLS.polyethylene;
    expect(pe && allowed(pe).held.bearing).toBeCloseTo(5, 9);
    expect(WALLS['pvc fabric']).toBeNull();
    for (const wall of Object.values(WALLS)) if (wall) expect(wall.strength[0]).toBeLessThanOrEqual(wall.strength[1]);
  });

  /** The annular plate w = (A·r + B·r³ + C/r + E·r·ln r)·cos θ, clamped outside, tilted by the hub: solved as linear equations. */
  it('rocking agrees with the plate equation solved at its edges', () => {
    const [a, b, t, modulus, moment] = [110, 30, 5, 600, 20_000];
    const rows = [
      [b, b ** 3, 1 / b, b * Math.log(b), b],
      [1, 3 * b ** 2, -1 / b ** 2, Math.log(b) + 1, 1],
      [a, a ** 3, 1 / a, a * Math.log(a), 0],
      [1, 3 * a ** 2, -1 / a ** 2, Math.log(a) + 1, 0],
    ];
    // Gauss elimination with pivots, for a unit tilt.
    for (let i = 0; i < 4; i++) {
      const best = rows.slice(i).reduce((m, r, k) => (Math.abs(r[i] ?? 0) > Math.abs(rows[m]?.[i] ?? 0) ? k + i : m), i);
      const [x, y] = [rows[i] as number[], rows[best] as number[]];
      [rows[i], rows[best]] = [y, x];
      const pivot = rows[i] as number[];
      for (let k = 0; k < 4; k++) {
        const row = rows[k] as number[];
        if (k === i) continue;
        const f = (row[i] ?? 0) / (pivot[i] ?? 1);
        for (let j = i; j < 5; j++) row[j] = (row[j] ?? 0) - f * (pivot[j] ?? 0);
      }
    }
    const e = (rows[3]?.[4] ?? 0) / (rows[3]?.[3] ?? 1);
    const stiffness = (modulus * t ** 3) / (12 * (1 - 0.4 ** 2));
    // The moment a hub takes is 4π times stiffness times the coefficient of r·ln r.
    const tilt = moment / (4 * Math.PI * stiffness * Math.abs(e));
    expect(rocking(moment, b, t, modulus, a)).toBeCloseTo((tilt * 180) / Math.PI, 9);
  });

  it('a wider base and a thicker wall rock less', () => {
    const tilt = (hub: number, wall: number): number => rocking(20_000, hub, wall, 600, 110);
    expect(tilt(30, 5)).toBeLessThan(tilt(20, 5));
    expect(tilt(20, 6)).toBeCloseTo(tilt(20, 5) * (5 / 6) ** 3, 9);
    expect(rocking(20_000, 500, 5, 600, 110)).toBeGreaterThan(0);
  });
});

describe('backing plates', () => {
  it('reach two diameters past the holes on every side, to the next 5 mm', () => {
    const plate = plateFor(rectangle(30, 20), 6, 12);
    // 60 + 2 × 12 is 84, 40 + 24 is 64.
    expect([plate.long, plate.wide]).toEqual([85, 65]);
    expect(plate.holes).toEqual(rectangle(30, 20));
    const off = plateFor(
      [
        { u: 10, v: 0 },
        { u: 50, v: 0 },
      ],
      5,
      20,
    );
    expect([off.long, off.wide, off.middle.u]).toEqual([70, 30, 30]);
    expect(off.holes.map((h) => h.u)).toEqual([-20, 20]);
  });
});
