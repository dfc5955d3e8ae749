import type { WiredRun } from './wired-run';

/** Where a cable's protection stands, in words of the bench. */
export function guardWords({ guard }: Pick<WiredRun, 'guard'>): string {
  if (!guard) return 'Protected by what stands before it.';
  const what = `${guard.rating ?? '?'} A ${guard.kind}`;
  return guard.way === null ? `${what} right at the battery.` : `${what} in way ${guard.way} of the box.`;
}
