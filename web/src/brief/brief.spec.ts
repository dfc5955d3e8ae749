import { OpenRig } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import BriefStep from './brief';

describe('the brief', () => {
  it('answers are taps, sent as changes of that answer alone', async () => {
    const rig = await OpenRig.show(BriefStep);
    await rig.click('mat-chip-option button', 'Night');
    await rig.click('pc-toggle [aria-label=Holes] button', 'None');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'answerBrief', from: { waters: ['lake'] }, to: { waters: ['lake', 'night'] } }),
      jasmine.objectContaining({ kind: 'answerBrief', from: { holes: 'few' }, to: { holes: 'none' } }),
    ]);
    expect(rig.find('.mat-button-toggle-checked', 'None').textContent).toContain('None');
  });

  it('says what an answer changes', async () => {
    const rig = await OpenRig.show(BriefStep, laidPlan());
    expect(rig.text).toContain('The plan makes 2 holes.');
    expect(rig.text).toContain('Stroke is checked');
    await rig.click('mat-chip-option button', 'Paddle');
    expect(rig.text).toContain('Stroke is not checked.');
  });

  for (const [field, bad, says] of [
    ['stature', 'tall', 'is not a height'],
    ['stature', '9 ft', 'From 3′ 4″ to 7′ 6″.'],
    ['weightKg', 'heavy', 'is not a weight'],
    ['weightKg', '19 kg', 'From 45 lb to 551 lb.'],
    ['rods', 'lots', 'is not a whole number'],
    ['rods', '21', 'From 0 to 20.'],
    ['rodLength', '9 m', 'From 19 11/16 in to 196 13/16 in.'],
    ['distanceKm', 'far', 'is not a distance'],
    ['budgetCents', 'much', 'is not a sum'],
  ] as const)
    it(`refuses ${bad} as ${field} and changes nothing`, async () => {
      const rig = await OpenRig.show(BriefStep);
      await rig.type(`[data-answer=${field}] input`, bad);
      expect(rig.find(`[data-answer=${field}] mat-error`).textContent).toContain(says);
      expect(rig.sentChanges()).toEqual([]);
    });

  it('reads heights and weights as people say them', async () => {
    const rig = await OpenRig.show(BriefStep);
    await rig.type('[data-answer=stature] input', `6' 1"`);
    await rig.type('[data-answer=weightKg] input', '190 lb');
    expect(rig.sentChanges().map((c) => ('to' in c ? c.to : null))).toEqual([{ stature: 1854.2 }, { weightKg: 86.2 }]);
  });

  it('takes a second paddler once both their figures are there, and lets them go', async () => {
    const rig = await OpenRig.show(BriefStep);
    const [tall, heavy] = rig.element.querySelectorAll<HTMLInputElement>('.question:nth-of-type(4) pc-quantity input');
    const type = async (input: HTMLInputElement | undefined, value: string): Promise<void> => {
      if (!input) throw new Error('no field');
      input.value = value;
      input.dispatchEvent(new Event('change'));
      await rig.fixture.whenStable();
    };
    await type(tall, `5' 6"`);
    expect(rig.sentChanges()).toEqual([]);
    expect(rig.text).toContain('Second paddler: their weight too.');
    await type(heavy, '150');
    expect(rig.store.state()?.plan.brief.second).toEqual({ stature: 1676.4, weightKg: 68 });
    await type(tall, '');
    await type(heavy, '');
    expect(rig.store.state()?.plan.brief.second).toBeNull();
  });

  it('keeps each pasted line as a wish, matched when it is sure', async () => {
    const rig = await OpenRig.show(BriefStep);
    await rig.enter('A wish, or one a line', 'a lamp\nsomething unheard of');
    await rig.submit('pc-wish-list form');
    const wishes = rig.sentChanges().map((c) => (c.kind === 'writeWish' ? c.to : null));
    expect(wishes).toContain({ text: 'lamp', part: 'lamp' });
    expect(wishes).toContain({ text: 'something unheard of', part: null });
  });
});
