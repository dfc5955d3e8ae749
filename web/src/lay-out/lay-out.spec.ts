import { OpenRig } from '../testing/open-rig';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { TestRequest } from '@angular/common/http/testing';
import { laidPlan, TEST_HULL, TEST_PART, TEST_PARTS, testPlan } from '../testing/rig';
import LayOut from './lay-out';

const key = (k: string, more: KeyboardEventInit = {}): void =>
  void document.body.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true, ...more }));

/** What the stores are asked for, once the hand has rested. */
async function asked(rig: OpenRig<unknown>): Promise<TestRequest> {
  for (;;) {
    const [call] = rig.http.match((r) => r.url === '/api/parts');
    if (call) return call;
    await new Promise((soon) => setTimeout(soon, 20));
  }
}

describe('the Lay out step', () => {
  it('shows an empty plan as one that has nothing to settle', async () => {
    const rig = await OpenRig.show(LayOut, testPlan());
    expect(rig.text).toContain('Nothing to settle here.');
    expect(rig.text).toContain('5 parts');
  });

  it('finds parts by name and says so when there is none', async () => {
    const rig = await OpenRig.show(LayOut);
    await rig.enter('Find a part', 'lam');
    expect(rig.element.querySelectorAll('.parts button').length).toBe(1);
    await rig.enter('Find a part', 'anvil');
    expect(rig.text).toContain('Looking through the stores');
    (await asked(rig)).flush({ parts: [], more: false });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('No part like that in the stores.');
  });

  it('finds what is beside the range in the stores, a page at a time, and brings it aboard', async () => {
    const rig = await OpenRig.show(LayOut);
    const beside = (n: number): Part => ({ ...TEST_PART, id: `anvil-${n}`, name: `Anvil ${n}` });
    await rig.enter('Find a part', 'anvil');
    (await asked(rig)).flush({ parts: [beside(1), TEST_PART], more: true });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('Also in the stores');
    await rig.click('button', 'More of them');
    const next = await asked(rig);
    expect(next.request.params.get('page')).toBe('1');
    next.flush({ parts: [beside(2)], more: false });
    await rig.fixture.whenStable();
    const listed = [...rig.element.querySelectorAll('.beside .name')].map((e) => e.textContent?.trim());
    expect(listed).toEqual(['Anvil 1', 'Anvil 2']);
    rig.find('.beside button', 'Anvil 2').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await rig.fixture.whenStable();
    expect(rig.find('pc-card h2').textContent).toBe('Anvil 2');
    expect(rig.sentChanges()).toEqual([jasmine.objectContaining({ kind: 'placeItem' }) as never]);
  });

  it('says when only the range could be looked through', async () => {
    const rig = await OpenRig.show(LayOut);
    await rig.enter('Find a part', 'lam');
    (await asked(rig)).error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('Only the shop’s range was looked through');
    expect(rig.element.querySelectorAll('.parts button').length).toBe(1);
  });

  it('brings a part aboard by Enter and opens its card', async () => {
    const rig = await OpenRig.show(LayOut);
    await rig.enter('Find a part', 'box');
    rig.find('pc-palette input').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await rig.fixture.whenStable();
    expect(rig.sentChanges()[0]).toEqual(jasmine.objectContaining({ kind: 'placeItem' }));
    expect(rig.find('pc-card h2').textContent).toBe('Box');
  });

  it('walks bow to stern by arrows, picks up, nudges, turns, takes off', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    await rig.fixture.whenStable();
    expect(rig.find('pc-card h2').textContent).toBe('Battery');
    key('ArrowLeft');
    await rig.fixture.whenStable();
    expect(rig.find('pc-card h2').textContent).toBe('Box');
    key(' ');
    key('ArrowRight', { shiftKey: true });
    key('Enter');
    await rig.fixture.whenStable();
    key('F10', { shiftKey: true });
    await rig.fixture.whenStable();
    const turn = [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')].find((i) =>
      i.textContent?.includes('to starboard'),
    );
    turn?.click();
    await rig.fixture.whenStable();
    const [nudged, turned] = rig.sentChanges();
    expect(nudged).toEqual(jasmine.objectContaining({ kind: 'slideItem', to: { on: 'deck', x: 2225.4, y: 0, heading: 0 } }));
    expect(turned).toEqual(jasmine.objectContaining({ to: jasmine.objectContaining({ heading: -15 }) }));
    key('Delete');
    await rig.fixture.whenStable();
    expect(rig.store.state()?.workup.aboard.items.length).toBe(2);
  });

  it('takes a wired fitting off together with its run', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    key('Delete');
    await rig.fixture.whenStable();
    const [change] = rig.sentChanges();
    expect(change?.kind === 'together' && change.changes.map((c) => c.kind)).toEqual(['routeRun', 'takeOffItem']);
    expect(Object.keys(rig.store.state()?.plan.runs ?? {})).toEqual([]);
  });

  it('leaves keys alone while somebody types', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    rig.find('pc-palette input').dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await rig.fixture.whenStable();
    expect(rig.element.querySelector('pc-card')).toBeNull();
  });

  it('hooks the tape elsewhere', async () => {
    const rig = await OpenRig.show(LayOut);
    await rig.choose('Measure from', 'stern tip');
    expect(rig.sentChanges()[0]).toEqual(jasmine.objectContaining({ kind: 'hookTape', to: { datum: 'stern', run: 'centre' } }));
    expect(rig.text).toContain('hooked on STERN TIP');
  });
});

