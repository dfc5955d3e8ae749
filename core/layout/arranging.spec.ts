import { boxBody as box } from '../../testing/box-body';
import fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { HULLS, QUENBY, TOLVANE } from '../../demo/index';
import { fairHull } from '../boat/hull';
import { deck, fitted, partOf } from '@plain-cleat/testing/plans';
import { betweenPieces, distance, type Point } from '../base/units';
import { convexOutline } from './outline';
import { cellsTaken, floorGrid, placeFitting, planOverlap, standingRoom, sweptBy, sweptByHull, turned } from './index';

const hull = fairHull(TOLVANE);
const part = partOf;
describe('what swings', () => {
  it('turns as Rodrigues has it: a quarter about the vertical, and lengths are kept (property)', () => {
    const quarter = turned({ x: 10, y: 0, z: 5 }, { x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 1 }, 90);
    expect([quarter.x, quarter.y, quarter.z].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([0, 10, 5]);
    const n = fc.double({ min: -500, max: 500, noNaN: true });
    fc.assert(
      fc.property(n, n, n, fc.double({ min: -360, max: 360, noNaN: true }), (x, y, z, degrees) => {
        const [p, at] = [
          { x, y, z },
          { x: 7, y: -3, z: 2 },
        ];
        const k = Math.SQRT1_2;
        return Math.abs(distance(turned(p, at, { x: k, y: 0, z: k }, degrees), at) - distance(p, at)) < 1e-6;
      }),
      { seed: 42 },
    );
  });

  it('every lid and every moving thing of the demo rises clear of the deck it lay on', () => {
    for (const model of HULLS) {
      for (const s of sweptByHull(fairHull(model)).filter((one) => one.name.startsWith('lid')))
        expect(Math.max(...s.poses.map((b) => b.top)))
          .withContext(`${model.name} ${s.name}`)
          .toBeGreaterThan(s.rest.top + 60);
    }
    const crate = placeFitting(hull, 'c', fitted('crate-tight', deck(2760, 0), 'loose'), part('crate-tight'));
    const [lid] = crate ? sweptBy(crate) : [];
    expect(lid && Math.max(...lid.poses.map((b) => b.top)) - lid.rest.top).toBeGreaterThan(380);
  });

  it('a convex outline holds all its points (property)', () => {
    const point = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 20 }), (points) => {
        const outline = convexOutline(points);
        if (outline.length < 3) return true;
        return points.every(([x, y]) =>
          outline.every(([ax, ay], i) => {
            const [bx, by] = outline[(i + 1) % outline.length] ?? [ax, ay];
            return (bx - ax) * (y - ay) - (by - ay) * (x - ax) >= -1e-6;
          }),
        );
      }),
      { seed: 43 },
    );
  });
});

describe('overlap beside a polygon clipper from the registry', () => {
  it('says they touch exactly when the clipper finds a common area (property)', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }));
    const convex = fc
      .array(point, { minLength: 3, maxLength: 8 })
      .map((p) => convexOutline(p))
      .filter((o) => o.length >= 3);
    fc.assert(
      fc.property(convex, convex, (a, b) => {
        const ring = (o: [number, number][]): [number, number][] => [...o, o[0] ?? [0, 0]];
        const common = polygonClipping.intersection([ring(a)], [ring(b)]);
        const area = common.flat().reduce((sum, r) => {
          const s = r.reduce((t, [x, y], i) => {
            const [nx, ny] = r[(i + 1) % r.length] ?? [x, y];
            return t + (x * ny - nx * y) / 2;
          }, 0);
          return sum + Math.abs(s);
        }, 0);
        const by = planOverlap(a, b);
        return by > 1e-6 === area > 1e-9 || Math.abs(by) < 1e-6;
      }),
      { seed: 44, numRuns: 400 },
    );
  });
});

