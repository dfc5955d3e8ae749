import { Memory, rowOf } from './index';

/** A row over a plan of two fields, which counts how often each stage was worked out. */
function counted() {
  const times = { sum: 0, twice: 0, unread: 0 };
  const row = rowOf<{ plan: { a: number; b: number; note: string } }>()
    .stage('sum', ['plan.a', 'plan.b'], ({ a, b }) => (times.sum++, { of: a + b }))
    .stage('twice', ['sum.of'], ({ of }) => (times.twice++, 2 * of))
    .stage('unread', ['plan'], () => times.unread++);
  return { row, times };
}

describe('a row of stages', () => {
  it('works a stage out when it is read, and none that nobody reads', () => {
    const { row, times } = counted();
    const w = row.run({ plan: { a: 1, b: 2, note: '' } });
    expect(times).toEqual({ sum: 0, twice: 0, unread: 0 });
    expect([w.twice, w.twice]).toEqual([6, 6]);
    expect(times).toEqual({ sum: 1, twice: 1, unread: 0 });
  });

  it('looks a stage up while what it reads is the same, whatever else changed', () => {
    const { row, times } = counted();
    const memory = new Memory();
    const first = row.run({ plan: { a: 1, b: 2, note: '' } }, memory).sum;
    const again = row.run({ plan: { a: 1, b: 2, note: 'another plan' } }, memory);
    expect(again.sum).toBe(first);
    expect(row.run({ plan: { a: 2, b: 2, note: '' } }, memory).twice).toBe(8);
    expect(times.sum).toBe(2);
  });

  it('answers in any order: an earlier result read late is still its own', () => {
    const { row } = counted();
    const memory = new Memory();
    const early = row.run({ plan: { a: 1, b: 1, note: '' } }, memory);
    const late = row.run({ plan: { a: 5, b: 5, note: '' } }, memory);
    expect([late.twice, early.twice, late.twice]).toEqual([20, 4, 20]);
  });

  it('reads some things only where something else is so', () => {
    const { row, times } = counted();
    const more = row.stageWith(
      'asked',
      ['plan.note'],
      (w) => ({ twice: w.plan.note ? w.twice : null }),
      ({ note, twice }) => `${note} ${twice ?? 'unasked'}`,
    );
    expect(more.run({ plan: { a: 1, b: 1, note: '' } }).asked).toBe(' unasked');
    expect(times.twice).toBe(0);
    expect(more.run({ plan: { a: 1, b: 1, note: 'twice:' } }).asked).toBe('twice: 4');
    expect(times.twice).toBe(1);
  });

  it('takes a new domain as one line', () => {
    const { row } = counted();
    const more = row.stage('half', ['sum.of'], ({ of }) => of / 2);
    expect(more.names).toEqual(['sum', 'twice', 'unread', 'half']);
    expect(more.run({ plan: { a: 3, b: 3, note: '' } }).half).toBe(3);
  });
});

describe('memory', () => {
  let made = 0;
  const make = (): number => ++made;
  beforeEach(() => (made = 0));

  it('keeps the last of a name while every read is identical', () => {
    const memory = new Memory();
    const thing = {};
    expect([memory.last('x', [thing, 1], make), memory.last('x', [thing, 1], make)]).toEqual([1, 1]);
    expect([memory.last('x', [{}, 1], make), memory.last('x', [thing, NaN], make)]).toEqual([2, 3]);
    expect([memory.last('x', [thing, NaN], make), memory.last('x', [thing], make)]).toEqual([3, 4]);
  });

  it('keeps the last dozen variants of a name', () => {
    const memory = new Memory();
    for (let i = 0; i < 12; i++) memory.among('x', String(i), make);
    expect(memory.among('x', '0', make)).toBe(1);
    memory.among('x', 'one more', make);
    expect(memory.among('x', '0', make)).toBe(14);
  });

  it('keeps what is about a thing, or about two, apart by what is asked', () => {
    const memory = new Memory();
    const [a, b] = [{}, {}];
    expect([memory.of('x', a, make), memory.of('y', a, make), memory.of('x', b, make), memory.of('x', a, make)]).toEqual([
      1, 2, 3, 1,
    ]);
    expect([memory.pair('x', a, b, make), memory.pair('x', b, a, make), memory.pair('x', a, b, make)]).toEqual([4, 5, 4]);
  });

  it('forgets a memory within it when what that reads is another', () => {
    const memory = new Memory();
    const hull = {};
    expect(memory.while('known', [hull])).toBe(memory.while('known', [hull]));
    expect(memory.while('known', [hull]).last('x', [], make)).toBe(1);
    expect(memory.while('known', [{}]).last('x', [], make)).toBe(2);
  });
});
