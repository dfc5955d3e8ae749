/** What a finding is measured in, each with how little more is no worse: less than a tape, a scale or a meter tells apart (judgement). */
const SLACK = {
  mm: 0.5,
  kg: 0.05,
  N: 0.5,
  '°': 0.05,
  A: 0.05,
  V: 0.005,
  '%': 0.05,
  'km/h': 0.05,
  h: 0.05,
  min: 0.5,
  days: 0,
  litres: 0.05,
  count: 0,
  times: 0.005,
} as const;

export type MeasureUnit = keyof typeof SLACK;
export const MEASURE_UNITS = Object.keys(SLACK) as [MeasureUnit, ...MeasureUnit[]];

/** How bad a finding is: how much was found, against how much is let pass, and which way is worse. */
export interface Measure {
  readonly amount: number;
  readonly unit: MeasureUnit;
  /** The most or the least that is let pass; null where any of it is too much. */
  readonly limit: number | null;
  readonly worse: 'more' | 'less';
}

/** What has no end is as much as can be kept. */
const finite = (amount: number): number => Math.max(-1e9, Math.min(1e9, amount));

/** Too much of something. */
export const over = (amount: number, unit: MeasureUnit, limit: number | null = null): Measure => ({
  amount: finite(amount),
  unit,
  limit,
  worse: 'more',
});

/** Too little of something. */
export const under = (amount: number, unit: MeasureUnit, limit: number | null = null): Measure => ({
  amount: finite(amount),
  unit,
  limit,
  worse: 'less',
});

/** What is kept of a measure: enough to tell later whether it got worse. */
export type Amount = Pick<Measure, 'amount' | 'unit' | 'worse'>;

/**
 * Whether one measure is worse than another of the same thing, by more than can be told apart. What is measured in
 * another unit, the other way, or not at all any more cannot be compared, and is taken to be worse: the careful side.
 */
export function isWorse(now: Amount | null, than: Amount | null): boolean {
  if (!now) return false;
  if (now.unit !== than?.unit || now.worse !== than.worse) return true;
  const more = now.worse === 'more' ? now.amount - than.amount : than.amount - now.amount;
  return !(more <= SLACK[now.unit]);
}
