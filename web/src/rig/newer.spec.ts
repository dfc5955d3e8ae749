import { Component, inject } from '@angular/core';
import type { Newer } from '@plain-cleat/core/workup';
import { RigStore } from '../stores/rig.store';
import { OpenRig } from '../testing/open-rig';
import { laidPlan, TEST_HULL, TEST_PARTS, TEST_SHOP } from '../testing/rig';
import { NewerRevisions } from './newer';

@Component({
  imports: [NewerRevisions],
  template: `@if (store.state(); as s) {
    <pc-newer [state]="s" />
  }`,
})
class Page {
  protected readonly store = inject(RigStore);
}

describe('newer revisions', () => {
  async function show(newer: Partial<Newer>): Promise<OpenRig<Page>> {
    const rig = await OpenRig.show(Page, laidPlan());
    rig.http.expectOne('/api/rigs/rig-1/newer').flush({ hull: null, materials: null, shop: null, parts: [], ...newer });
    await rig.fixture.whenStable();
    return rig;
  }

  it('say nothing when there are none', async () => {
    expect((await show({})).text.trim()).toBe('');
  });

  it('say what they would alter before they are taken', async () => {
    const shop = { ...TEST_SHOP, revision: 2, labor: { ...TEST_SHOP.labor, setUpMinutes: 75 } };
    const rig = await show({ shop });
    expect(rig.text).toContain('The shop’s charges and labor: revision 1 is now 2');
    await rig.click('button', 'See what changes');
    expect(rig.text).toContain('34.00 dearer. 30 minutes more.');
    await rig.click('button', 'Update to revision 2');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'adoptRevision', pin: 'charges', from: 1, to: 2 }) as never,
    ]);
    // The revision itself comes from the server; the offer is gone with the pin.
    expect(rig.text).not.toContain('is now');
  });

  it('are asked for again only once the change of the pins has arrived', async () => {
    const rig = await show({ shop: { ...TEST_SHOP, revision: 2, taxPercent: 20 } });
    await rig.click('button', 'See what changes');
    await rig.click('button', 'Update to revision 2');
    rig.http.expectNone('/api/rigs/rig-1/newer');
    const plan = { ...laidPlan(), pins: { ...laidPlan().pins, shop: { ...laidPlan().pins.shop, charges: 2 } } };
    rig.http.expectOne('/api/rigs/rig-1/changes').flush({ version: 1, plan, rebased: false, repeated: false });
    await rig.fixture.whenStable();
    await new Promise((r) => setTimeout(r));
    await rig.fixture.whenStable();
    rig.http.expectOne('/api/rigs/rig-1/newer');
  });

  it('of many things are told in one line, shown when asked for, and can all wait', async () => {
    const newer = TEST_PARTS.map((p) => ({ ...p, revision: 2 }));
    const rig = await show({ parts: newer });
    expect(rig.text).toContain('3 newer than this plan: box; lamp; battery.');
    expect(rig.find('ul').offsetHeight).toBe(0);
    await rig.click('button', 'Show them');
    expect(rig.find('ul').offsetHeight).toBeGreaterThan(0);
    await rig.click('button', 'See what changes');
    await rig.click('button', 'Update to revision 2');
    expect(rig.sentChanges()).toEqual([jasmine.objectContaining({ kind: 'adoptPart', from: null, to: 2 }) as never]);
    expect(rig.element.querySelectorAll('li').length).toBe(2);
  });

  it('can wait', async () => {
    const rig = await show({ hull: { ...TEST_HULL, revision: 3 } });
    await rig.click('button', 'See what changes');
    expect(rig.text).toContain('It changes nothing in this plan');
    await rig.click('button', 'Later');
    expect(rig.text.trim()).toBe('');
  });
});
