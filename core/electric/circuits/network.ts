import type { Part } from '../../parts/parts';
import type { Feeding } from '../../rig';
import { nominalVolts } from './gauge';
import { grouped } from './grouped';

/** What a part is to a circuit. */
export type Power = NonNullable<Part['power']>;
export type Draw = NonNullable<Power['draw']>;
export type Passes = NonNullable<Power['passes']>;

/** A fitting as the circuits see it. */
export interface Node {
  readonly id: string;
  readonly power: Power;
}

/** A cable between two fittings. */
export interface Cable {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** The way it leaves by, counted from 1. */
  readonly way: number;
  readonly has: Feeding;
}

/** One conductor of a cable. */
export interface Lead {
  readonly id: string;
  readonly cable: string;
  readonly from: string;
  readonly to: string;
  /** Whether it goes out to a load; else it comes back. */
  readonly out: boolean;
}

/** The way through a part from what feeds it. */
export interface Way {
  readonly id: string;
  readonly fitting: string;
  readonly way: number;
  readonly from: string;
  readonly to: string;
  readonly passes: Passes;
}

/** A part with a plus and a minus: a battery, a load, a charge port. */
export interface Poles<Of> {
  readonly fitting: string;
  readonly plus: string;
  readonly minus: string;
  readonly of: Of;
}

/** Batteries, loads and what joins them. Terminals are known by their names. */
export interface Network {
  readonly leads: readonly Lead[];
  readonly ways: readonly Way[];
  readonly batteries: readonly Poles<NonNullable<Power['battery']>>[];
  readonly loads: readonly Poles<Draw>[];
  readonly ports: readonly Poles<NonNullable<Power['charges']>>[];
  /** What meets at each terminal. */
  readonly at: ReadonlyMap<string, readonly Edge[]>;
  /** The conductors of each cable. */
  readonly byCable: ReadonlyMap<string, readonly Lead[]>;
  /** Conductors that go out to a load, and the plus of every battery. */
  readonly outward: ReadonlySet<string>;
  readonly posts: ReadonlySet<string>;
}

/** What joins two terminals. */
export interface Edge {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly is: 'lead' | 'way' | 'battery';
}

export const plusOf = (fitting: string): string => `${fitting} +`;
export const minusOf = (fitting: string): string => `${fitting} -`;
const wayOf = (fitting: string, way: number): string => `${fitting} ${way}`;
const leadOf = (cable: string, out: boolean): string => `${cable} ${out ? 'out' : 'back'}`;

/** The first way of a box that nothing hangs on; undefined when all are taken. */
export const freeWay = (ways: number, taken: { readonly has: (way: number) => boolean }): number | undefined =>
  Array.from({ length: ways }, (_, i) => i + 1).find((n) => !taken.has(n));

/** The network of fittings and cables; a cable without both its ends is left out. */
export function networkOf(nodes: readonly Node[], cables: readonly Cable[]): Network {
  const byId = new Map(nodes.map((n) => [n.id, n.power]));
  const leads = cables.flatMap(({ id, from, to, way, has }): Lead[] => {
    const feeder = byId.get(from);
    if (!feeder || !byId.has(to)) return [];
    const start = feeder.passes ? wayOf(from, way) : plusOf(from);
    const out: Lead = { id: leadOf(id, true), cable: id, from: start, to: plusOf(to), out: true };
    const back: Lead = { id: leadOf(id, false), cable: id, from: minusOf(to), to: minusOf(from), out: false };
    if (has === 'series') return [{ ...out, to: minusOf(to) }];
    return has === 'both' ? [out, back] : [has === 'plus' ? out : back];
  });
  const ways = nodes.flatMap(({ id, power: { passes } }): Way[] =>
    Array.from({ length: passes?.ways ?? 0 }, (_, i) => ({
      ...{ id: `${id} way ${i + 1}`, fitting: id, way: i + 1, from: plusOf(id), to: wayOf(id, i + 1), passes: passes as Passes },
    })),
  );
  const polesOf = <Of>(of: (p: Power) => Of | undefined): Poles<Of>[] =>
    nodes.flatMap(({ id, power }) => {
      const one = of(power);
      return one === undefined ? [] : [{ fitting: id, plus: plusOf(id), minus: minusOf(id), of: one }];
    });
  const batteries = polesOf((p) => p.battery);
  const at = new Map<string, Edge[]>();
  const meet = (e: Edge): void => {
    for (const t of [e.from, e.to]) at.set(t, [...(at.get(t) ?? []), e]);
  };
  for (const { id, from, to } of leads) meet({ id, from, to, is: 'lead' });
  for (const { id, from, to } of ways) meet({ id, from, to, is: 'way' });
  for (const { fitting, plus, minus } of batteries) meet({ id: fitting, from: minus, to: plus, is: 'battery' });
  return {
    ...{ leads, ways, batteries, loads: polesOf((p) => p.draw), ports: polesOf((p) => p.charges), at },
    byCable: grouped(leads, (l) => l.cable),
    outward: new Set(leads.flatMap((l) => (l.out ? [l.id] : []))),
    posts: new Set(batteries.map((b) => b.plus)),
  };
}

