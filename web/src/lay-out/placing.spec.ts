import { OpenRig } from '../testing/open-rig';
import type { Part } from '@plain-cleat/core/parts/parts';
import { laidPlan, TEST_HULL, TEST_PART, TEST_PARTS, testPlan } from '../testing/rig';
import LayOut from './lay-out';

/** A hull with a hold under the foredeck, and a pack that belongs there. */
const HOLD = {
  ...TEST_HULL,
  hatches: [{ id: 'lid', name: 'fore lid', fore: 450, aft: 750, port: -120, starboard: 120, height: 330, opens: 240 }],
  spaces: [{ id: 'hold', name: 'fore hold', fore: 400, aft: 800, port: -200, starboard: 200, hatches: ['lid'], dry: true }],
};
const PACK: Part = {
  ...TEST_PART,
  id: 'pack',
  name: 'Pack',
  body: {
    massKg: 4,
    base: { length: 180, width: 80, thickness: 5 },
    solids: [{ name: 'pack', u: [-90, 90], v: [-40, 40], w: [0, 120] }],
  },
  holding: { ...TEST_PART.holding, ways: ['loose'] },
  inside: { usual: true, dry: true, touched: { what: 'plug', u: 0, v: 0, w: 120 } },
};

describe('the deck lifted off', () => {
  const show = () => OpenRig.show(LayOut, testPlan(), { hull: HOLD, catalog: { parts: [...TEST_PARTS, PACK], consumables: [] } });
  const placed = (rig: OpenRig<LayOut>) => rig.sentChanges().flatMap((c) => (c.kind === 'placeItem' && c.to ? [c.to] : []));

  it('comes off by itself for what belongs inside, which goes into the room that is offered', async () => {
    const rig = await show();
    await rig.click('[data-part=pack]');
    expect(rig.text).toContain('Tap the room where Pack goes.');
    await rig.click('.placing button', 'Into the fore hold');
    expect(placed(rig)[0]?.place).toEqual({ on: 'space', space: 'hold', x: 600, y: 0, heading: 0 });
    // No tie points there: it is set down, and said to slide.
    expect(placed(rig)[0]?.mount.hold).toBe('loose');
    expect(rig.text).toMatch(/Pack slides .* in the fore hold, up against/);
    expect(rig.text).toMatch(/Goes in by the fore lid/);
    expect(rig.text).toMatch(/Its plug is reached by the fore lid/);
  });

  it('is put back for what is not set down inside', async () => {
    const rig = await show();
    await rig.click('[data-part=pack]');
    expect(rig.text).toContain('Tap the room where');
    await rig.click('pc-best-places button', 'Cancel');
    await rig.click(`[data-part=${TEST_PART.id}]`);
    expect(rig.text).toContain('Tap the hull where');
  });

  it('hides the letters of what is on deck, and they are in the list all the same', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan(), { hull: HOLD });
    const letters = () => rig.element.querySelectorAll('pc-boat-view [data-fitting]').length;
    const all = letters();
    expect(all).toBeGreaterThan(0);
    await rig.click('mat-slide-toggle button');
    expect(letters()).toBe(0);
    await rig.click('.letters button');
    expect(letters()).toBe(all);
  });
});

describe('assemblies', () => {
  const built = () => {
    const plan = laidPlan();
    const [base = ''] = Object.keys(plan.fittings);
    const on = { on: 'fitting' as const, fitting: base, u: 0, v: 0, heading: 0 };
    return { base, plan: { ...plan, fittings: { ...plan.fittings, kid: { ...plan.fittings[base], place: on } as never } } };
  };

  it('are kept in the library under a name, refused without one', async () => {
    const { base, plan } = built();
    const rig = await OpenRig.show(LayOut, plan);
    rig.http.match('/api/assemblies').forEach((call) => call.flush({ assemblies: [], parts: [] }));
    rig.element
      .querySelector<SVGGElement>(`g.letter[data-fitting="${base}"]`)
      ?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await rig.fixture.whenStable();
    await rig.submit('pc-save-assembly form');
    expect(rig.faultOf('Name in the library')).toContain('Call it something');
    await rig.enter('Name in the library', 'box on box');
    await rig.submit('pc-save-assembly form');
    const sent = rig.http.expectOne((r) => r.url === '/api/assemblies' && r.method === 'POST');
    const body = sent.request.body as { expects: number; assembly: { base: string; fittings: object } };
    expect([body.expects, body.assembly.base, Object.keys(body.assembly.fittings).length]).toEqual([0, base, 2]);
    sent.flush({ ...body.assembly, version: 1 });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('Saved in the library as version 1.');
    expect(rig.sentChanges().at(-1)).toEqual(jasmine.objectContaining({ kind: 'renewItem', item: base }));
  });

  it('are placed as one by Enter', async () => {
    const { base, plan } = built();
    const kit = {
      id: 'kit',
      name: 'Box on box',
      version: 3,
      base,
      fittings: Object.fromEntries(Object.entries(plan.fittings).filter(([id]) => id === base || id === 'kid')),
    };
    const rig = await OpenRig.show(LayOut, testPlan());
    rig.http.match('/api/assemblies').forEach((call) => call.flush({ assemblies: [kit], parts: [] }));
    await rig.fixture.whenStable();
    rig.find('.kits button').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await rig.fixture.whenStable();
    const [change] = rig.sentChanges();
    expect(change?.kind === 'together' && change.changes.map((c) => c.kind)).toEqual(['placeItem', 'placeItem']);
    expect(rig.store.state()?.workup.aboard.items.length).toBe(2);
    expect(rig.text).toContain('From the library, version 3.');
  });

  it('gear that moves between boats says which other hull takes it, and where', async () => {
    const { base, plan } = built();
    const own = plan.fittings[base as never] as object;
    const rig = await OpenRig.show(LayOut, {
      ...plan,
      fittings: { ...plan.fittings, [base]: { ...own, travels: true } } as never,
    });
    rig.element
      .querySelector<SVGGElement>(`g.letter[data-fitting="${base}"]`)
      ?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    rig.http
      .expectOne('/api/hull-models')
      .flush([{ id: 'other', revision: 1, maker: 'M', name: 'Other', kind: 'sit-on-top', traits: [], length: 3000, beam: 800 }]);
    rig.http.expectOne('/api/hull-models/other').flush({ ...TEST_HULL, id: 'other', name: 'Other', tracks: [] });
    await rig.fixture.whenStable();
    expect(rig.find('pc-more').textContent).toContain('not the Other. nothing there to hold it');
  });
});
