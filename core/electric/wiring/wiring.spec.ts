import fc from 'fast-check';
import { SHOP, TOLVANE } from '../../../demo/index';
import { fairHull } from '../../boat/hull';
import { pathLength } from '../../base/units';
import { CONDUCTORS, LANES } from '../../rig';
import { bundlesOf, cutLength } from './run';
import { lanePoint, routeRun } from './route';

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

describe('a bundle', () => {
  const stretch = fc
    .record({
      lane: fc.constantFrom(...LANES.slice(0, 3)),
      a: fc.integer({ min: 0, max: 60 }),
      b: fc.integer({ min: 0, max: 60 }),
    })
    .map(({ lane, a, b }) => ({ lane, from: Math.min(a, b), to: Math.max(a, b) }));
  const cables = fc.array(fc.record({ lies: fc.array(stretch, { maxLength: 4 }), has: fc.constantFrom(...CONDUCTORS) }), {
    maxLength: 12,
  });

  it('is the most conductors that lie at one place of a lane, by walking every lane in half millimetres (property)', () => {
    const wires = { both: 2, plus: 1, minus: 1, series: 1, signal: 0 } as const;
    fc.assert(
      fc.property(cables, (some) => {
        const all = some.map(({ lies, has }, i) => ({ id: `c${i}`, lies, run: { has } }));
        const most = bundlesOf(all as never);
        const walked = new Map(all.map((c) => [c.id, wires[c.run.has] as number]));
        for (const lane of LANES)
          for (let x = -0.5; x <= 61; x += 0.5) {
            const here = all.filter((c) => c.lies.some((s) => s.lane === lane && x >= s.from && x <= s.to));
            const sum = here.reduce((n, c) => n + wires[c.run.has], 0);
            for (const c of here) if (sum > (walked.get(c.id) ?? 0)) walked.set(c.id, sum);
          }
        expect(most).toEqual(walked);
      }),
      { seed: 28, numRuns: 200 },
    );
  });
});
