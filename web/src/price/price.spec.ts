import { TestBed } from '@angular/core/testing';
import { UnitsStore } from '../stores/units.store';
import { OpenRig } from '../testing/open-rig';
import { laidPlan, TEST_PARTS, testPlan } from '../testing/rig';
import Price from './price';

const wire = { id: 'wire-16', name: 'Wire 16 AWG', french: 'Fil', unit: 'metre' as const, priceCents: 328, supplier: 'S' };

describe('the price', () => {
  it('of an empty plan is its set-up alone', async () => {
    const rig = await OpenRig.show(Price, testPlan());
    expect(rig.text).toContain('Nothing is aboard yet.');
    // 45 minutes of set-up at 68.00 an hour.
    expect(rig.find('.pay .figure').textContent).toBe('51.00');
  });

  it('follows who supplies a thing', async () => {
    const rig = await OpenRig.show(Price, laidPlan());
    const before = rig.store.state()?.workup.price.totals.partsCents ?? 0;
    await rig.choose('Who supplies Box', "owner's own");
    expect(rig.store.state()?.workup.price.totals.partsCents).toBe(before - 1000);
  });

  it('says how it stands to the budget, in either units', async () => {
    const plan = laidPlan();
    const rig = await OpenRig.show(
      Price,
      { ...plan, brief: { ...plan.brief, budgetCents: 5000 } },
      { catalog: { parts: TEST_PARTS, consumables: [wire] } },
    );
    expect(rig.text).toContain('over the budget');
    expect(rig.text).toContain('0.9997 / ft');
    TestBed.inject(UnitsStore).toggle();
    await rig.fixture.whenStable();
    expect(rig.text).toContain('3.28 / m');
  });
});
