import fc from 'fast-check';
import { fairHull, type Hazard, type HullModel, type HullSurface } from '../../boat/hull';
import { placeFitting, type Placed } from '../../layout';
import type { Fitting, Place, Plan } from '../../rig';
import { BOX_HOLD, BOX_HULL } from '@plain-cleat/testing/box-hull';
import { emptyPlan, fitted, inputOf, partOf } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { CATALOG, HULLS, SHOP, TOLVANE } from '../../../demo/index';
import { freeSlides, inHand, isInside, letsGoAt, roomsFor, slidesAmong, tipsAt, touchedOf, trespassOf, wayIn } from './index';

const hullOf = (more: Partial<HullModel> = {}) => fairHull({ ...BOX_HULL, ...more });
const inside = (x: number, y: number, heading = 0, lies?: 'on its side' | 'on its end'): Place => ({
  on: 'space',
  space: 'hold',
  x,
  y,
  heading,
  ...(lies ? { lies } : {}),
});
const put = (part: string, place: Place, hull = hullOf()): Placed =>
  placeFitting(hull, part, fitted(part, place, 'loose') as Fitting, partOf(part)) as Placed;
const roomIn = (hull = hullOf()) => {
  const room = hull.rooms.get('hold');
  if (!room) throw new Error('no hold');
  return room;
};
const extent = ({ bodies }: Placed): string => {
  const body = bodies[0];
  const xs = body?.outline.map(([x]) => x) ?? [];
  const ys = body?.outline.map(([, y]) => y) ?? [];
  const r = Math.round;
  return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys), body?.bottom ?? 0, body?.top ?? 0].map(r).join(' ');
};

describe('a thing on the floor of a hold', () => {
  it('stands on the floor, about the place it is given', () => {
    // 195 × 130 × 165.
    expect(extent(put('battery-30', inside(1500, 40)))).toBe('1403 1598 -25 105 10 175');
    expect(extent(put('battery-30', inside(1500, 40, 90)))).toBe('1435 1565 -58 138 10 175');
    expect(isInside(put('battery-30', inside(1500, 0)))).toBeTrue();
  });

  it('is laid on its side and on its end', () => {
    expect(extent(put('battery-30', inside(1500, 40, 0, 'on its side')))).toBe('1403 1598 -42 123 10 140');
    expect(extent(put('battery-30', inside(1500, 40, 0, 'on its end')))).toBe('1418 1583 -25 105 10 205');
    expect(extent(put('battery-30', inside(1500, 40, 90, 'on its end')))).toBe('1435 1565 -43 123 10 205');
  });

  it('keeps its size and stays level on the floor, however it is turned and laid', () => {
    const hull = fairHull(TOLVANE);
    fc.assert(
      fc.property(
        fc.integer({ min: -180, max: 180 }),
        fc.constantFrom(undefined, 'on its side' as const, 'on its end' as const),
        (heading, lies) => {
          const place: Place = { on: 'space', space: 'bow-hold', x: 640, y: 10, heading, lies };
          const { bodies } = put('battery-18', place, hull);
          const [body] = bodies;
          const half = body?.box?.half ?? [0, 0, 0];
          const floor = hull.rooms.get('bow-hold')?.floor(640, 0) ?? 0;
          return Math.abs(8 * half[0] * half[1] * half[2] - 180 * 80 * 170) < 1 && (body?.bottom ?? 0) >= floor - 0.01;
        },
      ),
      { seed: 14, numRuns: 60 },
    );
  });
});

