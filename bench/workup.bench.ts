import { median } from './index';
import { rigOf, UNDER_A_DRAG } from './rigs.bench';
import { CATALOG, SHOP, TOLVANE } from '../demo/index';
import { applyChange, entryOf, type Place, type Plan } from '../core/rig';
import { Memory } from '../core/base/stages';
import { deck, fitted } from '@plain-cleat/testing/plans';
import { STAGES, workUp, type Workup, type WorkupInput } from '../core/workup';

type Stage = keyof Workup;
const ALL = STAGES.names as readonly Stage[];
/** Milliseconds that each stage takes when those before it are there. */
function timed(input: WorkupInput, stages: readonly Stage[], memory = new Memory()): number[] {
  const w = workUp(input, memory);
  return stages.map((stage) => {
    const start = performance.now();
    void w[stage];
    return performance.now() - start;
  });
}

/** Medians of the stages over many goes: of a fresh workup, and of each step of a drag. */
function measure(
  plan: Plan,
  item = 'f20',
  to = (i: number): Place => deck(1300 + (i % 40), 60),
): { full: number[]; dragged: number[]; fullAll: number; draggedAll: number } {
  const input = { plan, hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' };
  const memory = new Memory();
  let now = plan;
  const drag = (i: number): number[] => {
    const from = entryOf(now.fittings, item)?.place;
    if (!from) throw new Error('nothing to drag');
    now = applyChange(now, {
      id: '00000000-0000-4000-8000-000000000000',
      kind: 'slideItem',
      item,
      from,
      to: to(i),
    }).plan;
    return timed({ ...input, plan: now }, UNDER_A_DRAG, memory);
  };
  for (let i = 0; i < 20; i++) drag(i);
  const drags = Array.from({ length: 100 }, (_, i) => drag(i));
  // The first few are slower: the engine is still learning what they do.
  const fulls = Array.from({ length: 20 }, () => timed(input, ALL)).slice(5);
  const byStage = (runs: readonly number[][], stages: readonly Stage[]): number[] =>
    stages.map((_, k) => median(runs.map((run) => run[k] ?? NaN)));
  const whole = (runs: readonly number[][]): number => median(runs.map((run) => run.reduce((a, b) => a + b, 0)));
  return {
    full: byStage(fulls, ALL),
    dragged: byStage(drags, UNDER_A_DRAG),
    fullAll: whole(fulls),
    draggedAll: whole(drags),
  };
}

const seated = rigOf(60);
const standing: Plan = { ...seated, brief: { ...seated.brief, stands: 'both', cast: 'both' } };
const sets = Object.fromEntries(['day', 'troll', 'guest'].map((name, order) => [name, { name, order }]));
const copy = median(
  Array.from({ length: 200 }, () => {
    const start = performance.now();
    JSON.parse(JSON.stringify(seated));
    return performance.now() - start;
  }),
);
const times = (ms: number): string => `${(ms / copy).toFixed(1)} ×`.padStart(9);
const FRAME = 1000 / 60;
const { holes } = workUp({ plan: seated, hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' }).drilling;
// The first are slower: the engine is still learning what they do.
measure(standing);
console.log(`${Object.keys(seated.fittings).length} fittings, ${Object.keys(seated.runs).length} runs, ${holes.length} holes`);
console.log(`plain JSON copy of the plan        1.0 ×  (${copy.toFixed(3)} ms)`);
for (const [name, plan] of [
  ['seated', seated],
  ['standing and casting', standing],
  ['standing and casting, three sets', { ...standing, sets }],
] as const) {
  const { full, dragged, fullAll, draggedAll } = measure(plan);
  console.log(name);
  console.log(`  full    ${times(fullAll)}  (${fullAll.toFixed(1)} ms)`);
  console.log(`  a drag  ${times(draggedAll)}  (${draggedAll.toFixed(2)} ms, ${(draggedAll / FRAME).toFixed(2)} of a frame)`);
  for (const [i, stage] of ALL.entries()) {
    const k = UNDER_A_DRAG.indexOf(stage);
    console.log(
      `    ${stage.padEnd(10)}${times(full[i] ?? NaN)}  ${k < 0 ? '   unread' : times(dragged[k] ?? NaN)} under a drag`,
    );
  }
}
// Six things loose in one room, one of them under the finger: it may slide against each of the others.
const within = (x: number, y: number): Place => ({ on: 'space', space: 'bow-hold', x, y, heading: 0 });
const below = Object.fromEntries(
  [460, 560, 660, 760, 860].map((x, i) => [`in${i}`, fitted('battery-spare', within(x, i % 2 ? 110 : -110), 'loose')]),
);
const stowed: Plan = {
  ...standing,
  fittings: { ...standing.fittings, ...below, held: fitted('battery-30', within(640, 0), 'loose') },
};
// By turns, the first of them to learn by.
const turns = Array.from({ length: 4 }, () => ({
  inside: measure(stowed, 'held', (i) => within(620 + (i % 40), 0)).draggedAll,
  outside: measure(stowed).draggedAll,
})).slice(1);
const ratio = median(turns.map((t) => t.inside / t.outside));
const [inside, outside] = [median(turns.map((t) => t.inside)), median(turns.map((t) => t.outside))];
console.log(
  `a drag inside takes ${ratio.toFixed(2)} times as long as one on deck (${inside.toFixed(1)} and ${outside.toFixed(1)} ms)`,
);
const small = measure({ ...rigOf(30), brief: standing.brief });
const large = measure({ ...rigOf(120), brief: standing.brief });
console.log(`four times the fittings, 30 to 120: a drag takes ${(large.draggedAll / small.draggedAll).toFixed(1)} times as long`);
