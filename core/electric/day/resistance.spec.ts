import { QUENBY } from '../../../demo/index';
import { floatBy, slicesOf } from '../../water/float';
import { fairHull, type HullModel } from '../../boat/hull';
import { friction, wattsFor } from './resistance';
import { dragOf, wettedOf } from './index';

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
