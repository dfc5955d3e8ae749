import { boxBody as box } from '../../testing/box-body';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { SHOP, TOLVANE, SARROCK } from '../../demo/index';
import { fairHull } from '../boat/hull';
import { USUAL_BRIEF, type Brief } from '../rig';
import { type Point } from '../base/units';
import { headroom } from './stroke';
import {
  azimuthOf,
  BODY,
  type Body,
  castSpaces,
  hiddenSectors,
  paddlers,
  reachOf,
  shadowOf,
  shoulderOf,
  snag,
  strokeDrawing,
  strokeSpace,
  styleOf,
} from './index';

const hull = fairHull(TOLVANE);
describe('reach', () => {
  const [p] = paddlers(hull, { ...USUAL_BRIEF, stature: 1800 });
  if (!p) throw new Error('nobody');
  const shoulder = shoulderOf(p, 'starboard');

  it('is a closed grip of 0.386 of stature about each shoulder (Drillis & Contini 1966, from memory)', () => {
    const arm = 0.386 * 1800;
    expect(reachOf(p, { ...shoulder, x: shoulder.x - arm + 1 }).zone).toBe('at hand');
    expect(reachOf(p, { ...shoulder, x: shoulder.x - arm - 1 }).beyond).toBeCloseTo(1, 6);
    expect(shoulder.z - p.seatZ).toBeCloseTo((0.05 + 0.288) * 1800, 6);
  });

  it('leaning 30° forward wins the sine of it in trunk; behind the shoulder is half turn at best', () => {
    const gained = Math.sin(Math.PI / 6) * BODY.shoulderOverHip * 1800;
    const drop = shoulder.z - BODY.shoulderOverHip * 1800 * (1 - Math.cos(Math.PI / 6));
    const at = (x: number): Point => ({ x: shoulder.x - x, y: shoulder.y, z: drop });
    expect(reachOf(p, at(BODY.grip * 1800 + gained - 2)).zone).toBe('half turn');
    expect(reachOf(p, at(BODY.grip * 1800 + gained + 2)).zone).toBe('out of reach');
    expect(reachOf(p, { x: shoulder.x + 200, y: shoulder.y, z: shoulder.z - 100 }).zone).toBe('half turn');
  });

  it('of a taller paddler is never less (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1000, max: 3000 }),
        fc.integer({ min: -400, max: 400 }),
        fc.integer({ min: 200, max: 900 }),
        (x, y, z) => {
          const beyond = [1600, 1900].map((stature) => {
            const [one] = paddlers(hull, { ...USUAL_BRIEF, stature });
            return one ? reachOf(one, { x, y, z: z + 0.338 * (stature - 1600) }).beyond : NaN;
          });
          return (beyond[1] ?? 0) <= (beyond[0] ?? 0) + 60;
        },
      ),
      { seed: 41 },
    );
  });
});

describe('headroom under the stroke', () => {
  it('is drawn in the docs from the very space the judgement uses (npm run drawings)', () => {
    const drawn = readFileSync(new URL('../../docs/stroke.svg', import.meta.url), 'utf8');
    expect(drawn).toBe(strokeDrawing(hull, USUAL_BRIEF, SHOP, 100));
  });

  it('is lowest at the gunwale beside the hip, and none is asked for aft', () => {
    const [p] = paddlers(hull, USUAL_BRIEF);
    const space = p && strokeSpace(hull, p, SHOP.stroke, styleOf(USUAL_BRIEF, SHOP), 110);
    if (!space) return fail('no stroke');
    const side = headroom(space, 1700, 400) ?? NaN;
    const middle = headroom(space, 1700, 0) ?? Infinity;
    expect(side).toBeLessThan(middle);
    expect(side).toBeGreaterThan(hull.gunwale(1700));
    expect(headroom(space, 2900, 0)).toBeUndefined();
  });

  it('of a high stroke is nowhere less over the lap than of a low one, and somewhere more', () => {
    const of = (stroke: 'low' | 'high'): number[] => {
      const brief = { ...USUAL_BRIEF, stroke };
      const [p] = paddlers(hull, brief);
      const space = p && strokeSpace(hull, p, SHOP.stroke, styleOf(brief, SHOP), 110);
      return [1450, 1550, 1700].flatMap((x) => [-150, 0, 150].map((y) => (space && headroom(space, x, y)) ?? 2000));
    };
    const [low, high] = [of('low'), of('high')];
    expect(high.every((h, i) => h >= (low[i] ?? 0) - 1)).toBeTrue();
    expect(high.some((h, i) => h > (low[i] ?? 0) + 10)).toBeTrue();
  });
});

