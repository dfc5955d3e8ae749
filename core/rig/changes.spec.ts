import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { deck } from '@plain-cleat/testing/plans';
import { battery, CHANGES, crate, laid, run, sounder } from '@plain-cleat/testing/changes';
import { applyChange, type Change, changeSchema, Clash, type Plan, planSchema, singleChanges, Refused, sameJson } from './index';
import { runs } from '../../testing/runs';

const id = (): string => randomUUID();

describe('changes', () => {
  for (const c of CHANGES)
    it(`${c.kind} is undone by its inverse, to the letter`, () => {
      expect(changeSchema.safeParse(c).success).toBeTrue();
      const before = laid();
      const { plan: after, inverse, touched } = applyChange(before, c);
      expect(sameJson(after, before)).toBeFalse();
      expect(planSchema.safeParse(after).success).toBeTrue();
      expect(touched.length).toBeGreaterThan(0);
      expect(applyChange(after, inverse).plan).toEqual(before);
    });

  it('every kind has a spec', () => {
    const kinds = new Set([...CHANGES, ...CHANGES.flatMap(singleChanges)].map((c) => c.kind));
    expect(changeSchema.options.map((o) => o.shape.kind.value).filter((k) => !kinds.has(k))).toEqual([]);
  });

  it('any sequence is undone by its inverses in reverse (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...CHANGES), { maxLength: 12 }), (sequence) => {
        let now = laid();
        const inverses: Change[] = [];
        for (const c of sequence) {
          try {
            const applied = applyChange(now, c);
            now = applied.plan;
            inverses.push(applied.inverse);
          } catch (error) {
            if (!(error instanceof Clash || error instanceof Refused)) throw error;
          }
        }
        return sameJson(
          inverses.reverse().reduce((p, c) => applyChange(p, c).plan, now),
          laid(),
        );
      }),
      { seed: 11, numRuns: runs(300) },
    );
  });

  it('does not touch the plan it is given', () => {
    const before = laid();
    const copy = structuredClone(before);
    for (const c of CHANGES) applyChange(before, c);
    expect(before).toEqual(copy);
  });

  it('clashes on the same field with both values, and only there', () => {
    const theirs = applyChange(laid(), { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2500, 0) }).plan;
    expect(() =>
      applyChange(theirs, { id: id(), kind: 'slideItem', item: 'g', from: crate.place, to: deck(2900, 0) }),
    ).toThrowMatching(
      (e: Clash) =>
        e instanceof Clash &&
        e.field === 'fittings/g/place' &&
        sameJson(e.found, deck(2500, 0)) &&
        sameJson(e.wanted, deck(2900, 0)),
    );
    expect(applyChange(theirs, { id: id(), kind: 'liftItem', item: 'g', from: 0, to: 50 }).plan.fittings.g?.lift).toBe(50);
  });

  it('clashes when the fitting was taken off meanwhile', () => {
    const gone = applyChange(laid(), { id: id(), kind: 'takeOffItem', item: 'g', from: crate }).plan;
    expect(() => applyChange(gone, { id: id(), kind: 'liftItem', item: 'g', from: 0, to: 50 })).toThrowError(Clash);
  });

  it('refuses to leave a run without its end, or a run to itself', () => {
    expect(() => applyChange(laid(), { id: id(), kind: 'takeOffItem', item: 's', from: sounder })).toThrowError(Refused);
    expect(() =>
      applyChange(laid(), { id: id(), kind: 'routeRun', run: 'x', from: null, to: { ...run, to: 'nobody' } }),
    ).toThrowError(Refused);
    expect(() => applyChange(laid(), { id: id(), kind: 'routeRun', run: 'x', from: null, to: { ...run, to: 'b' } })).toThrowError(
      Refused,
    );
  });

  it('refuses a fitting that would stand on itself, hang from one that is gone, or join an unknown set', () => {
    const on = (fitting: string) => ({ on: 'fitting' as const, fitting, u: 0, v: 0, heading: 0 });
    const slide = (item: string, from: Plan['fittings'][string]['place'], to: typeof from): Change => ({
      id: id(),
      kind: 'slideItem',
      item,
      from,
      to,
    });
    const carried = applyChange(laid(), slide('b', battery.place, on('g'))).plan;
    expect(() => applyChange(carried, slide('g', crate.place, on('b')))).toThrowError(Refused, /stand on itself/);
    expect(() => applyChange(carried, slide('g', crate.place, on('g')))).toThrowError(Refused);
    expect(() => applyChange(carried, { id: id(), kind: 'takeOffItem', item: 'g', from: crate })).toThrowError(
      Refused,
      /stands on/,
    );
    expect(() => applyChange(laid(), { id: id(), kind: 'joinSets', item: 'g', from: null, to: ['no-such'] })).toThrowError(
      Refused,
    );
    const away = applyChange(laid(), { id: id(), kind: 'joinSets', item: 'g', from: null, to: ['away'] }).plan;
    expect(() =>
      applyChange(away, { id: id(), kind: 'nameSet', set: 'away', from: { name: 'away', order: 1 }, to: null }),
    ).toThrowError(Refused);
  });

  it('refuses keys that could reach a prototype, by schema', () => {
    for (const item of ['__proto__', 'a b', '', '../x', 'x'.repeat(80)])
      expect(changeSchema.safeParse({ id: id(), kind: 'liftItem', item, from: 0, to: 1 }).success).toBeFalse();
  });
});
