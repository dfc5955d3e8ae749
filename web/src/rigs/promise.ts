import { differenceInCalendarDays, parseISO } from 'date-fns';
import { dayWords } from '../controls/days';

/** A promise in words on its tag. */
export interface Promise_ {
  readonly says: string;
  readonly late: boolean;
}

/**
 * Says how a promised day stands to today.
 * @param promised ISO date, or null when nothing was promised
 */
export function promiseOf(promised: string | null, today: string): Promise_ {
  if (!promised) return { says: 'no day promised', late: false };
  const days = differenceInCalendarDays(parseISO(promised), parseISO(today));
  const day = dayWords(promised, 'EEE d MMM');
  if (days < 0) return { says: `${day} · ${-days} ${days === -1 ? 'day' : 'days'} late`, late: true };
  if (days === 0) return { says: `${day} · today`, late: false };
  return { says: `${day} · ${days} ${days === 1 ? 'day' : 'days'} in hand`, late: false };
}
