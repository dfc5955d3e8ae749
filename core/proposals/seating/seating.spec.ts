import { CATALOG, HULLS, ORRISK, SHOP, TOLVANE } from '../../../demo/index';
import { applyChange, type Brief, type Plan } from '../../rig';
import { fitted, inputOf, track } from '@plain-cleat/testing/plans';
import { workUp, type WorkupInput } from '../../workup';
import { ASKED, seatNow, seatRange, seatTo } from './index';

const input = (brief: Partial<Brief> = {}, more: Partial<Plan> = {}, hull = ORRISK): WorkupInput => {
  const made = inputOf({ s: fitted('sounder-arm-7', track('fwd-port', 1600), 'track') }, more, [], hull);
  return { ...made, catalog: CATALOG, shop: SHOP, plan: { ...made.plan, brief: { ...made.plan.brief, ...brief } } };
};

describe('the range of a seat', () => {
  it('is tried from end to end of its slide, and what is proposed passes its own judgements', () => {
    const asked = input();
    const range = seatRange(asked, { step: 25, set: null });
    if (!range) return fail('it slides');
    const { fore, aft } = ORRISK.seat.slide ?? { fore: 0, aft: 0 };
    expect([range.trials[0]?.at, range.trials.at(-1)?.at]).toEqual([fore, aft]);
    const change = seatTo(asked.plan, null, range.bestAt);
    const { plan } = applyChange(asked.plan, { ...change, id: '00000000-0000-4000-8000-000000000000' });
    expect(seatNow({ ...asked, plan }, null)).toBe(range.bestAt);
    const w = workUp({ ...asked, plan });
    for (const one of ASKED) {
      const here = range.trials.find((t) => t.at === range.bestAt)?.misses[one] ?? NaN;
      if (range.best) expect(here).withContext(one).toBeCloseTo(range.least[one].by, 0);
    }
    expect(w.findings.some((f) => f.code === 'legs' || f.code === 'seat-place')).toBeFalse();
  });

  it('every inch aft puts the stern deeper by what the weight of the sitter moves (moments, trim about the water plane)', () => {
    const range = seatRange(input({ weightKg: 100 }), { step: 25.4, set: null });
    const lighter = seatRange(input({ weightKg: 60 }), { step: 25.4, set: null });
    if (!range || !lighter) return fail('it slides');
    const trims = range.trials.map((t) => t.trim);
    for (let i = 1; i < trims.length; i++) expect((trims[i] ?? 0) - (trims[i - 1] ?? 0)).toBeGreaterThan(0);
    // The trimming moment goes with the weight; the water plane hardly changes.
    expect(range.inch.trim / lighter.inch.trim).toBeGreaterThan(1.3);
    expect(range.inch.trim / lighter.inch.trim).toBeLessThan(100 / 60);
  });

  it('what lies ahead is further with every inch aft, by an inch at the most', () => {
    const far = input({ propulsion: ['motor'] }, {}, TOLVANE);
    const range = seatRange(
      { ...far, plan: { ...far.plan, fittings: { s: fitted('sounder-arm-7', track('fwd-port', 1190), 'track') } } },
      { step: 25.4, set: null },
    );
    if (!range) return;
    expect(range.inch.reach).toBeGreaterThan(0);
    expect(range.inch.reach).toBeLessThanOrEqual(25.4 + 1e-6);
  });

  it('is of the set it is asked for, and is written there', () => {
    const sets = {
      day: { name: 'day', order: 1 },
      guest: { name: 'guest', order: 2, sits: { first: { body: { stature: 1500, weightKg: 50 } } } },
    };
    const asked = input({ stature: 1950 }, { sets });
    const [tall, small] = [null, 'guest'].map((set) => seatRange(asked, { step: 25, set }));
    if (!tall || !small) return fail('it slides');
    expect(small.trials.map((t) => t.misses)).not.toEqual(tall.trials.map((t) => t.misses));
    const change = seatTo(asked.plan, 'guest', 2300);
    const { plan } = applyChange(asked.plan, { ...change, id: '00000000-0000-4000-8000-000000000000' });
    expect([seatNow({ ...asked, plan }, 'guest'), seatNow({ ...asked, plan }, 'day')]).toEqual([2300, ORRISK.seat.x]);
    expect(plan.sets.guest?.sits?.first?.body?.stature).toBe(1500);
  });

  it('is none where the seat does not slide, or the search was stopped', () => {
    const fixed = HULLS.find((h) => !h.seat.slide);
    if (fixed) expect(seatRange(input({}, {}, fixed), { step: 25, set: null })).toBeNull();
    expect(seatRange(input(), { step: 25, set: null, shouldStop: () => true })).toBeNull();
  });
});
