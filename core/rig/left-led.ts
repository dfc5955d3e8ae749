import type { DraftChange } from './change';
import { isTrolley, lineWithout } from './line';
import { sameJson } from './same-json';
import type { Plan } from './plan';

/** What becomes of the cables when some fittings go: deleted with their ends, led past a gland that is gone. */
export const runsWithout = ({ runs }: Pick<Plan, 'runs'>, gone: (fitting: string) => boolean): DraftChange[] =>
  Object.entries(runs).flatMap(([run, from]): DraftChange[] => {
    if (gone(from.from) || gone(from.to)) return [{ kind: 'routeRun', run, from, to: null }];
    const via = from.via.filter((w) => w.at !== 'gland' || !gone(w.fitting));
    return via.length === from.via.length ? [] : [{ kind: 'routeRun', run, from, to: { ...from, via } }];
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
