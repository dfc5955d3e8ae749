import fc from 'fast-check';
import type { Circuit, Takes } from './solve';
import { solveCircuit, type CircuitLoad, type Conductor, type Solved } from './index';

const wire = (id: string, from: string, to: string, ohms: number): Conductor => ({ id, from, to, ohms });
const load = (id: string, plus: string, takes: Takes, minus = '-'): CircuitLoad => ({ id, plus, minus, takes });
const amps = (a: number): Takes => ({ is: 'current', amps: a });
const watts = (w: number): Takes => ({ is: 'power', watts: w });
const ohms = (r: number): Takes => ({ is: 'resistance', ohms: r });
const battery = (volts: number, inside: number) => ({ id: 'b', plus: '+', minus: '-', volts, ohms: inside });
const solved = (circuit: Circuit): Solved => {
  const s = solveCircuit(circuit);
  if (!s) throw new Error('no solution');
  return s;
};

describe('circuits solved by hand', () => {
  it('one feed there and back: 12 V less what battery, plus and minus lose at 10 A', () => {
    const {
      across,
      amps: flow,
      lost,
    } = solved({
      sources: [battery(12, 0.05)],
      conductors: [wire('p', '+', 'a', 0.06), wire('m', 'z', '-', 0.04)],
      loads: [load('l', 'a', amps(10), 'z')],
    });
    expect(across.get('l')).toBeCloseTo(12 - 10 * 0.15, 9);
    for (const id of ['p', 'm', 'b']) expect(flow.get(id)).toBeCloseTo(10, 9);
    expect(lost).toBeCloseTo(100 * 0.15, 8);
  });

  it('a feed shared by two: each loses what both draw in it, and its own beyond', () => {
    const { across } = solved({
      sources: [battery(12.8, 0.01)],
      conductors: [wire('feed', '+', 'block', 0.02), wire('one', 'block', 'a', 0.1), wire('two', 'block', 'b', 0.05)],
      loads: [load('screen', 'a', amps(3)), load('motor', 'b', amps(30))],
    });
    const block = 12.8 - 33 * 0.03;
    expect(across.get('screen')).toBeCloseTo(block - 0.3, 9);
    expect(across.get('motor')).toBeCloseTo(block - 1.5, 9);
  });

  it('constant power through a resistance: the higher root of v² − Vv + RP, up to V² / 4R and no further', () => {
    const through = (w: number) =>
      solveCircuit({ sources: [battery(12, 0.1)], conductors: [wire('c', '+', 'a', 0.4)], loads: [load('l', 'a', watts(w))] });
    for (const w of [1, 20, 60, 71]) expect(through(w)?.across.get('l')).toBeCloseTo((12 + Math.sqrt(144 - 2 * w)) / 2, 7);
    expect(through(71.99)?.across.get('l')).toBeCloseTo((12 + Math.sqrt(144 - 2 * 71.99)) / 2, 4);
    expect(through(72.01)).toBeNull();
    expect(through(500)).toBeNull();
  });

  it('a bridge that is not balanced, by its star: 100, 150 over 200, 250 with 50 across', () => {
    const { volts } = solved({
      sources: [battery(10, 1e-9)],
      conductors: [
        wire('1', '+', 'l', 100),
        wire('2', '+', 'r', 150),
        wire('3', 'l', '-', 200),
        wire('4', 'r', '-', 250),
        wire('5', 'l', 'r', 50),
      ],
      loads: [],
    });
    // The triangle of 100, 150 and 50 as a star about a point s.
    const sum = 300;
    const [top, left, right] = [(100 * 150) / sum, (100 * 50) / sum, (150 * 50) / sum];
    const [a, b] = [left + 200, right + 250];
    const total = 10 / (top + (a * b) / (a + b));
    const s = 10 - total * top;
    expect(volts.get('l')).toBeCloseTo((s * 200) / a, 6);
    expect(volts.get('r')).toBeCloseTo((s * 250) / b, 6);
  });

  it('two batteries side by side: the fuller charges the other by their difference over both insides', () => {
    const { amps: flow, volts } = solved({
      sources: [
        { id: 'full', plus: '+', minus: '-', volts: 13.3, ohms: 0.02 },
        { id: 'low', plus: '+', minus: '-', volts: 12.7, ohms: 0.04 },
      ],
      conductors: [],
      loads: [],
    });
    expect(flow.get('full')).toBeCloseTo(0.6 / 0.06, 9);
    expect(flow.get('low')).toBeCloseTo(-0.6 / 0.06, 9);
    expect(volts.get('+')).toBeCloseTo(13.3 - 10 * 0.02, 9);
  });

  it('in series they add up', () =>
    expect(
      solved({
        sources: [
          { id: 'a', plus: 'm', minus: '-', volts: 12, ohms: 0.01 },
          { id: 'b', plus: '+', minus: 'm', volts: 12, ohms: 0.01 },
        ],
        conductors: [],
        loads: [load('l', '+', amps(50))],
      }).across.get('l'),
    ).toBeCloseTo(24 - 50 * 0.02, 9));

  it('what nothing feeds stands at nought, and takes nothing; a wire of no resistance is refused', () => {
    const { across } = solved({
      sources: [battery(12, 0.05)],
      conductors: [],
      loads: [load('far', 'x', ohms(5), 'y'), load('near', '+', ohms(5))],
    });
    expect(across.get('far')).toBe(0);
    expect(across.get('near')).toBeCloseTo((12 * 5) / 5.05, 9);
    expect(() => solveCircuit({ sources: [battery(12, 0.05)], conductors: [wire('c', '+', 'a', 0)], loads: [] })).toThrowError(
      RangeError,
      'c resists by nothing',
    );
  });
});

