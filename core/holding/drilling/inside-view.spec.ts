import { TOLVANE } from '../../../demo/index';
import { fairHull } from '../../boat/hull';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import { insideView } from './index';

const hull = fairHull(TOLVANE);
const at = (x: number, y: number, hold: 'through' | 'rivet' = 'through') => {
  const [hole] = workUp(inputOf({ f: fitted('pad-eye', deck(x, y), hold) })).drilling.holes;
  if (!hole) throw new Error('no hole');
  return hole;
};

describe('inside at a hole', () => {
  it('shows the skin gunwale to gunwale, the deck between, and the hole on it', () => {
    const hole = at(300, 0);
    const { skin, deck: top, hole: here, end } = insideView(hull, hole, 40);
    const half = hull.halfBreadth(hole.at.x);
    expect([skin[0]?.y, skin.at(-1)?.y].map((y) => Math.round(y ?? 0))).toEqual([-half, half].map(Math.round));
    expect(Math.min(...skin.map((p) => p.z))).toBeCloseTo(hull.keel(hole.at.x), 6);
    expect(top[24]?.z).toBeCloseTo(hole.at.z, 3);
    expect(here.y).toBe(hole.at.y);
    expect(here.z - end.z).toBeCloseTo(40, 0);
  });

  it('shows the way of the hand and where its opening is', () => {
    const hole = at(300, 0);
    const { way, openingAft } = insideView(hull, hole, 30);
    expect(way?.length).toBeGreaterThanOrEqual(2);
    expect(openingAft).toBeGreaterThan(0);
    expect(insideView(hull, at(300, 0, 'rivet'), 30).way).toBeNull();
  });

  it('shows what lies inside at the same x: a box as it is, a tube where it runs', () => {
    const well = insideView(hull, at(1500, 0), 30).things.find((t) => t.name === 'drive well');
    expect(well?.round).toBeFalse();
    const tube = TOLVANE.hazards.find((h) => h.shape === 'tube');
    if (tube?.shape !== 'tube') return fail('no tube');
    const { x } = tube.path[0] ?? { x: 0 };
    const seen = insideView(hull, at(x + 60, 100), 30).things.find((t) => t.name === tube.name);
    expect([seen?.round, seen?.wide]).toEqual([true, 2 * tube.radius]);
    expect(insideView(hull, at(300, 0), 30).things.some((t) => t.name === 'drive well')).toBeFalse();
  });
});
