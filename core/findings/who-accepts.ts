export type Acceptable = 'anyone' | 'manager' | 'nobody';

/**
 * Who may accept a finding, by its code: what nobody may, since it does not hold, float or feed; what only a manager
 * may. All else anyone may who signs for it with a reason.
 */
const ACCEPTED_BY = new Map<string, Acceptable>([
  ['cannot-float', 'nobody'],
  ['cannot-hold', 'nobody'],
  ['does-not-join', 'nobody'],
  ['fabric-drilled', 'nobody'],
  ['hole-under-water', 'manager'],
  ['hull-off', 'nobody'],
  ['no-fuse', 'nobody'],
  ['off-hull', 'nobody'],
  ['overloaded', 'nobody'],
  ['stands-on-nothing', 'nobody'],
  ['swapped-together', 'nobody'],
  ['wire-overheats', 'nobody'],
  ['wrong-source', 'nobody'],
]);

/** Who may accept a finding, by its code. */
export const acceptedBy = (code: string): Acceptable => ACCEPTED_BY.get(code) ?? 'anyone';

/** Who may accept the finding of a key, which begins with its code. */
export const whoAccepts = (key: string): Acceptable =>
  [...ACCEPTED_BY].find(([code]) => key === code || key.startsWith(`${code}:`))?.[1] ?? 'anyone';
