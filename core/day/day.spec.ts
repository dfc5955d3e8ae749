import { demoRigs, CATALOG, QUENBY, SHOP } from '../../demo/index';
import { hoursToEmpty } from '../circuits';
import { floatBy, slicesOf } from '../float';
import { fairHull, type HullModel } from '../hull';
import type { Day, Fact, Plan } from '../rig';
import { deck, fitted, inputOf, track } from '../testing/plans';
import { workUp, type Workup } from '../workup';
import { dragOf, friction, motorAmps, wattsFor, wettedOf } from './index';

const day = (more: Partial<Day> = {}): Day => ({
  ...{ starts: 420, legs: [{ does: 'motor', minutes: 60, kmh: 4 }], dark: { from: 1260, to: 360 }, duty: {}, readings: [] },
  ...more,
});
const within = (x: number): Plan['fittings'][string]['place'] => ({ on: 'space', space: 'bow-hold', x, y: 0, heading: 0 });
const run = (from: string, to: string) => ({ from, to, lane: 'inside port' as const, via: [], awg: null });
const rigged = (d: Day, battery = 'battery-80'): Workup =>
  workUp(
    inputOf(
      {
        b: fitted(battery, within(600), 'loose'),
        e: fitted('battery-30', within(850), 'loose'),
        m: fitted('motor-stern-45', deck(3660, 0), 'through'),
        s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
        l: fitted('side-lights', deck(300, 0), 'through'),
      },
      { day: d, runs: { m: run('b', 'm'), s: run('e', 's'), l: run('e', 'l') } },
      [],
      QUENBY,
    ),
  );
const of = (w: Workup, fitting: string) => w.day.batteries.find((b) => b.fitting === fitting);
const leftOf = (w: Workup, fitting: string): number => of(w, fitting)?.moments.at(-1)?.left.likely ?? NaN;

describe('what holds a hull back', () => {
  it('is by the ITTC 1957 line (published values, from memory): 4.688, 3.000, 2.083 thousandths', () => {
    expect([1e6, 1e7, 1e8].map((re) => Number((1000 * friction(re)).toFixed(3)))).toEqual([4.688, 3, 2.083]);
  });

  it('wets what a box in closed form wets: its bottom and its sides, and the same however it is cut', () => {
    // 3 m long, 0.6 m wide, wall-sided; 90 kg float it 50 mm deep.
    const box: HullModel = {
      ...QUENBY,
      sections: 'box',
      decks: [],
      hatches: [],
      spaces: [],
      tracks: [],
      hazards: [],
      scuppers: [],
      stations: [0, 500, 1500, 2500, 3000].map((x) => ({ x, halfBreadth: 300, gunwale: 300, keel: 0, fullness: 8, flare: 0 })),
    };
    const slices = slicesOf(fairHull(box));
    const wetted = wettedOf(slices, floatBy(slices, [{ kg: 90, at: { x: 1500, y: 0, z: 100 } }]));
    expect(wetted.area).toBeCloseTo(3 * (0.6 + 2 * 0.05), 2);
    expect(wetted.length).toBeCloseTo(3, 1);
  });

  it('grows with speed, from easy to hard, and in the middle is friction, form and waves by hand', () => {
    const wetted = { area: 2.2, length: 3.6 };
    const by = ['easy', 'likely', 'hard'] as const;
    for (const v of [0.5, 1, 1.5, 2]) {
      const [easy = 0, likely = 0, hard = 0] = by.map((g) => dragOf(wetted, v, g));
      expect(easy).toBeLessThan(likely);
      expect(likely).toBeLessThan(hard);
      expect(dragOf(wetted, v + 0.1, 'likely')).toBeGreaterThan(likely);
    }
    // 1.25 m/s: Re 3.951e6, friction 3.550e-3, so 6.10 N of plate; Froude 0.2104, so 1 + 0.15 + 1.2 · 0.0765.
    expect(dragOf(wetted, 1.25, 'likely')).toBeCloseTo(6.1 * (1.15 + 1.2 * 0.0765), 1);
    expect(wattsFor(wetted, 1.25, 0, 'likely')).toBeCloseTo(10 + (dragOf(wetted, 1.25, 'likely') * 1.25) / 0.2, 6);
    // Common practice, no source: a small motor pushes a loaded boat at 3 mph with about 10 A.
    const amps = by.map((g) => wattsFor(wetted, 3 * 0.44704, 3 * 0.44704, g) / 12);
    expect(amps[0]).toBeLessThan(10);
    expect(amps[2]).toBeGreaterThan(10);
  });
});