/** A tree of feeds from the battery, each node hung on an earlier one, with wires across it. */
const network = fc
  .array(
    fc.record({
      on: fc.nat(),
      ohms: fc.double({ min: 0.002, max: 0.08, noNaN: true }),
      takes: fc.oneof(
        fc.double({ min: 0.05, max: 4, noNaN: true }).map(amps),
        fc.double({ min: 0.5, max: 40, noNaN: true }).map(watts),
        fc.double({ min: 4, max: 60, noNaN: true }).map(ohms),
      ),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .chain((feeds) =>
    fc.record({
      feeds: fc.constant(feeds),
      across: fc.array(fc.record({ a: fc.nat(), b: fc.nat(), ohms: fc.double({ min: 0.01, max: 1, noNaN: true }) }), {
        maxLength: 4,
      }),
    }),
  )
  .map(({ feeds, across }): { circuit: Circuit; parent: number[] } => {
    const node = (i: number): string => (i < 0 ? '+' : `n${i}`);
    const parent = feeds.map((f, i) => (f.on % (i + 1)) - 1);
    return {
      parent,
      circuit: {
        sources: [battery(12.8, 0.01)],
        conductors: [
          ...feeds.map((f, i) => wire(`w${i}`, node(parent[i] ?? -1), node(i), f.ohms)),
          ...across.map((c, k) => wire(`x${k}`, node((c.a % feeds.length) - 1), node(c.b % feeds.length), c.ohms)),
        ].filter((c) => c.from !== c.to),
        loads: feeds.map((f, i) => load(`l${i}`, node(i), f.takes)),
      },
    };
  });

describe('circuits at random', () => {
  it('what flows into a node flows out of it, and what the battery gives is taken or lost', () =>
    fc.assert(
      fc.property(network, ({ circuit }) => {
        const s = solveCircuit(circuit);
        if (!s) return true;
        const into = new Map<string, number>();
        const flow = (node: string, a: number): void => void into.set(node, (into.get(node) ?? 0) + a);
        for (const c of circuit.conductors) {
          flow(c.from, -(s.amps.get(c.id) ?? NaN));
          flow(c.to, s.amps.get(c.id) ?? NaN);
        }
        let taken = 0;
        for (const l of circuit.loads) {
          const [v, i] = [s.across.get(l.id) ?? NaN, s.amps.get(l.id) ?? NaN];
          const own = l.takes.is === 'current' ? l.takes.amps : l.takes.is === 'power' ? l.takes.watts / v : v / l.takes.ohms;
          if (Math.abs(own - i) > 1e-7) return false;
          flow(l.plus, -i);
          flow(l.minus, i);
          taken += v * i;
        }
        const given = s.amps.get('b') ?? NaN;
        flow('+', given);
        flow('-', -given);
        return [...into.values()].every((a) => Math.abs(a) < 1e-6) && Math.abs(12.8 * given - taken - s.lost) < 1e-5;
      }),
      { seed: 15, numRuns: 300 },
    ));

  it('trees agree with currents summed from their ends and volts counted from the battery, round by round', () =>
    fc.assert(
      fc.property(network, ({ circuit, parent }) => {
        const tree = { ...circuit, conductors: circuit.conductors.filter((c) => c.id.startsWith('w')) };
        const n = parent.length;
        let v = Array.from({ length: n }, () => 12.8);
        for (let round = 0; round < 4000; round++) {
          const drawn = tree.loads.map(({ takes }, i) =>
            takes.is === 'current' ? takes.amps : takes.is === 'power' ? takes.watts / (v[i] ?? 0) : (v[i] ?? 0) / takes.ohms,
          );
          for (let i = n - 1; i >= 0; i--)
            if ((parent[i] ?? -1) >= 0) drawn[parent[i] as number] = (drawn[parent[i] as number] ?? 0) + (drawn[i] ?? 0);
          const all = parent.reduce((sum, p, i) => sum + (p < 0 ? (drawn[i] ?? 0) : 0), 0);
          const next: number[] = [];
          for (let i = 0; i < n; i++) {
            const above = (parent[i] ?? -1) < 0 ? 12.8 - 0.01 * all : (next[parent[i] as number] ?? 0);
            next.push(above - (drawn[i] ?? 0) * (tree.conductors[i]?.ohms ?? 0));
          }
          const still = next.every((x, i) => Math.abs(x - (v[i] ?? 0)) < 1e-12);
          v = next.map((x, i) => 0.5 * x + 0.5 * (v[i] ?? 0));
          if (v.some((x) => !(x > 0.2))) break;
          if (still) break;
        }
        const s = solveCircuit(tree);
        // Where the loads ask too much both say so.
        if (v.some((x) => !(x > 0.2))) return s === null;
        return s !== null && v.every((x, i) => Math.abs(x - (s.across.get(`l${i}`) ?? NaN)) < 1e-4);
      }),
      { seed: 15, numRuns: 200 },
    ));
});
