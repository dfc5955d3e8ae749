import type { DraftChange } from './change';
import { entryOf } from './entry-of';
import { isTrolley, lineWithout } from './line';
import { sameJson } from './same-json';
import type { Plan } from './plan';
import type { Run } from './run';

/** A cable when some fittings are gone: led past a gland that is; null when one of its ends is. */
export const runWithout = (run: Run, gone: (fitting: string) => boolean): Run | null =>
  gone(run.from) || gone(run.to) ? null : { ...run, via: run.via.filter((w) => w.at !== 'gland' || !gone(w.fitting)) };

/** What becomes of the cables when some fittings go. */
export const runsWithout = ({ runs }: Pick<Plan, 'runs'>, gone: (fitting: string) => boolean): DraftChange[] =>
  Object.entries(runs).flatMap(([run, from]): DraftChange[] => {
    const to = runWithout(from, gone);
    return sameJson(from, to) ? [] : [{ kind: 'routeRun', run, from, to }];
  });

/** The lines that are left when some fittings go: led by what is left; a trolley that goes takes its ring along. */
export function linesKept(lines: Plan['lines'], gone: (fitting: string) => boolean): Plan['lines'] {
  const left = new Map(
    Object.entries(lines).flatMap(([id, line]) => {
      const to = lineWithout(line, gone);
      return to ? [[id, to] as const] : [];
    }),
  );
  return Object.fromEntries(
    [...left].flatMap(([id, line]) => {
      const through = line.through.filter((p) => p.at !== 'ring' || left.has(p.line));
      return through.length < 2 ? [] : [[id, { ...line, through }]];
    }),
  );
}

/** What becomes of the lines when some fittings go. */
export function linesWithout({ lines }: Pick<Plan, 'lines'>, gone: (fitting: string) => boolean): DraftChange[] {
  const kept = linesKept(lines, gone);
  // What goes through a ring lets go of it before its trolley is deleted.
  return Object.entries(lines)
    .sort(([, a], [, b]) => Number(isTrolley(a)) - Number(isTrolley(b)))
    .flatMap(([line, from]): DraftChange[] => {
      const to = entryOf(kept, line) ?? null;
      return sameJson(from, to) ? [] : [{ kind: 'leadLine', line, from, to }];
    });
}
