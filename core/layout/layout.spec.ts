import fc from 'fast-check';
import { SHOP, TOLVANE } from '../../demo/index';
import { fairHull } from '../boat/hull';
import { USUAL_BRIEF } from '../rig';
import { deck, fitted, track, partOf } from '@plain-cleat/testing/plans';
import { intrusion } from './stroke';
import { reachZones } from './reach';
import {
  BODY,
  type Body,
  bodyOverlap,
  frameOf,
  nudge,
  paddlers,
  placeFitting,
  planOverlap,
  snapPlace,
  strokeSpace,
  styleOf,
  toHull,
  toMark,
  turn,
} from './index';

const hull = fairHull(TOLVANE);
const part = partOf;
const box = (x: number, y: number, half: number, bottom = 0, top = 100): Body => ({
  name: 'box',
  bottom,
  top,
  outline: [
    [x - half, y - half],
    [x + half, y - half],
    [x + half, y + half],
    [x - half, y + half],
  ],
});

describe('frames', () => {
  it('are right-handed and unit, whatever the heading', () => {
    fc.assert(
      fc.property(fc.integer({ min: -360, max: 360 }), (heading) => {
        const f = frameOf(hull, deck(1500, 100, heading));
        if (!f) return false;
        const dot = f.u.x * f.v.x + f.u.y * f.v.y;
        const cross = f.u.x * f.v.y - f.u.y * f.v.x;
        return Math.abs(dot) < 1e-12 && Math.abs(cross - 1) < 1e-12 && f.w.z === 1;
      }),
      { seed: 20 },
    );
  });

  it('carry a point of the part to the hull', () => {
    const f = frameOf(hull, deck(1500, 100, 90));
    const p = f && toHull(f, 10, 0, 5);
    expect([p?.x, p?.y, p?.z].map((v) => Math.round(v ?? NaN))).toEqual([1500, 90, Math.round((f?.origin.z ?? 0) + 5)]);
  });

  it('of a side hang outward, down from the gunwale', () => {
    const f = frameOf(hull, { on: 'side', side: 'port', x: 1500, down: 50 });
    expect(f?.w.y).toBeLessThan(-0.9);
    expect(f?.v.z).toBeLessThan(-0.9);
    expect(f?.u.x).toBeGreaterThan(0.9);
    expect(f?.origin.z).toBeCloseTo(hull.gunwale(1500) - 50, 6);
    expect(f?.origin.y).toBeLessThan(0);
  });

  it('do not exist on tracks and inserts this hull lacks', () => {
    expect(frameOf(hull, track('nowhere', 100))).toBeUndefined();
    expect(frameOf(hull, { on: 'insert', insert: 'nowhere', heading: 0 })).toBeUndefined();
    expect(frameOf(hull, track('fwd-port', 3000))?.off).toBeTrue();
  });
});

describe('overlap', () => {
  it('of two squares is the shortest slide that parts them (closed form)', () => {
    expect(bodyOverlap(box(0, 0, 50), box(80, 0, 50))).toBeCloseTo(20, 9);
    expect(bodyOverlap(box(0, 0, 50), box(100, 0, 50))).toBe(0);
    expect(bodyOverlap(box(0, 0, 50), box(80, 90, 50))).toBeCloseTo(10, 9);
  });

  it('of a square and one turned by 45° touches at a corner', () => {
    const r = 50 * Math.SQRT2;
    const turned: Body['outline'] = [
      [r, 0],
      [0, r],
      [-r, 0],
      [0, -r],
    ];
    expect(
      planOverlap(
        box(0, 0, 50).outline,
        turned.map(([x, y]) => [x + 50 + r - 1, y] as const),
      ),
    ).toBeGreaterThan(0);
    expect(
      planOverlap(
        box(0, 0, 50).outline,
        turned.map(([x, y]) => [x + 50 + r + 1, y] as const),
      ),
    ).toBe(0);
  });

  it('needs the heights to overlap too', () => expect(bodyOverlap(box(0, 0, 50, 0, 100), box(0, 0, 50, 100, 200))).toBe(0));

  it('is the same seen from either, and sliding by it parts them (property)', () => {
    const xy = fc.double({ min: -120, max: 120, noNaN: true });
    fc.assert(
      fc.property(xy, xy, (x, y) => {
        const [a, b] = [box(0, 0, 60), box(x, y, 40)];
        const by = bodyOverlap(a, b);
        if (Math.abs(by - bodyOverlap(b, a)) > 1e-9) return false;
        const along = Math.abs(x) > Math.abs(y) ? [Math.sign(x) || 1, 0] : [0, Math.sign(y) || 1];
        return bodyOverlap(a, box(x + (along[0] ?? 0) * (by + 1e-6), y + (along[1] ?? 0) * (by + 1e-6), 40)) === 0;
      }),
      { seed: 21, numRuns: 300 },
    );
  });
});