describe('the card', () => {
  const card = async (): Promise<OpenRig<LayOut>> => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowLeft');
    await rig.fixture.whenStable();
    return rig;
  };

  it('moves a fitting to what the tape is to read', async () => {
    const rig = await card();
    await rig.type('#f-reading', '80');
    const at = rig.store.state()?.workup.aboard.items.find((i) => i.placed.id === 'box')?.placed.frame.origin;
    expect(Math.hypot(at?.x ?? 0, (at?.z ?? 0) - 300)).toBeCloseTo(80 * 25.4, 3);
  });

  for (const [field, value, says] of [
    ['#f-reading', 'near the seat', 'is not a length'],
    ['#f-reading', '900', 'nowhere on this hull'],
    ['#f-off', '40', 'off the hull here'],
    ['#f-lift', '-2', 'From 0 in to 59 in.'],
    ['#f-lift', '90', 'From 0 in to 59 in.'],
    ['#f-heading', 'aft', 'is not a number'],
    ['#f-heading', '361', 'From -360° to 360°.'],
  ] as const)
    it(`refuses ${value} in ${field} and says what would be right`, async () => {
      const rig = await card();
      await rig.type(field, value);
      expect(rig.find('pc-card mat-error').textContent).toContain(says);
      expect(rig.sentChanges()).toEqual([]);
    });

  it('goes onto the side and back onto the deck', async () => {
    const rig = await OpenRig.show(LayOut, {
      ...laidPlan(),
      fittings: {
        ...laidPlan().fittings,
        lamp: { ...laidPlan().fittings.lamp, mount: { hold: 'through', plate: false, reason: '' } } as never,
      },
    });
    key('ArrowRight');
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card button', 'Move onto the side');
    expect(rig.store.state()?.plan.fittings.lamp?.place).toEqual({ on: 'side', side: 'starboard', x: 1100, down: 60 });
    await rig.type('#f-down', '10');
    expect(rig.store.state()?.workup.findings.map((f) => f.code)).toContain('hole-under-water');
    await rig.click('pc-card button', 'Move onto the deck');
    expect(rig.store.state()?.plan.fittings.lamp?.place.on).toBe('deck');
  });

  it('mirrors, changes who supplies it, notes, and how it is held', async () => {
    const rig = await card();
    await rig.type('#f-off', '4');
    await rig.click('pc-card button', 'Mirror to the other side');
    await rig.choose('Supplied by', 'gift');
    await rig.enter('Note', 'hers');
    const kinds = rig.sentChanges().map((c) => c.kind);
    expect(kinds).toEqual(['slideItem', 'slideItem', 'supplyItem', 'noteItem']);
    const { place } = rig.store.state()?.plan.fittings.box ?? {};
    expect(place?.on === 'deck' && place.y).toBeCloseTo(-101.6, 6);
  });
});