describe('casts', () => {
  const spaces = castSpaces(hull, { ...USUAL_BRIEF, cast: 'both', castHand: 'right' }, SHOP);
  const at = (azimuth: number, far: number, over: number): Body => {
    const p = spaces[0]?.pivot ?? { x: 0, y: 0, z: 0 };
    const a = (azimuth * Math.PI) / 180;
    const [x, y] = [p.x - far * Math.cos(a), p.y + far * Math.sin(a)];
    return box(x - 5, x + 5, y - 5, y + 5, p.z + over - 5, p.z + over + 5);
  };
  const hit = (style: string, b: Body): boolean => spaces.some((s) => s.style === style && snag(s, [b], []) !== undefined);

  it('sidearm goes from ahead of abeam to 30° short of dead astern on the casting side, low', () => {
    expect([55, 65, 120, 148, 153, 180].map((a) => hit('sidearm', at(a, 1500, 50)))).toEqual([
      false,
      true,
      true,
      true,
      false,
      false,
    ]);
    expect(hit('sidearm', at(-120, 1500, 50))).toBeFalse();
    expect(hit('sidearm', at(120, 1500, 1200))).toBeFalse();
    expect(hit('sidearm', at(120, 3000, 50))).toBeFalse();
  });

  it('overhead is a narrow fan over the stern, high', () => {
    expect(hit('overhead', at(180, 800, 900))).toBeTrue();
    expect(hit('overhead', at(150, 800, 900))).toBeFalse();
    expect(hit('overhead', at(180, 800, 200))).toBeFalse();
  });

  it('there are none for who does not cast, and one a posture for who also stands', () => {
    expect(castSpaces(hull, USUAL_BRIEF, SHOP)).toEqual([]);
    expect(castSpaces(hull, { ...USUAL_BRIEF, cast: 'sidearm', stands: 'both' }, SHOP).length).toBe(2);
  });

  it('in a tandem both cast, each from their seat and to their side, and from either height of it', () => {
    const second = { stature: 1640, weightKg: 61, castHand: 'left' } as const;
    const of = (more: Partial<Brief>) =>
      castSpaces(fairHull(SARROCK), { ...USUAL_BRIEF, cast: 'sidearm', castHand: 'right', second, ...more }, SHOP).map(
        ({ pivot, side }) => [pivot.x, pivot.y, pivot.z].map((v) => v.toFixed(3)).join() + side,
      );
    // Half the shoulders 0.129 of the stature, 0.05 + 0.288 over the seat.
    const at = (stature: number, x: number, z: number, side: 1 | -1) =>
      [x, side * 0.129 * stature, z + 0.338 * stature].map((v) => v.toFixed(3)).join() + (side > 0 ? 'starboard' : 'port');
    const { stature } = USUAL_BRIEF;
    expect(of({ seat: 'low' })).toEqual([at(stature, 1980, 215, 1), at(1640, 3040, 215, -1)]);
    expect(of({ seat: 'both' }).length).toBe(4);
  });
});

describe('sight', () => {
  const from: Point = { x: 1000, y: 0, z: 500 };

  it('azimuths run from right ahead to starboard', () => {
    expect(azimuthOf(from, 0, 0)).toBe(0);
    expect(azimuthOf(from, 1000, 500)).toBe(90);
    expect(Math.abs(azimuthOf(from, 2000, 0))).toBe(180);
    expect(azimuthOf(from, 1000, -500)).toBe(-90);
  });

  it('a mast of width w at distance d hides 2·atan(w/2d) (closed form)', () => {
    const s = shadowOf(from, box(1990, 2010, -50, 50, 0, 900), 'x');
    expect((s?.to ?? 0) - (s?.from ?? 0)).toBeCloseTo((2 * Math.atan(50 / 990) * 180) / Math.PI, 6);
    expect(shadowOf(from, box(1990, 2010, -50, 50, 0, 380), 'x')).toBeUndefined();
    expect(shadowOf(from, box(1990, 2010, -50, 50, 0, 420), 'x')).toBeDefined();
  });

  it('shadows that touch are one sector, also across dead astern; the widest counts, not the sum', () => {
    const s = (a: number, b: number) => ({ from: a, to: b, by: 'x' });
    expect(hiddenSectors([s(10, 14), s(14, 17), s(40, 44)])[0]).toEqual({ from: 10, to: 17, by: ['x'] });
    const seam = hiddenSectors([s(175, 182), s(-178, -170)])[0];
    expect((seam?.to ?? 0) - (seam?.from ?? 0)).toBeCloseTo(15, 9);
    expect(hiddenSectors([s(-120, -100), s(-5, 5)], { from: -112.5, to: 0 }).map((h) => h.to - h.from)).toEqual([12.5, 5]);
    expect(hiddenSectors([])).toEqual([]);
  });
});
