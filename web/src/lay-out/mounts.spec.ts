import { Component, computed, inject } from '@angular/core';
import { adviceSetting, mountAdvice } from '@plain-cleat/core/checks/advice';
import { RigStore } from '../stores/rig.store';
import { OpenRig } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import { Mounts } from './mounts';

@Component({
  imports: [Mounts],
  template: `@if (store.state(); as s) {
    @if (lamp(); as i) {
      <pc-mounts [item]="i" [state]="s" [advice]="advice()" (changed)="store.change($event)" />
    }
  }`,
})
class Page {
  protected readonly store = inject(RigStore);
  protected readonly lamp = computed(() => this.store.state()?.workup.aboard.items.find((i) => i.placed.id === 'lamp'));
  protected readonly advice = computed(() => {
    const [s, i] = [this.store.state(), this.lamp()];
    return s && i ? mountAdvice(s.workup.surface, i.placed, adviceSetting(i, s.plan, s.doc.shop, s.workup)) : [];
  });
}

const found = (id: number, x: number) => ({
  id: `00000000-0000-4000-8000-00000000000${id}`,
  kind: 'holeFound',
  rig: null,
  deviceTime: '2026-05-01T10:00:00Z',
  serverTime: '2026-05-01T10:00:00Z',
  by: 'Mara',
  hole: `old-${id}`,
  label: `O${id}`,
  bit: 4.8,
  says: '',
  measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: x, offCentre: 0, down: null },
});

describe('how a fitting is held', () => {
  it('names its first choice with the reason, the others, and what will not do', async () => {
    const rig = await OpenRig.show(Page, laidPlan());
    expect(rig.find('mat-radio-button').textContent).toContain('First choice.');
    expect(rig.text).toContain('2 × Rivet');
    expect(rig.text).toContain('the usual of its kind');
    expect(rig.find('mat-expansion-panel').textContent).toContain('it is not made for T-bolts in a track');
    rig.find('mat-radio-button', 'Rubber well nuts').querySelector('input')?.click();
    await rig.fixture.whenStable();
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'chooseMount', to: { hold: 'well nut', plate: false, reason: '' } }) as never,
    ]);
  });

  it('is overruled with a reason only', async () => {
    const rig = await OpenRig.show(Page, laidPlan());
    await rig.click('mat-expansion-panel button', 'Use it all the same');
    const label = rig.find('form mat-label').textContent?.trim() ?? '';
    const overrule = async (why: string): Promise<void> => {
      await rig.enter(label, why);
      await rig.submit();
    };
    await overrule('x');
    expect(rig.faultOf(label)).toContain('A few words');
    expect(rig.sentChanges()).toEqual([]);
    await overrule('seen to hold on this hull');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ to: jasmine.objectContaining({ reason: 'seen to hold on this hull' }) as never }) as never,
    ]);
    expect(rig.text).toContain('Held so all the same: seen to hold on this hull');
  });

  it('offers old holes, takes them with the slide they want, and gives them up', async () => {
    // The lamp’s two holes lie 30 mm apart; two old ones do too, a little aft.
    const rig = await OpenRig.show(Page, laidPlan(), { facts: [found(1, 1105), found(2, 1135)] as never });
    expect(rig.text).toContain('2 old holes serve when it slides');
    await rig.click('button', 'Use them again');
    const [sent] = rig.sentChanges();
    expect(sent?.kind).toBe('together');
    expect(rig.text).toContain('Uses the old holes O1, O2 again');
    await rig.click('button', 'Drill new ones instead');
    expect(rig.sentChanges()[1]).toEqual(jasmine.objectContaining({ kind: 'reuseHoles', to: null }));
  });
});
