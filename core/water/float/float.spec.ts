import fc from 'fast-check';
import { BRACKWEN, ORRISK, PELLIN, QUENBY, TOLVANE } from '../../../demo/index';
import { fairHull, type HullModel } from '../../boat/hull';
import { USUAL_BRIEF } from '../../rig';
import { stabilityOf } from './floating';
import { crewMasses, floatBy, immersed, shellCentre, slicesOf, trimDegrees, waterAt, type Mass } from './index';

const station = (x: number, halfBreadth: number, gunwale: number, keel: number, fullness = 1) => ({
  x,
  halfBreadth,
  gunwale,
  keel,
  fullness,
  flare: 0,
});
const hull = (stations: HullModel['stations'], sections: HullModel['sections'] = 'curve'): HullModel => ({
  ...TOLVANE,
  sections,
  stations,
});
const at = (x: number, z: number, kg: number): Mass => ({ kg, at: { x, y: 0, z } });
/** Within a share of what is expected. */
const near = (got: number, wanted: number, share = 0.001): void => expect(Math.abs(got / wanted - 1)).toBeLessThan(share);

const [L, B, T] = [3000, 800, 300];
const BOX = slicesOf(
  fairHull(
    hull(
      [0, 1000, 2000, L].map((x) => station(x, B / 2, T, 0)),
      'box',
    ),
  ),
);
const PRISM = slicesOf(fairHull(hull([0, 1000, 2000, L].map((x) => station(x, B / 2, T, 0)))));

/** Wigley's hull of draft T at the gunwale: y = B/2 · (1 − ξ²)(1 − ζ²), ξ along and ζ down. */
const wigley = (n: number): HullModel =>
  hull(
    Array.from({ length: n + 1 }, (_, i) => {
      const xi = -Math.cos((Math.PI * i) / n);
      return station((L / 2) * (1 + xi), (B / 2) * (1 - xi * xi), T, 0, 2);
    }),
  );

/** Half an ellipsoid, its flat at the gunwale. */
const ellipsoid = (n: number): HullModel =>
  hull(
    Array.from({ length: n + 1 }, (_, i) => {
      const xi = -Math.cos((Math.PI * i) / n);
      const share = Math.sqrt(Math.max(0, 1 - xi * xi));
      return station((L / 2) * (1 + xi), (B / 2) * share, T, T * (1 - share));
    }),
    'ellipse',
  );

describe('what lies under water, against closed forms (any naval architecture text)', () => {
  it('a box: volume L·B·T, KB half the draft, BM B²/12T, along L²/12T', () => {
    const f = floatBy(BOX, [at(L / 2, 100, L * B * 120 * 1e-6)]);
    expect(f.fault).toBeNull();
    near(f.level, 120);
    expect(f.slope).toBeCloseTo(0, 9);
    const s = stabilityOf(BOX, f);
    near(s.kb, 60);
    near(s.bm, B ** 2 / (12 * 120));
    near(s.bmAlong, L ** 2 / (12 * 120));
    near(s.trimMoment, (f.massKg * (60 + L ** 2 / 1440 - 100)) / (100 * L));
  });

  it('a triangular prism: area b·z²/g', () => {
    near(immersed(PRISM, 150, 0).volume, (400 / 300) * 150 * 150 * L);
    near(floatBy(PRISM, [at(L / 2, 0, 90)]).level, 150);
  });

  it('Wigley: volume 4/9, water plane 2/3, KB 5/8 of the draft, BM 3B²/35T', () => {
    const slices = slicesOf(fairHull(wigley(48)));
    const under = immersed(slices, T - 1e-6, 0);
    near(under.volume, (4 / 9) * L * B * T);
    near(under.plane, (2 / 3) * L * B);
    near(under.up / under.volume, (5 / 8) * T);
    near(under.across / under.volume, (3 * B ** 2) / (35 * T));
  });

  it('half an ellipsoid: volume 2/3·π·abc, water plane π·ab, KB 3/8 under its flat', () => {
    const slices = slicesOf(fairHull(ellipsoid(60)));
    const under = immersed(slices, T - 1e-6, 0);
    near(under.volume, (2 / 3) * Math.PI * (L / 2) * (B / 2) * T);
    near(under.plane, Math.PI * (L / 2) * (B / 2));
    near(under.up / under.volume, (5 / 8) * T);
  });
});

