import fc from 'fast-check';
import type { Plan } from '.';
import { setsInOrder, standsOf } from './stands';
import { deck, emptyPlan, fitted, inputOf } from '@plain-cleat/testing/plans';
import { Memory } from '../base/stages';
import { workUp } from '../workup';
import { runs } from '../../testing/runs';

const sets = { b: { name: 'second', order: 2 }, a: { name: 'first', order: 1 }, c: { name: 'third', order: 3 } };
const planOf = (fittings: Plan['fittings']): Plan => ({ ...emptyPlan(), sets, fittings });
const on = (fitting: string) => ({ on: 'fitting' as const, fitting, u: 0, v: 0, heading: 0 });

describe('stands', () => {
  it('sets come in their order, and without sets each fitting stands once', () => {
    expect(setsInOrder(planOf({}))).toEqual(['a', 'b', 'c']);
    const [only, ...none] = standsOf({ ...emptyPlan(), fittings: { x: fitted('crate-open', deck(2700, 0), 'loose') } });
    expect([only?.sets, only?.elsewhere, none.length]).toEqual([null, '', 0]);
  });

  it('each set has a fitting exactly once, or not at all (property)', () => {
    const some = fc.subarray(['a', 'b', 'c']);
    fc.assert(
      fc.property(some, some, (member, elsewhere) => {
        const plan = planOf({
          x: fitted('crate-open', deck(2700, 0), 'loose', {
            sets: member,
            elsewhere: Object.fromEntries(elsewhere.map((s, i) => [s, deck(2500 + i * 40, 0)])),
          }),
        });
        const here = standsOf(plan).flatMap((s) => s.sets ?? []);
        return here.length === member.length && member.every((s) => here.includes(s));
      }),
      { seed: 61 },
    );
  });

  it('what stands on a moved fitting stands elsewhere with it, however deep', () => {
    const plan = planOf({
      base: fitted('crate-open', deck(2700, 0), 'loose', { elsewhere: { b: deck(2860, 0) } }),
      mid: fitted('rod-tubes-crate-2', on('base'), 'loose'),
      top: fitted('camera-hood', on('mid'), 'loose'),
    });
    const top = standsOf(plan).filter((s) => s.id === 'top');
    expect(top.map((s) => [s.elsewhere, s.sets])).toEqual([
      ['', ['a', 'c']],
      ['b', ['b']],
    ]);
    const shown = workUp({ ...inputOf(plan.fittings, { sets }), set: 'b' });
    expect(shown.aboard.items.find((i) => i.placed.id === 'top')?.placed.frame.origin.x ?? 0).toBeGreaterThan(2850);
  });

  it('what is in no set makes no holes and stays the owner’s', () => {
    const w = workUp(inputOf({ e: fitted('pad-eye', deck(3300, 0), 'through', { sets: [] }) }, { sets }));
    expect([w.drilling.holes.length, w.aboard.owned.length, w.price.lines.some((l) => l.fitting === 'e')]).toEqual([0, 1, true]);
  });

  it('a memory remembers across sets and gives what a fresh one gives (property)', () => {
    const memory = new Memory();
    const coordinate = fc.integer({ min: 400, max: 3200 });
    fc.assert(
      fc.property(coordinate, coordinate, fc.constantFrom('a', 'b', null), (x, away, set) => {
        const input = {
          ...inputOf(
            {
              base: fitted('crate-tight', deck(2700, 0), 'loose', { elsewhere: { b: deck(away, 0) } }),
              tubes: fitted('rod-tubes-crate-2', { ...on('base'), u: 258 }, 'loose'),
              eye: fitted('pad-eye', deck(x, 120), 'through'),
            },
            { sets },
          ),
          set,
        };
        const [kept, fresh] = [workUp(input, memory), workUp(input)];
        const seen = (w: typeof kept): unknown => [
          w.findings,
          w.aboard.items.map((i) => i.placed.frame.origin),
          w.drilling.holes.map((h) => h.id),
        ];
        return JSON.stringify(seen(kept)) === JSON.stringify(seen(fresh));
      }),
      { seed: 62, numRuns: runs(40) },
    );
  });
});
