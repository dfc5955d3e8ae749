import fc from 'fast-check';
import { CATALOG, ORRISK, SARROCK } from '../../demo/index';
import { eyeOf, seatForLegs, shoulderOf, trunkOf } from './index';
import { seated } from '../boat/hull';
import { briefIn, handednessOf, type Brief, type Fitting } from '../rig';
import { deck, fitted, inputOf, partOf, partWith, track } from '@plain-cleat/testing/plans';
import { tell } from '../base/units';
import { workUp, type Workup } from '../workup';
import { runs } from '../../testing/runs';

/** A cushion of 75 mm that weighs nothing and stands in nobody's way. */
const CUSHION = {
  ...partWith(partOf('seat-raised'), {
    body: { massKg: 0, raises: 75, solids: [{ name: 'cushion', u: [-5, 5], v: [-5, 5], w: [0, 1] }] },
  }),
  id: 'cushion',
};
const catalog = { ...CATALOG, parts: [...CATALOG.parts, CUSHION] };
const OTHERS: Record<string, Fitting> = {
  sounder: fitted('sounder-arm-7', track('fwd-port', 1600), 'track'),
  tube: fitted('rod-tube-raised', deck(1250, 150), 'through'),
  light: fitted('mast-light', track('aft-star', 2900), 'track'),
};
const work = (fittings: Record<string, Fitting>, brief: Partial<Brief> = {}, hull = ORRISK): Workup => {
  const input = inputOf(fittings, {}, [], hull);
  return workUp({ ...input, catalog, plan: { ...input.plan, brief: { ...input.plan.brief, ...brief } } });
};
/** What is judged of the body, in words. */
const judged = (w: Workup): string[] =>
  w.findings
    .filter(
      (f) =>
        f.where !== 'cushion' && ['paddle-stroke', 'reach', 'light-hidden', 'knuckles', 'legs', 'lens-path'].includes(f.code),
    )
    .map((f) => `${f.key} ${tell(f.says, 'metric')}`);
const CASTS: Partial<Brief> = { cast: 'both', stands: 'sits' };

