import { TOLVANE } from '../../demo/index';
import { fairHull, type HullModel } from '../hull';
import { evenKeel, sectionArea, volume } from './index';

const prism = (fullness: number): HullModel => ({
  ...TOLVANE,
  stations: [0, 1000, 2000, 3000].map((x) => ({ x, halfBreadth: 400, gunwale: 300, keel: 0, fullness, flare: 0 })),
});

describe('even keel', () => {
  it('of a triangular prism is its closed form: area = b·z²/g, volume = area × length', () => {
    const hull = fairHull(prism(1));
    expect(sectionArea(hull, 1500, 150)).toBeCloseTo((400 / 300) * 150 * 150, 3);
    expect(volume(hull, 150)).toBeCloseTo(((400 / 300) * 150 * 150 * 3000) / 1e6, 6);
    expect(evenKeel(hull, 90).waterline).toBeCloseTo(150, 2);
  });

  it('of a near box comes within 1 % of L × B × T when very full', () => {
    const hull = fairHull({ ...prism(20) });
    // ∫(1 − (1 − u)^20) du over the full depth is 1 − 1/21.
    expect(volume(hull, 300) / ((3000 * 800 * 300 * (1 - 1 / 21)) / 1e6)).toBeCloseTo(1, 3);
  });

  it('floats higher in salt water and says when the gunwale goes under', () => {
    const hull = fairHull(TOLVANE);
    expect(evenKeel(hull, 150, 1025).waterline).toBeLessThan(evenKeel(hull, 150, 1000).waterline);
    expect(evenKeel(hull, 5000).swamped).toBeTrue();
  });
});
