import { CATALOG, ORRISK, SARROCK } from '../../demo/index';
import { seatForLegs } from './index';
import { seated } from '../hull';
import type { Brief, Fitting } from '../rig';
import { deck, fitted, inputOf, partOf, partWith, track } from '../testing/plans';
import { tell } from '../units';
import { workUp, type Workup } from '../workup';

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
    expect(on.layout.paddlers).toEqual(drawn.layout.paddlers);
    expect(on.layout.paddlers.map((p) => p.seatZ)).toEqual(bare.layout.paddlers.map((p) => p.seatZ + 75));
    expect(judged(on)).toEqual(judged(drawn));
    expect(judged(on)).not.toEqual(judged(bare));
    // The weight of whoever sits there goes up too.
    expect(on.weight.float.centre.z).toBeCloseTo(drawn.weight.float.centre.z, 6);
    expect(on.weight.float.centre.z).toBeGreaterThan(bare.weight.float.centre.z + 30);
  });

  it('typed it is the same as by a cushion, and both add up', () => {
    const both = work({ cushion: fitted('cushion', deck(2280), 'loose') }, { raise: 25 });
    expect(both.layout.paddlers[0]?.seatZ).toBe(ORRISK.seat.low + 100);
  });

  it('one that is left unused, taken off, or aboard in some sets alone raises nobody', () => {
    const z = (more: Partial<Fitting>, sets = {}): number | undefined => {
      const input = inputOf({ cushion: fitted('cushion', deck(2280), 'loose', more) }, { sets }, [], ORRISK);
      return workUp({ ...input, catalog }).layout.paddlers[0]?.seatZ;
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
      work({ cushion: fitted('cushion', deck(x), 'loose') }, { second }, SARROCK).layout.paddlers.map((p) => p.seatZ);
    const { seat, secondSeat } = SARROCK;
    expect(seats(2000)).toEqual([seat.low + 75, secondSeat?.low ?? 0]);
    expect(seats(3000)).toEqual([seat.low, (secondSeat?.low ?? 0) + 75]);
  });

  it('a seat set aft takes its sitter along, its weight and its reach; beyond its slide it is said by how much', () => {
    const bare = work(OTHERS);
    const aft = work(OTHERS, { seatAt: 2330 });
    expect(aft.layout.paddlers[0]?.seatX).toBe(2330);
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

  it('nothing chosen leaves the hull the very one that was drawn', () => {
    const plain = { at: null, raise: 0 };
    expect(seated(ORRISK, { first: plain, second: plain, feet: null })).toBe(ORRISK);
  });
});
