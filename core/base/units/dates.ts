const DAY = 86_400_000;

/** Whole days from one ISO date to another. */
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY);

/** What writes days of a time zone as ISO dates. Making one takes a hundred times as long as using it. */
export const calendarIn = (timeZone: string): Intl.DateTimeFormat =>
  new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' });

/** The ISO date that it was in a time zone at an instant. */
export const dayIn = (instant: string, timeZone: string): string => calendarIn(timeZone).format(new Date(instant));

/** The ISO date so many days after another. */
export const dayAfter = (date: string, days: number): string =>
  new Date(Date.parse(date) + days * DAY).toISOString().slice(0, 10);

/** A clock time of so many minutes after midnight, the next day's too. */
export const printClock = (minutes: number): string =>
  `${Math.floor((minutes % 1440) / 60)}:${String(Math.round(minutes % 60)).padStart(2, '0')}`;
