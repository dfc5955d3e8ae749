import { judgeLines, type Found, type FindingsInput } from '../../checks/findings';
import { leadLines, lineChanges, otherLeads, proposeLines, type LineProposal, type LineProposalInput } from '../../lines';
import { tiedFitting, type Line, type Plan } from '../../rig';
import { Memory } from '../../base/stages';
import { capital, say } from '../../base/units';
import type { Workup, WorkupInput } from '../../workup';

/** What a finding weighs while lines are compared (judgement): a stop more than any number of looks, a look than notes. */
const WEIGHS = { stop: 10_000, look: 100, note: 1 } as const;

/**
 * Lines for what is aboard, each in its turn led otherwise, one thing at a time, as long as less is said against it and the
 * others. What no way avoids is left for the rigger to see.
 */
export function leadWell(input: Pick<WorkupInput, 'plan' | 'hull' | 'shop' | 'asOf' | 'others'>, w: Workup): LineProposal {
  const { plan } = input;
  const asked: LineProposalInput = { plan, owned: w.aboard.owned, surface: w.surface, ledger: w.ledger };
  const proposed = proposeLines(asked);
  const memory = new Memory();
  const kept = Object.entries(plan.lines).filter(([, l]) => !l.proposed);
  let lines: Plan['lines'] = Object.fromEntries([...kept, ...[...proposed.lines].map(([id, { line }]) => [id, line] as const)]);
  const judge = (id: string, line: Line): Found[] => judgeLines(judgedWith(input, w, { ...lines, [id]: line }, memory), memory);
  const best = new Map(proposed.lines);
  for (const [id, { line }] of proposed.lines) {
    const first = { line, raws: judge(id, line) };
    let now = first;
    // What nothing is said against needs no other way.
    for (let before = null; before !== now && now.raws.some((f) => f.where === id);) {
      before = now;
      for (const other of otherLeads(before.line, asked)) {
        const raws = judge(id, other);
        if (weightOf(raws) < weightOf(now.raws)) now = { line: other, raws };
      }
    }
    if (now === first) continue;
    lines = { ...lines, [id]: now.line };
    const [worst] = first.raws.filter((f) => f.where === id).sort((a, b) => WEIGHS[b.severity] - WEIGHS[a.severity]);
    best.set(id, { line: now.line, why: say`${ledBy(now.line, w)}. Else: ${worst?.says ?? []}` });
  }
  return { ...proposed, lines: best, changes: lineChanges(plan, best) };
}

const weightOf = (raws: readonly Found[]): number => raws.reduce((sum, f) => sum + WEIGHS[f.severity], 0);

/** How a line is led, in words: over the deck by C, E. */
function ledBy({ way, through, carries }: Line, { aboard: { owned } }: Workup): string {
  const letters = through.flatMap((p) => {
    const fitting = p.at === 'tie' ? tiedFitting(p.tie) : null;
    return fitting === carries ? [] : owned.filter((i) => i.placed.id === fitting).map((i) => i.letter);
  });
  return `${capital(way)}${letters.length ? ` by ${letters.join(', ')}` : ''}`;
}

/** What is judged, with other lines. */
function judgedWith(
  { plan, hull, shop, asOf, others = [] }: Parameters<typeof leadWell>[0],
  w: Workup,
  lines: Plan['lines'],
  memory: Memory,
): FindingsInput {
  const { surface, seats, ledger, weight, layout, aboard, wiring, circuits, ashore } = w;
  const led = leadLines({ surface, lines, owned: aboard.owned, ledger, seats, weight, shop }, memory);
  return {
    ...{
      plan: { ...plan, lines },
      seats,
      hull,
      shop,
      asOf,
      ledger,
      layout,
      aboard,
      others,
      wiring,
      circuits,
      weight,
      ashore,
    },
    ...{ oldHoles: w.drilling.oldHoles, lines: led, day: null, tests: null, checks: [] },
  };
}
