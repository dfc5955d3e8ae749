import { lateParts } from './dates';
import { cannotHold, offHull, overloaded } from './holding';
import { drilledElsewhere, drillPolicy, holeNearHazard, holeUnderWater, nothingReaches } from './holes';
import { openHoles } from './open-holes';
import { overlap } from './overlap';
import { paddleStroke } from './paddle-stroke';
import { noFuse, notFed, thinWire, wrongSource } from './wires';
import type { Bench, Finding, Judgement } from './finding';

/** Every judgement of the product. A new one is one new file and one line here. */
export const JUDGEMENTS: readonly Judgement[] = [
  paddleStroke,
  overlap,
  offHull,
  cannotHold,
  overloaded,
  drillPolicy,
  holeNearHazard,
  holeUnderWater,
  nothingReaches,
  drilledElsewhere,
  openHoles,
  thinWire,
  noFuse,
  wrongSource,
  notFed,
  lateParts,
];

const WEIGHT = { stop: 0, look: 1, note: 2 } as const;

/** All findings, bow to stern, then by severity. Accepted ones stay listed with their reason. */
export function judge(bench: Bench): Finding[] {
  return JUDGEMENTS.flatMap((judgement) => judgement(bench))
    .map(({ detail, ...raw }): Finding => {
      const key = [raw.code, raw.where, detail].filter(Boolean).join(':');
      const accepted = raw.acceptable === 'nobody' ? null : (bench.plan.accepted[key] ?? null);
      return { ...raw, key, accepted };
    })
    .sort((a, b) => a.x - b.x || WEIGHT[a.severity] - WEIGHT[b.severity] || (a.key < b.key ? -1 : 1));
}

/** Findings nobody has accepted. */
export const unsettled = (findings: readonly Finding[]): Finding[] =>
  findings.filter((f) => !f.accepted && f.severity !== 'note');

export * from './finding';