describe('what it stands into', () => {
  const by = (part: string, place: Place, hull = hullOf()) => {
    const { bodies } = put(part, place, hull);
    const found = trespassOf(hull, roomIn(hull), bodies);
    return found && `${found.into} ${Math.round(found.by)}`;
  };

  it('is nothing in the middle of a hold, and up to its walls', () => {
    expect(by('battery-30', inside(1500, 0))).toBeNull();
    expect(by('battery-30', inside(1098, 0))).toBeNull();
    expect(by('battery-30', inside(1500, 324.5))).toBeNull();
  });

  it('is the end of the hold, the side of the hull, the deck', () => {
    expect(by('battery-30', inside(1090, 0))).toBe('the end of the hold 8');
    expect(by('battery-30', inside(1500, 335))).toBe('the hull itself 10');
    expect(by('crate-tight', inside(1500, 0))).toBe('the deck over it 20');
  });

  it('is a part turned 30° whose corner is in the side', () => {
    // Half its breadth along y: 97.5 sin 30° + 65 cos 30° = 105.
    expect(by('battery-30', inside(1500, 284, 30))).toBeNull();
    expect(by('battery-30', inside(1500, 290, 30))).toBe('the hull itself 5');
  });

  it('is foam and a tube, where they are', () => {
    const foam: Hazard = {
      id: 'foam',
      name: 'fore foam',
      kind: 'foam',
      shape: 'box',
      from: { x: 1570, y: -50, z: 0 },
      to: { x: 1800, y: 50, z: 200 },
    };
    const tube: Hazard = {
      id: 'tube',
      name: 'rudder tube',
      kind: 'rudder tube',
      shape: 'tube',
      path: [
        { x: 1000, y: 80, z: 100 },
        { x: 2000, y: 80, z: 100 },
      ],
      radius: 8,
    };
    expect(by('battery-30', inside(1500, 0), hullOf({ hazards: [foam] }))).toBe('fore foam 28');
    expect(by('battery-30', inside(1470, 0), hullOf({ hazards: [foam] }))).toBeNull();
    expect(by('battery-30', inside(1500, 8), hullOf({ hazards: [tube] }))).toBe('rudder tube 1');
    expect(by('battery-30', inside(1500, 6), hullOf({ hazards: [tube] }))).toBeNull();
  });

  it('is said of whatever a brute force over its whole surface finds, and of nothing else', () => {
    const tube: Hazard = {
      id: 'tube',
      name: 'tube',
      kind: 'cable',
      shape: 'tube',
      path: [
        { x: 1000, y: 150, z: 60 },
        { x: 2000, y: -100, z: 220 },
      ],
      radius: 10,
    };
    const hull = hullOf({ hazards: [tube], sections: 'ellipse' });
    fc.assert(
      fc.property(
        fc.integer({ min: 1050, max: 1950 }),
        fc.integer({ min: -330, max: 330 }),
        fc.integer({ min: 0, max: 90 }),
        (x, y, heading) => {
          const { bodies } = put('battery-18', inside(x, y, heading), hull);
          const box = bodies[0]?.box;
          if (!box) return false;
          let deep = 0;
          const N = 24;
          for (let i = 0; i <= N; i++)
            for (let j = 0; j <= N; j++)
              for (let k = 0; k <= N; k++) {
                const at = [i, j, k].map((n, d) => (2 * (n / N) - 1) * (box.half[d] ?? 0));
                const p = (['x', 'y', 'z'] as const).map(
                  (c) =>
                    box.middle[c] + (at[0] ?? 0) * box.axes[0][c] + (at[1] ?? 0) * box.axes[1][c] + (at[2] ?? 0) * box.axes[2][c],
                );
                const [px = 0, py = 0, pz = 0] = p;
                // An ellipse of 400 by 300 about its gunwale, less the wall along its normal, roughly.
                const outside = Math.hypot(py / 390, (300 - pz) / 290) - 1;
                const t = Math.min(
                  1,
                  Math.max(0, ((px - 1000) * 1000 + (py - 150) * -250 + (pz - 60) * 160) / (1000 ** 2 + 250 ** 2 + 160 ** 2)),
                );
                const away = Math.hypot(px - 1000 - 1000 * t, py - 150 + 250 * t, pz - 60 - 160 * t);
                deep = Math.max(deep, 290 * outside, 10 - away, pz - 290, 1000 - px, px - 2000);
              }
          const found = trespassOf(hull, roomIn(hull), bodies)?.by ?? 0;
          return deep > 3 ? found > 0 : deep < -1 ? found < 6 : true;
        },
      ),
      { seed: 14, numRuns: 60 },
    );
  });
});

describe('its way in', () => {
  const into = (part: string, more: Partial<HullModel> = {}) => {
    const hull = hullOf(more);
    return wayIn(hull, roomIn(hull), partOf(part).body);
  };

  it('is by the opening that leaves most room, on the end that is easiest', () => {
    const way = into('battery-30');
    expect(way?.hatch.id).toBe('lid');
    // 300 × 200: on its longest side the other two are 165 and 130: 35 and 70 to spare, turned a little more.
    expect(way?.margin).toBeGreaterThan(35);
    expect(way?.tilted).toBeFalse();
  });

  it('is none for a crate, by so much, and open where the room stands open', () => {
    expect(into('crate-open')?.margin).toBeLessThan(-70);
    expect(into('crate-open', { spaces: [{ ...BOX_HOLD, hatches: [] }] })).toBeNull();
  });

  it('a motor battery does not pass a port of 6 in, and does a hatch of 13 × 10', () => {
    const hatch = (long: number, wide: number, shape: 'circle' | 'rectangle'): Partial<HullModel> => ({
      hatches: [
        {
          id: 'lid',
          name: 'lid',
          fore: 1500 - long / 2,
          aft: 1500 + long / 2,
          port: -wide / 2,
          starboard: wide / 2,
          height: 300,
          opens: Math.min(long, wide),
          shape,
        },
      ],
    });
    expect(into('battery-80', hatch(152.4, 152.4, 'circle'))?.margin).toBeLessThan(0);
    expect(into('battery-80', hatch(330.2, 254, 'rectangle'))?.margin).toBeGreaterThan(0);
  });
});

