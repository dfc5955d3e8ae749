import fc from 'fast-check';
import { BRASKEL, BRACKWEN, CATALOG, FENDRICK, QUENBY, SARROCK, SHOP, TOLVANE } from '../../../demo/index';
import { searchFixes } from '../../proposals/fixes';
import { FINDING_CODES, type Finding } from '../../checks/findings';
import { fairHull, type HullModel } from '../../boat/hull';
import { applyChange, USUAL_BRIEF, type Brief, type Fitting } from '../../rig';
import { deck, fitted, inputOf, track } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type WorkupInput } from '../../workup';
import { roofTies } from './launch';
import { cartPosts, liftedAt, mostCarried } from '../to-water';

const way = (more: Partial<Brief['way']>): Brief['way'] => ({ ...USUAL_BRIEF.way, metres: 100, ...more });
const rig = (brief: Partial<Brief>, fittings: Record<string, Fitting> = {}, hull: HullModel = TOLVANE, more = {}): WorkupInput =>
  inputOf(fittings, { brief: { ...USUAL_BRIEF, road: 'trailer', ...brief }, ...more }, [], hull);
const OF_THE_WAY: readonly Finding['code'][] = FINDING_CODES.filter((c) =>
  /^(heavy-to-carry|cart-|no-wheels|wheels-stick|no-cart|no-ramp|rig-up|roof-straps|roof-lines)/.test(c),
);
const said = (input: WorkupInput): Finding[] => workUp(input).findings.filter((f) => OF_THE_WAY.includes(f.code));
const codes = (input: WorkupInput): string[] => said(input).map((f) => f.code);

describe('the way to the water', () => {
  it('a 25 lb boat is carried 400 yards on a shoulder, and 45 lb is easy a short way (common practice, no source)', () => {
    const yards = 400 * 0.9144;
    const far = mostCarried(way({ metres: yards, ground: 'hard' }), 'alone', SHOP.limits);
    expect(far).toBeGreaterThan(25 * 0.45359237);
    expect(far).toBeLessThan(26 * 0.45359237);
    expect(mostCarried(way({ metres: 20, ground: 'hard' }), 'alone', SHOP.limits)).toBeCloseTo(45 * 0.45359237, 1);
    expect(mostCarried(way({ metres: 20, ground: 'stones' }), 'two', SHOP.limits)).toBeCloseTo(2 * 0.7 * 20.4, 6);
  });

  it('a light hull is carried alone, a pedal boat takes two or a cart (common practice, no source)', () => {
    expect(codes(rig({ lifts: 'alone', way: way({ metres: 150 }) }, {}, BRACKWEN))).toEqual([]);
    const alone = said(rig({ lifts: 'alone', way: way({ metres: 60 }) }));
    expect(alone.map((f) => f.code)).toEqual(['heavy-to-carry']);
    expect(codes(rig({ lifts: 'two', way: way({ metres: 60 }) }))).toEqual([]);
    expect(codes(rig({ way: way({ metres: 0 }) }))).toEqual([]);
  });

  it('just past what is carried it is said, with a way out that was tried', () => {
    const { carryKgMetres } = SHOP.limits;
    const at = (kg: number): WorkupInput => rig({ way: way({ metres: (2 * carryKgMetres) / kg, ground: 'hard' }) });
    expect(codes(at(TOLVANE.massKg + 0.01))).toEqual([]);
    const input = at(TOLVANE.massKg - 0.01);
    const [finding] = said(input);
    if (!finding) return fail('not said');
    const [fix] = searchFixes(input, finding, {
      units: 'metric',
      budget: 60,
      newId: () => '00000000-0000-4000-8000-000000000000',
      range: [],
    });
    if (!fix) return fail('no way out');
    expect(codes({ ...input, plan: applyChange(input.plan, fix.change).plan })).toEqual([]);
  });

  it('a cart takes scuppers abreast, open, and no other; what it bears is said to the kilo', () => {
    expect(cartPosts(TOLVANE, new Set(), 2500)[0]).toEqual({ port: 'scup-3', starboard: 'scup-4', x: 2560 });
    expect(cartPosts(TOLVANE, new Set(['scup-3']), 2500)[0]?.port).toBe('scup-1');
    expect(cartPosts({ scuppers: TOLVANE.scuppers.map((s) => ({ ...s, diameter: 29 })) }, new Set(), 0)).toEqual([]);
    expect(
      cartPosts(
        {
          scuppers: [
            { id: 'a', x: 0, y: -100, diameter: 40 },
            { id: 'b', x: 40, y: 100, diameter: 40 },
          ],
        },
        new Set(),
        0,
      ),
    ).toEqual([]);
    const onCart = way({ by: 'scupper cart' });
    expect(codes(rig({ way: onCart }, {}, BRASKEL))).not.toContain('cart-overloaded');
    expect(codes(rig({ way: onCart }, {}, { ...BRASKEL, massKg: SHOP.limits.cartKg + 0.1 }))).toContain('cart-overloaded');
    const plugged = { scuppers: { 'scup-1': 'plugged', 'scup-3': 'plugged' } };
    expect(codes(rig({ way: onCart }, {}, TOLVANE, plugged))).toEqual(['no-cart-posts']);
    expect(codes(rig({ way: way({ by: 'scupper cart', ground: 'sand' }) }))).toContain('wheels-stick');
  });

  it('what is lifted at a handle balances about the axle (moments, random)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 120, noNaN: true }),
        fc.double({ min: 1200, max: 2400, noNaN: true }),
        fc.double({ min: 1000, max: 2800, noNaN: true }),
        (kg, x, axle) => {
          const lift = liftedAt({ kg, x }, axle, [60, 3540]);
          if (!lift || Math.abs(x - axle) < 1) return true;
          // Weight on one side of the axle, hand on the same side: the sum of moments is nought.
          return Math.abs(kg * (x - axle) - lift.kg * (lift.x - axle)) < 1e-6 && lift.kg > 0;
        },
      ),
      { numRuns: 200, seed: 3 },
    );
    expect(liftedAt({ kg: 50, x: 1000 }, 2000, [3500])).toBeNull();
  });

  it('wheels are asked of the hull that has them, a ramp of a trailer', () => {
    expect(codes(rig({ way: way({ by: 'own wheels' }) }))).toEqual(['no-wheels']);
    expect(codes(rig({ way: way({ by: 'own wheels' }) }, {}, BRASKEL))).toEqual([]);
    expect(codes(rig({ way: way({ by: 'trailer', ground: 'grass' }) }))).toEqual(['no-ramp']);
    expect(codes(rig({ way: way({ by: 'trailer', ground: 'ramp' }) }))).toEqual([]);
  });

  it('what the maker fitted is in the weight of the hull, and what comes off is not carried', () => {
    const w = workUp(
      rig({}, { crate: fitted('crate-open', deck(3630, 0), 'loose'), eye: fitted('pad-eye', deck(3980, 0), 'rivet') }, SARROCK),
    );
    const eye = CATALOG.parts.find((p) => p.id === 'pad-eye')?.body.massKg ?? 0;
    expect(w.ashore.all.kg).toBeCloseTo(SARROCK.massKg + eye, 9);
  });
});

