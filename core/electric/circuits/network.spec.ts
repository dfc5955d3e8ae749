import fc from 'fast-check';
import {
  allowedOf,
  battery,
  box,
  cable,
  cheapest,
  load,
  lostTo,
  paidFor,
  RULES,
  trees,
  worked,
} from '@plain-cleat/testing/networks';
import { ampacityOf } from './wire-rules';
import {
  chooseFuse,
  connectedBy,
  dropBy,
  inAll,
  networkOf,
  potentialsOf,
  protects,
  shortAt,
  solveCircuit,
  stillFed,
  type Awg,
  type Cable,
  type Network,
  type Node,
} from './index';

describe('a network', () => {
  it('hangs together by conductors: a load without a way back, without a feed, on 24 V of two batteries in a row', () => {
    const of = (cables: readonly Cable[], id = 'l') => {
      const network = networkOf([battery('a'), battery('b'), load('l', 1), load('m', 1)], cables);
      const p = network.loads.find((x) => x.fitting === id);
      return p && connectedBy(potentialsOf(network), p);
    };
    expect(of([cable('1', 'a', 'l')])).toEqual({ is: 'fed', volts: 12 });
    expect(of([cable('1', 'a', 'l')], 'm')).toEqual({ is: 'not fed' });
    expect(of([cable('1', 'a', 'l', { has: 'plus' })])).toEqual({ is: 'no way back' });
    expect(of([cable('1', 'a', 'l', { has: 'plus' }), cable('2', 'b', 'l', { has: 'minus' })])).toEqual({ is: 'no way back' });
    const row = [
      cable('0', 'a', 'b', { has: 'series' }),
      cable('1', 'b', 'l', { has: 'plus' }),
      cable('2', 'a', 'l', { has: 'minus' }),
    ];
    expect(of(row)).toEqual({ is: 'fed', volts: 24 });
    expect(of([cable('0', 'a', 'b'), cable('1', 'b', 'l')])).toEqual({ is: 'fed', volts: 12 });
  });

  it('finds a plus joined to a minus, and batteries of other volts side by side', () => {
    const shorts = (nodes: readonly Node[], cables: readonly Cable[]): number =>
      potentialsOf(networkOf(nodes, cables)).shorts.length;
    expect(shorts([battery('a'), battery('b')], [cable('1', 'a', 'b')])).toBe(0);
    expect(shorts([battery('a'), battery('b', 50, 24)], [cable('1', 'a', 'b')])).toBeGreaterThan(0);
    expect(shorts([battery('a'), battery('b')], [cable('1', 'a', 'b'), cable('2', 'a', 'b', { has: 'series' })])).toBeGreaterThan(
      0,
    );
  });

  it('of two batteries side by side each carries its share by what lies between; a load in a row goes through both', () => {
    const nodes = [battery('a'), battery('b'), load('l', 10)];
    const side = worked(nodes, [cable('1', 'a', 'b'), cable('2', 'b', 'l')], (c) => (c === '1' ? 1000 : 2000));
    const ohms = (0.01724 * 1) / 5.26;
    // Two equal sources of 0.8/50 Ω, one behind a metre there and back of 10 AWG: a current divider by hand.
    const inside = 0.8 / 50;
    const share = inside / (2 * inside + 2 * ohms);
    expect(Math.abs(side.flows[0]?.shares.get('1 out') ?? NaN)).toBeCloseTo(share, 3);
    const row = worked(
      [battery('a'), battery('b'), load('l', 10, 'other', 24)],
      [cable('0', 'a', 'b', { has: 'series' }), cable('1', 'b', 'l', { has: 'plus' }), cable('2', 'a', 'l', { has: 'minus' })],
      () => 1000,
    );
    expect([...(row.flows[0]?.shares.values() ?? [])].map(Math.abs)).toEqual([1, 1, 1, 1, 1]);
  });
});