export const farEnd = ({ from, to }: Edge, near: string): string => (from === near ? to : from);

/** A terminal that hangs on a battery: which terminals do with it, and its nominal volts over the first minus of them. */
export interface Potential {
  readonly island: string;
  readonly volts: number;
  /** The edge it was first reached by, and from where; null where the island begins. */
  readonly came: { readonly edge: Edge; readonly before: string } | null;
  /** How many edges from there. */
  readonly depth: number;
}

/** What hangs together by conductors and batteries, with the volts of each terminal; and where two ways to one terminal differ. */
export interface Potentials {
  readonly of: ReadonlyMap<string, Potential>;
  /** Edges that close a circuit of batteries with nothing in it that draws. */
  readonly shorts: readonly Edge[];
  /** Islands in which some terminal is reached by more than one way. */
  readonly meshed: ReadonlySet<string>;
}

/** Follows conductors from each battery's minus, the nearest first; a battery lifts by its nominal volts. */
export function potentialsOf({ at, batteries }: Network): Potentials {
  const of = new Map<string, Potential>();
  const shorts: Edge[] = [];
  const meshed = new Set<string>();
  const volts = new Map(batteries.map((b) => [b.fitting, nominalVolts(b.of.volts)]));
  for (const { minus } of batteries) {
    if (of.has(minus)) continue;
    of.set(minus, { island: minus, volts: 0, came: null, depth: 0 });
    const crossed = new Set<string>();
    const next = [minus];
    for (const t of next) {
      const { volts: here = 0, depth = 0 } = of.get(t) ?? {};
      for (const e of at.get(t) ?? []) {
        if (crossed.has(e.id)) continue;
        crossed.add(e.id);
        const far = farEnd(e, t);
        const there = here + (e.is === 'battery' ? (e.to === far ? 1 : -1) * (volts.get(e.id) ?? 0) : 0);
        const known = of.get(far);
        if (!known) {
          of.set(far, { island: minus, volts: there, came: { edge: e, before: t }, depth: depth + 1 });
          next.push(far);
          continue;
        }
        meshed.add(minus);
        if (known.volts !== there) shorts.push(e);
      }
    }
  }
  return { of, shorts, meshed };
}

/** How a load is connected: by both its poles to the same batteries, or what is missing. */
export type Connected = { readonly is: 'fed'; readonly volts: number } | { readonly is: 'not fed' | 'no way back' };

export function connectedBy({ of }: Potentials, { plus, minus }: Poles<unknown>): Connected {
  const [p, m] = [of.get(plus), of.get(minus)];
  if (!p) return { is: 'not fed' };
  return m?.island === p.island ? { is: 'fed', volts: p.volts - m.volts } : { is: 'no way back' };
}

/** An edge of a path, with whether it is crossed from its `from` to its `to`. */
export interface Step {
  readonly edge: Edge;
  readonly along: boolean;
}

/** The edges from one terminal to another of the same island, up to where their ways from its beginning meet and down again. */
export function pathOf({ of }: Potentials, from: string, to: string): readonly Step[] {
  const [up, down]: [Step[], Step[]] = [[], []];
  let [a, b] = [of.get(from), of.get(to)];
  let [at, end] = [from, to];
  if (!a || a.island !== b?.island) return [];
  const climb = (p: Potential, here: string, steps: Step[], away: boolean): string => {
    const { edge, before } = p.came ?? { edge: null, before: here };
    // Away from the one end it is crossed from here, on the way to the other it is crossed to here.
    if (edge) steps.push({ edge, along: away ? edge.from === here : edge.to === here });
    return before;
  };
  while (at !== end) {
    if (!a || !b) return [];
    if (a.depth >= b.depth) {
      at = climb(a, at, up, true);
      a = of.get(at);
    } else {
      end = climb(b, end, down, false);
      b = of.get(end);
    }
  }
  return [...up, ...down.reverse()];
}