/** Where a loose thing goes in the hold, among others. */
const slidesOf = (hull: HullSurface, placed: Placed, others: readonly Placed[], limits: Parameters<typeof freeSlides>[3]) =>
  slidesAmong(freeSlides(hull, roomIn(hull), placed, limits), others);

describe('what lies loose', () => {
  const { limits } = SHOP;

  it('lets go at the angle of its friction: 0.3 at 16.7°', () => expect(letsGoAt(0.3)).toBeCloseTo(16.699, 3));

  it('slides to the ends and sides of the hold, and stays where the tilt is less than friction bears', () => {
    const hull = hullOf();
    const slides = slidesOf(hull, put('battery-30', inside(1500, 0), hull), [], limits);
    expect(slides.map((s) => `${s.way} ${s.far} ${s.against}`)).toEqual([
      'forward 400 the end of the hold',
      'aft 400 the end of the hold',
      'to port 320 the hull itself',
      'to starboard 320 the hull itself',
    ]);
    expect(slidesOf(hull, put('battery-30', inside(1500, 0), hull), [], { pitch: 16.6, heel: 16.6, slip: 0.3 })).toEqual([]);
    expect(slidesOf(hull, put('battery-30', inside(1500, 0), hull), [], { pitch: 16.8, heel: 16.6, slip: 0.3 }).length).toBe(2);
  });

  it('is stopped by what stands beside it', () => {
    const hull = hullOf();
    const [first] = slidesOf(hull, put('battery-30', inside(1500, 0), hull), [put('battery-18', inside(1300, 0), hull)], limits);
    expect(first?.way).toBe('aft');
    const forward = slidesOf(
      hull,
      put('battery-30', inside(1500, 0), hull),
      [put('battery-18', inside(1300, 0), hull)],
      limits,
    ).find((s) => s.way === 'forward');
    expect([forward?.far, forward?.against]).toEqual([10, 'Battery 18 Ah, lithium']);
  });

  it('tips when its weight leaves its base: a block of 80 × 180 standing 170 high at 25.2° and more', () => {
    const block = put('battery-18', inside(1500, 0));
    // atan(80 / 170) = 25.2°, atan(180 / 170) = 46.6°.
    expect([25.1, 25.3].map((tilt) => tipsAt(block, tilt, 'y'))).toEqual([false, true]);
    expect([46.5, 46.7].map((tilt) => tipsAt(block, tilt, 'x'))).toEqual([false, true]);
  });
});

describe('the hand that reaches it', () => {
  it('goes by the hatch of its room to its plug, and not to the far end of the hold', () => {
    const hull = hullOf();
    const near = put('battery-30', inside(1550, 0), hull);
    const { what, at } = touchedOf(near);
    expect([what, at.x, at.y, Math.round(at.z)]).toEqual(['plug', 1472.5, 0, 175]);
    const room = roomIn(hull);
    expect(inHand(hull, room, near, 1750).access?.hatch).toBe('lid');
    const far = put('battery-30', inside(1900, 320, 180), hull);
    expect(inHand(hull, room, far, 1000).access).toBeNull();
    expect(inHand(hull, room, far, 1000).blocked).not.toBeNull();
  });
});

describe('what is offered', () => {
  const inside = CATALOG.parts.filter((p) => p.inside);
  const JUDGED = ['stands-into', 'does-not-pass', 'out-of-hand', 'gets-wet', 'off-hull', 'overlap', 'cannot-hold'];

  for (const model of HULLS)
    it(`on the ${model.name} passes every judgement, beside what stands there already`, () => {
      const hull = fairHull(model);
      for (const part of inside) {
        const fittings: Plan['fittings'] = {};
        const others: Placed[] = [];
        // The same again, as long as there is a place for it.
        for (let n = 0; n < 3; n++) {
          const [offer] = roomsFor(hull, part, { plan: emptyPlan(model), shop: SHOP, others });
          if (!offer) break;
          fittings[`p${n}`] = fitted(part.id, offer.place, 'loose');
          others.push(placeFitting(hull, `p${n}`, fittings[`p${n}`] as Fitting, part) as Placed);
        }
        const found = workUp(inputOf(fittings, {}, [], model)).findings.filter((f) => JUDGED.includes(f.code));
        expect(found.map((f) => `${part.id}: ${tell(f.says, 'metric')}`)).toEqual([]);
      }
    });

  it('is nothing where no room takes it: a crate under the round lid of a tank well', () => {
    const hull = fairHull(TOLVANE);
    const rooms = roomsFor(hull, partOf('crate-tight'), { plan: emptyPlan(), shop: SHOP, others: [] }).map(
      (o) => o.room.space.id,
    );
    expect(rooms).not.toContain('stern-hold');
  });
});
