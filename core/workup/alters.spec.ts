import { CATALOG, SHOP } from '../../demo/index';
import { whatAlters } from './alters';
import { deck, fitted, inputOf, partWith, track } from '@plain-cleat/testing/plans';
import { workUp } from '.';

const fittings = {
  g: fitted('crate-open', deck(2700, 0), 'loose'),
  s: fitted('sounder-arm-7', track('fwd-port', 1200), 'track'),
  p: fitted('paddle-clip', deck(700, 200), 'through'),
};

describe('what another revision alters', () => {
  const input = inputOf(fittings);
  const before = workUp(input);

  it('is nothing when it is the same', () => {
    expect(whatAlters(before, workUp(inputOf(fittings)))).toEqual({ settled: [], raised: [], cents: 0, minutes: 0, holes: 0 });
  });

  it('is money and minutes for dearer and slower work', () => {
    const slower = { ...SHOP, labor: { ...SHOP.labor, holeMinutes: SHOP.labor.holeMinutes + 2 } };
    const after = workUp({ ...input, shop: slower });
    const altered = whatAlters(before, after);
    expect(altered.minutes).toBe(2 * before.drilling.holes.length);
    // Hours are charged to the hundredth.
    const hours = after.price.totals.laborHours - before.price.totals.laborHours;
    expect(hours).toBeCloseTo(altered.minutes / 60, 1);
    expect(altered.cents).toBe(Math.round(hours * SHOP.labor.centsPerHour));
  });

  it('is findings for stricter limits, by what is new and what is gone', () => {
    const strict = workUp({ ...input, shop: { ...SHOP, limits: { ...SHOP.limits, aloneKg: 1 } } });
    const there = whatAlters(before, strict);
    const back = whatAlters(strict, before);
    expect(there.settled).toEqual(back.raised);
    expect(there.raised).toEqual(back.settled);
  });

  it('is the holes that move when the part is drilled otherwise', () => {
    const [clip] = CATALOG.parts.filter((p) => p.id === 'paddle-clip');
    if (!clip) return fail('no clip');
    const wider = partWith(clip, { holes: { at: clip.holes.at.map((h) => ({ ...h, u: h.u + Math.sign(h.u || 1) * 2 })) } });
    const parts = CATALOG.parts.map((p) => (p === clip ? wider : p));
    expect(whatAlters(before, workUp({ ...input, catalog: { ...CATALOG, parts } })).holes).toBe(clip.holes.at.length);
  });
});
