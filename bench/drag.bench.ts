import { CATALOG, SHOP, TOLVANE } from '../demo/index';
import { applyChange, entryOf, type Plan } from '../core/rig';
import { Memory } from '../core/base/stages';
import { deck } from '@plain-cleat/testing/plans';
import { workUp } from '../core/workup';
import { median } from './index';
import { rigOf, UNDER_A_DRAG } from './rigs.bench';

/**
 * Prints how long a drag takes, ms: one of sixty fittings under the finger, standing and casting, what the screen shows of it.
 * `bin/bench` runs it of this commit and of the recorded one by turns; so it asks for nothing that one does not have.
 */
const memory = new Memory();
const input = { hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' };
const seated = rigOf(60);
let plan: Plan = { ...seated, brief: { ...seated.brief, stands: 'both', cast: 'both' } };

function drag(i: number): number {
  const from = entryOf(plan.fittings, 'f20')?.place;
  if (!from) throw new Error('nothing to drag');
  const to = deck(1300 + (i % 40), 60);
  plan = applyChange(plan, { id: '00000000-0000-4000-8000-000000000000', kind: 'slideItem', item: 'f20', from, to }).plan;
  const start = performance.now();
  const w = workUp({ ...input, plan }, memory);
  for (const stage of UNDER_A_DRAG) void w[stage];
  return performance.now() - start;
}

for (let i = 0; i < 60; i++) drag(i);
console.log(median(Array.from({ length: 150 }, (_, i) => drag(i))).toFixed(3));