describe('gauges of a network', () => {
  it('lose for each load what a walk from it to the battery adds up, and no more than its class where any gauges do', () => {
    fc.assert(
      fc.property(trees, (tree) => {
        const { sized } = worked(tree.nodes, tree.cables, tree.cut);
        const gauge = (id: string): Awg => sized.cables.get(id)?.awg ?? 18;
        for (const n of tree.nodes.filter((x) => x.power.draw)) {
          const lost = lostTo(tree, n.id, gauge);
          expect(sized.drops.get(n.id)?.volts).toBeCloseTo(lost, 9);
          // Thickest everywhere is the most that can be done.
          if (lostTo(tree, n.id, () => 2) <= allowedOf(n)) expect(lost).toBeLessThanOrEqual(allowedOf(n) + 1e-9);
        }
      }),
      { seed: 41, numRuns: 300 },
    );
  });

  it('lose what the circuit itself loses when its wires resist as the table says', () => {
    fc.assert(
      fc.property(trees, (tree) => {
        const { sized, network } = worked(tree.nodes, tree.cables, tree.cut);
        const solved = solveCircuit({
          sources: [{ id: 'b', plus: 'b +', minus: 'b -', volts: 12, ohms: 1e-9 }],
          conductors: [
            ...network.leads.map(({ id, cable: c, from, to }) => ({
              ...{ id, from, to },
              ohms: dropBy(RULES, sized.cables.get(c)?.awg ?? 18, 1, tree.cut(c)),
            })),
            ...network.ways.map(({ id, from, to }) => ({ id, from, to, ohms: 1e-9 })),
          ],
          loads: network.loads.map((l) => ({
            id: l.fitting,
            plus: l.plus,
            minus: l.minus,
            takes: { is: 'current' as const, amps: l.of.amps },
          })),
        });
        for (const [id, drop] of sized.drops) expect(12 - (solved?.across.get(id) ?? NaN)).toBeCloseTo(drop.volts, 5);
      }),
      { seed: 42, numRuns: 60 },
    );
  });

  it('never cost less than the cheapest of all gauges that hold, and seldom much more', () => {
    let [paid, least, worst] = [0, 0, 1];
    fc.assert(
      fc.property(trees, (tree) => {
        const { sized } = worked(tree.nodes, tree.cables, tree.cut);
        const best = cheapest(tree, sized);
        if (best === Infinity) return;
        const cost = paidFor(tree, sized);
        expect(cost).toBeGreaterThanOrEqual(best - 1e-6);
        paid += cost;
        least += best;
        worst = Math.max(worst, cost / best);
      }),
      { seed: 43, numRuns: 60 },
    );
    expect(paid / least).toBeLessThan(1.05);
    expect(worst).toBeLessThan(1.5);
  });

  it("keep the rigger's own, and thicken what is before it", () => {
    const nodes = [battery('b'), box('x', true), load('l', 6, 'electronics')];
    const cables = [cable('1', 'b', 'x'), cable('2', 'x', 'l')];
    const free = worked(nodes, cables, () => 2000).sized;
    const own = worked(nodes, cables, () => 2000, { 2: 14 }).sized;
    expect(own.cables.get('2')?.awg).toBe(14);
    expect(own.cables.get('1')?.awg ?? 99).toBeLessThanOrEqual(free.cables.get('1')?.awg ?? 0);
    expect(own.drops.get('l')?.percent ?? 99).toBeLessThanOrEqual(3 + 1e-6);
  });

  it('a bundle carries less by the later editions of E-11, not by those that say so of 50 V and more (from memory)', () => {
    expect([2, 3, 6, 7, 25].map((n) => ampacityOf(10, n, RULES))).toEqual([60, 42, 36, 30, 24]);
    expect([2, 3, 6, 7, 25].map((n) => ampacityOf(10, n, { ...RULES, bundled: 'from 50 V' }))).toEqual([60, 60, 60, 60, 60]);
  });
});

