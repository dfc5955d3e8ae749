import { CATALOG, SHOP, TOLVANE } from '../../demo/index';
import { applyChange, type Plan } from '../rig';
import type { ShopSettings } from '../parts/shop';
import { deck, fitted, inputOf, partOf, partWith } from '@plain-cleat/testing/plans';
import { type Newer, type Offer, offersOf, type WorkupInput, workUp } from './index';

const NOTHING: Newer = { hull: null, materials: null, shop: null, parts: [] };
const input = inputOf({
  a: fitted('pad-eye', deck(3250, 0), 'rivet'),
  b: fitted('pad-eye', deck(900, 0), 'rivet'),
  c: fitted('crate-open', deck(2680, 0), 'loose'),
});
const { revision, consumables, stocks } = CATALOG;
const later: ShopSettings = { ...SHOP, revision: SHOP.revision + 3, quoteDays: SHOP.quoteDays + 1 };
const wider = { ...TOLVANE, revision: TOLVANE.revision + 1, massKg: TOLVANE.massKg + 9 };
const dearer = { ...partWith(partOf('pad-eye'), { sold: { priceCents: 77_700 } }), revision: 3 };

/** The plan once an offer is taken. */
const taking = (plan: Plan, { changes }: Offer): Plan =>
  changes.reduce((p, c) => applyChange(p, { ...c, id: '00000000-0000-4000-8000-000000000000' }).plan, plan);
const about = ({ of, from, to }: Offer): unknown => [of, from, to];

describe('what a plan is offered', () => {
  it('is nothing where nothing is newer, or what is newer is the same', () => {
    expect(offersOf(input, NOTHING)).toEqual([]);
    const same = { revision: 9, consumables, stocks: [] };
    expect(offersOf(input, { ...NOTHING, materials: same, shop: { ...SHOP, revision: 9 } })).toEqual([]);
    // A part it has not, and one that it has in a newer revision than the shop's.
    const newer = { ...input.plan, fittings: { a: { ...fitted('pad-eye', deck(3250, 0), 'rivet'), revision: 5 } } };
    const parts = [{ ...partOf('battery-18'), revision: 2 }, dearer];
    expect(offersOf({ ...input, plan: newer }, { ...NOTHING, parts })).toEqual([]);
  });

  it('is each group of settings that differs by itself, from where that group is pinned', () => {
    const both = { ...later, limits: { ...later.limits, standing: 1 } };
    const pins = { ...input.plan.pins, shop: { ...input.plan.pins.shop, limits: 2 } };
    const offers = offersOf({ ...input, plan: { ...input.plan, pins } }, { ...NOTHING, shop: both });
    expect(offers.map(about)).toEqual([
      ['charges', SHOP.revision, both.revision],
      ['limits', 2, both.revision],
    ]);
    expect(offers[1]?.taken(input).shop).toEqual({ ...SHOP, limits: both.limits });
  });

  it('is a part for all its fittings of an older revision at once', () => {
    const fittings = { ...input.plan.fittings, b: { ...fitted('pad-eye', deck(900, 0), 'rivet'), revision: 2 } };
    const [offer, ...rest] = offersOf({ ...input, plan: { ...input.plan, fittings } }, { ...NOTHING, parts: [dearer] });
    expect([offer && about(offer), rest, offer?.changes]).toEqual([
      ['part pad-eye', 1, 3],
      [],
      [
        { kind: 'adoptPart', item: 'a', from: null, to: 3 },
        { kind: 'adoptPart', item: 'b', from: 2, to: 3 },
      ],
    ]);
  });

  it('says beforehand what the plan is once it is taken', () => {
    const cheaper = { revision: revision + 1, consumables: consumables.map((c) => ({ ...c, priceCents: 1 })), stocks };
    const newer: Newer = {
      hull: wider,
      materials: cheaper,
      shop: { ...later, labor: { ...later.labor, setUpMinutes: 240 } },
      parts: [dearer],
    };
    const offers = offersOf(input, newer);
    expect(offers.map((o) => o.of)).toEqual(['hull', 'part pad-eye', 'materials', 'charges']);
    const parts = [...CATALOG.parts, dearer];
    for (const offer of offers) {
      const plan = taking(input.plan, offer);
      const after: WorkupInput = {
        ...input,
        plan,
        hull: plan.pins.hull.revision === wider.revision ? wider : TOLVANE,
        shop: plan.pins.shop.charges === later.revision && newer.shop ? newer.shop : SHOP,
        catalog: { parts, consumables: plan.pins.materials === cheaper.revision ? cheaper.consumables : consumables },
      };
      const said = ({ price, weight, findings }: ReturnType<typeof workUp>): unknown => [
        price.totals,
        weight.float,
        findings.map((f) => f.key),
      ];
      const [told, then, now] = [offer.taken(input), after, input].map((i) => said(workUp(i)));
      expect(told).withContext(offer.of).toEqual(then);
      expect(told).withContext(offer.of).not.toEqual(now);
      // Taken, it is offered no more.
      expect(offersOf(after, newer).map((o) => o.of)).not.toContain(offer.of);
    }
  });
});
