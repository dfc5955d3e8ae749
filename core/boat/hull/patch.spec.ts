import { TOLVANE } from '../../../demo/index';
import { distance, type Point } from '../../base/units';
import { alongSurface } from './patch';
import {
  deckPatch,
  distanceOver,
  downOfGirth,
  fairHull,
  girthDown,
  overSurface,
  sidePatch,
  tangentsAt,
  type Patch,
} from './index';

const unit = (p: Point): Point => {
  const l = Math.hypot(p.x, p.y, p.z);
  return { x: p.x / l, y: p.y / l, z: p.z / l };
};
/** A cylinder along x and a sphere, both of one radius about the origin, as patches. */
const R = 300;
const cylinder: Patch = {
  name: 'cylinder',
  off: (p) => Math.hypot(p.y, p.z) - R,
  onto: (p) => ({ x: p.x, y: (p.y * R) / Math.hypot(p.y, p.z), z: (p.z * R) / Math.hypot(p.y, p.z) }),
  normal: (p) => unit({ x: 0, y: p.y, z: p.z }),
};
const sphere: Patch = {
  name: 'sphere',
  off: (p) => Math.hypot(p.x, p.y, p.z) - R,
  onto: (p) => {
    const u = unit(p);
    return { x: u.x * R, y: u.y * R, z: u.z * R };
  },
  normal: unit,
};
const onCylinder = (x: number, round: number): Point => ({ x, y: R * Math.sin(round / R), z: R * Math.cos(round / R) });

describe('a patch of surface', () => {
  it('a string on a cylinder is a helix: its length is that of the unrolled sheet', () => {
    for (const [dx, round] of [
      [100, 0],
      [0, 120],
      [90, 140],
      [-60, 200],
    ] as const)
      expect(distanceOver(cylinder, onCylinder(0, 0), onCylinder(dx, round))).toBeCloseTo(Math.hypot(dx, round), 2);
  });

  it('a string on a sphere is a great circle', () => {
    const a = { x: 0, y: 0, z: R };
    for (const angle of [0.1, 0.4, 0.8]) {
      const b = { x: R * Math.sin(angle) * 0.6, y: R * Math.sin(angle) * 0.8, z: R * Math.cos(angle) };
      expect(distanceOver(sphere, a, b)).toBeCloseTo(R * angle, 2);
      const way = overSurface(sphere, a, b);
      expect(way.y / way.x).toBeCloseTo(0.8 / 0.6, 6);
    }
  });

  it('the way over the surface leads back along it', () => {
    const hull = fairHull(TOLVANE);
    const side = sidePatch(hull, 'port');
    const from = hull.sidePoint(1200, 'port', 60);
    const to = hull.sidePoint(1330, 'port', 110);
    const end = alongSurface(side, from, overSurface(side, from, to));
    expect(distance(end, to)).toBeLessThan(1e-4);
    const over = distanceOver(side, from, to);
    expect(over).toBeGreaterThanOrEqual(distance(from, to) - 1e-3);
    expect(over).toBeCloseTo(distanceOver(side, to, from), 2);
  });

  it('a sloping deck is one plane: over it is straight, and its tangents lie in it', () => {
    const hull = fairHull(TOLVANE);
    const patch = deckPatch(hull, 600, 0);
    const [a, b] = [patch.onto({ x: 560, y: 0, z: 0 }), patch.onto({ x: 690, y: 55, z: 0 })];
    expect(distanceOver(patch, a, b)).toBeCloseTo(distance(a, b), 6);
    const { aft, across, normal } = tangentsAt(patch, a);
    expect(patch.off({ x: a.x + 100 * aft.x, y: a.y + 100 * aft.y, z: a.z + 100 * aft.z })).toBeCloseTo(0, 9);
    expect([across.y, normal.z].every((v) => v > 0.9)).toBeTrue();
  });

  it('down is down on both sides, out is out', () => {
    const hull = fairHull(TOLVANE);
    for (const [side, sign] of [
      ['port', -1],
      ['starboard', 1],
    ] as const) {
      const { aft, across, normal } = tangentsAt(sidePatch(hull, side), hull.sidePoint(900, side, 50));
      expect(across.z).toBeLessThan(-0.8);
      expect(normal.y * sign).toBeGreaterThan(0.5);
      expect(aft.x).toBeGreaterThan(0.8);
    }
  });

  it('says when nothing flat can be made of it', () => {
    const broken: Patch = { ...sphere, off: (p) => Math.hypot(p.x, p.y, p.z) - R + 40 * Math.sin(p.x * 3) };
    expect(() => overSurface(broken, { x: 0, y: 0, z: R }, { x: 80, y: 10, z: 280 })).toThrowError(RangeError);
  });
});

describe('a tape laid down the side', () => {
  const hull = fairHull(TOLVANE);
  it('reads the length of the section curve: as a fine polyline says, and its inverse comes back', () => {
    for (const [x, down] of [
      [400, 80],
      [1500, 60],
      [2900, 140],
    ] as const) {
      const g = hull.gunwale(x);
      let sum = 0;
      for (let i = 0; i < 4000; i++) {
        const [z, w] = [g - (down * i) / 4000, g - (down * (i + 1)) / 4000];
        sum += Math.hypot(hull.halfWidth(x, z) - hull.halfWidth(x, w), z - w);
      }
      expect(girthDown(hull, x, down)).toBeCloseTo(sum, 3);
      expect(downOfGirth(hull, x, girthDown(hull, x, down))).toBeCloseTo(down, 6);
    }
    expect(girthDown(hull, 1500, 0)).toBe(0);
  });
});
