const DAY = 86_400_000;

/** Whole days from one ISO date to another. */
export const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY);

/** The ISO date so many days after another. */
export const dayAfter = (date: string, days: number): string =>
  new Date(Date.parse(date) + days * DAY).toISOString().slice(0, 10);