describe('how one sits', () => {
  it('a cushion of 75 mm does to stroke, sight and reach what a hull drawn with its seat 75 mm higher does', () => {
    const higher = { ...ORRISK, seat: { ...ORRISK.seat, low: ORRISK.seat.low + 75, high: ORRISK.seat.high + 75 } };
    const on = work({ ...OTHERS, cushion: fitted('cushion', deck(2280), 'loose') }, CASTS);
    const drawn = work(OTHERS, CASTS, higher);
    const bare = work(OTHERS, CASTS);
    expect(on.seats.whole.paddlers).toEqual(drawn.seats.whole.paddlers);
    expect(on.seats.whole.paddlers.map((p) => p.seatZ)).toEqual(bare.seats.whole.paddlers.map((p) => p.seatZ + 75));
    expect(judged(on)).toEqual(judged(drawn));
    expect(judged(on)).not.toEqual(judged(bare));
    // The weight of whoever sits there goes up too.
    expect(on.weight.float.centre.z).toBeCloseTo(drawn.weight.float.centre.z, 6);
    expect(on.weight.float.centre.z).toBeGreaterThan(bare.weight.float.centre.z + 30);
  });

  it('typed it is the same as by a cushion, and both add up', () => {
    const both = work({ cushion: fitted('cushion', deck(2280), 'loose') }, { raise: 25 });
    expect(both.seats.whole.paddlers[0]?.seatZ).toBe(ORRISK.seat.low + 100);
  });

  it('one that is left unused, taken off, or aboard in some sets alone raises nobody', () => {
    const z = (more: Partial<Fitting>, sets = {}): number | undefined => {
      const input = inputOf({ cushion: fitted('cushion', deck(2280), 'loose', more) }, { sets }, [], ORRISK);
      return workUp({ ...input, catalog }).seats.whole.paddlers[0]?.seatZ;
    };
    const aboard = { from: 'found' as const, place: deck(2280), hold: 'loose' as const };
    expect(z({ aboard })).toBe(ORRISK.seat.low + 75);
    expect(z({ aboard, becomes: { is: 'left' } })).toBe(ORRISK.seat.low);
    expect(z({ aboard, becomes: { is: 'removed' } })).toBe(ORRISK.seat.low);
    expect(z({ sets: ['a'] }, { a: { name: 'a', order: 1 } })).toBe(ORRISK.seat.low);
  });

  it('in a tandem it raises whose seat it is nearest', () => {
    const second = { stature: 1600, weightKg: 55 };
    const seats = (x: number): number[] =>
      work({ cushion: fitted('cushion', deck(x), 'loose') }, { second }, SARROCK).seats.whole.paddlers.map((p) => p.seatZ);
    const { seat, secondSeat } = SARROCK;
    expect(seats(2000)).toEqual([seat.low + 75, secondSeat?.low ?? 0]);
    expect(seats(3000)).toEqual([seat.low, (secondSeat?.low ?? 0) + 75]);
  });

  it('a seat set aft takes its sitter along, its weight and its reach; beyond its slide it is said by how much', () => {
    const bare = work(OTHERS);
    const aft = work(OTHERS, { seatAt: 2330 });
    expect(aft.seats.whole.paddlers[0]?.seatX).toBe(2330);
    // 80 kg moved 50 mm, of all that floats.
    const moved = aft.weight.float.centre.x - bare.weight.float.centre.x;
    expect(moved).toBeCloseTo((50 * 80) / bare.weight.totalKg, 6);
    expect(aft.findings.some((f) => f.code === 'seat-place')).toBeFalse();
    const off = work(OTHERS, { seatAt: 2340.6 }).findings.find((f) => f.code === 'seat-place');
    expect([off?.severity, tell(off?.says ?? [], 'metric')]).toEqual(['stop', 'The seat is set 1 mm beyond where it slides.']);
  });

  it('pegs that are set fit these legs or do not, whatever others they could be set to', () => {
    const at = (feetAt: number | null): boolean => work({}, { feetAt, seatAt: 2280 }).findings.some((f) => f.code === 'legs');
    expect(at(null)).toBeFalse();
    // Hip to sole is 0.53 of 1750 mm; bent it is 742 to 900.
    expect(at(2280 - 820)).toBeFalse();
    expect(at(2280 - 960)).toBeTrue();
    expect(at(2280 - 670)).toBeTrue();
  });

  it('the places of a seat that fit these legs are those where they find the pegs, and no others', () => {
    const feet = { kind: 'pegs' as const, fore: 1300, aft: 1500 };
    const hull = { ...ORRISK, feet, seat: { ...ORRISK.seat, slide: { fore: 1900, aft: 2600 } } };
    for (const stature of [1450, 1750, 1950]) {
      const fits = seatForLegs(stature, hull);
      const [least, most] = [0.53 * stature * 0.8, 0.53 * stature * 0.97];
      for (let x = 1900; x <= 2600; x += 10) {
        // Some peg place is no nearer than a bent leg and no farther than a long one.
        const some = Array.from({ length: 201 }, (_, i) => x - (1300 + i)).some((far) => far >= least && far <= most);
        expect(fits !== null && x >= fits.fore && x <= fits.aft)
          .withContext(`${stature} at ${x}`)
          .toBe(some);
      }
    }
    expect(seatForLegs(1200, { ...hull, seat: { ...hull.seat, slide: { fore: 2500, aft: 2600 } } })).toBeNull();
  });

  it('a back that leans takes shoulders and eyes aft and down with it, and the weight of the trunk', () => {
    const upright = work(OTHERS).seats.whole.paddlers[0];
    const leaning = work(OTHERS, { recline: 30 });
    const [p] = leaning.seats.whole.paddlers;
    if (!p || !upright) return fail('nobody sits there');
    const [from, to] = [shoulderOf(upright, 'port'), shoulderOf(p, 'port')];
    // 0.288 of 1750 mm from hip to shoulder, thirty degrees off upright.
    expect(to.x - from.x).toBeCloseTo(504 * 0.5, 6);
    expect(from.z - to.z).toBeCloseTo(504 * (1 - Math.sqrt(3) / 2), 6);
    expect(eyeOf(p).x - eyeOf(upright).x).toBeCloseTo(0.406 * 1750 * 0.5, 6);
    expect(leaning.weight.float.centre.x).toBeGreaterThan(work(OTHERS).weight.float.centre.x);
    const trunk = trunkOf(p).outline.map(([x]) => x);
    expect(Math.max(...trunk)).toBeGreaterThan(eyeOf(p).x);
    expect(Math.min(...trunk)).toBeLessThan(p.seatX);
  });

  it('a set that sits otherwise is judged as a rig of its own would be, whoever sits there and however (random)', () => {
    const own = new Set([
      'paddle-stroke',
      'paddle-short',
      'reach',
      'knuckles',
      'legs',
      'seat-place',
      'second-seat',
      'strokes-meet',
    ]);
    const told = (w: Workup): string[] =>
      w.findings
        .filter((f) => own.has(f.code) || f.code === 'light-hidden' || f.code === 'stern-heavy' || f.code === 'overloaded')
        .map((f) => `${f.key} ${f.severity} ${tell(f.says, 'metric')}`)
        .sort();
    const body = fc.record({ stature: fc.integer({ min: 1450, max: 2000 }), weightKg: fc.integer({ min: 45, max: 120 }) });
    const how = fc.record(
      {
        at: fc.integer({ min: 2200, max: 2360 }),
        raise: fc.integer({ min: 0, max: 150 }),
        recline: fc.integer({ min: 0, max: 40 }),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(body, how, fc.boolean(), (guest, sitting, cushioned) => {
        const cushion = fitted('cushion', deck(2280), 'loose', { sets: ['guest'] });
        const fittings = { ...OTHERS, ...(cushioned ? { cushion } : {}) };
        const sets = {
          day: { name: 'day', order: 1 },
          guest: { name: 'guest', order: 2, sits: { first: { body: guest, ...sitting } } },
        };
        const input = inputOf(fittings, { sets }, [], ORRISK);
        const inSet = workUp({ ...input, catalog, set: 'guest' });
        const { sets: _, ...alone } = cushion;
        const { at: seatAt = null, ...rest } = sitting;
        const brief = { ...guest, seatAt, ...rest };
        const single = work({ ...OTHERS, ...(cushioned ? { cushion: alone } : {}) }, brief);
        const usual = work(OTHERS);
        expect(inSet.seats.shown.paddlers).toEqual(single.seats.whole.paddlers);
        expect(inSet.weight.float.centre.x).toBeCloseTo(single.weight.float.centre.x, 9);
        const both = new Set([...told(usual), ...told(single)]);
        // Said once, as bad as it is in the worse of the two.
        const said = told(inSet);
        const keyOf = (line: string): string => line.split(' ')[0] ?? '';
        expect(said.every((line) => both.has(line))).toBeTrue();
        expect([...new Set(said.map(keyOf))].sort()).toEqual([...new Set([...both].map(keyOf))].sort());
      }),
      { numRuns: runs(25), seed: 15 },
    );
  });

  it('what is aboard in one set raises who sits in that set, and nobody else', () => {
    const sets = { a: { name: 'a', order: 1 }, b: { name: 'b', order: 2 } };
    const cushion = fitted('cushion', deck(2280), 'loose', { sets: ['a'] });
    const input = inputOf({ cushion }, { sets }, [], ORRISK);
    const { seats } = workUp({ ...input, catalog });
    expect(['a', 'b', null].map((set) => seats.of(set).paddlers[0]?.seatZ)).toEqual([
      ORRISK.seat.low + 75,
      ORRISK.seat.low,
      ORRISK.seat.low,
    ]);
    // A set that says nothing else sits like the whole.
    expect(seats.of('b')).toBe(seats.whole);
  });

  it('the second paddler has a place, a height and a back of their own', () => {
    const second = { stature: 1640, weightKg: 61, at: 2900, raise: 40, recline: 20 };
    const [, two] = work({}, { second }, SARROCK).seats.whole.paddlers;
    const off = work({}, { second: { ...second, at: 2900 } }, SARROCK).findings.find((f) => f.key === 'seat-place:hull:second');
    expect(off?.severity).toBe('stop');
    expect([two?.seatX, two?.seatZ, two?.recline]).toEqual([2900, (SARROCK.secondSeat?.low ?? 0) + 40, 20]);
  });

  it('nobody sits on the second seat in a set that says so; a guest sits there in one that has one', () => {
    const sets = {
      alone: { name: 'alone', order: 1, sits: { second: null } },
      guest: { name: 'guest', order: 2, sits: { second: { body: { stature: 1500, weightKg: 40 } } } },
    };
    const { brief } = work({}, {}, SARROCK).seats.whole;
    const two = { ...brief, second: { stature: 1640, weightKg: 61 } };
    expect([briefIn({ brief: two, sets }, 'alone').second, briefIn({ brief, sets }, 'guest').second]).toEqual([
      null,
      { stature: 1500, weightKg: 40 },
    ]);
    expect(briefIn({ brief: two, sets }, null)).toBe(two);
  });

  it('a guest has hands of their own; who sits behind keeps those they had', () => {
    const { brief } = work({}, {}, SARROCK).seats.whole;
    const two: Brief = { ...brief, castHand: 'right', reelHand: 'left', second: { stature: 1640, weightKg: 61 } };
    const handsIn = (first: object, second: object = {}) => {
      const there = briefIn({ brief: two, sets: { guest: { name: 'guest', order: 1, sits: { first, second } } } }, 'guest');
      return (['first', 'second'] as const).map((person) => Object.values(handednessOf(there, person)).join(' '));
    };
    expect(handsIn({})).toEqual(['right left', 'right left']);
    expect(handsIn({ castHand: 'left', reelHand: 'right' })).toEqual(['left right', 'right left']);
    expect(handsIn({}, { castHand: 'left' })).toEqual(['right left', 'left left']);
  });

  it('nothing chosen leaves the hull the very one that was drawn', () => {
    const plain = { at: null, raise: 0 };
    expect(seated(ORRISK, { first: plain, second: plain, feet: null })).toBe(ORRISK);
  });
});
