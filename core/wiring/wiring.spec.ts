import { SHOP, TOLVANE } from '../../demo/index';
import { fairHull } from '../hull';
import { pathLength } from '../units';
import { cutLength, lanePoint, routeRun } from './index';

describe('route', () => {
  const hull = fairHull(TOLVANE);
  const from = { x: 600, y: 0, z: 340 };
  const to = { x: 3300, y: 0, z: 330 };

  it('follows the curve of the hull: longer than straight, shorter than there and round', () => {
    const path = routeRun(hull, { lane: 'inside starboard', via: [] }, from, to).path;
    const length = pathLength(path);
    expect(length).toBeGreaterThan(2700);
    expect(length).toBeLessThan(2700 + 900);
    expect(path.every((p) => p.y >= -1e-9)).toBeTrue();
  });

  it('is the mirror image on the other side', () => {
    const [s, p] = (['inside starboard', 'inside port'] as const).map((lane) =>
      pathLength(routeRun(hull, { lane, via: [] }, from, to).path),
    );
    expect(s).toBeCloseTo(p ?? 0, 9);
  });

  it('passes its waypoints in their order', () => {
    const via = [
      { at: 'point' as const, x: 1000, y: 100 },
      { at: 'lane' as const, x: 1500 },
      { at: 'lane' as const, x: 2500 },
    ];
    const path = routeRun(hull, { lane: 'inside port', via }, from, to).path;
    expect(path[1]?.x).toBe(1000);
    expect(path.some((p) => Math.hypot(p.x - 2500, p.y - lanePoint(hull, 'inside port', 2500).y) < 1e-6)).toBeTrue();
  });

  it('is cut with slack and loops, rounded up to what the shop cuts', () => {
    const w = { ...SHOP.wiring, slackPercent: 5, loop: 150, cutTo: 76.2 };
    expect(cutLength(2000, w)).toBeCloseTo(Math.ceil(2400 / 76.2) * 76.2, 9);
    expect(cutLength(0, { ...w, loop: 0 })).toBe(0);
  });
});
