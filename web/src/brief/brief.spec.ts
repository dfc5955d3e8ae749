import { OpenRig } from '../testing/open-rig';
import { laidPlan, TEST_HULL, TEST_SHOP, testPlan } from '../testing/rig';
import { workUp } from '@plain-cleat/core';
import BriefStep from './brief';
import { Consequences } from './consequences';

describe('the brief', () => {
  it('answers are taps, sent as changes of that answer alone', async () => {
    const rig = await OpenRig.show(BriefStep);
    await rig.click('.chip', 'Night');
    await rig.click('.pick', 'None');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'answerBrief', from: { waters: ['lake'] }, to: { waters: ['lake', 'night'] } }),
      jasmine.objectContaining({ kind: 'answerBrief', from: { holes: 'few' }, to: { holes: 'none' } }),
    ]);
    expect(rig.find('.pick.on', 'None').getAttribute('aria-checked')).toBe('true');
  });

  it('says what an answer changes', async () => {
    const rig = await OpenRig.show(BriefStep, laidPlan());
    expect(rig.text).toContain('The plan makes 2 holes.');
    expect(rig.text).toContain('Stroke is checked');
    await rig.click('.chip', 'Paddle');
    expect(rig.text).toContain('Stroke is not checked.');
  });

  for (const [field, bad, says] of [
    ['input[data-answer=stature]', 'tall', 'Height: write it like'],
    ['input[data-answer=stature]', '9 ft', 'between 39 3/8 in and 90 1/2 in'],
    ['input[data-answer=weightKg]', 'heavy', 'Weight: write it like'],
    ['input[data-answer=rods]', 'lots', 'Rods: a number from 0 to 20'],
    ['input[data-answer=rodLength]', '9 m', 'Rods: write it like'],
    ['input[data-answer=distanceKm]', 'far', 'A day’s way: like 8 km'],
    ['input[data-answer=budgetCents]', 'much', 'Budget: a sum like 900'],
  ] as const)
    it(`refuses ${bad} and changes nothing`, async () => {
      const rig = await OpenRig.show(BriefStep);
      await rig.type(field, bad);
      expect(rig.find('[role=alert]').textContent).toContain(says);
      expect(rig.sentChanges()).toEqual([]);
    });

  it('reads heights and weights as people say them', async () => {
    const rig = await OpenRig.show(BriefStep);
    await rig.type('input[data-answer=stature]', `6' 1"`);
    await rig.type('input[data-answer=weightKg]', '190 lb');
    expect(rig.sentChanges().map((c) => ('to' in c ? c.to : null))).toEqual([{ stature: 1854.2 }, { weightKg: 86.2 }]);
  });

  it('keeps each pasted line as a wish, matched when it is sure', async () => {
    const rig = await OpenRig.show(BriefStep);
    const area = rig.find<HTMLTextAreaElement>('pc-wish-list textarea');
    area.value = 'a lamp\nsomething unheard of';
    await rig.click('pc-wish-list .way', 'Add');
    rig.find('pc-wish-list form').dispatchEvent(new Event('submit', { cancelable: true }));
    await rig.fixture.whenStable();
    const wishes = rig.sentChanges().map((c) => (c.kind === 'writeWish' ? c.to : null));
    expect(wishes).toContain({ text: 'lamp', part: 'lamp' });
    expect(wishes).toContain({ text: 'something unheard of', part: null });
  });
});

describe('consequences', () => {
  const of = (brief: Partial<ReturnType<typeof testPlan>['brief']>, question: string) => {
    const plan = { ...laidPlan(), brief: { ...testPlan().brief, ...brief } };
    const workup = workUp({
      plan,
      hull: TEST_HULL,
      facts: [],
      catalog: { parts: [], consumables: [] },
      shop: TEST_SHOP,
      asOf: '2026-06-01',
    });
    return new Consequences(plan, workup, TEST_HULL, TEST_SHOP, 'imperial').of(question);
  };

  it('warn where the answer costs something', () => {
    expect(of({ weightKg: 240 }, 'paddler')).toEqual(jasmine.objectContaining({ look: true }));
    expect(of({ budgetCents: 100 }, 'tier').look).toBeTrue();
    expect(of({ budgetCents: 10_000_000 }, 'tier').says).toContain('left');
    expect(of({ road: 'roof' }, 'road').says).toContain('two people');
    expect(of({ borrowed: true }, 'boats').says).toContain('nothing is drilled');
    expect(of({ second: { stature: 1700, weightKg: 70 } }, 'second').look).toBeTrue();
    expect(of({ castHand: 'left' }, 'hand').says).toContain('behind the left shoulder');
    expect(of({ waters: ['night'] }, 'waters').says).toContain('white light');
  });

  it('say something for every question', () => {
    for (const q of [
      ...['waters', 'work', 'propulsion', 'paddler', 'second', 'hand', 'seat', 'stroke', 'boats', 'rods'],
      ...['carries', 'rules', 'holes', 'wires', 'road', 'tier'],
    ])
      expect(of({}, q).says.length).withContext(q).toBeGreaterThan(5);
  });
});