describe('room to stand', () => {
  it('is the floor when nothing is on it, and shrinks by what is', () => {
    const floor = floorGrid(fairHull(QUENBY));
    if (!floor) return fail('no floor');
    const open = standingRoom(floor, []);
    // The floor is 1520 by 690; the seat base lies on its after part.
    expect((open?.starboard ?? 0) - (open?.port ?? 0)).toBeCloseTo(690, -1.6);
    expect(open?.disc()).toBeGreaterThan(600);
    const less = standingRoom(floor, [cellsTaken(floor, [box(1200, 1500, -300, 300, 165, 500)])]);
    expect((less?.aft ?? 0) - (less?.fore ?? 0)).toBeLessThan((open?.aft ?? 0) - (open?.fore ?? 0));
  });

  it('is the largest that brute force finds on small decks (property)', () => {
    const small = fairHull({
      ...QUENBY,
      decks: [
        { id: 'd', name: 'd', kind: 'cockpit', fore: 1400, aft: 1560, port: -80, starboard: 80, height: 165, rise: 0, wall: 6 },
      ],
    });
    const floor = floorGrid(small);
    if (!floor) return fail('no floor');
    const cell = fc.tuple(fc.integer({ min: 0, max: 7 }), fc.integer({ min: 0, max: 7 }));
    fc.assert(
      fc.property(fc.array(cell, { maxLength: 12 }), (taken) => {
        const bodies = taken.map(([c, r]) => box(1401 + c * 20, 1419 + c * 20, -79 + r * 20, -61 + r * 20, 165, 300));
        const room = standingRoom(floor, [cellsTaken(floor, bodies)]);
        const free = (c: number, r: number): boolean => !taken.some(([tc, tr]) => tc === c && tr === r);
        let [best, bestLong] = [0, 0];
        for (let c0 = 0; c0 < 8; c0++)
          for (let c1 = c0; c1 < 8; c1++)
            for (let r0 = 0; r0 < 8; r0++)
              for (let r1 = r0; r1 < 8; r1++) {
                let all = true;
                for (let c = c0; c <= c1; c++) for (let r = r0; r <= r1; r++) all &&= free(c, r);
                const [w, l] = [Math.min(c1 - c0 + 1, r1 - r0 + 1), Math.max(c1 - c0 + 1, r1 - r0 + 1)];
                if (all && (w > best || (w === best && l > bestLong))) [best, bestLong] = [w, l];
              }
        const sides = [(room?.aft ?? 0) - (room?.fore ?? 0), (room?.starboard ?? 0) - (room?.port ?? 0)].sort((a, b) => a - b);
        return Math.abs((sides[0] ?? 0) - best * 20) < 1e-6 && Math.abs((sides[1] ?? 0) - bestLong * 20) < 1e-6;
      }),
      { seed: 45, numRuns: 80 },
    );
  });
});

describe('rods', () => {
  it('the gap between two is the least over many points (property)', () => {
    const n = fc.integer({ min: -1000, max: 1000 });
    const point = fc.record({ x: n, y: n, z: n });
    const rod = fc.record({ butt: point, mouth: point, tip: point });
    fc.assert(
      fc.property(rod, rod, (a, b) => {
        const at = (r: typeof a, t: number): Point => ({
          x: r.mouth.x + t * (r.tip.x - r.mouth.x),
          y: r.mouth.y + t * (r.tip.y - r.mouth.y),
          z: r.mouth.z + t * (r.tip.z - r.mouth.z),
        });
        let least = Infinity;
        for (let i = 0; i <= 60; i++)
          for (let j = 0; j <= 60; j++) least = Math.min(least, distance(at(a, i / 60), at(b, j / 60)));
        const gap = betweenPieces({ from: a.mouth, to: a.tip }, { from: b.mouth, to: b.tip });
        return gap <= least + 1e-6 && gap >= least - 60;
      }),
      { seed: 46, numRuns: 60 },
    );
  });

  it('lean from the vertical by their own angle, on the deck and on the side alike', () => {
    const troll = part('rod-tube-troll');
    const of = (place: Parameters<typeof fitted>[1]) =>
      placeFitting(hull, 'r', fitted('rod-tube-troll', place, 'through'), troll, { rodLength: 2000 })?.rods[0];
    for (const place of [deck(2500, -300), { on: 'side' as const, side: 'port' as const, x: 2500, down: 60 }]) {
      const r = of(place);
      if (!r) return fail('no rod');
      expect(distance(r.butt, r.tip)).toBeCloseTo(2000, 6);
      expect(r.tip.z - r.butt.z).toBeCloseTo(2000 * Math.SQRT1_2, 6);
      expect(r.tip.y).toBeLessThan(r.butt.y);
    }
  });
});
