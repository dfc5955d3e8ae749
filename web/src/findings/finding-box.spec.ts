import type { Finding } from '@plain-cleat/core/checks/findings';
import { over, say } from '@plain-cleat/core/base/units';
import { OpenRig } from '../testing/open-rig';
import { testPlan } from '../testing/rig';
import { FindingBox } from './finding-box';
import { Component, signal } from '@angular/core';

const finding: Finding = {
  key: 'overlap:a:b',
  code: 'overlap',
  severity: 'stop',
  step: 'lay out',
  where: 'a',
  letter: 'A',
  x: 0,
  says: say`It stands in the way.`,
  because: say`Because.`,
  acceptable: 'anyone',
  decides: 'the rigger',
  accepted: null,
  fixable: false,
  tries: () => [],
  measure: null,
  lapsed: null,
  sets: null,
};

@Component({ imports: [FindingBox], template: `<pc-finding-box [finding]="finding()" />` })
class Host {
  readonly finding = signal(finding);
}

const show = async (more: Partial<Finding>, role: 'rigger' | 'manager' = 'rigger'): Promise<OpenRig<Host>> => {
  const rig = await OpenRig.show(Host, testPlan(), {}, role);
  rig.fixture.componentInstance.finding.set({ ...finding, ...more });
  await rig.fixture.whenStable();
  return rig;
};

const typed = (rig: OpenRig<Host>, label: string, value: string): void => {
  const field = [...rig.element.querySelectorAll('mat-form-field')].find((f) => f.textContent?.includes(label));
  const input = field?.querySelector('input');
  if (!input) throw new Error(`no field ${label}`);
  input.value = value;
  input.dispatchEvent(new Event('input'));
};

describe('a finding', () => {
  it('is accepted with a reason of a few words, in one’s own name', async () => {
    const rig = await show({});
    await rig.click('button', 'Accept with a reason');
    const send = async (reason: string): Promise<void> => {
      typed(rig, 'Reason', reason);
      await rig.click('button', 'Accept');
    };
    await send('ok');
    expect(rig.text).toContain('Reason: a few words');
    await send('it is soft');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'acceptFinding', to: { reason: 'it is soft', by: 'Tom Hale', severity: 'stop' } }),
    ]);
  });

  it('is accepted as bad as it was', async () => {
    const rig = await show({ measure: over(40, 'mm') });
    await rig.click('button', 'Accept with a reason');
    typed(rig, 'Reason', 'it is soft');
    await rig.click('button', 'Accept');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({
        to: jasmine.objectContaining({ reason: 'it is soft', measure: { amount: 40, unit: 'mm', worse: 'more' } }),
      }),
    ]);
  });

  it('that got worse since it was accepted says so, and where what was accepted was not kept, that', async () => {
    const lapsed = { reason: 'it is soft', by: 'Tom Hale', severity: 'stop' as const };
    const rig = await show({ lapsed: { ...lapsed, measure: over(40, 'mm') } });
    expect(rig.text).toContain('Tom Hale accepted it (it is soft); it has got worse since.');
    rig.fixture.componentInstance.finding.set({ ...finding, lapsed });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('how bad it was then was not kept.');
  });

  it('without a fix says who decides; a note asks for nothing', async () => {
    const rig = await show({ decides: 'the front desk' });
    expect(rig.text).toContain('The front desk decides what is done.');
    rig.fixture.componentInstance.finding.set({ ...finding, severity: 'note' });
    await rig.fixture.whenStable();
    expect(rig.text).not.toContain('decides what is done');
  });

  it('is for nobody to accept', async () => {
    const rig = await show({ acceptable: 'nobody' });
    expect(rig.text).toContain('Nobody may accept this: it wants another place');
    expect(rig.text).not.toContain('Accept with');
  });

  for (const role of ['rigger', 'manager'] as const)
    it(`that only a manager may accept takes their password, a ${role} signed in, and is never kept on the way`, async () => {
      const rig = await show({ acceptable: 'manager', key: 'hole-under-water:a:1' }, role);
      await rig.click('button', 'A manager accepts it');
      typed(rig, 'Reason', 'plugged and tried in the tank');
      await rig.click('button', 'Accept');
      expect(rig.find('[role=alert]').textContent).toContain('Manager: their login');
      typed(rig, 'Manager', 'idris');
      typed(rig, 'password', 'a secret');
      await rig.click('button', 'Accept');
      const call = rig.http.expectOne('/api/rigs/rig-1/changes');
      expect(call.request.body).toEqual(
        jasmine.objectContaining({
          override: { login: 'idris', password: 'a secret' },
          change: jasmine.objectContaining({ finding: 'hole-under-water:a:1', from: null }),
        }),
      );
      expect(rig.store.unsent()).toEqual([]);
    });

  it('without a manager is a request, kept like any fact', async () => {
    const rig = await show({ acceptable: 'manager', key: 'hole-under-water:a:1' });
    await rig.click('button', 'A manager accepts it');
    typed(rig, 'Reason', 'owner waits at the dock');
    await rig.click('button', 'Ask a manager');
    expect(rig.sentFacts()).toEqual([
      jasmine.objectContaining({
        kind: 'acceptanceAsked',
        finding: 'hole-under-water:a:1',
        why: 'owner waits at the dock',
      }),
    ]);
    await rig.fixture.whenStable();
    expect(rig.text).toContain('Tom Hale asks a manager to accept it: owner waits at the dock');
  });
});
