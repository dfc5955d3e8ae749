import { OpenRig } from '../testing/open-rig';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { TestRequest } from '@angular/common/http/testing';
import { laidPlan, TEST_PART, testPlan } from '../testing/rig';
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

  it('moves to the other side, changes who supplies it, notes, and how it is held', async () => {
    const rig = await card();
    await rig.type('#f-off', '4');
    await rig.click('pc-card button', 'Move to the other side');
    await rig.choose('Supplied by', 'gift');
    await rig.enter('Note', 'hers');
    const kinds = rig.sentChanges().map((c) => c.kind);
    expect(kinds).toEqual(['slideItem', 'slideItem', 'supplyItem', 'noteItem']);
    const { place } = rig.store.state()?.plan.fittings.box ?? {};
    expect(place?.on === 'deck' && place.y).toBeCloseTo(-101.6, 6);
  });
});
