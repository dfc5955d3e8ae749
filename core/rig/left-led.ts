import type { DraftChange } from './change';
import { isTrolley, lineWithout } from './line';
import { sameJson } from './same-json';
import type { Plan, Run } from './plan';

/** A cable when some fittings are gone: led past a gland that is; null when one of its ends is. */
export const runWithout = (run: Run, gone: (fitting: string) => boolean): Run | null =>
  gone(run.from) || gone(run.to) ? null : { ...run, via: run.via.filter((w) => w.at !== 'gland' || !gone(w.fitting)) };

/** What becomes of the cables when some fittings go. */
export const runsWithout = ({ runs }: Pick<Plan, 'runs'>, gone: (fitting: string) => boolean): DraftChange[] =>
  Object.entries(runs).flatMap(([run, from]): DraftChange[] => {
    const to = runWithout(from, gone);
    return sameJson(from, to) ? [] : [{ kind: 'routeRun', run, from, to }];
  });

/** What becomes of the lines when some fittings go: led by what is left, or deleted; a trolley that goes takes its ring along. */
export function linesWithout({ lines }: Pick<Plan, 'lines'>, gone: (fitting: string) => boolean): DraftChange[] {
  const left = new Map(Object.entries(lines).map(([id, line]) => [id, lineWithout(line, gone)]));
  const kept = Object.entries(lines).map(([id, line]) => {
    const to = left.get(id) ?? null;
    const through = to?.through.filter((p) => p.at !== 'ring' || left.get(p.line)) ?? [];
    return { id, from: line, to: to && through.length >= 2 ? { ...to, through } : null };
  });
  // What goes through a ring lets go of it before its trolley is deleted.
  return kept
    .sort((a, b) => Number(isTrolley(a.from)) - Number(isTrolley(b.from)))
    .flatMap(({ id, from, to }): DraftChange[] => (sameJson(from, to) ? [] : [{ kind: 'leadLine', line: id, from, to }]));
}