describe('what protects a cable', () => {
  /** Every way that a battery reaches a terminal by what goes out, as rows of edges: by going back from it, no code of the product. */
  function* waysTo(network: Network, terminal: string, been: readonly string[] = []): Generator<readonly string[]> {
    if (network.batteries.some((b) => b.plus === terminal)) yield [];
    for (const e of [...network.leads.filter((l) => l.out), ...network.ways])
      if ((e.from === terminal || e.to === terminal) && !been.includes(e.id))
        for (const rest of waysTo(network, e.from === terminal ? e.to : e.from, [...been, e.id])) yield [e.id, ...rest];
  }

  it('stands on every way from every battery to it (property, against all ways written out)', () => {
    const guardAt = fc.array(fc.boolean(), { minLength: 12, maxLength: 12 });
    fc.assert(
      fc.property(trees, guardAt, fc.boolean(), (tree, at, second) => {
        const nodes = second ? [...tree.nodes, battery('b2')] : tree.nodes;
        const cables = second ? [...tree.cables, cable('cb', 'b2', tree.cables.at(-1)?.to ?? '')] : tree.cables;
        const network = networkOf(nodes, cables);
        const edges = [...network.leads.filter((l) => l.out), ...network.ways].map((e) => e.id);
        const guarded = new Set(edges.filter((_, i) => at[i % at.length]));
        for (const lead of network.leads.filter((l) => l.out)) {
          const ways = [lead.from, lead.to].flatMap((end) => [...waysTo(network, end, [lead.id])]);
          const open = !guarded.has(lead.id) && ways.some((way) => !way.some((e) => guarded.has(e)));
          expect(stillFed(network, { ...lead, is: 'lead' }, (e) => guarded.has(e))).toBe(open);
        }
      }),
      { seed: 44, numRuns: 300 },
    );
  });

  it('is by itself right for every gauge the product chooses: no cable is left without, none carries less than its fuse', () => {
    fc.assert(
      fc.property(trees, (tree) => {
        const { network, guards, sized } = worked(tree.nodes, tree.cables, tree.cut);
        for (const lead of network.leads.filter((l) => l.out)) {
          const size = sized.cables.get(lead.cable);
          const opens = (e: string): boolean =>
            guards.some((g) => g.edge === e && (g.rating === null ? inAll(g.asked) === 0 : g.rating <= (size?.ampacity ?? 0)));
          expect(stillFed(network, { ...lead, is: 'lead' }, opens)).toBeFalse();
        }
      }),
      { seed: 45, numRuns: 200 },
    );
  });

  it('a fuse a hair over the ampacity does not, but for the next size where none fits (E-11, from memory)', () => {
    const guard = (rating: number) => ({ rating, own: rating, asked: { steady: 1, thrust: 0 } });
    expect(protects(guard(20), 20, { steady: 1, thrust: 0 })).toBeTrue();
    expect(protects(guard(25), 24.9, { steady: 1, thrust: 0 })).toBeFalse();
    // 18 A all day needs 22.5 of a fuse; on a wire of 24 A none fits, so 25 may.
    expect(chooseFuse({ steady: 18, thrust: 0 }, 24).rating).toBe(25);
    expect(protects(guard(25), 24, { steady: 18, thrust: 0 })).toBeTrue();
    expect(protects(guard(30), 24, { steady: 18, thrust: 0 })).toBeFalse();
  });

  it('a short circuit is by Ohm: at the post by what the battery resists, behind a cable by both its conductors too', () => {
    const nodes = [battery('b', 100), box('x', true), load('l', 3)];
    const { network, potentials, ohmsOf } = worked(nodes, [cable('1', 'b', 'x'), cable('2', 'x', 'l')], () => 1000);
    // Of 100 Ah lithium the low end of 2 to 8 mΩ (makers' sheets, from memory).
    const post = 13.4 / (0.2 / 100);
    expect(shortAt(network, potentials, { edge: '1 out', fitting: 'b' }, ohmsOf)).toBeCloseTo(post, 6);
    const metre = 0.01724 / 5.26;
    expect(shortAt(network, potentials, { edge: 'x way 1', fitting: 'x' }, ohmsOf)).toBeCloseTo(13.4 / (0.002 + 2 * metre), 0);
  });
});
