import type { Fitted } from '../../holding/fitted';
import { entryOf, isMakers, type Acceptance } from '../../rig';
import { isWorse, type MeasureUnit } from '../../base/units';
import { look, type Check, type Found } from './check';
import { findingKey, type Decider, type Finding, type FindingStep, type Judged } from './finding';
import { CHECKS } from './register';

const NONE: readonly never[] = [];

const howBad = ({ severity, measure = null }: Found): HowBad => ({ severity, measure });

/** Who decides at a step, where a finding leaves it open. */
const AT_STEP: Readonly<Record<FindingStep, Decider>> = {
  brief: 'the owner',
  'lay out': 'the rigger',
  drill: 'the rigger',
  wire: 'the rigger',
  price: 'the front desk',
};

const WEIGHT = { stop: 0, look: 1, note: 2 } as const;

/**
 * All findings, bow to stern, then by severity. What is wrong in several sets is said once, with the
 * sets it is wrong in. Accepted ones stay listed with their reason.
 *
 * @param rig the rig as a whole
 * @param sets what stands aboard in each set; none when the rig has no sets
 * @param checks those of the product, when left out
 */
export function judgeRig(rig: Judged, sets: readonly Judged[], checks = CHECKS): Finding[] {
  const found = new Map<string, { raw: Found; judged: Judged; sets: string[] }>();
  const standers = new Set(rig.stands.filter(onlyInTheWay).map((s) => s.placed.id));
  const take = (raw: Found, judged: Judged): void => {
    const twoOfThem = raw.detail !== undefined && standers.has(raw.detail);
    if (standers.has(raw.where) && (!raw.kind.alsoOfMakers || twoOfThem)) return;
    const { set } = judged;
    const key = findingKey(raw.code, raw.where, raw.detail);
    const known = found.get(key);
    if (!known) found.set(key, { raw, judged, sets: set === null ? [] : [set] });
    else if (set !== null) {
      const worst = gotWorse(howBad(raw), howBad(known.raw)) ? { raw, judged } : known;
      found.set(key, { raw: worst.raw, judged: worst.judged, sets: [...known.sets, set] });
    }
  };
  const ofSets = checks.filter((c) => c.about === 'set');
  const ofRig = checks.filter((c) => c.about !== 'set');
  const done: { readonly judged: Judged; readonly raws: readonly Found[] }[] = [];
  for (const judged of sets.length ? sets : [rig]) {
    // Sets that have the very same things aboard are judged once.
    const alike = done.find((j) => sameAboard(j.judged, judged));
    const raws = alike?.raws ?? judging(rig, ofSets).flatMap((check) => look(check, judged));
    done.push({ judged, raws });
    for (const raw of raws) take(raw, judged);
  }
  for (const check of judging(rig, ofRig)) for (const raw of look(check, rig)) take(raw, rig);
  return [...found]
    .map(([key, { raw, judged, sets: where }]): Finding => {
      const { tries = NONE, severity, kind, says, code, step, because, letter, x, fixable } = raw;
      const { acceptedBy: acceptable = 'anyone', decides = AT_STEP[step] } = kind;
      const measure = raw.measure ?? null;
      const stored = entryOf(rig.plan.accepted, key) ?? null;
      const accepted = acceptable === 'nobody' ? null : stored;
      // Of what came in a file nobody here has accepted anything.
      const lapsed = accepted !== null && (accepted.unproven === true || lapses({ severity, measure }, accepted));
      return {
        key,
        code,
        severity,
        step,
        where: raw.where,
        letter,
        x,
        says,
        because,
        measure,
        acceptable,
        decides,
        accepted: lapsed ? null : accepted,
        lapsed: lapsed ? accepted : null,
        fixable,
        tries: typeof tries === 'function' ? (range) => tries(judged, range) : () => tries,
        sets: where.length === 0 || where.length === sets.length ? null : where,
      };
    })
    .sort((a, b) => a.x - b.x || WEIGHT[a.severity] - WEIGHT[b.severity] || (a.key < b.key ? -1 : 1));
}

/** Those of some checks that can be made: none of a body whose figures are not kept. */
export const judging = ({ plan }: Pick<Judged, 'plan'>, all: readonly Check[]): readonly Check[] =>
  plan.brief.forgotten ? all.filter((check) => !check.ofBody) : all;

const onlyInTheWay = ({ placed: { fitting }, mounted }: Fitted): boolean =>
  mounted.there && (isMakers(fitting) || fitting.becomes?.is === 'left');

/** How bad a finding is: what makes an acceptance lapse, and a fix no fix. */
export type HowBad = Pick<Finding, 'severity' | 'measure'>;

/** Whether a finding is worse than it was: more severe, or as severe and by more. */
export const gotWorse = (now: HowBad, was: HowBad): boolean =>
  now.severity === was.severity ? isWorse(now.measure, was.measure) : WEIGHT[now.severity] < WEIGHT[was.severity];

/**
 * Whether what was accepted has got worse. Acceptances of before measures were kept hold the first figure of the sentence,
 * in millimetres, kilograms or km/h, a margin as its negative; those that hold none do not say what was accepted.
 */
function lapses({ severity, measure }: HowBad, at: Acceptance): boolean {
  const was = at.severity ?? severity;
  if (severity !== was) return WEIGHT[severity] < WEIGHT[was];
  if (at.measure || !measure) return isWorse(measure, at.measure ?? null);
  if (at.size === undefined || !WAS_KEPT.includes(measure.unit)) return true;
  return isWorse(
    { ...measure, worse: 'more', amount: measure.worse === 'more' ? measure.amount : -measure.amount },
    { amount: at.size, unit: measure.unit, worse: 'more' },
  );
}
const WAS_KEPT: readonly MeasureUnit[] = ['mm', 'kg', 'km/h'];

/** What is kept when a finding is accepted. */
export function acceptance({ severity, measure }: HowBad, reason: string, by: string): Acceptance {
  const { amount, unit, worse } = measure ?? {};
  return { reason, by, severity, ...(amount !== undefined && unit && worse ? { measure: { amount, unit, worse } } : {}) };
}

const sameAboard = (a: Judged, b: Judged): boolean =>
  a.hull === b.hull &&
  a.plan.brief === b.plan.brief &&
  a.items.length === b.items.length &&
  a.items.every((item, i) => item === b.items[i]);

/** Findings nobody has accepted. */
export const unsettled = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => !f.accepted && f.severity !== 'note');
