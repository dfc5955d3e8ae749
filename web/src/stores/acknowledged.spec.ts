import type { RigSince } from '@plain-cleat/api';
import { applyChange, type Change, type Fact, type Plan } from '@plain-cleat/core/rig';
import { newsOf, rigDocument } from '../testing/open-rig';
import { laidPlan } from '../testing/rig';
import { type ServerSide, withChange, withFacts, withNews } from './acknowledged';

const idOf = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const fact = (id: string): Fact =>
  ({ id, kind: 'stepDone', step: id, rig: 'plan-1', by: 'Mara', deviceTime: 't', serverTime: 't' }) as Fact;
const named = (n: number, from: string, to: string): Change => ({ id: idOf(n), kind: 'nameRig', from, to });

describe('what the server has of a rig', () => {
  const plan = laidPlan();
  const at = (more: Partial<ServerSide['doc']> = {}, facts: readonly Fact[] = []): ServerSide => ({
    doc: { ...rigDocument(plan), ...more },
    serverPlan: plan,
    serverFacts: facts,
  });
  /** So many renamings one after another, as they are told, from a version on. */
  const renamed = (from: number, to: number): NonNullable<RigSince['changes']> =>
    Array.from({ length: to - from }, (_, i) => ({
      version: from + i + 1,
      change: named(from + i, from + i === 0 ? plan.title : `name ${from + i}`, `name ${from + i + 1}`),
    }));

  it('goes on by others’ changes, to the plan that the server has', () => {
    const told = renamed(0, 3);
    const theirs = told.reduce<Plan>((p, { change }) => applyChange(p, change).plan, plan);
    const after = withNews(at(), newsOf({ version: 3, changes: told, place: 'yard', signed: true }));
    expect(after?.serverPlan).toEqual(theirs);
    expect([after?.doc.version, after?.doc.place, after?.doc.signed]).toEqual([3, 'yard', true]);
    // Nothing that is the same is another.
    expect(after?.serverPlan.fittings).toBe(plan.fittings);
  });

  it('passes over what an acknowledgement brought before', () => {
    const [first, second] = renamed(0, 2);
    if (!first || !second) return fail('two');
    const one = applyChange(plan, first.change).plan;
    const now: ServerSide = { ...at({ version: 1 }), serverPlan: one };
    expect(withNews(now, newsOf({ version: 2, changes: [first, second] }))?.serverPlan.title).toBe('name 2');
  });

  it('is fetched anew where the news does not follow, takes another revision, or is too much', () => {
    const [first, second] = renamed(0, 2);
    if (!first || !second) return fail('two');
    const adopt: Change = { id: idOf(9), kind: 'adoptPart', item: 'box', from: null, to: 2 };
    const pin: Change = { id: idOf(9), kind: 'adoptRevision', pin: 'limits', from: 1, to: 2 };
    const refused: readonly (readonly [string, RigSince])[] = [
      ['a change is missing', newsOf({ version: 2, changes: [second] })],
      ['the last is missing', newsOf({ version: 2, changes: [first] })],
      ['it does not fit', newsOf({ version: 1, changes: [{ version: 1, change: named(1, 'another name', 'x') }] })],
      ['too much', newsOf({ version: 900, changes: null })],
      ['another part', newsOf({ version: 1, changes: [{ version: 1, change: adopt }] })],
      [
        'other settings among others',
        newsOf({
          version: 1,
          changes: [{ version: 1, change: { id: idOf(8), kind: 'together', changes: [first.change, pin] as never } }],
        }),
      ],
      ['a fact is missing', newsOf({ factCount: 2, facts: [fact('b')] })],
    ];
    for (const [why, told] of refused) expect(withNews(at(), told)).withContext(why).toBeNull();
  });

  it('has others’ facts in the server’s order, with mine that came before them among them', () => {
    const [a, b, mine, c] = ['a', 'b', 'mine', 'c'].map(fact) as [Fact, Fact, Fact, Fact];
    // Mine is acknowledged as the third while only the first is known here.
    const gap = withFacts(at({ factCount: 1 }, [a]), { factCount: 3, facts: [mine] });
    expect([gap.doc.factCount, gap.serverFacts]).toEqual([1, [a, mine]]);
    const after = withNews(gap, newsOf({ facts: [b, mine, c], factCount: 4 }));
    expect([after?.doc.factCount, after?.serverFacts]).toEqual([4, [a, b, mine, c]]);
    // Without a gap it counts on, and twice is once.
    const whole = withFacts(at({ factCount: 1 }, [a]), { factCount: 2, facts: [mine] });
    expect([whole.doc.factCount, withFacts(whole, { factCount: 2, facts: [mine] }).serverFacts.length]).toEqual([2, 2]);
  });

  it('keeps the newer plan when my own acknowledgement comes after it, and logs mine once', () => {
    const change = named(1, plan.title, 'mine');
    const done = { version: 1, plan: { ...plan, title: 'mine' }, rebased: false, repeated: false };
    const sent = { what: 'change' as const, change, undoes: null };
    const after = withChange(at(), sent, done);
    expect([after.serverPlan.title, after.doc.version, after.doc.mine.map((m) => m.id)]).toEqual(['mine', 1, [change.id]]);
    expect(withChange(after, sent, { ...done, repeated: true }).doc.mine.length).toBe(1);
    const newer = withChange({ ...at({ version: 2 }), serverPlan: { ...plan, title: 'theirs' } }, sent, done);
    expect([newer.serverPlan.title, newer.doc.version]).toEqual(['theirs', 2]);
  });

  it('takes up what I did elsewhere, to be undone here too', () => {
    const [told] = renamed(0, 1);
    if (!told) return fail('one');
    const mine = [{ id: told.change.id, version: 1, undoes: null, inverse: applyChange(plan, told.change).inverse }];
    const after = withNews(at(), newsOf({ version: 1, changes: [told], mine }));
    expect(after?.doc.mine).toEqual(mine);
    const again = after && withNews(after, newsOf({ version: 1, changes: [told], mine }));
    expect(again?.doc.mine.length).toBe(1);
  });
});
