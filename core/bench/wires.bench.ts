import fc from 'fast-check';
import { median } from './index';
import { CATALOG, SHOP, TOLVANE } from '../../demo/index';
import { dropVolts, GAUGES, type Awg } from '../circuits';
import { applyChange, entryOf, type Plan } from '../rig';
import { Memory } from '../stages';
import { deck, fitted, inputOf } from '../testing/plans';
import { trees, workedTree, type Tree } from '../testing/networks';
import { workUp, type Workup } from '../workup';

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

/** What a load loses in a tree of cables, walked from it to the battery. */
function lost({ nodes, cables, cut }: Tree, id: string, gauge: (cable: string) => Awg): number {
  const below = (node: string): number =>
    (nodes.find((n) => n.id === node)?.power.draw?.amps ?? 0) +
    cables.filter((c) => c.from === node).reduce((s, c) => s + below(c.to), 0);
  let volts = 0;
  for (let c = cables.find((x) => x.to === id); c; c = cables.find((x) => x.to === c?.from))
    volts += dropVolts('E-11', gauge(c.id), below(c.to), 2 * cut(c.id));
  return volts;
}

/** Over small networks: what the rule pays over the cheapest of all gauges that hold. */
const ratios = fc.sample(trees, { seed: 71, numRuns: 150 }).flatMap((tree): number[] => {
  const { sized, rules } = workedTree(tree);
  const floors = tree.cables.map((c) => {
    const { byHeat, byShop, byFuse } = sized.cables.get(c.id) ?? {};
    return GAUGES.filter((g) => [byHeat, byShop, byFuse].every((f) => g <= (f ?? 18)));
  });
  const loads = tree.nodes.filter((n) => n.power.draw);
  let best = Infinity;
  const pick = (i: number, chosen: readonly Awg[], cost: number): void => {
    const c = tree.cables[i];
    if (cost >= best) return;
    if (!c) {
      const gauge = (id: string): Awg => chosen[tree.cables.findIndex((x) => x.id === id)] ?? 18;
      const holds = (n: (typeof loads)[number]): boolean =>
        lost(tree, n.id, gauge) <= (12 * rules.dropPercent[n.power.draw?.of ?? 'other']) / 100 + 1e-9;
      if (loads.every(holds)) best = cost;
      return;
    }
    for (const g of floors[i] ?? []) pick(i + 1, [...chosen, g], cost + rules.price(g) * tree.cut(c.id));
  };
  pick(0, [], 0);
  const paid = tree.cables.reduce((s, c) => s + rules.price(sized.cables.get(c.id)?.awg ?? 18) * tree.cut(c.id), 0);
  return best === Infinity ? [] : [paid / best];
});
const mean = ratios.reduce((a, b) => a + b, 0) / ratios.length;
console.log(
  `gauges of ${ratios.length} small networks: ${mean.toFixed(4)} × the cheapest, ${Math.max(...ratios).toFixed(3)} × at the worst, the very cheapest in ${ratios.filter((r) => r < 1 + 1e-9).length}`,
);
