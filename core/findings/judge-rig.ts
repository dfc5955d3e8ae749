import type { Fitted } from '../drilling';
import { entryOf, isMakers, type Acceptance } from '../rig';
import type { Sentence } from '../units';
import { acceptedBy, findingKey } from './codes';
import type { Finding, Judged, Judgement, Raw } from './finding';
import { IN_THE_WAY, JUDGEMENTS, OF_THE_BODY } from './judgements';

const NONE: readonly never[] = [];

const WEIGHT = { stop: 0, look: 1, note: 2 } as const;

/**
 * All findings, bow to stern, then by severity. What is wrong in several sets is said once, with the
 * sets it is wrong in. Accepted ones stay listed with their reason.
 *
 * @param rig the rig as a whole
 * @param sets what stands aboard in each set; none when the rig has no sets
 * @param judgements those of the product, when left out
 */
export function judgeRig(rig: Judged, sets: readonly Judged[], { ofSets, ofRig } = JUDGEMENTS): Finding[] {
  const found = new Map<string, { raw: Raw; judged: Judged; sets: string[] }>();
  const standers = new Set(rig.stands.filter(onlyInTheWay).map((s) => s.placed.id));
  const take = (raw: Raw, judged: Judged): void => {
    const twoOfThem = raw.detail !== undefined && standers.has(raw.detail);
    if (standers.has(raw.where) && (!IN_THE_WAY.has(raw.code) || twoOfThem)) return;
    const { set } = judged;
    const key = findingKey(raw.code, raw.where, raw.detail);
    const known = found.get(key);
    if (!known) found.set(key, { raw, judged, sets: set === null ? [] : [set] });
    else if (set !== null) {
      const worst = WEIGHT[raw.severity] < WEIGHT[known.raw.severity] ? { raw, judged } : known;
      found.set(key, { raw: worst.raw, judged: worst.judged, sets: [...known.sets, set] });
    }
  };
  const done: { readonly judged: Judged; readonly raws: readonly Raw[] }[] = [];
  for (const judged of sets.length ? sets : [rig]) {
    // Sets that have the very same things aboard are judged once.
    const alike = done.find((j) => sameAboard(j.judged, judged));
    const raws = alike?.raws ?? judging(rig, ofSets).flatMap((judgement) => judgement(judged));
    done.push({ judged, raws });
    for (const raw of raws) take(raw, judged);
  }
  for (const judgement of judging(rig, ofRig)) for (const raw of judgement(rig)) take(raw, rig);
  return [...found]
    .map(([key, { raw, judged, sets: where }]): Finding => {
      const { tries = NONE, severity, says, code, step, because, letter, x, curable } = raw;
      const acceptable = acceptedBy(code);
      const size = sizeOf(says);
      const stored = entryOf(rig.plan.accepted, key) ?? null;
      const accepted = acceptable === 'nobody' ? null : stored;
      const lapsed = accepted !== null && worse(severity, size, accepted);
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
        size,
        acceptable,
        accepted: lapsed ? null : accepted,
        lapsed: lapsed ? accepted : null,
        curable,
        tries: typeof tries === 'function' ? (range) => tries(judged, range) : () => tries,
        sets: where.length === 0 || where.length === sets.length ? null : where,
      };
    })
    .sort((a, b) => a.x - b.x || WEIGHT[a.severity] - WEIGHT[b.severity] || (a.key < b.key ? -1 : 1));
}

/** Those of some judgements that can be made: none of a body whose figures are not kept. */
export const judging = ({ plan }: Pick<Judged, 'plan'>, all: readonly Judgement[]): readonly Judgement[] =>
  plan.brief.forgotten ? all.filter((judgement) => !OF_THE_BODY.includes(judgement)) : all;

const onlyInTheWay = ({ placed: { fitting }, mounted }: Fitted): boolean =>
  mounted.there && (isMakers(fitting) || fitting.becomes?.is === 'left');

/** The first figure of a sentence, as more is worse: one printed down is a margin, the less the worse. */
function sizeOf(says: Sentence): number | null {
  const first = says.find((part) => typeof part === 'object');
  if (typeof first !== 'object') return null;
  if ('kg' in first) return first.kg;
  if ('kmh' in first) return first.kmh;
  return first.how === 'down' ? -first.mm : first.mm;
}

/** So little more is no worse (judgement): a millimetre. */
const SLACK = 1;

const worse = (severity: Finding['severity'], size: number | null, at: Acceptance): boolean =>
  (at.severity !== undefined && WEIGHT[severity] < WEIGHT[at.severity]) ||
  (at.size !== undefined && size !== null && size > at.size + SLACK);

const sameAboard = (a: Judged, b: Judged): boolean =>
  a.hull === b.hull &&
  a.plan.brief === b.plan.brief &&
  a.items.length === b.items.length &&
  a.items.every((item, i) => item === b.items[i]);

/** Findings nobody has accepted. */
export const unsettled = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => !f.accepted && f.severity !== 'note');
