import fc from 'fast-check';
import { BRACKWEN, BRASKEL, FENDRICK, HULLS, ORRISK, PELLIN, QUENBY, SARROCK, SHOP, TOLVANE } from '../../../demo/index';
import { crewMasses, floatBy, slicesOf } from '../../water/float';
import { fairHull, type HullModel } from '../../boat/hull';
import { legSpan } from '../../layout';
import { USUAL_BRIEF, type Brief } from '../../rig';
import { BOX_HULL } from '@plain-cleat/testing/box-hull';
import { tell } from '../../base/units';
import { metacentric } from './considered';
import { paceOf } from './aspects';
import type { HullRank } from './rank';
import { rankHulls, USUAL_GEAR } from './index';

const ask = (more: Partial<Brief>, gearKg = 18) => ({ brief: { ...USUAL_BRIEF, ...more }, gearKg });
const rank = (more: Partial<Brief>, gearKg = 18, hulls: readonly HullModel[] = HULLS): HullRank[] =>
  rankHulls(hulls, ask(more, gearKg), SHOP);
const of = (ranks: readonly HullRank[], hull: HullModel): HullRank => {
  const found = ranks.find((r) => r.hull.id === hull.id);
  if (!found) throw new Error(hull.id);
  return found;
};
const told = (r: HullRank): string => [...r.fails, ...r.gives, ...r.reasons].map((s) => tell(s, 'metric')).join(' ');

describe('which hull', () => {
  it('a light paddler who carries alone gets the light hull; two get the tandem; who stands a wide deck', () => {
    const alone = rank(
      { weightKg: 58, stature: 1650, lifts: 'alone', road: 'roof', way: { ...USUAL_BRIEF.way, metres: 100 } },
      6,
    );
    // 25 lb and under 45 lb are lifted alone (common practice, no source).
    expect(alone[0]?.hull.massKg).toBeLessThan(20.4);
    expect(of(alone, QUENBY).fails.length).toBeGreaterThan(0);
    const two = rank({ second: { stature: 1650, weightKg: 60 }, road: 'trailer' });
    expect(two[0]?.hull.id).toBe(SARROCK.id);
    expect(two.filter((r) => r.fails.length === 0).every((r) => r.hull.secondSeat)).toBeTrue();
    const standing = rank({ stands: 'stands', road: 'trailer' });
    expect([QUENBY.id, BRASKEL.id]).toContain(standing[0]?.hull.id ?? '');
    expect(of(standing, BRACKWEN).fails.length).toBeGreaterThan(0);
  });

  it('pedals want a place for a drive, a motor a mount or a plate', () => {
    const pedals = rank({ propulsion: ['pedals'], road: 'trailer' });
    expect(pedals.filter((r) => r.fails.length === 0).every((r) => r.hull.traits?.includes('pedal'))).toBeTrue();
    expect(told(of(rank({ propulsion: ['motor'], road: 'trailer' }), ORRISK))).toContain('a plate has to be bolted on');
    expect(told(of(rank({ propulsion: ['motor'], road: 'trailer' }), FENDRICK))).not.toContain('bolted on');
  });

  it('a long day in open water gets the long hull, and the inflatable is said to be light in wind', () => {
    const far = rank({ distanceKm: 25, waters: ['offshore'], road: 'trailer' });
    const fit = far.filter((r) => r.fails.length === 0 && r.gives.length === 0);
    expect(fit[0]?.hull.id).toBe(fit.reduce((a, b) => (b.waterline > a.waterline ? b : a)).hull.id);
    expect(told(of(far, PELLIN))).toContain('Light in wind');
  });

  it('load, legs and lifting rule out to the kilo and the millimetre (random bodies, all hulls)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1450, max: 2050 }),
        fc.integer({ min: 40, max: 180 }),
        fc.integer({ min: 0, max: 80 }),
        fc.boolean(),
        (stature, weightKg, gearKg, alone) => {
          for (const r of rank({ stature, weightKg, road: 'roof', lifts: alone ? 'alone' : 'two' }, gearKg)) {
            const { hull } = r;
            const text = r.fails.map((s) => tell(s, 'metric')).join(' ');
            expect(text.includes('over its rating')).toBe(weightKg + gearKg > hull.capacityKg);
            expect(text.includes('to a roof')).toBe(hull.massKg > (alone ? 20.4 : 40.8));
            if (hull.feet) {
              const { fore, aft } = hull.seat.slide ?? { fore: hull.seat.x, aft: hull.seat.x };
              const { least, most } = legSpan(stature);
              // Some seat place and some peg place are apart by what these legs need.
              const can = aft - hull.feet.fore >= least && fore - hull.feet.aft <= most;
              expect(text.includes('fits these legs')).toBe(!can);
            }
          }
        },
      ),
      { numRuns: 40, seed: 6 },
    );
  });

  it('those that nothing rules out come first, then those that least has to give', () => {
    const all = rank({ stands: 'both', carries: ['crate', 'dog'], holes: 'as needed', road: 'roof', lifts: 'two' });
    const key = (r: HullRank): number => 100 * r.fails.length + r.gives.length;
    expect(all.map(key)).toEqual(all.map(key).sort((a, b) => a - b));
    expect(all.length).toBe(HULLS.length);
    for (const r of all) expect(r.reasons.length + r.fails.length).toBeGreaterThan(2);
  });

  it('the steadiness is the metacentric height: of a box, half the draught and B²/12T less the weight’s height', () => {
    const hull = fairHull(BOX_HULL);
    const slices = slicesOf(hull);
    const kgs = 240;
    const float = floatBy(slices, [{ kg: kgs, at: { x: hull.length / 2, y: 0, z: 260 } }]);
    // 3000 × 800 mm: a draught of 100 mm carries 240 kg of fresh water.
    const [beam, draught] = [800, ((kgs / 1000) * 1e9) / (3000 * 800)];
    expect(float.level).toBeCloseTo(draught, 0);
    expect(metacentric(slices, float)).toBeCloseTo(draught / 2 + beam ** 2 / (12 * draught) - 260, 0);
    // Who stands is less steady than who sits.
    expect(of(rank({ stands: 'stands', road: 'trailer' }), TOLVANE).steady).toBeLessThan(
      of(rank({ road: 'trailer' }), TOLVANE).steady,
    );
    expect(crewMasses(hull, USUAL_BRIEF).length).toBe(1);
  });

  it('a loaded boat of these lengths makes five to seven kilometres an hour (common practice, no source)', () => {
    for (const r of rank({ road: 'trailer' })) {
      expect(paceOf(r.waterline)).toBeGreaterThan(5);
      expect(paceOf(r.waterline)).toBeLessThan(7);
    }
    expect(USUAL_GEAR.bare).toBeLessThan(USUAL_GEAR.everything);
  });
});