describe('trim', () => {
  it('of a box: a weight moved aft trims it by its moment over W·GM along', () => {
    const [kg, z] = [288, 100];
    const w = 6;
    const f = floatBy(BOX, [at(L / 2, z, kg - w), at(L / 2 + 900, z, w)]);
    const gm = 60 + L ** 2 / (12 * 120) - z;
    near(f.slope, (w * 900) / (kg * gm), 0.002);
    expect(waterAt(f, L) - waterAt(f, 0)).toBeCloseTo(f.slope * L, 9);
  });

  it('leaves the centre of buoyancy plumb under that of the weight, by sums over 2,000 slabs of its own', () => {
    const surface = fairHull(TOLVANE);
    const masses = [at(1900, 500, 80), at(3000, 250, 25), { kg: 31, at: shellCentre(surface) }];
    const f = floatBy(slicesOf(surface), masses);
    let [v, mx, mz] = [0, 0, 0];
    for (let i = 0; i < 2000; i++) {
      const x = ((i + 0.5) * surface.length) / 2000;
      const top = Math.min(waterAt(f, x), surface.gunwale(x));
      const low = surface.keel(x);
      for (let k = 0; k < 60 && top > low; k++) {
        const z = low + ((k + 0.5) * (top - low)) / 60;
        const dv = 2 * surface.halfWidth(x, z) * ((top - low) / 60) * (surface.length / 2000);
        v += dv;
        mx += dv * x;
        mz += dv * z;
      }
    }
    near(v / 1e6, f.massKg);
    // Square to the water, not to the keel.
    expect(mx / v - f.centre.x + f.slope * (mz / v - f.centre.z)).toBeCloseTo(0, 0);
  });

  it('grows with a load moved aft, whatever hull, load and place', () => {
    const hulls = [TOLVANE, BRACKWEN, ORRISK, QUENBY, PELLIN].map((h) => ({
      surface: fairHull(h),
      slices: slicesOf(fairHull(h)),
    }));
    fc.assert(
      fc.property(fc.nat(4), fc.integer({ min: 3, max: 25 }), fc.integer({ min: 600, max: 2300 }), (h, kg, x) => {
        const one = hulls[h] ?? hulls[0];
        if (!one) return;
        const { surface, slices } = one;
        const crew = [{ kg: surface.model.massKg, at: shellCentre(surface) }, ...crewMasses(surface, USUAL_BRIEF)];
        const [fore, aft] = [floatBy(slices, [...crew, at(x, 250, kg)]), floatBy(slices, [...crew, at(x + 200, 250, kg)])];
        expect(fore.fault).toBeNull();
        expect(trimDegrees(aft)).toBeGreaterThan(trimDegrees(fore));
        expect(immersed(slices, aft.level, aft.slope).volume / 1e6).toBeCloseTo(aft.massKg, 3);
      }),
      { seed: 11, numRuns: 60 },
    );
  });

  it('names why it is not found: it sinks, or an end goes under', () => {
    expect(floatBy(BOX, [at(L / 2, 0, 5000)]).fault).toBe('sinks');
    expect(floatBy(BOX, [at(L - 50, 200, 500)]).fault).toBe('stern under');
    expect(floatBy(BOX, [at(50, 200, 500)]).fault).toBe('bow under');
  });

  it('is higher out in salt water', () => {
    const load = [at(L / 2, 0, 200)];
    expect(floatBy(BOX, load, 1025).level).toBeLessThan(floatBy(BOX, load, 1000).level);
  });
});

describe('the demo hulls', () => {
  it('carry their rating on a dry self-draining floor', () => {
    for (const model of [TOLVANE, ORRISK, QUENBY, PELLIN]) {
      const surface = fairHull(model);
      const [crew] = crewMasses(surface, USUAL_BRIEF);
      if (!crew) throw new Error('nobody aboard');
      const rest = at(crew.at.x, 250, model.capacityKg - crew.kg);
      const f = floatBy(slicesOf(surface), [{ kg: model.massKg, at: shellCentre(surface) }, crew, rest]);
      for (const d of model.decks.filter((one) => one.kind === 'cockpit' || one.kind === 'tank well'))
        expect(d.height - Math.max(waterAt(f, d.fore), waterAt(f, d.aft)))
          .withContext(`${model.name}, ${d.name}`)
          .toBeGreaterThan(0);
    }
  });

  it('stand steady under one paddler', () => {
    for (const model of [TOLVANE, BRACKWEN, ORRISK, QUENBY, PELLIN]) {
      const surface = fairHull(model);
      const slices = slicesOf(surface);
      const f = floatBy(slices, [{ kg: model.massKg, at: shellCentre(surface) }, ...crewMasses(surface, USUAL_BRIEF)]);
      expect(stabilityOf(slices, f).gm).withContext(model.name).toBeGreaterThan(50);
    }
  });
});
