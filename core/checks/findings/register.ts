import type { Check, Kind } from './check';
import * as checks from './checks';
import type { Acceptable, Finding } from './finding';

type All = (typeof checks)[keyof typeof checks];

/** What a finding is about, whatever fitting it is found at. */
export type FindingCode = All extends infer C ? (C extends Check<infer Code> ? Code : never) : never;

/** Every check there is. */
export const CHECKS: readonly Check[] = Object.values(checks);

/** Everything that can be found, by its code. */
export const KINDS = Object.fromEntries(CHECKS.flatMap(({ finds }) => Object.entries(finds))) as Readonly<
  Record<FindingCode, Kind>
>;

/** Every code of a finding. */
export const FINDING_CODES = Object.keys(KINDS) as readonly FindingCode[];

/** Who may accept the finding of a key; of a key that is no finding's anybody may, for it accepts nothing. */
export function whoAccepts(key: string): Acceptable {
  const code = FINDING_CODES.find((one) => key.startsWith(`${one}:`));
  return (code && KINDS[code].acceptedBy) ?? 'anyone';
}

/** Whether a finding is one of some kinds. */
export const isOneOf = (codes: readonly FindingCode[], { code }: Pick<Finding, 'code'>): boolean =>
  (codes as readonly string[]).includes(code);
