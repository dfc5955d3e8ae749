import { OpenRig } from '../testing/open-rig';
import { laidPlan, measuredBoat, testPlan, TEST_SHOP } from '../testing/rig';
import Drill from './drill';

const measured = (off = 0) => ({ facts: measuredBoat(off) as never });

/** Puts in the bit that is asked for, then holds to mark. */
async function hold(rig: OpenRig<Drill>): Promise<void> {
  if (rig.element.querySelector('.bit-in')) await rig.click('.bit-in');
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
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    expect(rig.find('.label').textContent).toBe('B1');
    expect(rig.text).toContain('ON THE CENTRE LINE');
    expect(rig.text).toContain('Pilot 1/8, then #11');
    expect([...rig.element.querySelectorAll('.round')].length).toBe(2);
  });

  it('marks a hole only when held, then goes on to the next, and takes back', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    expect(rig.element.querySelector('pc-hold-button')).toBeNull();
    await rig.click('.bit-in', '1/8');
    await rig.click('pc-hold-button button');
    expect(rig.sentFacts()).toEqual([]);
    await hold(rig);
    const [fact] = rig.sentFacts();
    expect(fact).toEqual(jasmine.objectContaining({ kind: 'holeDrilled', label: 'B1', elsewhere: false, rig: 'plan-1' }));
    // A pilot is a hole already, not yet its size.
    expect(rig.text).toContain('0 of 2 drilled');
    expect(rig.text).toContain('Last: B1');
    expect(rig.find('.label').textContent).toBe('B2');
    await rig.click('.link', 'take back');
    expect(rig.sentFacts()[1]).toEqual(jasmine.objectContaining({ kind: 'tookBack', fact: fact?.id }));
    expect(rig.find('.label').textContent).toBe('B1');
  });

  it('goes by the bit: all pilots, a stop to change it, then each hole opened up to its size', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await hold(rig);
    await hold(rig);
    expect(rig.find('.bit-in').textContent).toContain('#11');
    await hold(rig);
    await hold(rig);
    expect(rig.text).toContain('2 of 2 drilled');
    expect(rig.sentFacts().map((f) => f.kind)).toEqual(['holeDrilled', 'holeDrilled', 'holeOpened', 'holeOpened']);
    const bits = rig.store.state()?.workup.holes.map((h) => h.drilled?.bit ?? 0);
    expect(bits?.every((b) => Math.abs(b - 4.85) < 0.1)).toBeTrue();
  });

  it('after a taking-back the one before is the last, and a plug is none of them', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await hold(rig);
    await hold(rig);
    expect(rig.text).toContain('Last: B2');
    await rig.click('.link', 'take back');
    expect(rig.text).toContain('Last: B1');
  });

  it('walks by the arrow keys and looks inside', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' }));
    await rig.fixture.whenStable();
    expect(rig.find('.label').textContent).toBe('B2');
    expect(rig.text).toContain('check:');
    await rig.click('.look button', 'Look inside');
    expect(rig.find('pc-inside-section svg').getAttribute('aria-label')).toBe('Inside at hole B2');
  });

  it('templates open when the printed bar was measured and is true', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    rig.find<HTMLDetailsElement>('pc-templates details').open = true;
    rig.find('pc-templates details').dispatchEvent(new Event('toggle'));
    await rig.fixture.whenStable();
    const panel = () => rig.find('pc-templates').textContent;
    expect(panel()).toContain('lies flat');
    expect(panel()).not.toContain('All templates');
    const bar = async (reads: string): Promise<void> => {
      rig.find<HTMLInputElement>('pc-templates .check input').value = reads;
      rig.find('pc-templates .check').dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await bar('twelve');
    expect(rig.find('[role=alert]').textContent).toContain('The bar reads');
    await bar('3 15/16');
    expect(panel()).toContain('the printer scales');
    await bar('4');
    expect(panel()).toContain('All templates, Letter');
    const link = [...rig.element.querySelectorAll<HTMLAnchorElement>('pc-templates a')].find((a) =>
      a.href.includes('templates.pdf'),
    );
    expect(link?.href).toContain('paper=LETTER');
    expect(rig.sentFacts().map((f) => f.kind)).toEqual(['barMeasured', 'barMeasured']);
  });

  it('is locked until known distances of this boat were measured, within what the shop allows', async () => {
    const rig = await OpenRig.show(Drill, laidPlan());
    expect(rig.text).toContain('Locked.');
    expect(rig.element.querySelector('pc-hold-button')).toBeNull();
    const forms = [...rig.element.querySelectorAll('pc-before-first form.row')];
    const keep = async (form: Element | undefined, value: string): Promise<void> => {
      const input = form?.querySelector('input');
      if (input) input.value = value;
      form?.dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await keep(forms[0], 'about there');
    expect(rig.find('[role=alert]').textContent).toContain('is not a length');
    await keep(forms[0], '900');
    expect(rig.find('[role=alert]').textContent).toContain('not on this hull');
    await keep(forms[0], '20');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'readingTaken', from: 'bow', run: 'taut', reading: 508 })]);
    // Far from what is drawn: no typing of the other opens it.
    expect(rig.text).toContain('this boat is not as drawn');
  });

  it('a boat measured as drawn opens it, and what it is off by corrects the readings', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured(4));
    expect(rig.text).not.toContain('Locked.');
    const h = rig.store.state()?.workup.holes[0];
    expect(h?.at.x).toBeCloseTo(1085, 6);
    await hold(rig);
    const [fact] = rig.sentFacts();
    // The tape reads more than drawn, and the hole is where it was planned all the same.
    const kept = rig.store.state()?.workup.holes[0]?.drilled;
    expect(fact).toEqual(jasmine.objectContaining({ kind: 'holeDrilled' }));
    expect(kept?.at?.x ?? 0).toBeCloseTo(1085, 1);
  });

  it('waits for the owner where the shop asks for it', async () => {
    const shop = { ...TEST_SHOP, drilling: { ...TEST_SHOP.drilling, agree: true } };
    const rig = await OpenRig.show(Drill, laidPlan(), { ...measured(), shop });
    expect(rig.text).toContain('Locked.');
    const agree = async (name: string): Promise<void> => {
      const input = [...rig.element.querySelectorAll<HTMLInputElement>('pc-before-first input')].find((i) => i.maxLength === 120);
      if (!input) throw new Error('no name');
      input.value = name;
      input.closest('form')?.dispatchEvent(new Event('submit', { cancelable: true }));
      await rig.fixture.whenStable();
    };
    await agree(' ');
    expect(rig.find('[role=alert]').textContent).toContain('Name: who agreed');
    await agree('Ada Quill');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'layoutAgreed', name: 'Ada Quill', photo: null })]);
    expect(rig.text).toContain('Ada Quill agreed');
    expect(rig.text).not.toContain('Locked.');
  });

  const otherwise = async (which: string): Promise<OpenRig<Drill>> => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await rig.click('.bit-in');
    await rig.click('.not-here');
    await rig.click('pc-otherwise [role=radio]', which);
    return rig;
  };
  const fill = async (rig: OpenRig<Drill>, ...values: string[]): Promise<void> => {
    rig.element.querySelectorAll<HTMLInputElement>('.away input').forEach((input, i) => (input.value = values[i] ?? ''));
    rig.find('.away').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
  };

  it('keeps another bit', async () => {
    const rig = await otherwise('Another bit');
    await fill(rig, 'big');
    expect(rig.find('[role=alert]').textContent).toContain('Bit:');
    await fill(rig, '1/4');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'holeDrilled', bit: 6.35 })]);
  });

  it('keeps another fastener, and why', async () => {
    const rig = await otherwise('Another fastener');
    await fill(rig, 'rivet 68', '');
    expect(rig.find('[role=alert]').textContent).toContain('Why:');
    await fill(rig, 'rivet 68', 'a screw was lost');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'fastenerSubstituted', with: 'rivet 68' })]);
  });

  it('keeps what was given up, and goes on to the next', async () => {
    const rig = await otherwise('Given up');
    await fill(rig, '');
    expect(rig.find('[role=alert]').textContent).toContain('what stopped it');
    await fill(rig, 'foam behind');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'holeAbandoned', why: 'foam behind' })]);
    expect(rig.find('.label').textContent).toBe('B2');
  });

  for (const [reading, off, says] of [
    ['somewhere', '0', 'is not a length'],
    ['40', 'left a bit', 'Off centre'],
    ['900', '0', 'not on this hull'],
    ['40', '30', 'off the hull'],
  ] as const)
    it(`refuses a hole at ${reading}, ${off}`, async () => {
      const rig = await OpenRig.show(Drill, laidPlan(), measured());
      await rig.click('.bit-in');
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
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await rig.click('.bit-in');
    await rig.click('.not-here');
    const [r, o] = rig.element.querySelectorAll<HTMLInputElement>('.away input');
    if (r && o) [r.value, o.value] = ['44', '0'];
    rig.find('.away').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
    // Over an inch from the plan it is asked about first.
    expect(rig.sentFacts()).toEqual([]);
    expect(rig.text).toContain('from where the plan has it.Read the tape once more');
    await rig.click('pc-otherwise .box .way');
    expect(rig.sentFacts()[0]).toEqual(
      jasmine.objectContaining({
        elsewhere: true,
        measured: jasmine.objectContaining({ reading: 44 * 25.4, datum: 'bow', run: 'centre' }),
      }),
    );
    expect(rig.find('pc-finding-box').textContent).toContain('from where the plan has it');
  });
});
