import fc from 'fast-check';
import { vec3 } from 'gl-matrix';
import { BRACKWEN, ORRISK, QUENBY, TOLVANE } from '../../../demo/index';
import { fairHull, type HullModel, type HullSurface } from '../../boat/hull';
import { sweptByHull } from '../../layout';
import type { Run } from '../../rig';
import { pathLength, type Point } from '../../base/units';
import { findRoute, type RouteEnd } from './find-route';
import { lanePoint, routeRun } from './route';

const HULLS: readonly HullModel[] = [TOLVANE, QUENBY, ORRISK, BRACKWEN];

/** Whether a point lies in a box or a tube of the hull's inside, by its own arithmetic. */
function within(hull: HullSurface, p: Point): string | null {
  for (const h of hull.model.hazards) {
    if (h.shape === 'box') {
      const inAxis = (k: 'x' | 'y' | 'z'): boolean => p[k] > Math.min(h.from[k], h.to[k]) && p[k] < Math.max(h.from[k], h.to[k]);
      if (inAxis('x') && inAxis('y') && inAxis('z')) return h.id;
      continue;
    }
    for (let i = 1; i < h.path.length; i++) {
      const [a, b] = [h.path[i - 1] as Point, h.path[i] as Point];
      const [u, v] = [vec3.fromValues(b.x - a.x, b.y - a.y, b.z - a.z), vec3.fromValues(p.x - a.x, p.y - a.y, p.z - a.z)];
      const t = Math.min(1, Math.max(0, vec3.dot(u, v) / vec3.dot(u, u)));
      const near = vec3.scaleAndAdd(vec3.create(), vec3.fromValues(a.x, a.y, a.z), u, t);
      if (vec3.distance(near, vec3.fromValues(p.x, p.y, p.z)) < h.radius - 1) return h.id;
    }
  }
  return null;
}

const share = fc.double({ min: 0.1, max: 0.9, noNaN: true });
const across = fc.double({ min: -0.7, max: 0.7, noNaN: true });
const size = fc.double({ min: 40, max: 260, noNaN: true });

