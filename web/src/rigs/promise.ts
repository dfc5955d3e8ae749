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
  const days = Math.round((Date.parse(promised) - Date.parse(today)) / 86_400_000);
  const day = new Date(`${promised}T12:00:00Z`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  });
  if (days < 0) return { says: `${day} · ${-days} ${days === -1 ? 'day' : 'days'} late`, late: true };
  if (days === 0) return { says: `${day} · today`, late: false };
  return { says: `${day} · ${days} ${days === 1 ? 'day' : 'days'} in hand`, late: false };
}
