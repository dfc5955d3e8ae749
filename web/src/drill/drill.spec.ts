import { OpenRig } from '../testing/open-rig';
import { laidPlan, testPlan } from '../testing/rig';
import Drill from './drill';

async function hold(rig: OpenRig<Drill>): Promise<void> {
  rig.find('pc-hold-button button').dispatchEvent(new PointerEvent('pointerdown'));
  await rig.fixture.whenStable();
  rig.find('pc-hold-button .fill').dispatchEvent(new TransitionEvent('transitionend'));
  await rig.fixture.whenStable();
}

describe('drilling', () => {
  it('says so when nothing is drilled', async () => {
    const rig = await OpenRig.show(Drill, testPlan());
    expect(rig.text).toContain('Nothing is drilled.');
  });

  it('shows one hole with its figures, bits and what is behind', async () => {
    const rig = await OpenRig.show(Drill, laidPlan());
    expect(rig.find('.label').textContent).toBe('B1');
    expect(rig.text).toContain('ON THE CENTRE LINE');
    expect(rig.text).toContain('Pilot 1/8, then #11');
    expect([...rig.element.querySelectorAll('.round')].length).toBe(2);
  });

  it('marks a hole only when held, then goes on to the next, and takes back', async () => {
    const rig = await OpenRig.show(Drill, laidPlan());
    await rig.click('pc-hold-button button');
    expect(rig.sentFacts()).toEqual([]);
    await hold(rig);
    const [fact] = rig.sentFacts();
    expect(fact).toEqual(jasmine.objectContaining({ kind: 'holeDrilled', label: 'B1', elsewhere: false, rig: 'plan-1' }));
    expect(rig.text).toContain('1 of 2 drilled');
    expect(rig.find('.label').textContent).toBe('B2');
    await rig.click('.link', 'take back');
    expect(rig.sentFacts()[1]).toEqual(jasmine.objectContaining({ kind: 'tookBack', fact: fact?.id }));
    expect(rig.text).toContain('0 of 2 drilled');
  });

  for (const [reading, off, says] of [
    ['somewhere', '0', 'is not a length'],
    ['40', 'left a bit', 'Off centre'],
    ['900', '0', 'not on this hull'],
    ['40', '30', 'off the hull'],
  ] as const)
    it(`refuses a hole at ${reading}, ${off}`, async () => {
      const rig = await OpenRig.show(Drill, laidPlan());
      await rig.click('.not-here');
      const [r, o] = rig.element.querySelectorAll<HTMLInputElement>('.away input');
      if (r && o) [r.value, o.value] = [reading, off];
      rig.find('.away').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
      expect(rig.find('[role=alert]').textContent).toContain(says);
      expect(rig.sentFacts()).toEqual([]);
    });

  it('plugs a hole that nothing uses, saying with what', async () => {
    const measured = { hullRevision: 1, datum: 'bow', run: 'taut', reading: 900, offCentre: 0, down: null };
    const time = '2026-05-01T10:00:00Z';
    const old = {
      id: '00000000-0000-4000-8000-000000000009',
      kind: 'holeDrilled',
      rig: 'last-year',
      deviceTime: time,
      serverTime: time,
      by: 'Mara',
      hole: 'gone.1',
      label: 'C1',
      bit: 6,
      elsewhere: false,
      measured,
    };
    const rig = await OpenRig.show(Drill, laidPlan(), { facts: [old] as never });
    expect(rig.text).toContain('C1 stands open');
    expect(rig.element.querySelectorAll('.scar.open').length).toBe(1);
    const plug = async (what: string): Promise<void> => {
      rig.find<HTMLInputElement>('.plug input').value = what;
      rig.find('.plug').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await plug(' ');
    expect(rig.find('[role=alert]').textContent).toContain('Plug with: say what');
    await plug('nylon plug');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'holePlugged', hole: 'gone.1', with: 'nylon plug' })]);
    expect(rig.text).not.toContain('stands open');
  });

  it('keeps what was measured when a hole went elsewhere, and makes it a finding', async () => {
    const rig = await OpenRig.show(Drill, laidPlan());
    await rig.click('.not-here');
    const [r, o] = rig.element.querySelectorAll<HTMLInputElement>('.away input');
    if (r && o) [r.value, o.value] = ['44', '0'];
    rig.find('.away').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
    expect(rig.sentFacts()[0]).toEqual(
      jasmine.objectContaining({
        elsewhere: true,
        measured: jasmine.objectContaining({ reading: 44 * 25.4, datum: 'bow', run: 'taut' }),
      }),
    );
    expect(rig.find('pc-finding-box').textContent).toContain('from where the plan has it');
  });
});
