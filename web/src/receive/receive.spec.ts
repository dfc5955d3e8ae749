import type { HullModel } from '@plain-cleat/core/boat/hull';
import { stockFittings, stockKey, type Plan } from '@plain-cleat/core/rig';
import { OpenRig } from '../testing/open-rig';
import { TEST_HULL, testPlan } from '../testing/rig';
import Receive from './receive';

/** A hull whose maker fits two lamps and a box. */
const HULL: HullModel = {
  ...TEST_HULL,
  handles: [{ id: 'bow', name: 'bow handle', x: 40, height: 300 }],
  stock: [
    { id: 'one', part: 'lamp', place: { on: 'deck', x: 900, y: 100, heading: 0 }, hold: 'rivet' },
    { id: 'two', part: 'lamp', place: { on: 'deck', x: 900, y: -100, heading: 0 }, hold: 'rivet' },
    { id: 'box', part: 'box', place: { on: 'deck', x: 2300, y: 0, heading: 0 }, hold: 'loose' },
  ],
};
const plan = (fittings: Plan['fittings'] = stockFittings(HULL)): Plan => ({ ...testPlan(), fittings });
const show = (with_: Plan = plan()): Promise<OpenRig<Receive>> => OpenRig.show(Receive, with_, { hull: HULL });

describe('receiving a boat', () => {
  it('goes from bow to stern by one tap a thing, and says how many nobody has looked at', async () => {
    const rig = await show();
    expect(rig.text).toContain('0 of 5 looked at');
    expect(rig.find('h2').textContent).toContain('bow handle');
    for (let n = 0; n < 3; n++) await rig.click('button', 'Sound');
    expect(rig.sentFacts().map((f) => f.kind === 'thingSeen' && [f.thing, f.is])).toEqual([
      ['handle-bow', 'sound'],
      [stockKey('two'), 'sound'],
      [stockKey('one'), 'sound'],
    ]);
    expect(rig.text).toContain('3 of 5 looked at');
    expect(rig.text).toContain('Not looked at yet: 1.');
  });

  it('keeps what is wrong with a worn thing, and leaves the note to that thing alone', async () => {
    const rig = await show();
    await rig.click('button', 'Worn');
    await rig.enter('What is wrong with it', 'eaten by the sun');
    await rig.click('button', 'Save as worn');
    expect(rig.sentFacts()[0]).toEqual(jasmine.objectContaining({ thing: 'handle-bow', is: 'worn', says: 'eaten by the sun' }));
    await rig.click('button', 'Broken');
    await rig.click('button', 'Save as broken');
    expect(rig.sentFacts()[1]).toEqual(jasmine.objectContaining({ thing: stockKey('two'), is: 'broken', says: '' }));
  });

  it('what is not there leaves its holes alone, what was found is deleted, the seat stays', async () => {
    const rig = await show();
    await rig.click('.list button', 'Lamp');
    await rig.click('button', 'Not there');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'keepItem', item: stockKey('two'), to: { is: 'gone' } }),
    ]);
    await rig.click('.list button', 'seat');
    expect(() => rig.find('.how button', 'Not there')).toThrow();
  });

  it('says what is done with a thing, of the hull itself too', async () => {
    const rig = await show();
    await rig.click('mat-button-toggle button', 'Taken off');
    await rig.click('.list button', 'Box');
    await rig.click('mat-button-toggle button', 'Left unused');
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({ kind: 'keepFeature', feature: 'handle-bow', to: { is: 'removed' } }),
      jasmine.objectContaining({ kind: 'keepItem', item: stockKey('box'), to: { is: 'left' } }),
    ]);
  });

  it('adds what the drawing has and this rig does not know of', async () => {
    const { [stockKey('box')]: _, ...others } = stockFittings(HULL);
    const rig = await show(plan(others));
    expect(rig.text).toContain('On the drawing, not in this rig');
    await rig.click('aside button', 'Box');
    expect(rig.sentChanges()).toEqual([jasmine.objectContaining({ kind: 'placeItem', item: stockKey('box') })]);
    expect(rig.text).not.toContain('On the drawing, not in this rig');
  });

  it('takes no signature without a name or a stroke, and one for what was seen', async () => {
    const rig = await show();
    await rig.click('button', 'Sign');
    expect(rig.text).toContain('Signature: sign in the field first.');
    await rig.enter('Name', ' ');
    await rig.click('button', 'Sign');
    expect(rig.text).toContain('Name: who signs?');
    await rig.enter('Name', 'Ada Quill');
    await rig.click('button', 'Sign by the typed name');
    await rig.click('button', 'Sign');
    expect(rig.sentFacts()).toEqual([jasmine.objectContaining({ kind: 'received', name: 'Ada Quill' })]);
    expect(rig.text).toContain('Signed by Ada Quill');
    await rig.click('button', 'Sound');
    expect(rig.text).toContain('a new signature is wanted');
  });
});
