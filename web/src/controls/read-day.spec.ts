import { formatISO } from 'date-fns';
import { type DayOrder, readDay } from './read-day';

const TODAY = new Date(2026, 11, 1);
const read = (text: string, order: DayOrder | null = null): string => {
  const day = readDay(text, order, TODAY);
  return day.ok ? formatISO(day.day, { representation: 'date' }) : day.says;
};

describe('a day', () => {
  it('is read as people write it', () => {
    for (const text of [
      ...['12/15/2026', '15/12/2026', '15.12.2026', '15-12-2026', '2026-12-15', '2026/12/15', '15.12.26', '12/15/26'],
      ...['15 Dec', '15 dec 2026', 'Dec 15', 'December 15, 2026', 'Tue 15 Dec 2026', '15th December', 'Tuesday, 15 Dec 2026'],
      ...['15 déc. 2026', '15 décembre', 'mardi 15 décembre 2026', '15/12', '12/15'],
    ])
      expect(read(text)).withContext(text).toBe('2026-12-15');
    expect(read('1er février 2027')).toBe('2027-02-01');
    // Without a year it is the next there is.
    expect([read('1 Dec'), read('30 Nov'), read('3 mars')]).toEqual(['2026-12-01', '2027-11-30', '2027-03-03']);
  });

  it('by two figures that may be either is asked about, unless its writer’s order settles it', () => {
    expect(read('03/04/2026')).toBe('03/04/2026 can be read two ways: write 3 Apr 2026 or 4 Mar 2026.');
    expect([read('03/04/2026', 'day first'), read('03/04/2026', 'month first')]).toEqual(['2026-04-03', '2026-03-04']);
    expect([read('04/04/2026'), read('3.4.2026', 'month first'), read('12/15/2026', 'day first')]).toEqual([
      '2026-04-04',
      '2026-04-03',
      '2026-12-15',
    ]);
  });

  it('that is none says what would be right', () => {
    for (const text of ['', 'soon', '31/02/2026', '2026-13-01', '15', '45/45/2026', '12.15.2026', '99 Dec', '1/2/3/4'])
      expect(read(text)).withContext(text).toContain('Write it like Fri 11 Dec 2026.');
  });
});
