import { STOCKED as HULL } from '../../testing/stocked';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { workUp, type Workup } from '../workup';
import { applyChange, type Change, type Fitting, type Plan } from './index';

const work = (fittings: Plan['fittings'], more: Partial<Plan> = {}, facts: object[] = []): Workup =>
  workUp(inputOf(fittings, more, facts as never, HULL));

describe('a part of one’s own', () => {
  const rack: Plan['own'][string] = {
    ...{ name: 'Rod rack of pipe', kind: 'rod rack', shape: { is: 'box', length: 300, width: 120 }, height: 250, massKg: 1.2 },
    ...{ ways: ['through'], bolts: { count: 4, along: 240, across: 80, thread: 'M6' }, offers: [], ports: 0, carries: false },
    ...{ sinks: true, cents: null, photo: null },
    made: { minutes: 90, of: [{ what: 'pipe', count: 2, cents: 640 }] },
  };
  const own = { rack };
  const aboard = (suppliedBy: Fitting['suppliedBy'] = 'home-made'): Plan['fittings'] => ({
    r: fitted('own-rack', deck(3250, 0), 'through', { suppliedBy }),
  });

  it('stands, weighs, is drilled for and priced like any other; made here, its hours are charged before it is fastened', () => {
    const w = work(aboard(), { own });
    const bare = work({});
    expect(w.aboard.items.map((i) => i.placed.part.name)).toEqual(['Rod rack of pipe']);
    expect(w.weight.gearKg - bare.weight.gearKg).toBeCloseTo(1.2, 9);
    expect(w.drilling.holes.length).toBe(4);
    expect(w.price.lines.find((l) => l.fitting === 'r')?.cents).toBe(1280);
    expect(w.price.labor.find((l) => l.says === 'Make: Rod rack of pipe')?.minutes).toBe(90);
    const fasten = w.build.steps.find((s) => s.id === 'fasten.r');
    expect(fasten?.needs).toContain('make.r');
    expect(w.findings.some((f) => f.code === 'comes-loose')).toBeFalse();
  });

  it('that the owner brings costs nothing and takes no hours', () => {
    const w = work(aboard("owner's own"), { own });
    expect(w.price.lines.find((l) => l.fitting === 'r')?.cents).toBe(0);
    expect(w.build.steps.some((s) => s.work === 'make')).toBeFalse();
  });

  it('cannot be deleted while it is aboard', () => {
    const plan = { ...inputOf(aboard(), { own }, [], HULL).plan };
    const gone = { id: crypto.randomUUID(), kind: 'makePart', part: 'rack', from: rack, to: null } as Change;
    expect(() => applyChange(plan, gone)).toThrowError(/take it off before/);
    expect(applyChange({ ...plan, fittings: {} }, gone).plan.own).toEqual({});
  });

  it('that differs from another by case or Unicode form alone is refused as one with it', () => {
    const plan = { ...inputOf({}, { own }, [], HULL).plan };
    const make = (name: string) =>
      applyChange(plan, { id: crypto.randomUUID(), kind: 'makePart', part: 'two', from: null, to: { ...rack, name } } as Change);
    const accented = { ...plan, own: { rack: { ...rack, name: 'Étagère pour cannes' } } };
    for (const name of ['ROD RACK OF PIPE', 'Rod  rack of pipe ', 'Rod rack of pipe'])
      expect(() => make(name)).toThrowError(/another part of your own is called Rod rack of pipe/);
    expect(() =>
      applyChange(accented, {
        ...{ id: crypto.randomUUID(), kind: 'makePart', part: 'two', from: null },
        to: { ...rack, name: 'e\u0301tage\u0300re pour cannes' },
      } as Change),
    ).toThrowError(/give this one another name/);
    expect(Object.keys(make('Rod rack of board').plan.own)).toEqual(['rack', 'two']);
  });

  it('that is only wished for counts in the price from the first, at the price that was named', () => {
    const wish = { text: 'a rack for six rods', part: null, count: 2, cents: 4500 };
    const w = work({}, { wishes: { w: wish } });
    expect(w.price.lines.find((l) => l.key === 'wish.w')?.cents).toBe(9000);
    expect(w.price.totals.partsCents - work({}).price.totals.partsCents).toBe(9000);
    expect(work({}, { wishes: { w: { ...wish, part: 'pad-eye' } } }).price.totals.partsCents).toBe(0);
  });
});
