import { OpenRig } from '../testing/open-rig';
import { laidPlan, measuredBoat, on, testPlan, TEST_HULL, TEST_SHOP } from '../testing/rig';
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
    await rig.click('.pad button', 'Take back');
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
    const bits = rig.store.state()?.workup.drilling.holes.map((h) => h.drilled?.bit ?? 0);
    expect(bits?.every((b) => Math.abs(b - 4.85) < 0.1)).toBeTrue();
  });

  it('after a taking-back the one before is the last, and a plug is none of them', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await hold(rig);
    await hold(rig);
    expect(rig.text).toContain('Last: B2');
    await rig.click('.pad button', 'Take back');
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
    await rig.click('pc-templates mat-expansion-panel-header');
    const panel = () => rig.find('pc-templates').textContent;
    expect(panel()).toContain('lies flat');
    expect(panel()).not.toContain('All templates');
    const bar = async (reads: string): Promise<void> => {
      await rig.enter('It reads', reads);
      await rig.submit('pc-templates .check');
    };
    await bar('twelve');
    expect(rig.faultOf('It reads')).toContain('is not a length');
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
    const first = 'pc-before-first pc-quantity mat-label';
    const label = rig.find(first).textContent?.trim() ?? '';
    const save = (value: string): Promise<void> => rig.enter(label, value);
    await save('about there');
    expect(rig.faultOf(label)).toContain('is not a length');
    await save('900');
    expect(rig.faultOf(label)).toContain('From 1/16 in to 125 15/16 in.');
    await save('20');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'readingTaken', from: 'bow', run: 'taut', reading: 508 })]);
    // Far from what is drawn: no typing of the other opens it.
    expect(rig.text).toContain('this boat is not as drawn');
  });

  it('a boat measured as drawn opens it, and what it is off by corrects the readings', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured(4));
    expect(rig.text).not.toContain('Locked.');
    const h = rig.store.state()?.workup.drilling.holes[0];
    expect(h?.at.x).toBeCloseTo(1085, 6);
    await hold(rig);
    const [fact] = rig.sentFacts();
    // The tape reads more than drawn, and the hole is where it was planned all the same.
    const kept = rig.store.state()?.workup.drilling.holes[0]?.drilled;
    expect(fact).toEqual(jasmine.objectContaining({ kind: 'holeDrilled' }));
    expect(kept?.at?.x ?? 0).toBeCloseTo(1085, 1);
  });

  it('says before the first hole what the build would call early, and takes the ticks there', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    const panel = rig.find('pc-before-first');
    expect(panel.textContent).toContain('3 to do on Build');
    expect(panel.textContent).toContain('a hole drilled now counts as too early');
    const ticks = (): string[] => [...panel.querySelectorAll('mat-checkbox')].map((c) => c.textContent?.trim() ?? '');
    for (const says of ['Receive and inspect the hull', 'Lay out and tape up', 'Owner agrees to the taped layout']) {
      expect(ticks()).toEqual([says]);
      panel.querySelector<HTMLInputElement>('mat-checkbox input')?.click();
      await rig.fixture.whenStable();
    }
    expect(rig.sentFacts().map((f) => (f.kind === 'stepDone' ? f.step : f.kind))).toEqual(['receive', 'tape', 'agree']);
    expect(panel.textContent).not.toContain('too early');
    expect(panel.textContent).toContain('✓ done');
  });

  it('waits for the owner where the shop asks for it', async () => {
    const shop = { ...TEST_SHOP, drilling: { ...TEST_SHOP.drilling, agree: true } };
    const rig = await OpenRig.show(Drill, laidPlan(), { ...measured(), shop });
    expect(rig.text).toContain('Locked.');
    const agree = async (name: string): Promise<void> => {
      await rig.enter('Owner agrees to the taped layout: name', name);
      await rig.click('pc-before-first button', 'Agreed');
    };
    await agree(' ');
    expect(rig.faultOf('Owner agrees to the taped layout: name')).toContain('Say who agreed');
    await agree('Ada Quill');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'layoutAgreed', name: 'Ada Quill', photo: null })]);
    expect(rig.text).toContain('Ada Quill agreed');
    expect(rig.text).not.toContain('Locked.');
  });

  const somethingElse = async (which: string): Promise<OpenRig<Drill>> => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await rig.click('.bit-in');
    await rig.click('.not-here');
    await rig.click('pc-something-else mat-button-toggle button', which);
    return rig;
  };
  const fill = async (rig: OpenRig<Drill>, fields: Readonly<Record<string, string>>): Promise<void> => {
    for (const [label, value] of Object.entries(fields)) await rig.enter(label, value);
    await rig.submit('.away');
  };

  it('keeps another bit', async () => {
    const rig = await somethingElse('Another bit');
    await fill(rig, { 'Bit it was drilled with': 'big' });
    expect(rig.faultOf('Bit it was drilled with')).toContain('is not a length');
    await fill(rig, { 'Bit it was drilled with': '9' });
    expect(rig.faultOf('Bit it was drilled with')).toContain('From 1/16 in to 3 1/8 in.');
    await fill(rig, { 'Bit it was drilled with': '1/4' });
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'holeDrilled', bit: 6.35 })]);
  });

  it('keeps another fastener, and why', async () => {
    const rig = await somethingElse('Another fastener');
    await fill(rig, { 'Fastener used': 'rivet 68', Why: '' });
    expect(rig.faultOf('Why')).toContain('A few words.');
    await fill(rig, { Why: 'a screw was lost' });
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'fastenerSubstituted', with: 'rivet 68' })]);
  });

  it('keeps what was given up, and goes on to the next', async () => {
    const rig = await somethingElse('Not drilled');
    await fill(rig, { 'Why it is not drilled': '' });
    expect(rig.faultOf('Why it is not drilled')).toContain('what stopped it');
    await fill(rig, { 'Why it is not drilled': 'foam behind' });
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'holeAbandoned', why: 'foam behind' })]);
    expect(rig.find('.label').textContent).toBe('B2');
  });

  for (const [reading, off, field, says] of [
    ['somewhere', '0', 'Measured from BOW TIP', 'is not a length'],
    ['40', 'left a bit', 'Measured off centre', 'is not a length'],
    ['900', '0', 'Measured from BOW TIP', 'From 0 in to 125 15/16 in.'],
    ['40', '30', 'Measured off centre', 'From 0 in to 16'],
  ] as const)
    it(`refuses a hole at ${reading}, ${off}`, async () => {
      const rig = await OpenRig.show(Drill, laidPlan(), measured());
      await rig.click('.bit-in');
      await rig.click('.not-here');
      await fill(rig, { 'Measured from BOW TIP': reading, 'Measured off centre': off });
      expect(rig.faultOf(field)).toContain(says);
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
    await rig.enter('Plug C1 with', ' ');
    expect(rig.sentFacts()).toEqual([]);
    await rig.enter('Plug C1 with', 'nylon plug');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'holePlugged', hole: 'gone.1', with: 'nylon plug' })]);
    expect(rig.text).not.toContain('stands open');
  });

  it('keeps what was measured when a hole went elsewhere, and makes it a finding', async () => {
    const rig = await OpenRig.show(Drill, laidPlan(), measured());
    await rig.click('.bit-in');
    await rig.click('.not-here');
    await fill(rig, { 'Measured from BOW TIP': '44', 'Measured off centre': '0' });
    // Over an inch from the plan it is asked about first.
    expect(rig.sentFacts()).toEqual([]);
    expect(rig.text).toContain('from where the plan has it.Read the tape once more');
    await rig.click('pc-something-else .box button');
    expect(rig.sentFacts()[0]).toEqual(
      jasmine.objectContaining({
        elsewhere: true,
        measured: jasmine.objectContaining({ reading: 44 * 25.4, datum: 'bow', run: 'centre' }),
      }),
    );
    expect(rig.find('pc-finding-box').textContent).toContain('from where the plan has it');
  });

  it('asks of a hole in a bulkhead how high it went, not how far along, and keeps that', async () => {
    const wall = { id: 'wall', name: 'bulkhead', kind: 'bulkhead' as const, shape: 'box' as const };
    const bulkhead = { ...wall, from: { x: 2400, y: -340, z: 0 }, to: { x: 2420, y: 340, z: 300 } };
    const plan = laidPlan();
    const lamp = on('lamp', 0, 0, 'rivet');
    const rig = await OpenRig.show(
      Drill,
      {
        ...plan,
        fittings: { ...plan.fittings, lamp: { ...lamp, place: { on: 'bulkhead', bulkhead: 'wall', y: 60, up: 120 } } },
      },
      { ...measured(), hull: { ...TEST_HULL, hazards: [bulkhead] } },
    );
    await rig.click('.bit-in');
    await rig.click('.not-here');
    const planned = rig.store.state()?.workup.drilling.holes[0];
    await fill(rig, { 'Measured off centre': '2', 'Measured up from the inside of the bottom': 'high' });
    expect(rig.faultOf('Measured up from the inside of the bottom')).toContain('is not a length');
    await fill(rig, { 'Measured up from the inside of the bottom': '30' });
    expect(rig.faultOf('Measured up from the inside of the bottom')).toContain('From 0 in to 11 3/4 in.');
    expect(rig.sentFacts()).toEqual([]);
    // Over an inch from the plan it is asked about first.
    await fill(rig, { 'Measured up from the inside of the bottom': '7 1/2' });
    expect(rig.text).toContain('from where the plan has it.Read the tape once more');
    await rig.click('pc-something-else .box button');
    expect(rig.sentFacts()[0]).toEqual(
      jasmine.objectContaining({
        elsewhere: true,
        measured: jasmine.objectContaining({ up: 7.5 * 25.4, offCentre: 2 * 25.4, reading: planned?.reading }),
      }),
    );
    const drilled = rig.store.state()?.workup.drilling.holes.find((h) => h.id === planned?.id)?.drilled;
    expect((drilled?.at?.z ?? NaN) - (planned?.at.z ?? NaN)).toBeCloseTo(7.5 * 25.4 - (planned?.up ?? NaN), 6);
  });
});
