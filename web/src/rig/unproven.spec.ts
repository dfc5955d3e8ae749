import { Component, inject } from '@angular/core';
import { RigStore } from '../stores/rig.store';
import { OpenRig } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import { Unproven } from './unproven';

@Component({
  imports: [Unproven],
  template: `@if (store.state(); as s) {
    <pc-unproven [state]="s" />
  }`,
})
class Page {
  protected readonly store = inject(RigStore);
}

const kept = (body: object, n: number): object => ({
  ...{ id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`, rig: 'plan-1', by: 'Mara Voss, from a file' },
  ...{ deviceTime: '2026-06-01T10:00:00Z', serverTime: '2026-06-01T10:00:00Z', unproven: 'from a file' },
  ...body,
});

describe('what nobody here saw done', () => {
  const show = (...facts: object[]) => OpenRig.show(Page, laidPlan(), { facts: facts as never });

  it('is not spoken of where there is none', async () => expect((await show()).text.trim()).toBe(''));

  it('is told with what it is, counts when somebody says so, and a step let pass stays a manager’s', async () => {
    const [step, pass] = [
      kept({ kind: 'stepDone', step: 'receive' }, 1),
      kept({ kind: 'gatePassed', step: 'drill', why: 'so' }, 2),
    ];
    const rig = await show(step, pass);
    expect(rig.text).toContain('counts for nothing yet: a step done, a step overridden.');
    expect(rig.text).toContain('overridden again on Build, by a manager');
    expect(rig.store.state()?.workup.ledger.steps.size).toBe(0);
    await rig.click('button', 'It is so: count it');
    expect(rig.sentFacts()).toEqual([
      jasmine.objectContaining({ kind: 'vouched', facts: [(step as { id: string }).id] }) as never,
    ]);
    expect(rig.store.state()?.workup.ledger.steps.size).toBe(1);
    expect(rig.store.state()?.workup.drilling.gate.open).toBeFalse();
    await rig.click('button', 'Do not count it');
    expect(rig.text.trim()).toBe('');
    expect(rig.store.state()?.workup.drilling.gate.open).toBeFalse();
  });

  it('of one who left is told apart from what came in a file', async () => {
    const rig = await show(kept({ kind: 'stepDone', step: 'receive' }, 1), {
      ...kept({ kind: 'stepDone', step: 'tape' }, 2),
      ...{ by: 'Jo Marsh', unproven: 'of one who left' },
    });
    expect(rig.text).toContain('Sent after Jo Marsh left, and not counted yet: a step done.');
    expect(rig.element.querySelectorAll('.note').length).toBe(2);
  });
});