describe('sets, several and stowing', () => {
  const withSets = () => ({ ...laidPlan(), sets: { day: { name: 'all-day', order: 1 }, troll: { name: 'trolling', order: 2 } } });

  it('names a set, refuses one without a name or a name twice', async () => {
    const rig = await OpenRig.show(LayOut, withSets());
    await rig.click('pc-sets-bar button', 'New set');
    const submit = async (name: string): Promise<void> => {
      await rig.enter('New set', name);
      await rig.submit('pc-sets-bar form');
    };
    await submit(' ');
    expect(rig.text).toContain('Give it a name');
    await submit('Trolling');
    expect(rig.text).toContain('There is a set called Trolling already.');
    await submit('guest');
    expect(rig.sentChanges()[0]).toEqual(
      jasmine.objectContaining({ kind: 'nameSet', from: null, to: { name: 'guest', order: 3 } }),
    );
  });

  it('shows one set, and a fitting leaves it by its tick', async () => {
    const rig = await OpenRig.show(LayOut, withSets());
    await rig.click('pc-sets-bar mat-button-toggle button', 'all-day');
    expect(rig.store.state()?.set).toBe('day');
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    const tick = rig.find<HTMLInputElement>('pc-more [aria-label="Sets it belongs to"] input');
    tick.click();
    await rig.fixture.whenStable();
    expect(rig.sentChanges()[0]).toEqual(jasmine.objectContaining({ kind: 'joinSets', from: null, to: ['troll'] }));
    expect(rig.store.state()?.workup.aboard.items.length).toBe(2);
    expect(rig.store.state()?.workup.aboard.owned.length).toBe(3);
  });

  it('chooses several by Ctrl Space while walking, says how far two are apart, and groups them', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    key(' ', { ctrlKey: true });
    key('ArrowRight');
    key(' ', { ctrlKey: true });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('2 fittings chosen');
    expect(rig.text).toContain('Apart, pulled taut');
    await rig.click('pc-multi-select button', 'Group');
    const [change] = rig.sentChanges();
    expect(change?.kind === 'together' && change.changes.every((c) => c.kind === 'groupItem')).toBeTrue();
  });

  it('tethers by a length, refuses nonsense, unties by an empty one', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    await rig.enter('Tether, length', 'long');
    expect(rig.faultOf('Tether, length')).toContain('"long" is not a length');
    await rig.enter('Tether, length', '20');
    await rig.enter('Tether, length', '');
    expect(rig.sentChanges().map((c) => (c.kind === 'tetherItem' ? c.to : 0))).toEqual([{ to: null, length: 508 }, null]);
  });

  it('says how often it is used here and whether it comes off for the road, and goes back to what is usual', async () => {
    const rig = await OpenRig.show(LayOut, laidPlan());
    key('ArrowRight');
    await rig.fixture.whenStable();
    await rig.click('pc-card mat-expansion-panel-header', 'Sets, tether');
    await rig.choose('Used', 'every few minutes');
    await rig.choose('For the road', 'stays on');
    await rig.choose('Used', 'usually when stopped');
    const sent = rig.sentChanges().map((c) => (c.kind === 'useItem' || c.kind === 'roadItem' ? [c.kind, c.to] : []));
    expect(sent).toEqual([
      ['useItem', 'always'],
      ['roadItem', false],
      ['useItem', null],
    ]);
  });

  it('stows a thing in a room, and refuses one that is not named', async () => {
    const bow = { id: 'bow', name: 'bow hold', fore: 400, aft: 700, port: -100, starboard: 100, hatches: [], dry: true };
    const hull = { ...TEST_HULL, spaces: [bow] };
    const rig = await OpenRig.show(LayOut, laidPlan(), { hull });
    await rig.click('aside mat-button-toggle button', 'Stowed');
    await rig.submit('pc-stowing form');
    expect(rig.faultOf('What')).toContain('Say what goes in there.');
    await rig.enter('What', 'spare line');
    await rig.submit('pc-stowing form');
    expect(rig.sentChanges()[0]).toEqual(
      jasmine.objectContaining({ kind: 'stowThing', to: jasmine.objectContaining({ in: 'bow', what: 'spare line' }) }),
    );
  });
});

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
