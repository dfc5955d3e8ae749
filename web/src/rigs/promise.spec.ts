import { promiseOf } from './promise';

describe('a promise', () => {
  for (const [promised, says, late] of [
    ['2026-06-05', 'Fri 5 Jun · 2 days in hand', false],
    ['2026-06-04', 'Thu 4 Jun · 1 day in hand', false],
    ['2026-06-03', 'Wed 3 Jun · today', false],
    ['2026-06-02', 'Tue 2 Jun · 1 day late', true],
    ['2026-05-30', 'Sat 30 May · 4 days late', true],
    [null, 'no day promised', false],
  ] as const)
    it(`for ${promised} reads "${says}" on 3 June`, () => {
      const p = promiseOf(promised, '2026-06-03');
      expect(p.says.replace(',', '')).toBe(says);
      expect(p.late).toBe(late);
    });
});
