import fc from 'fast-check';
import { median } from './index';
import { CATALOG, SHOP, TOLVANE } from '../demo/index';
import { applyChange, entryOf, type Plan } from '../core/rig';
import { Memory } from '../core/base/stages';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { cheapest, paidFor, trees, worked } from '@plain-cleat/testing/networks';
import { workUp, type Workup } from '../core/workup';

/** A battery, ten relay boxes and fifty loads on their ways: sixty cables. */
function sixty(): Plan {
  const { plan } = inputOf({});
  const loads = CATALOG.parts.filter((p) => p.power?.draw && p.power.draw.of !== 'motor');
  const fittings: Plan['fittings'] = { battery: fitted('battery-100', deck(600, 0), 'loose') };
  const runs: Plan['runs'] = {};
  const run = (from: string, to: string, way?: number): Plan['runs'][string] => ({
    ...{ from, to, lane: Number(to.slice(1)) % 2 ? 'inside port' : 'inside starboard', via: [], awg: null },
    ...(way ? { way, name: to } : {}),
  });
  for (let i = 0; i < 10; i++) {
    fittings[`x${i}`] = fitted('relay-box', deck(700 + 200 * i, 0), 'loose');
    runs[`x${i}`] = run('battery', `x${i}`);
    for (let k = 1; k <= 5; k++) {
      const id = `l${i * 5 + k}`;
      const part = loads[(i * 5 + k) % loads.length];
      if (part) fittings[id] = fitted(part.id, deck(400 + 50 * (i * 5 + k), k % 2 ? 200 : -200), part.holding.ways[0] ?? 'loose');
      runs[id] = run(`x${i}`, id, k);
    }
  }
  return { ...plan, fittings, runs };
}

const STAGES_READ: readonly (keyof Workup)[] = ['surface', 'ledger', 'parts', 'layout', 'aboard', 'drilling', 'weight'];
const input = { hull: TOLVANE, facts: [], catalog: CATALOG, shop: SHOP, asOf: '2026-06-01' };

/** Medians over a drag of one fitting: the layout alone, and wiring, circuits and their findings on top. */
function dragged(plan: Plan, item: string): { layout: number; wires: number; findings: number } {
  const memory = new Memory();
  let now = plan;
  const steps = Array.from({ length: 60 }, (_, i) => {
    const from = entryOf(now.fittings, item)?.place;
    if (!from) throw new Error('nothing to drag');
    const to = deck(1500 + i, 150);
    now = applyChange(now, { id: '00000000-0000-4000-8000-000000000000', kind: 'slideItem', item, from, to }).plan;
    const w = workUp({ ...input, plan: now }, memory);
    const timed = (read: () => unknown): number => {
      const start = performance.now();
      read();
      return performance.now() - start;
    };
    return {
      layout: timed(() => STAGES_READ.forEach((s) => void w[s])),
      wires: timed(() => [w.wiring, w.circuits]),
      findings: timed(() => w.findings),
    };
  }).slice(15);
  const of = (pick: (s: (typeof steps)[number]) => number): number => median(steps.map(pick));
  return { layout: of((s) => s.layout), wires: of((s) => s.wires), findings: of((s) => s.findings) };
}

const plan = sixty();
const FRAME = 1000 / 60;
for (const [what, item] of [
  ['a load', 'l20'],
  ['a box', 'x4'],
] as const) {
  const { layout, wires, findings } = dragged(plan, item);
  console.log(
    `${Object.keys(plan.runs).length} cables, ${what} dragged: sized and solved ${wires.toFixed(2)} ms, ${(wires / FRAME).toFixed(2)} of a frame, ${(wires / layout).toFixed(2)} × the layout; all findings ${findings.toFixed(2)} ms`,
  );
}

/** Over small networks: what the rule pays over the cheapest of all gauges that hold. */
const ratios = fc.sample(trees, { seed: 71, numRuns: 150 }).flatMap((tree): number[] => {
  const { sized } = worked(tree.nodes, tree.cables, tree.cut);
  const best = cheapest(tree, sized);
  return best === Infinity ? [] : [paidFor(tree, sized) / best];
});
const mean = ratios.reduce((a, b) => a + b, 0) / ratios.length;
console.log(
  `gauges of ${ratios.length} small networks: ${mean.toFixed(4)} × the cheapest, ${Math.max(...ratios).toFixed(3)} × at the worst, the very cheapest in ${ratios.filter((r) => r < 1 + 1e-9).length}`,
);