describe('the stroke', () => {
  const [paddler] = paddlers(hull, USUAL_BRIEF);
  if (!paddler) throw new Error('nobody paddles');
  const space = strokeSpace(hull, paddler, SHOP.stroke, styleOf(USUAL_BRIEF, SHOP), 110);
  const on = (x: number, y: number, height: number): Body => ({
    ...box(x, y, 30),
    bottom: hull.gunwale(x),
    top: hull.gunwale(x) + height,
  });

  it('uses the published body fractions (Drillis & Contini 1966, from memory)', () => {
    // Shoulder 0.818 − hip 0.530, eye 0.936 − hip 0.530; grip 0.186 + 0.146 + 0.054.
    expect(BODY.shoulderOverHip).toBeCloseTo(0.818 - 0.53, 9);
    expect(BODY.eyeOverHip).toBeCloseTo(0.936 - 0.53, 9);
    expect(BODY.grip).toBeCloseTo(0.186 + 0.146 + 0.054, 9);
  });

  it('a tall tube ahead of the seat beside the paddler is in it, aft of the seat it is clear (common practice, no source)', () => {
    expect(intrusion(space, on(1600, 380, 300))).toBeDefined();
    expect(intrusion(space, on(2600, 330, 300))).toBeUndefined();
    expect(intrusion(space, on(300, 0, 100))).toBeUndefined();
  });

  it('is the same on both sides', () => {
    const [s, p] = [intrusion(space, on(1600, 380, 300)), intrusion(space, on(1600, -380, 300))];
    expect(s?.by).toBeCloseTo(p?.by ?? 0, -1.5);
  });

  it('says by how much: lowered or raised by that, it is clear', () => {
    const body = on(1500, 200, 250);
    const hit = intrusion(space, body);
    if (!hit) return;
    expect(intrusion(space, { ...body, top: body.top - hit.lower })).toBeUndefined();
    expect(intrusion(space, { ...body, bottom: body.bottom + hit.raise, top: body.top + hit.raise })).toBeUndefined();
  });

  it('of a taller paddler reaches further forward', () => {
    const [tall] = paddlers(hull, { ...USUAL_BRIEF, stature: 1950 });
    const forward = on(1190, 385, 300);
    expect(intrusion(space, forward)).toBeUndefined();
    expect(tall && intrusion(strokeSpace(hull, tall, SHOP.stroke, styleOf(USUAL_BRIEF, SHOP), 110), forward)).toBeDefined();
  });

  it('is checked at both seat heights when the seat is used low and high', () =>
    expect(paddlers(hull, { ...USUAL_BRIEF, seat: 'both' }).map((p) => p.seatZ)).toEqual([TOLVANE.seat.low, TOLVANE.seat.high]));

  it('reach zones join up along the boat', () => {
    const [leaning, hand, half] = reachZones(hull, USUAL_BRIEF);
    expect(leaning?.aft).toBe(hand?.fore);
    expect(hand?.aft).toBe(half?.fore);
  });
});

describe('snapping', () => {
  it('takes the nearest track a part can ride, else an insert, else the deck to the sixteenth', () => {
    expect(snapPlace(hull, part('rod-tube-raised'), { x: 2500.3, y: 300 }, 'imperial')).toEqual({
      on: 'track',
      track: 'aft-star',
      x: toMark(2500.3, 'imperial'),
      heading: 0,
    });
    expect(snapPlace(hull, part('mast-light'), { x: 1010, y: 10 }, 'imperial')).toEqual({
      on: 'insert',
      insert: 'ins-fore',
      heading: 0,
    });
    expect(snapPlace(hull, part('crate-open'), { x: 2500.3, y: 300 }, 'metric')).toEqual({
      on: 'deck',
      x: 2500,
      y: 300,
      heading: 0,
    });
    expect(snapPlace(hull, part('crate-open'), { x: 2500, y: 9 }, 'metric')).toEqual(jasmine.objectContaining({ y: 0 }));
  });

  it('never leaves the track', () => {
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 9000, noNaN: true }), (x) => {
        const place = snapPlace(hull, part('chart-board'), { x, y: 330 }, 'imperial');
        return (
          place.on !== 'track' || hull.model.tracks.some((t) => t.id === place.track && place.x >= t.fore && place.x <= t.aft)
        );
      }),
      { seed: 22 },
    );
    expect(nudge(hull, track('fwd-port', 1200), -500, 0)).toEqual(jasmine.objectContaining({ x: 1180 }));
  });

  it('nudges and turns', () => {
    expect(nudge(hull, deck(100, 5), 2, -3)).toEqual(deck(102, 2));
    expect(nudge(hull, { on: 'insert', insert: 'ins-fore', heading: 0 }, 10, 0)).toEqual(deck(1010, 0));
    expect(turn(deck(0, 0, 170), 15)).toEqual(deck(0, 0, -175));
    expect(nudge(hull, { on: 'side', side: 'starboard', x: 500, down: 20 }, 5, -10)).toEqual({
      on: 'side',
      side: 'starboard',
      x: 505,
      down: 30,
    });
  });

  it('a raised fitting stands on a post', () => {
    const placed = placeFitting(
      hull,
      'x',
      fitted('rod-tube-raised', deck(2700, 0), 'through', { lift: 200 }),
      part('rod-tube-raised'),
    );
    expect(placed?.bodies.map((b) => b.name)).toEqual(['rod tube', 'riser']);
  });
});
