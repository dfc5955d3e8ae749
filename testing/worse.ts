import type { Finding } from '@plain-cleat/core/checks/findings';
import type { Workup } from '@plain-cleat/core/workup';

const RANK = { note: 0, look: 1, stop: 2 } as const;
/** What a tape, a scale or a meter does not tell apart. */
const SAME = 0.5;

/** What is worse after than before, told apart here and not by the product: new, more severe, or by more. */
export function worseThan(before: Pick<Workup, 'findings'>, after: Pick<Workup, 'findings'>): Finding[] {
  const known = new Map(before.findings.map((f) => [f.key, f]));
  return after.findings.filter((now) => {
    const was = known.get(now.key);
    if (!was || RANK[now.severity] > RANK[was.severity]) return true;
    if (RANK[now.severity] < RANK[was.severity] || !now.measure) return false;
    if (!was.measure || was.measure.unit !== now.measure.unit) return true;
    const more = now.measure.amount - was.measure.amount;
    return (now.measure.worse === 'more' ? more : -more) > SAME;
  });
}

/** The same in words. */
export const worseInWords = (before: Pick<Workup, 'findings'>, after: Pick<Workup, 'findings'>): string[] =>
  worseThan(before, after).map((f) => `${f.severity} ${f.key}`);
