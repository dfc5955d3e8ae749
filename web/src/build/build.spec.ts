import { OpenRig } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import Build from './build';

describe('building', () => {
  it('opens steps in their order: what waits cannot be ticked', async () => {
    const rig = await OpenRig.show(Build, laidPlan());
    const ticks = [...rig.element.querySelectorAll<HTMLButtonElement>('.tick')];
    expect(ticks.filter((t) => !t.disabled).map((t) => t.getAttribute('aria-label'))).toEqual(['Receive and inspect the hull']);
    expect(rig.text).toContain('waits for: Receive and inspect the hull');
    await rig.click('.tick', 'Receive and inspect the hull');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'stepDone', step: 'receive' })]);
    expect(rig.text).toContain('Next: Measure two known distances');
  });

  it('a tick is taken back by a later fact', async () => {
    const rig = await OpenRig.show(Build, laidPlan());
    await rig.click('.tick', 'Receive and inspect the hull');
    await rig.click('.tick', 'Receive and inspect the hull');
    expect(rig.sentFacts().map((f) => f.kind)).toEqual(['stepDone', 'tookBack']);
    expect(rig.find('.tick').getAttribute('aria-checked')).toBe('false');
  });

  for (const bad of ['', 'long', '-1', '0', '5000'])
    it(`books no minutes from "${bad}"`, async () => {
      const rig = await OpenRig.show(Build, laidPlan());
      rig.find<HTMLInputElement>('.book input').value = bad;
      rig.find('.book').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
      expect(rig.find('[role=alert]').textContent).toContain('from 0.5 to 1440');
      expect(rig.sentFacts()).toEqual([]);
    });

  it('adds booked minutes up', async () => {
    const rig = await OpenRig.show(Build, laidPlan());
    for (const minutes of ['10', '2.5']) {
      rig.find<HTMLInputElement>('.book input').value = minutes;
      rig.find('.book').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    }
    expect(rig.text).toContain('12.5 spent');
  });

  it('keeps another fastener with what and why', async () => {
    const rig = await OpenRig.show(Build, { ...laidPlan(), runs: {}, fittings: { box: laidPlan().fittings.box as never } });
    for (const step of [
      'Receive and inspect the hull',
      'Measure two known distances',
      'Lay out and tape up',
      'Owner agrees to the taped layout',
    ])
      await rig.click('.tick', step);
    await rig.click('.swap', 'Another fastener');
    const keep = async (put: string, why: string): Promise<void> => {
      rig.find<HTMLInputElement>('input', 'Put in').value = put;
      rig.find<HTMLInputElement>('input', 'Because').value = why;
      rig.find('.says form').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await keep('rivet 64', ' ');
    expect(rig.find('[role=alert]').textContent).toContain('Because: say why.');
    await keep('rivet 64', 'a screw was lost');
    expect(rig.sentFacts().at(-1)).toEqual(
      jasmine.objectContaining({ kind: 'fastenerSubstituted', fitting: 'box', with: 'rivet 64', why: 'a screw was lost' }),
    );
    expect(rig.text).toContain('Put in instead: rivet 64: a screw was lost');
  });
});
