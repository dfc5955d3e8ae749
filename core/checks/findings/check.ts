import type { Acceptable, Decider, Judged, Raw, Severity } from './finding';

/** One thing that a check may find: what it is called, how bad it is, and who has a say in it. */
export interface Kind {
  /** In a list of what is checked. */
  readonly called: string;
  /** How bad; several where the check says which of them. */
  readonly severity: Severity | readonly Severity[];
  /** Who may accept it with a reason; anyone, when left out. What nobody may does not hold, float or feed. */
  readonly acceptedBy?: Acceptable;
  /** Who decides what is done about it where there is no fix; whoever works at its step, when left out. */
  readonly decides?: Decider;
  /**
   * Whether it is also said of a thing that stands as the maker of the hull fitted it, or was left unused: what it does to
   * others. How well a maker held it and where they put it is their affair, and nobody reaches for what is not used.
   */
  readonly alsoOfMakers?: true;
  /** The version of the rig file it came with: plans of before were not judged by it. */
  readonly since: number;
}

/** A check: what it finds, what it is about, and how it judges. One is one file, and one line in `checks.ts`. */
export interface Check<Code extends string = string> {
  /** Judged once for each set, of what stands aboard together; once for the rig; or of lines, however they are led. */
  readonly about: 'set' | 'rig' | 'lines';
  /** Judged of a body: not at all when its figures are not kept. */
  readonly ofBody?: true;
  readonly finds: Readonly<Record<Code, Kind>>;
  readonly judge: (judged: Judged) => readonly Raw[];
}

/** A check as it describes itself. */
export const check = <const Code extends string>(described: Check<Code>): Check<Code> => described;

/** What a check found, with how bad it is. */
export type Found = Raw & { readonly severity: Severity; readonly kind: Kind };

/**
 * What a check finds in a rig, as it describes it.
 * @throws RangeError when it finds what it does not describe, or does not say how bad it is where that depends
 */
export function look({ finds, judge }: Check, judged: Judged): Found[] {
  return judge(judged).map((raw) => {
    const kind = finds[raw.code];
    if (!kind) throw new RangeError(`A check finds ${raw.code}, which it does not describe`);
    const severities = [kind.severity].flat();
    const severity = raw.severity ?? (severities.length === 1 ? severities[0] : undefined);
    if (!severity || !severities.includes(severity))
      throw new RangeError(`${raw.code} is not said to be ${severity ?? 'left out'}`);
    return { ...raw, severity, kind };
  });
}
