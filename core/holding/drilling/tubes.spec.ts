import fc from 'fast-check';
import { ORRISK, SARROCK, SHOP } from '../../../demo/index';
import { fairHull, type HullModel } from '../../boat/hull';
import type { Place } from '../../rig';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import type { Point } from '../../base/units';
import { workUp } from '../../workup';
import { runs } from '../../../testing/runs';

type Tube = Extract<HullModel['hazards'][number], { shape: 'tube' }>;
const tubesOf = (hull: HullModel): Tube[] => hull.hazards.filter((h): h is Tube => h.shape === 'tube');

/** How near the middle of a tube a straight bore comes, by walking both a millimetre at a time. */
function nearest(at: Point, inward: Point, deep: number, { path }: Tube): number {
  let least = Infinity;
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1], path[i]] as [Point, Point];
    const n = Math.ceil(Math.hypot(b.x - a.x, b.y - a.y, b.z - a.z));
    for (let s = 0; s <= n; s++) {
      const p = { x: a.x + ((b.x - a.x) * s) / n, y: a.y + ((b.y - a.y) * s) / n, z: a.z + ((b.z - a.z) * s) / n };
      // Far along the boat is far.
      if (Math.abs(p.x - at.x) > 120) continue;
      for (let d = 0; d <= deep; d++)
        least = Math.min(least, Math.hypot(at.x + inward.x * d - p.x, at.y + inward.y * d - p.y, at.z + inward.z * d - p.z));
    }
  }
  return least;
}

describe('a hull with tubes and cables inside', () => {
  it('is not drilled into one of them unsaid, wherever something stands, on deck or side', () => {
    let [met, said] = [0, 0];
    // About the tubes themselves, and everywhere else.
    const along = fc.record({
      hull: fc.constantFrom(SARROCK, ORRISK),
      tube: fc.nat({ max: 3 }),
      far: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
      off: fc.integer({ min: -45, max: 45 }),
      heading: fc.integer({ min: -90, max: 90 }),
      onSide: fc.boolean(),
      part: fc.constantFrom('pad-eye', 'jam-cleat', 'anchor-pulley'),
      hold: fc.constantFrom('rivet' as const, 'through' as const),
    });
    const cases = along.map(({ hull, tube: n, far, off, heading, onSide, part, hold }) => {
      const tubes = tubesOf(hull);
      const { path } = tubes[n % tubes.length] as Tube;
      const [a, b] = [path[0], path[1]] as [Point, Point];
      const at = { x: a.x + far * (b.x - a.x), y: a.y + far * (b.y - a.y), z: a.z + far * (b.z - a.z) };
      const down = Math.max(10, fairHull(hull).gunwale(at.x) - at.z + off);
      const side = at.y < 0 ? ('port' as const) : ('starboard' as const);
      const place: Place = onSide ? { on: 'side', side, x: at.x, down } : deck(at.x, at.y + off, heading);
      return { hull, place, part, hold };
    });
    fc.assert(
      fc.property(cases, ({ hull, place, part, hold }) => {
        const w = workUp(inputOf({ thing: fitted(part, place, hold) }, {}, [], hull));
        for (const hole of w.drilling.holes) {
          // So deep bit, bolt and nut need room.
          const tube = tubesOf(hull).find((t) => nearest(hole.at, hole.inward, SHOP.drilling.depthBehind, t) < t.radius);
          if (!tube) continue;
          met++;
          const finding = w.findings.find((f) => f.key === `hole-near-hazard:thing:${hole.id}`);
          if (finding?.severity === 'stop') said++;
          expect(finding?.severity)
            .withContext(`${hull.id} ${part} ${JSON.stringify(place)} meets the ${tube.name}`)
            .toBe('stop');
        }
      }),
      { seed: 1414, numRuns: runs(500) },
    );
    expect(met).toBeGreaterThan(runs(40, 8));
    expect(said).toBe(met);
  });
});