describe('a day', () => {
  it('by readings of the motor is Peukert by hand: 42 A at 8 km/h for six minutes out of 80 Ah', () => {
    const w = rigged(
      day({
        legs: [{ does: 'motor', minutes: 6, kmh: 8 }],
        readings: [
          { kmh: 4, amps: 8 },
          { kmh: 8, amps: 42 },
        ],
      }),
    );
    expect(w.day.legs[0]?.amps.likely).toBeCloseTo(42, 9);
    // The last moment is five minutes in.
    expect(leftOf(w, 'b')).toBeCloseTo(1 - 5 / 60 / hoursToEmpty(80, 1.25, 42), 9);
    // Between readings along the cube of speed: at 6 km/h 8 + 34 · (216 − 64) / (512 − 64).
    const asked = {
      day: day({
        readings: [
          { kmh: 4, amps: 8 },
          { kmh: 8, amps: 42 },
        ],
      }),
      wetted: { area: 2, length: 3 },
    };
    expect(motorAmps(asked, { through: 6, wind: 0, volts: 12 }, 'likely')).toBeCloseTo(8 + (34 * 152) / 448, 9);
  });

  it('what is drawn gently is ampere-hours: a sounder of 0.75 A for ten hours out of 30 Ah, lights in the dark alone', () => {
    const legs = [{ does: 'stopped' as const, minutes: 600, kmh: 0 }];
    const light = rigged(day({ legs }));
    expect(leftOf(light, 'e')).toBeCloseTo(1 - (0.75 * 10) / 30, 9);
    // From seven in the evening, dark from nine: eight hours of 0.25 A more.
    const night = rigged(day({ legs, starts: 1140 }));
    expect(leftOf(night, 'e')).toBeCloseTo(1 - (0.75 * 10 + 0.25 * 8) / 30, 9);
    expect(leftOf(rigged(day({ legs, duty: { s: 0.5 } })), 'e')).toBeCloseTo(1 - (0.75 * 5) / 30, 9);
    expect(leftOf(light, 'b')).toBe(1);
  });

  it('against a stream takes more, with it less; in the cold less is there; the band is never turned about', () => {
    const used = (more: Partial<Day['legs'][number]>, d: Partial<Day> = {}): number =>
      1 - leftOf(rigged(day({ legs: [{ does: 'motor', minutes: 120, kmh: 5, ...more }], ...d })), 'b');
    expect(used({ stream: 2 })).toBeGreaterThan(used({}));
    expect(used({ stream: -2 })).toBeLessThan(used({}));
    expect(used({ wind: 20 })).toBeGreaterThan(used({}));
    expect(used({}, { cold: true })).toBeGreaterThan(used({}));
    const w = rigged(day({ legs: [{ does: 'motor', minutes: 240, kmh: 6 }] }));
    for (const { left } of of(w, 'b')?.moments ?? []) {
      expect(left.easy).toBeGreaterThanOrEqual(left.likely);
      expect(left.likely).toBeGreaterThanOrEqual(left.hard);
    }
  });

  it('says when the reserve is touched, that full thrust is not enough, and how long it takes to fill again', () => {
    const w = rigged(day({ legs: [{ does: 'motor', minutes: 300, kmh: 14 }] }));
    expect(w.day.legs[0]?.reached).toBeFalse();
    expect(w.day.legs[0]?.amps.hard).toBe(42);
    const battery = of(w, 'b');
    // Half of 80 Ah at 42 A.
    const hours = 0.5 * hoursToEmpty(80, 1.25, 42);
    expect(battery?.touched.hard).toBe(Math.ceil((60 * hours) / 5) * 5);
    expect(battery?.reserve).toBe(0.5);
    // Empty: 80 Ah at a tenth of them, of which 85 % stay, and two hours of less and less.
    expect(battery?.charge.hours).toBeCloseTo(((1 - leftOf(w, 'b')) * 80) / (8 * 0.85) + 2, 9);
  });

  it('goes furthest at one speed and less on either side of it, with everything read as a band', () => {
    const { range } = rigged(day()).day;
    expect(range.length).toBeGreaterThan(4);
    for (const { km } of range) expect(km.easy).toBeGreaterThanOrEqual(km.hard);
    const likely = range.map((r) => r.km.likely);
    const best = likely.indexOf(Math.max(...likely));
    expect(likely.slice(best).every((km, i, all) => i === 0 || km <= (all[i - 1] ?? 0))).toBeTrue();
  });

  it('is worked out for every demo rig, by night where its brief goes out at night', () => {
    for (const { file } of demoRigs('2026-06-10')) {
      const { plan, hull } = file;
      const w = workUp({ plan, hull, facts: file.ledger as Fact[], catalog: CATALOG, shop: SHOP, asOf: '2026-06-10' });
      expect(w.day.batteries.length).toBe(w.wiring.network.batteries.length);
      if (plan.brief.waters.includes('night')) expect(w.day.day.starts).toBe(1140);
    }
  });
});
