import { eliminationOrder, solveSymmetric } from './sparse';

/** A straight piece of conductor between two nodes, or what else only resists: a plug, a contact. */
export interface Conductor {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly ohms: number;
}

/** What drives current: its volts at rest, and what it resists inside. */
interface CircuitSource {
  readonly id: string;
  readonly plus: string;
  readonly minus: string;
  readonly volts: number;
  readonly ohms: number;
}

/** What a load takes: so many amps, so many watts at whatever volts it gets, or what a resistance takes. */
export type Takes =
  | { readonly is: 'current'; readonly amps: number }
  | { readonly is: 'power'; readonly watts: number }
  | { readonly is: 'resistance'; readonly ohms: number };

export interface CircuitLoad {
  readonly id: string;
  readonly plus: string;
  readonly minus: string;
  readonly takes: Takes;
}

/** A circuit of direct current. Nodes are known by their names. */
export interface Circuit {
  readonly conductors: readonly Conductor[];
  readonly sources: readonly CircuitSource[];
  readonly loads: readonly CircuitLoad[];
}

/** A circuit solved. */
export interface Solved {
  /** Volts of every node over the minus of the source it hangs on. */
  readonly volts: ReadonlyMap<string, number>;
  /** Volts across each load. */
  readonly across: ReadonlyMap<string, number>;
  /** Amps of every conductor from its `from` to its `to`, of every source out of its plus, of every load into its plus. */
  readonly amps: ReadonlyMap<string, number>;
  /** Watts lost in conductors and inside sources. */
  readonly lost: number;
}

/** Volts change less than this between two rounds: it is solved. */
const STILL = 1e-10;
/** Rounds after which a circuit that has not come to rest has no solution. */
const ROUNDS = 80;
/** Between loose ends and the rest, siemens: keeps a node that nothing feeds at nought. */
const LEAK = 1e-12;

/**
 * Solves a circuit by its nodes: what flows into each flows out of it (Kirchhoff). Loads of constant power are taken anew by
 * their tangent each round (Newton), from the volts the circuit has without them, so that of two solutions the one with the
 * higher volts is found: the one a circuit that is switched on comes to.
 *
 * @throws RangeError when a conductor or a source has no resistance
 * @returns null when there is no solution: the loads ask for more power than gets to them
 */
export function solveCircuit({ conductors, sources, loads }: Circuit): Solved | null {
  for (const { id, ohms } of [...conductors, ...sources]) if (!(ohms > 0)) throw new RangeError(`${id} resists by nothing`);
  const nodes = nodesOf({ conductors, sources, loads });
  const free = [...nodes.keys()].filter((n) => nodes.get(n) !== n);
  const at = new Map(free.map((n, i) => [n, i]));
  const size = free.length;
  let order: readonly number[] | null = null;
  const solve = (now: ReadonlyMap<string, number> | null): Map<string, number> | null => {
    const rows = Array.from({ length: size }, () => new Map<number, number>());
    const right = new Float64Array(size);
    const put = (k: number, l: number, siemens: number): void => void rows[k]?.set(l, (rows[k].get(l) ?? 0) + siemens);
    const add = (a: string, b: string, siemens: number, amps: number): void => {
      const [k, l] = [at.get(a), at.get(b)];
      if (k !== undefined) {
        put(k, k, siemens);
        right[k] = (right[k] ?? 0) - amps;
      }
      if (l !== undefined) {
        put(l, l, siemens);
        right[l] = (right[l] ?? 0) + amps;
      }
      if (k === undefined || l === undefined) return;
      put(k, l, -siemens);
      put(l, k, -siemens);
    };
    for (const n of free) add(n, nodes.get(n) as string, LEAK, 0);
    for (const c of conductors) add(c.from, c.to, 1 / c.ohms, 0);
    for (const s of sources) add(s.plus, s.minus, 1 / s.ohms, -s.volts / s.ohms);
    for (const { plus, minus, takes } of loads) {
      if (takes.is === 'resistance') add(plus, minus, 1 / takes.ohms, 0);
      else if (takes.is === 'current') add(plus, minus, 0, now ? takes.amps : 0);
      else {
        // Idle it stands in its place, so that one order of elimination serves every round.
        const v = now && (now.get(plus) ?? 0) - (now.get(minus) ?? 0);
        add(plus, minus, v ? -takes.watts / v ** 2 : 0, v ? (2 * takes.watts) / v : 0);
      }
    }
    order ??= eliminationOrder(rows);
    const v = solveSymmetric(rows, right, order);
    if (!v) return null;
    const volts = new Map([...nodes.keys()].map((n) => [n, at.has(n) ? (v[at.get(n) as number] ?? NaN) : 0]));
    return [...volts.values()].every(Number.isFinite) ? volts : null;
  };
  let volts = solve(null);
  const across = (l: CircuitLoad, v: ReadonlyMap<string, number>): number => (v.get(l.plus) ?? 0) - (v.get(l.minus) ?? 0);
  for (let round = 0; volts && round < ROUNDS; round++) {
    const before: ReadonlyMap<string, number> = volts;
    // What gets no volts can take no power.
    if (loads.some((l) => l.takes.is !== 'resistance' && across(l, before) <= 0)) return null;
    volts = solve(before);
    const now = volts;
    if (now && [...now].every(([n, v]) => Math.abs(v - (before.get(n) ?? 0)) < STILL)) {
      if (loads.some((l) => l.takes.is !== 'resistance' && across(l, now) <= 0)) return null;
      return told({ conductors, sources, loads }, now);
    }
  }
  return null;
}

/** Every node with the node its volts count from: the minus of the first source it hangs on. */
function nodesOf({ conductors, sources, loads }: Circuit): Map<string, string> {
  const pairs = [...conductors.map((c) => [c.from, c.to]), ...[...sources, ...loads].map((t) => [t.plus, t.minus])] as [
    string,
    string,
  ][];
  const beside = new Map<string, string[]>();
  for (const [a, b] of pairs) {
    beside.set(a, [...(beside.get(a) ?? []), b]);
    beside.set(b, [...(beside.get(b) ?? []), a]);
  }
  const from = new Map<string, string>();
  for (const start of [...sources.map((s) => s.minus), ...beside.keys()]) {
    if (from.has(start)) continue;
    const next = [start];
    for (let n = next.pop(); n !== undefined; n = next.pop()) {
      if (from.has(n)) continue;
      from.set(n, start);
      next.push(...(beside.get(n) ?? []));
    }
  }
  return from;
}

function told({ conductors, sources, loads }: Circuit, volts: ReadonlyMap<string, number>): Solved {
  const over = (a: string, b: string): number => (volts.get(a) ?? 0) - (volts.get(b) ?? 0);
  const flows = conductors.map((c) => ({ id: c.id, ohms: c.ohms, amps: over(c.from, c.to) / c.ohms }));
  const driven = sources.map((s) => ({ id: s.id, ohms: s.ohms, amps: (s.volts - over(s.plus, s.minus)) / s.ohms }));
  const taken = loads.map(({ id, plus, minus, takes }): [string, number] => {
    const v = over(plus, minus);
    return [id, takes.is === 'current' ? takes.amps : takes.is === 'power' ? takes.watts / v : v / takes.ohms];
  });
  return {
    volts,
    across: new Map(loads.map((l) => [l.id, over(l.plus, l.minus)])),
    amps: new Map([...[...flows, ...driven].map((f): [string, number] => [f.id, f.amps]), ...taken]),
    lost: [...flows, ...driven].reduce((sum, f) => sum + f.amps ** 2 * f.ohms, 0),
  };
}
