import { TestBed } from '@angular/core/testing';
import { leadWell } from '@plain-cleat/core/proposals/fixes';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Fitting, Plan } from '@plain-cleat/core/rig';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import { of } from 'rxjs';
import { OpenRig } from '../testing/open-rig';
import { TEST_LAMP, TEST_PART, testPlan } from '../testing/rig';
import { LineComparison } from './lines-proposed';
import Wire from '../wire/wire';

const tied = (id: string, as: 'pulley' | 'jam cleat', more: Partial<Part> = {}): Part => ({
  ...TEST_PART,
  ...{ holes: TEST_LAMP.holes, holding: { ...TEST_LAMP.holding, usual: { newtons: 100, height: 0.05 } } },
  ...{ id, name: id, ties: [{ id: 'tie', name: as, u: 0, v: 0, w: 20, leads: { as, takes: 6, over: 20 } }] },
  ...more,
});
const PARTS: Part[] = [
  tied('pulley', 'pulley'),
  tied('cleat', 'jam cleat'),
  { ...TEST_PART, id: 'anchor', name: 'Anchor', moors: { as: 'anchor', kg: 1.36 } },
];
const at = (part: string, x: number, y: number, hold: Fitting['mount']['hold'] = 'through'): Fitting => ({
  ...{ part, place: { on: 'deck', x, y, heading: 0 }, lift: 0, mount: { hold, plate: false, reason: '' } },
  ...{ suppliedBy: 'shop', note: '' },
});
const plan = (): Plan => ({
  ...testPlan(),
  fittings: {
    fore: at('pulley', 300, 0),
    aft: at('pulley', 2700, 0),
    cleat: at('cleat', 1700, 300),
    hook: at('anchor', 2400, 0, 'loose'),
  },
});

describe('lines', () => {
  const show = async (lines: Plan['lines'] = {}): Promise<OpenRig<Wire>> => {
    // What a worker does elsewhere is done here at once.
    const propose = (input: WorkupInput) => of(leadWell(input, workUp(input)));
    TestBed.overrideComponent(Wire, {
      remove: { providers: [LineComparison] },
      add: { providers: [{ provide: LineComparison, useValue: { propose } }] },
    });
    const rig = await OpenRig.show(Wire, { ...plan(), lines }, { catalog: { parts: PARTS, consumables: [] } });
    await rig.click('[role=tab]', 'Lines');
    return rig;
  };
  const lines = (rig: OpenRig<Wire>) => Object.values(rig.store.state()?.plan.lines ?? {});

  it('are proposed by what is aboard, with why; what is changed then is the rigger’s', async () => {
    const rig = await show();
    expect(rig.text).toContain('No line yet.');
    await rig.click('button', 'Propose the lines');
    expect(lines(rig).map((l) => l.use)).toEqual(['anchor trolley', 'anchor line']);
    expect(rig.text).toContain('As proposed. A loop between');
    await rig.choose('Cord', 'nylon');
    expect(lines(rig)[0]).toEqual(jasmine.objectContaining({ of: 'nylon' }));
    expect(lines(rig)[0]?.proposed).toBeUndefined();
    expect(rig.text).toContain('What is aboard has its lines.');
  });

  it('say what is missing when one is added from nowhere, and what stands against one in a stream', async () => {
    const rig = await show();
    await rig.submit('form.new');
    expect(rig.faultOf('From')).toContain('Say where it begins');
    await rig.click('button', 'Propose the lines');
    await rig.click('button.link', 'anchor line');
    await rig.click('mat-expansion-panel-header', 'Where it is to hold');
    await rig.enter('Stream', 'fast');
    expect(rig.faultOf('Stream')).toContain('is not a number');
    await rig.enter('Stream', '5');
    expect(lines(rig)[1]?.ground?.stream).toBeGreaterThan(4);
    expect(rig.text).toContain('lighter than wind and stream ask');
    await rig.choose('Bottom', 'rock');
    expect(rig.text).toContain('Nothing breaks away where the anchor fouls on rock');
  });

  it('are led by a further point, in another order, and deleted', async () => {
    const rig = await show();
    await rig.click('button', 'Propose the lines');
    await rig.click('button.link', 'anchor line');
    await rig.click('mat-expansion-panel-header', 'Points it is led by');
    await rig.choose('Lead it by', 'A, pulley of pulley');
    await rig.submit('form.point');
    const led = () => lines(rig)[1]?.through.map((p) => (p.at === 'tie' ? p.tie : 'ring'));
    expect(led()).toEqual(['ring', 'fore.tie', 'cleat.tie']);
    await rig.click('button.link', 'Earlier');
    expect(led()).toEqual(['fore.tie', 'ring', 'cleat.tie']);
    await rig.click('button', 'Delete this line');
    expect(lines(rig).map((l) => l.use)).toEqual(['anchor trolley']);
  });
});
