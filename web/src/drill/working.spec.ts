import type { BitRound } from '@plain-cleat/core/holding/drilling';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { doneWord, tasksOf } from './working';

const hole = (id: string, bit?: number, more: object = {}): PlannedHole =>
  ({ id, label: id, drilled: bit === undefined ? null : { bit }, reused: false, ...more }) as unknown as PlannedHole;
const rounds: BitRound[] = [
  { bit: { mm: 3.2, name: '1/8' }, work: 'pilot', holes: ['b', 'a'] },
  { bit: { mm: 6.4, name: '1/4' }, work: 'step up', holes: ['a'] },
  { bit: { mm: 12.7, name: '1/2' }, work: 'final', holes: ['a'] },
];

describe('the order of the drill', () => {
  it('is bit by bit, each by its walk, and a hole is done in a round once it is so large', () => {
    const tasks = tasksOf(rounds, [hole('a', 6.35), hole('b')]);
    expect(tasks.map((t) => [t.hole.id, t.round.work, t.done])).toEqual([
      ['b', 'pilot', false],
      ['a', 'pilot', true],
      ['a', 'step up', true],
      ['a', 'final', false],
    ]);
  });

  it('says what is done to a hole', () => {
    const [pilot, , step, final] = tasksOf(rounds, [hole('a'), hole('b')]);
    expect([pilot, step, final].map((t) => t && doneWord(t))).toEqual(['piloted', 'stepped up', 'drilled']);
    const [, , again] = tasksOf(rounds, [hole('a', 5, { reused: true })]);
    expect(again && doneWord(again)).toBe('opened up');
  });
});