describe('rigging up', () => {
  const fittings = {
    base: fitted('pipe-socket', deck(900, 0), 'rivet'),
    top: fitted('pipe-light', { on: 'fitting', fitting: 'base', u: 0, v: 0, heading: 0 }, 'loose', { rides: 'car' }),
    tube: fitted('rod-tube-raised', track('aft-star', 2560), 'track', { tether: { to: null, length: 500 } }),
    crate: fitted('crate-open', deck(2750, 0), 'loose'),
    tubes: fitted('rod-tubes-crate-2', { on: 'fitting', fitting: 'crate', u: 258, v: 0, heading: 0 }, 'loose'),
  };
  it('puts on what carries before what it carries, bow to stern, and counts plugs and tethers', () => {
    const w = workUp(rig({}, fittings));
    const { launch: steps, rigUpMinutes } = w.ashore;
    const order = steps.map((s) => s.fitting);
    expect(order.indexOf('crate')).toBeLessThan(order.indexOf('tubes'));
    expect(order).not.toContain('base');
    expect(steps.find((s) => s.fitting === 'tube')?.minutes).toBe(1.25);
    expect(steps.find((s) => s.fitting === 'top')?.rides).toBe('car');
    expect(rigUpMinutes).toBe(Math.ceil(steps.reduce((sum, s) => sum + s.minutes, 0)));
    // A light boat: minutes (common practice, no source).
    expect(rigUpMinutes).toBeLessThan(10);
  });

  it('longer than there is time for is said', () => {
    const takes = workUp(rig({}, fittings)).ashore.rigUpMinutes;
    expect(codes(rig({ way: way({ metres: 0, minutes: takes }) }, fittings))).toEqual([]);
    expect(codes(rig({ way: way({ metres: 0, minutes: takes - 1 }) }, fittings))).toEqual(['rig-up-long']);
  });

  it('on the roof straps lie clear of what stays on, and a line goes from each end', () => {
    const surface = fairHull(QUENBY);
    const w = workUp(rig({}, { a: fitted('pad-eye', deck(960, 0), 'rivet') }, QUENBY));
    const { straps, lines, under } = roofTies(surface, w.aboard.owned);
    expect(Math.abs(straps[0] - 960)).toBeGreaterThanOrEqual(30);
    expect(lines.map((l) => l.name)).toEqual(['bow handle', 'stern handle']);
    expect(under).toEqual([]);
    expect(codes(rig({ road: 'roof' }, {}, { ...FENDRICK, handles: [] }))).toEqual(['roof-lines']);
    const wide = { a: fitted('slot-track-24', deck(900, 0), 'rivet', { comesOff: false }) };
    const [finding] = said(rig({ road: 'roof' }, { ...wide, b: fitted('keel-strip', deck(900, 100), 'glue') }));
    if (finding) expect(tell(finding.says, 'metric')).toContain('No clear place for a roof strap');
  });
});
