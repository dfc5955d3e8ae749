import fc from 'fast-check';
import {
  askedOf,
  awgArea,
  dropBy,
  flowsOf,
  GAUGES,
  guardsOf,
  networkOf,
  ohmsIn,
  potentialsOf,
  sizeCables,
  type Awg,
  type Cable,
  type Edge,
  type Flow,
  type Guard,
  type Network,
  type Node,
  type Potentials,
  type Sized,
  type SizeRules,
} from '@plain-cleat/core/electric/circuits';

/** Parts and cables of networks that are nowhere aboard. */
export const battery = (id: string, ampHours = 50, volts = 12): Node => ({
  id,
  power: { battery: { ampHours, volts, chemistry: 'lithium' } },
});
export const load = (id: string, amps: number, of: 'electronics' | 'lights' | 'motor' | 'other' = 'other', volts = 12): Node => ({
  id,
  power: { draw: { amps, volts, of } },
});
export const box = (id: string, fused: boolean): Node => ({
  id,
  power: { passes: { amps: 60, ways: 6, ...(fused ? { fused } : {}) } },
});
export const cable = (id: string, from: string, to: string, more: Partial<Cable> = {}): Cable => ({
  id,
  from,
  to,
  way: 1,
  has: 'both',
  ...more,
});

/** What gauges are chosen by in specs. */
export const RULES: SizeRules = {
  standard: 'E-11',
  series: 'AWG',
  dropPercent: { electronics: 3, lights: 3, motor: 5, other: 10, charging: 3 },
  leastAwg: { motor: 6, other: 16 },
  bundled: 'at any voltage',
  price: (awg) => 100 * 1.26 ** (18 - awg),
};

interface Worked {
  readonly network: Network;
  readonly potentials: Potentials;
  readonly flows: readonly Flow[];
  readonly guards: readonly Guard[];
  readonly ohmsOf: (edge: Edge) => number;
  readonly sized: Sized;
}

/** A network worked out with cables of these lengths, mm. */
export function worked(
  nodes: readonly Node[],
  cables: readonly Cable[],
  cut: (cable: string) => number,
  own: Readonly<Record<string, Awg>> = {},
): Worked {
  const network = networkOf(nodes, cables);
  const potentials = potentialsOf(network);
  const ohmsOf = ohmsIn(network, (c) => ({ cut: cut(c), area: awgArea(10) }));
  const flows = flowsOf(network, potentials, ohmsOf);
  const guards = guardsOf(network, flows, askedOf(flows, network), new Map(), () => ({ short: 0, volts: 0 }));
  const lengths = cables.map((c) => ({ cable: c.id, cut: cut(c.id), bundle: 2, own: own[c.id] ?? null }));
  return { network, potentials, flows, guards, ohmsOf, sized: sizeCables(network, flows, lengths, guards, RULES) };
}

/** A random tree: a battery, up to two boxes behind it, loads on any of them. */
export const trees = fc
  .record({
    boxes: fc.array(fc.record({ on: fc.nat(2), fused: fc.boolean() }), { maxLength: 2 }),
    loads: fc.array(
      fc.record({
        on: fc.nat(2),
        amps: fc.double({ min: 0.1, max: 12, noNaN: true }),
        of: fc.constantFrom('electronics' as const, 'lights' as const, 'other' as const),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    cuts: fc.array(fc.double({ min: 150, max: 5000, noNaN: true }), { minLength: 6, maxLength: 6 }),
  })
  .map(({ boxes, loads, cuts }) => {
    const nodes = [
      battery('b'),
      ...boxes.map((x, i) => box(`x${i}`, x.fused)),
      ...loads.map((l, i) => load(`l${i}`, l.amps, l.of)),
    ];
    // Each hangs on the battery or on a box before it.
    const feeder = (on: number, before: number): string => (on === 0 || before === 0 ? 'b' : `x${(on - 1) % before}`);
    const cables = [
      ...boxes.map((x, i) => cable(`cx${i}`, feeder(x.on, i), `x${i}`, { way: i + 1 })),
      ...loads.map((l, i) => cable(`cl${i}`, feeder(l.on, boxes.length), `l${i}`, { way: i + 1 })),
    ];
    const at = new Map(cables.map((c, i) => [c.id, cuts[i] ?? 1000]));
    return { nodes, cables, cut: (id: string): number => at.get(id) ?? 0 };
  });
export type Tree = typeof trees extends fc.Arbitrary<infer T> ? T : never;

/** What a load loses in a tree, by walking from it to the battery: no code of the product but the table. */
export function lostTo({ nodes, cables, cut }: Tree, id: string, gauge: (cable: string) => Awg): number {
  const below = (node: string): number =>
    (nodes.find((n) => n.id === node)?.power.draw?.amps ?? 0) +
    cables.filter((c) => c.from === node).reduce((sum, c) => sum + below(c.to), 0);
  let volts = 0;
  for (let c = cables.find((x) => x.to === id); c; c = cables.find((x) => x.to === c?.from))
    volts += dropBy(RULES, gauge(c.id), below(c.to), 2 * cut(c.id));
  return volts;
}

/** The volts that a load may lose. */
export const allowedOf = (n: Node): number => (12 * RULES.dropPercent[n.power.draw?.of ?? 'other']) / 100;

/** The cheapest gauges that hold every drop, of all there are; Infinity where none do. */
export function cheapest(tree: Tree, sized: Sized): number {
  const floors = tree.cables.map((c) => {
    const { byHeat, byShop, byFuse } = sized.cables.get(c.id) ?? {};
    return GAUGES.filter((g) => [byHeat, byShop, byFuse].every((f) => g <= (f ?? 18)));
  });
  const loads = tree.nodes.filter((n) => n.power.draw);
  let best = Infinity;
  const pick = (i: number, chosen: readonly Awg[], cost: number): void => {
    if (cost >= best) return;
    const c = tree.cables[i];
    if (!c) {
      const gauge = (id: string): Awg => chosen[tree.cables.findIndex((x) => x.id === id)] ?? 18;
      if (loads.every((l) => lostTo(tree, l.id, gauge) <= allowedOf(l) + 1e-9)) best = cost;
      return;
    }
    for (const g of floors[i] ?? []) pick(i + 1, [...chosen, g], cost + RULES.price(g) * tree.cut(c.id));
  };
  pick(0, [], 0);
  return best;
}

/** What the gauges of a tree cost, in the terms of the cheapest. */
export const paidFor = ({ cables, cut }: Tree, sized: Sized): number =>
  cables.reduce((sum, c) => sum + RULES.price(sized.cables.get(c.id)?.awg ?? 18) * cut(c.id), 0);
