import { fr } from 'date-fns/locale';
import { DayIn, dayWords, momentWords } from './days';

describe('a day in words', () => {
  it('is the day that is written, wherever the tablet stands', () => {
    expect(dayWords('2026-12-11')).toBe('11 Dec 2026');
    expect(dayWords('2026-12-11', 'EEE d MMM')).toBe('Fri 11 Dec');
    expect(dayWords('2026-12-11', 'd MMMM yyyy', fr)).toBe('11 décembre 2026');
  });

  it('of a moment is the day where the shop is', () => {
    // Half past seven in the evening in New York is the next day by universal time (IANA time zones, -5 h in December).
    expect(momentWords('2026-12-12T00:30:00Z', 'America/New_York', 'EEE d MMM HH:mm')).toBe('Fri 11 Dec 19:30');
    expect(momentWords('2026-12-11T23:30:00Z', 'Australia/Sydney', 'd MMM yyyy')).toBe('12 Dec 2026');
    expect(new DayIn().transform('2026-12-12T00:30:00Z', 'America/New_York')).toBe('11 Dec 2026');
    expect(new DayIn().transform(undefined, 'UTC')).toBe('');
  });
});
