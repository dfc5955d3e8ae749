import type { Finding } from '@plain-cleat/core';
import { say } from '@plain-cleat/core';
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
  accepted: null,
  curable: false,
  tries: () => [],
  size: null,
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

describe('a finding', () => {
  it('is accepted with a reason of a few words, in one’s own name', async () => {
    const rig = await show({});
    await rig.click('.link', 'Accept with a reason');
    const send = async (reason: string): Promise<void> => {
      rig.find<HTMLInputElement>('input').value = reason;
      rig.find('form').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await send('ok');
    expect(rig.find('[role=alert]').textContent).toContain('Reason: a few words');
    await send('it is soft');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'acceptFinding', to: { reason: 'it is soft', by: 'Tom Hale', severity: 'stop' } }),
    ]);
  });

  it('is for a manager, or for nobody, to accept', async () => {
    const rig = await show({ acceptable: 'manager' });
    expect(rig.text).toContain('Only a manager may accept this.');
    rig.fixture.componentInstance.finding.set({ ...finding, acceptable: 'nobody' });
    await rig.fixture.whenStable();
    expect(rig.text).toContain('Nobody may accept this: it wants another place');
  });

  it('a manager may', async () => {
    const rig = await show({ acceptable: 'manager' }, 'manager');
    expect(rig.text).toContain('Accept with a reason');
  });
});
