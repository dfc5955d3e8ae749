import { QUENBY } from '../../../demo/index';
import { deck, fitted, inputOf, track } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import { hoursOf } from './endurance';
import { awgArea, hoursToEmpty, sourceOf } from './index';

const feed = (from: string, to: string) => ({ from, to, lane: 'inside port' as const, via: [], awg: null });
const inside = (x: number) => ({ on: 'space' as const, space: 'bow-hold', x, y: 0, heading: 0 });

describe('a battery in use', () => {
  const fittings = {
    b: fitted('battery-80', inside(600), 'loose'),
    m: fitted('motor-stern-45', deck(3660, 0), 'through'),
    s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
  };
  const w = workUp(inputOf(fittings, { runs: { m: feed('b', 'm'), s: feed('b', 's') } }, [], QUENBY));
  const [circuit] = w.circuits;
  const one = circuit?.batteries[0];
  const ohms = (run: string): number => {
    const r = w.wiring.runs.find((x) => x.id === run);
    // Copper at 20 °C 0.01724 Ω·mm²/m, there and back.
    return r?.awg ? (0.01724 * 2 * r.cut) / 1000 / awgArea(r.awg) : NaN;
  };

  it('gives its posts and its loads what a hand calculation leaves them, full and low and cold', () => {
    for (const [of, rest, resists] of [
      ['full', 12.7, 0.6 / 80],
      ['low', 11.8, (0.6 * 1.6) / 80],
    ] as const) {
      // The screen's 9 W are a small current: by turns, until the posts stand still.
      let [posts, screen] = [rest, rest];
      for (let i = 0; i < 60; i++) {
        const amps = 9 / screen;
        posts = rest - (42 + amps) * resists;
        screen = posts - amps * ohms('s');
      }
      expect(one?.gives[of]?.volts).toBeCloseTo(posts, 6);
      expect(one?.gives[of]?.amps).toBeCloseTo(42 + 9 / screen, 6);
      expect(circuit?.loads.find((l) => l.fitting === 's')?.volts[of]).toBeCloseTo(screen, 6);
      expect(circuit?.loads.find((l) => l.fitting === 'm')?.volts[of]).toBeCloseTo(posts - 42 * ohms('m'), 6);
    }
  });

  it('of twice the volts resists twice as much for its ampere-hours, and gives twice the volts', () => {
    const [one, two] = [12.8, 25.6].map((volts) =>
      sourceOf({ ampHours: 50, volts, chemistry: 'lithium' }, { full: true, cold: false }),
    );
    expect(two?.volts).toBeCloseTo(2 * (one?.volts ?? 0), 9);
    expect(two?.ohms).toBeCloseTo(2 * (one?.ohms ?? 0), 9);
  });

  it('lasts by Peukert: a worked example, and never longer than its ampere-hours', () => {
    // 100 Ah over 20 h, exponent 1.2, drawn on with 10 A: 20 · (100 / 200)^1.2 = 8.706 h; with 5 A just the 20 h.
    expect(hoursToEmpty(100, 1.2, 10)).toBeCloseTo(8.706, 3);
    expect(hoursToEmpty(100, 1.2, 5)).toBeCloseTo(20, 9);
    expect(hoursToEmpty(100, 1.2, 1)).toBe(100);
    // Common practice, no source: an 18 Ah pack ran a 7 in sounder of 0.75 A for about a day.
    expect(hoursToEmpty(18, 1.05, 0.75)).toBeCloseTo(24, 0);
    expect(hoursOf({ ampHours: 18, chemistry: 'lithium' }, 0.75)).toBeCloseTo(0.85 * 24, 0);
    expect(hoursOf({ ampHours: 80, chemistry: 'lead-acid' }, 42)).toBeCloseTo(0.5 * 20 * (80 / 840) ** 1.25, 9);
    expect(one?.hours).toBeCloseTo(hoursOf({ ampHours: 80, chemistry: 'lead-acid' }, one?.gives.full?.amps ?? 0), 9);
    expect(hoursOf({ ampHours: 80, chemistry: 'lead-acid' }, 0)).toBe(Infinity);
  });

  it('draws once for what is fed twice, through both wires', () => {
    const twice = workUp(inputOf(fittings, { runs: { m: feed('b', 'm'), n: feed('b', 'm') } }, [], QUENBY)).circuits[0];
    expect(twice?.batteries[0]?.gives.full?.amps).toBeCloseTo(42, 9);
    expect(twice?.loads[0]?.volts.full ?? 0).toBeGreaterThan(circuit?.loads.find((l) => l.fitting === 'm')?.volts.full ?? NaN);
  });
});
