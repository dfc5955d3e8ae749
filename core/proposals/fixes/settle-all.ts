import { unsettled, type Finding } from '../../checks/findings';
import { applyChange, asOne, singleChanges, type Change, type SimpleChange } from '../../rig';
import { Memory } from '../../base/stages';
import type { Sentence } from '../../base/units';
import { withParts, workUp, type WorkupInput } from '../../workup';
import { searchFixes, type FixSearch } from './search-fixes';

/** One of the fixes that go together, with the letter of what it settles. */
export interface SettledBy {
  readonly letter: string;
  readonly says: Sentence;
}

/** What settles as much as can be settled together. */
export interface SettledAll {
  readonly before: { readonly stops: number; readonly looks: number };
  readonly after: { readonly stops: number; readonly looks: number };
  readonly by: readonly SettledBy[];
  /** All of it as one; null where nothing settles anything. */
  readonly change: Change | null;
}

/** What of a rig is searched: findings of a step, and how. */
export interface SettleSearch extends FixSearch {
  /** Whether a finding is one of those to be settled. */
  readonly isOne: (finding: Finding) => boolean;
}

/** Fixes are taken no oftener than this: each takes something away, so it never comes to it (judgement). */
const MOST = 60;

/** A rig, and what was worked out of rigs much like it. */
interface Worked {
  readonly input: WorkupInput;
  readonly memory: Memory;
}

const openOf = ({ input, memory }: Worked, isOne: SettleSearch['isOne']): Finding[] =>
  unsettled(workUp(input, memory).findings).filter(isOne);

const countOf = (open: readonly Finding[]): SettledAll['before'] => ({
  stops: open.filter((f) => f.severity === 'stop').length,
  looks: open.filter((f) => f.severity === 'look').length,
});

/**
 * Fixes that go together: one after the other, what stops first, each searched on what those before it left; what stops is searched
 * again until none of it is settled any more. Where a stop stays that others were settled before, once more with it first; the
 * better of the two.
 */
export function settleAll(asked: WorkupInput, search: SettleSearch): SettledAll {
  const rig = { input: withParts(asked, search.range), memory: new Memory() };
  const before = openOf(rig, search.isOne);
  const first = inTurn(rig, search, []);
  const late = first.left.filter((f) => f.severity === 'stop' && first.after.has(f.key)).map((f) => f.key);
  const second = late.length ? inTurn(rig, search, late) : first;
  const best = weight(second.left) < weight(first.left) ? second : first;
  return { before: countOf(before), after: countOf(best.left), by: best.by, change: asOne(best.changes, search.newId) };
}

const weight = (left: readonly Finding[]): number => {
  const { stops, looks } = countOf(left);
  return 1000 * stops + looks;
};

interface Turn {
  readonly by: readonly SettledBy[];
  readonly changes: readonly SimpleChange[];
  readonly left: readonly Finding[];
  /** Findings for which a fix was first sought after another had been taken. */
  readonly after: ReadonlySet<string>;
}

/** Fix after fix, those named first. */
function inTurn({ input, memory }: Worked, search: SettleSearch, firstOf: readonly string[]): Turn {
  const by: SettledBy[] = [];
  const changes: SimpleChange[] = [];
  const sought = new Set<string>();
  const after = new Set<string>();
  let now = input;
  const open = (): Finding[] => openOf({ input: now, memory }, search.isOne);
  const rank = (f: Finding): number => Number(!firstOf.includes(f.key)) * 2 + Number(f.severity !== 'stop');
  // What is no stop is sought once: what was settled since rarely lets it go.
  const next = (): Finding[] =>
    open()
      .filter((f) => f.fixable && (f.severity === 'stop' || !sought.has(f.key)))
      .sort((a, b) => rank(a) - rank(b));
  let queue = next();
  let settled = false;
  while (by.length < MOST && !search.shouldStop?.()) {
    const finding = queue.shift();
    if (!finding) {
      if (!settled) break;
      [settled, queue] = [false, next()];
      continue;
    }
    if (by.length && !sought.has(finding.key)) after.add(finding.key);
    sought.add(finding.key);
    const [fix] = searchFixes(now, finding, { ...search, memory });
    if (!fix) continue;
    by.push({ letter: finding.letter, says: fix.says });
    changes.push(...singleChanges(fix.change));
    now = { ...now, plan: applyChange(now.plan, fix.change).plan };
    settled = true;
    const left = new Map(open().map((f) => [f.key, f]));
    queue = queue.flatMap((f) => left.get(f.key) ?? []);
  }
  return { by, changes, left: open(), after };
}