describe('a route', () => {
  it('never goes through foam, a well, a bulkhead or a tube, nor where the hull’s own things move: random boxes in four hulls', () => {
    let found = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...HULLS),
        fc.tuple(share, across, size, size),
        fc.tuple(share, across, fc.boolean()),
        fc.tuple(share, across, fc.boolean()),
        fc.constantFrom('inside' as const, 'outside' as const),
        (model, [bx, by, long, wide], from, to, wires) => {
          const at = fairHull(model);
          const x = bx * at.length;
          const y = by * at.halfBreadth(x);
          const foam = {
            ...{ id: 'more', name: 'more foam', kind: 'foam' as const, shape: 'box' as const },
            from: { x: x - long, y: y - wide, z: 0 },
            to: { x: x + long, y: y + wide, z: at.gunwale(x) },
          };
          const hull = fairHull({ ...model, hazards: [...model.hazards, foam] });
          const end = ([s, off, inside]: readonly [number, number, boolean]): RouteEnd => {
            const ex = s * hull.length;
            const ey = off * hull.halfBreadth(ex);
            const spot = hull.spot(ex, ey);
            return { at: { x: ex, y: ey, z: inside ? spot.z - spot.wall - 60 : spot.z }, inside };
          };
          const [a, b] = [end(from), end(to)];
          if (within(hull, a.at) ?? within(hull, b.at)) return true;
          const movers = sweptByHull(hull);
          const route = findRoute({ hull, from: a, to: b, glands: [], wires, apart: [], movers });
          if (!route) return true;
          found++;
          const { legs } = routeRun(hull, route, a.at, b.at);
          return legs.every((leg) => {
            const points = Array.from({ length: 9 }, (_, i): Point => {
              const t = i / 8;
              const mix = (k: 'x' | 'y' | 'z'): number => leg.from[k] + t * (leg.to[k] - leg.from[k]);
              return { x: mix('x'), y: mix('y'), z: mix('z') };
            });
            if (leg.inside) return points.every((p) => within(hull, p) === null);
            return movers.every((m) =>
              m.poses.every(({ box }) =>
                points.every((p) => {
                  if (!box) return true;
                  const off = [p.x - box.middle.x, p.y - box.middle.y, p.z - box.middle.z] as const;
                  return !box.axes.every(
                    (k, i) => Math.abs(off[0] * k.x + off[1] * k.y + off[2] * k.z) < (box.half[i] as number),
                  );
                }),
              ),
            );
          });
        },
      ),
      { numRuns: 60 },
    );
    expect(found).withContext('of sixty: two in five, most often').toBeGreaterThan(5);
  });

  it('is as long as gl-matrix measures it, leg by leg, whatever it passes', () => {
    const hull = fairHull(QUENBY);
    const via: Run['via'] = [
      { at: 'lane', x: 700 },
      { at: 'lane', x: 1600 },
      { at: 'point', x: 1800, y: 60 },
      { at: 'gland', fitting: 'g' },
      { at: 'lane', x: 2400, lane: 'outside starboard' },
      { at: 'lane', x: 3300 },
    ];
    const gland = { x: 2200, y: 380, z: 330 };
    const routed = routeRun(hull, { lane: 'inside port', via }, { x: 560, y: 0, z: 80 }, { x: 3500, y: 40, z: 330 }, () => gland);
    const long = routed.path
      .slice(1)
      .reduce(
        (sum, p, i) =>
          sum + vec3.distance([routed.path[i]?.x ?? 0, routed.path[i]?.y ?? 0, routed.path[i]?.z ?? 0], [p.x, p.y, p.z]),
        0,
      );
    expect(pathLength(routed.path)).toBeCloseTo(long, 2);
    expect(routed.glands).toEqual(['g']);
    expect(routed.lies).toEqual([
      { lane: 'inside port', from: 700, to: 1600 },
      { lane: 'outside starboard', from: 2400, to: 3300 },
    ]);
  });

  it('goes outside where the brief would have it so, inside where not, and by a gland where there is one', () => {
    const hull = fairHull(QUENBY);
    const ends = { from: { at: { x: 600, y: 0, z: 90 }, inside: true }, to: { at: { x: 3200, y: 300, z: 320 }, inside: false } };
    const more = {
      hull,
      ...ends,
      apart: [],
      movers: [],
      glands: [{ id: 'g', at: { x: 900, y: 300, z: hull.spot(900, 300).z } }],
    };
    const outside = findRoute({ ...more, wires: 'outside' });
    const inside = findRoute({ ...more, wires: 'inside' });
    expect(outside?.via.some((w) => w.at === 'gland')).toBeTrue();
    expect(outside?.via.some((w) => w.at === 'lane' && w.lane?.startsWith('outside'))).toBeTrue();
    expect(inside?.via.every((w) => w.at !== 'lane' || !w.lane?.startsWith('outside'))).toBeTrue();
    // Out of the hull there is no way without a gland.
    expect(
      findRoute({ ...more, wires: 'outside', glands: [] })?.via.some((w) => w.at === 'lane' && w.lane?.startsWith('outside')),
    ).toBeFalse();
  });

  it('keeps off the lane it is kept apart from, where another is near', () => {
    const hull = fairHull(QUENBY);
    const end = (x: number, y: number): RouteEnd => ({ at: { x, y, z: hull.spot(x, y).z }, inside: false });
    const input = { hull, from: end(800, 20), to: end(3000, 20), glands: [], wires: 'inside' as const, movers: [] };
    const free = findRoute({ ...input, apart: [] });
    const lane = free?.lane ?? 'under deck';
    const kept = findRoute({ ...input, apart: [{ lane, from: 0, to: hull.length }] });
    expect(kept?.lane).not.toBe(lane);
    expect(kept?.length ?? 0).toBeGreaterThanOrEqual((free?.length ?? 0) - 1e-6);
    expect(lanePoint(hull, 'under deck', 1800).y).toBe(0);
  });
});
