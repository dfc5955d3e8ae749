import { demoRigs, CATALOG, QUENBY, SHOP } from '../../../demo/index';
import { hoursToEmpty } from '../circuits';
import type { Day, Fact, Plan } from '../../rig';
import { deck, fitted, inputOf, track } from '@plain-cleat/testing/plans';
import { workUp, type Workup } from '../../workup';
import { cardHours } from './own-battery';
import { motorAmps } from './simulate';
import { sunAmps } from './charging';
import { currentsOf } from './index';

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
    expect(battery?.charges.map((c) => c.by)).toEqual(['its charger, taken off']);
    expect(battery?.charges[0]?.hours).toBeCloseTo(((1 - leftOf(w, 'b')) * 80) / (8 * 0.85) + 2, 9);
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

  describe('what fills a battery again', () => {
    /** A battery with what charges it. */
    const charged = (battery: string, ...parts: readonly string[]): Workup =>
      workUp(
        inputOf(
          {
            b: fitted(battery, within(600), 'loose'),
            ...Object.fromEntries(parts.map((p, i) => [`c${i}`, fitted(p, deck(2400 + 300 * i, 0), 'loose')])),
            s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
          },
          {
            day: day({ legs: [{ does: 'stopped', minutes: 600, kmh: 0 }] }),
            runs: { s: run('b', 's'), ...Object.fromEntries(parts.map((_, i) => [`c${i}`, run('b', `c${i}`)])) },
          },
          [],
          QUENBY,
        ),
      );

    it('is its charger, its port, the car, the sun, each by ampere-hours over what stays, and an end of less and less', () => {
      const left = 1 - (0.75 * 10) / 30;
      expect(leftOf(charged('battery-30'), 'b')).toBeCloseTo(left, 9);
      const [own] = of(charged('battery-30'), 'b')?.charges ?? [];
      expect([own?.by, own?.amps]).toEqual(['its charger, taken off', 6]);
      const both = of(charged('battery-30', 'charge-port', 'tow-charger'), 'b')?.charges ?? [];
      expect(both.map((c) => [c.by, c.amps])).toEqual([
        ['its port', 10],
        ['the towing car', 8],
      ]);
      // 7.5 Ah at 8 A, of which 98 % stay, and half an hour more; an hour of it is 7.84 Ah of 30.
      expect(both[1]?.hours).toBeCloseTo(7.5 / (8 * 0.98) + 0.5, 9);
      expect(both[1]?.anHour).toBeCloseTo((8 * 0.98) / 30, 9);
    });

    it('is no faster than it takes: a small battery at a large port', () => {
      const [port] = of(charged('battery-18', 'charge-port'), 'b')?.charges ?? [];
      expect(port?.amps).toBe(10);
      const parts = CATALOG.parts.map((p) =>
        p.id === 'battery-18'
          ? { ...p, power: { battery: { ampHours: 18, volts: 12, chemistry: 'lithium' as const, takes: 4 } } }
          : p,
      );
      const input = inputOf(
        { b: fitted('battery-18', within(600), 'loose'), c: fitted('charge-port', deck(2482, 60), 'through') },
        { day: day(), runs: { c: run('b', 'c') } },
        [],
        QUENBY,
      );
      const w = workUp({ ...input, catalog: { ...input.catalog, parts } });
      expect(w.findings.map((f) => f.code)).toContain('charged-too-fast');
    });

    it('the sun over a whole day is two over pi of its height at noon, by hand and summed minute by minute', () => {
      // Dark from nine in the evening to six: fifteen hours of light, 50 W, half of it and 95 % through the controller, at 12 V.
      const panels = [{ watts: 50, most: 99, volts: 12 }];
      const light = { dark: { from: 1260, to: 360 } };
      const minutes = Array.from({ length: 1440 }, (_, m) => sunAmps(panels, light, m, 'likely'));
      const hours = minutes.reduce((sum, a) => sum + a / 60, 0);
      expect(hours).toBeCloseTo((15 * 2 * 50 * 0.5 * 0.95) / Math.PI / 12, 2);
      expect([minutes[359], minutes[1261], minutes[0]]).toEqual([0, 0, 0]);
      expect(Math.max(...minutes)).toBeCloseTo((50 * 0.5 * 0.95) / 12, 6);
      // No more than its controller lets through; a hard day less than an easy one.
      expect(sunAmps([{ watts: 500, most: 2, volts: 12 }], light, 810, 'easy')).toBe(2);
      expect(sunAmps(panels, light, 810, 'hard')).toBeLessThan(sunAmps(panels, light, 810, 'easy'));
    });

    it('the sun puts in while the boat is out, and a battery is never more than full', () => {
      const [without, sunny] = [charged('battery-30'), charged('battery-30', 'solar-panel-25')];
      expect(leftOf(sunny, 'b')).toBeGreaterThan(leftOf(without, 'b'));
      for (const m of of(sunny, 'b')?.moments ?? []) expect(m.left.easy).toBeLessThanOrEqual(1);
      // Twelve starts of five minutes from seven on, by hand: what is drawn less what the sun gives, none over full.
      let left = 1;
      for (let minute = 0; minute < 60; minute += 5) {
        left = Math.max(0, left - (5 / 60) * (0.75 / 30));
        const sun = (0.95 * 0.5 * 25 * Math.sin((Math.PI * (420 + minute - 360)) / 900)) / 12;
        left = Math.min(1, left + ((5 / 60) * 0.98 * Math.min(2, sun)) / 30);
      }
      expect(of(sunny, 'b')?.moments.find((m) => m.minute === 60)?.left.likely).toBeCloseTo(left, 9);
    });
  });

  it('cards by what they write: 128 GB at 60 Mbit/s are 4.74 h, 64 GB at 100 Mbit/s 1.42 h (by hand)', () => {
    expect(cardHours({ gigabytes: 128, megabits: 60 })).toBeCloseTo(4.7407, 4);
    expect(cardHours({ gigabytes: 64, megabits: 100 })).toBeCloseTo(1.4222, 4);
  });

  it('what runs on a battery of its own: 6.5 Wh at 4.2 W, what it lacks, and what banks give of it', () => {
    const out = (hours: number, more: Plan['fittings'] = {}, runs: Plan['runs'] = {}): Workup =>
      workUp(
        inputOf(
          { c: fitted('head-camera', deck(1500, 0), 'loose'), ...more },
          { runs, day: day({ legs: [{ does: 'paddle', minutes: 60 * hours, kmh: 4 }] }) },
          [],
          QUENBY,
        ),
      );
    const codes = (w: Workup): string[] =>
      w.findings
        .map((f) => f.code)
        .filter((c) => c === 'own-battery-short' || c === 'card-full')
        .sort();
    const [own] = out(4).day.own;
    expect(own?.runs).toBeCloseTo(6.5 / 4.2, 9);
    expect(own?.lacks).toBeCloseTo(4 * 4.2 - 6.5, 9);
    expect(codes(out(1.5))).toEqual([]);
    expect(codes(out(4))).toEqual(['own-battery-short']);
    expect(codes(out(5))).toEqual(['card-full', 'own-battery-short']);
    // 74 Wh, of which 85 % come out, carry one camera through the day; a socket that is fed does so too.
    expect(out(4, { p: fitted('power-bank-74', deck(2400, 0), 'loose') }).day.usb.banks).toBeCloseTo(0.85 * 74, 9);
    expect(codes(out(4, { p: fitted('power-bank-74', deck(2400, 0), 'loose') }))).toEqual([]);
    const socket = { b: fitted('battery-30', within(600), 'loose'), u: fitted('usb-ports', deck(2482, -60), 'rivet') };
    expect(codes(out(4, socket))).toEqual(['own-battery-short']);
    expect(codes(out(4, socket, { u: run('b', 'u') }))).toEqual([]);
  });

  it('goes through each cable: with everything on, with the motor held fast, and over the day, by hand', () => {
    const box = fitted('relay-box', within(900), 'loose');
    const legs = [
      { does: 'motor' as const, minutes: 120, kmh: 4 },
      { does: 'stopped' as const, minutes: 477, kmh: 0 },
    ];
    // 597 minutes from seven in the evening, dark from nine: 477 of them.
    const d = day({ starts: 1140, legs, readings: [{ kmh: 4, amps: 10 }] });
    const fed = (motor: string, volts24: boolean): Workup =>
      workUp(
        inputOf(
          {
            b: fitted('battery-100', within(600), 'loose'),
            c: fitted('battery-100', within(750), 'loose'),
            e: fitted('battery-30', within(850), 'loose'),
            x: box,
            m: fitted(motor, deck(3660, 0), 'through'),
            s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
            l: fitted('side-lights', deck(300, 0), 'through'),
            p: fitted('charge-port', deck(2482, 60), 'through'),
          },
          {
            day: d,
            runs: {
              ...(volts24
                ? {
                    u: { ...run('b', 'c'), has: 'series' },
                    m: { ...run('c', 'm'), has: 'plus' },
                    n: { ...run('b', 'm'), has: 'minus' },
                  }
                : { m: run('b', 'm') }),
              x: run('e', 'x'),
              s: { ...run('x', 's'), way: 1 },
              l: { ...run('x', 'l'), way: 2 },
              p: run('e', 'p'),
            },
          },
          [],
          QUENBY,
        ),
      );
    const of = (w: Workup, id: string): number[] => {
      const cable = w.wiring.runs.find((r) => r.id === id);
      const { steady, most, day: mean } = currentsOf(cable ?? { id, amps: NaN }, w);
      return [steady, most ?? Infinity, mean].map((a) => Number(a.toFixed(6)));
    };
    const single = fed('motor-stern-45', false);
    const mean = (amps: number, minutes: number): number => Number(((amps * minutes) / 597).toFixed(6));
    expect(of(single, 'm')).toEqual([42, 55, mean(10, 120)]);
    // What holds its own volts draws no more than its plate says from a full battery.
    expect(of(single, 'l')).toEqual([0.25, 0.25, mean(0.25, 477)]);
    expect(of(single, 'x')).toEqual([1, 1, Number((0.75 + mean(0.25, 477)).toFixed(6))]);
    expect(of(single, 'p')).toEqual([10, 10, 0]);
    const row = fed('motor-stern-80', true);
    for (const id of ['u', 'm', 'n']) expect(of(row, id)).toEqual([56, 72, mean(10, 120)]);
  });
});
