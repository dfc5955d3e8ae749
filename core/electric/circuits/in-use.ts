import type { Fitted } from '../../holding/fitted';
import type { Memory } from '../../base/stages';
import { sourceOf, type Charge } from './battery';
import { hoursOf } from './endurance';
import { wayOhms } from './flows';
import { nominalVolts } from './gauge';
import { connectedBy, type Draw, type Network, type Potentials } from './network';
import { wireOhms } from './ohms';
import { solveCircuit, type Circuit, type Takes } from './solve';

/** A cable as its resistance follows from it. */
interface CableInUse {
  readonly id: string;
  readonly cut: number;
  /** Of each conductor, mm². */
  readonly area: number | null;
}

/** What the circuits in use follow from. */
export interface InUseInput {
  readonly network: Network;
  readonly potentials: Potentials;
  readonly runs: readonly CableInUse[];
  readonly owned: readonly Fitted[];
}

/** Everything on at once with the batteries full and warm; the same low and cold at the end of a day; and with the motors held fast. */
const CASES = {
  full: { full: true, cold: false, stalled: false },
  low: { full: false, cold: true, stalled: false },
  stalled: { full: true, cold: false, stalled: true },
} as const satisfies Readonly<Record<string, Charge & { readonly stalled: boolean }>>;
export type Case = keyof typeof CASES;

/** What is found of each case. */
type ByCase<T> = Readonly<Record<Case, T>>;

interface Named {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
}

/** One battery of a circuit. */
export interface BatteryInUse extends Named {
  /** What it gives by itself at the most, A; null where its maker does not say. */
  readonly mostAmps: number | null;
  /** Amps out of it and volts at its posts, case by case; null for no solution. */
  readonly gives: ByCase<{ readonly amps: number; readonly volts: number } | null>;
  /** How long it does so from full until a day's share of it is taken, hours; null for no solution. */
  readonly hours: number | null;
}

/** One load of a circuit. */
export interface LoadInUse extends Named {
  readonly of: Draw['of'];
  /** The volts it is made for. */
  readonly nominal: number;
  /** The volts it gets, case by case; null where there is no solution: the batteries cannot feed it all. */
  readonly volts: ByCase<number | null>;
}

/** Everything that hangs together: batteries, and what they feed. */
export interface CircuitInUse {
  readonly batteries: readonly BatteryInUse[];
  readonly loads: readonly LoadInUse[];
  /** Amps in each conductor and way, case by case; empty for no solution. */
  readonly amps: ByCase<ReadonlyMap<string, number>>;
  /** Watts lost in wires, contacts and batteries with everything on; null for no solution. */
  readonly lost: number | null;
}

/** A motor takes the same amps at whatever volts it gets; what holds its own volts by a converter takes the same watts. */
function takenBy({ amps, stallAmps = amps, volts, of }: Draw, stalled: boolean): Takes {
  return of === 'motor'
    ? { is: 'current', amps: stalled ? stallAmps : amps }
    : { is: 'power', watts: amps * nominalVolts(volts) };
}

/** Every circuit aboard that feeds something, solved as one network: what one load takes, the others lose. */
export function inUse({ network, potentials, runs, owned }: InUseInput, memory: Memory): CircuitInUse[] {
  const items = new Map(owned.map((i) => [i.placed.id, i]));
  const named = (fitting: string): Named => {
    const item = items.get(fitting);
    return { fitting, letter: item?.letter ?? '?', name: item?.placed.part.name ?? fitting };
  };
  const words = owned.filter((i) => i.placed.part.power).map((i) => i.letter);
  return memory.last('circuits', [network, ...runs.flatMap((r) => [r.cut, r.area]), ...words], () =>
    [...new Set([...potentials.of.values()].map((p) => p.island))].flatMap((island) =>
      circuitInUse({ network, potentials, runs, island, named }),
    ),
  );
}

interface Island extends Pick<InUseInput, 'network' | 'potentials' | 'runs'> {
  readonly island: string;
  readonly named: (fitting: string) => Named;
}

function circuitInUse({ network, potentials, runs, island, named }: Island): CircuitInUse[] {
  const here = (terminal: string): boolean => potentials.of.get(terminal)?.island === island;
  const cables = new Map(runs.map((r) => [r.id, r]));
  const batteries = network.batteries.filter((b) => here(b.minus));
  const loads = network.loads.filter((l) => here(l.plus) && connectedBy(potentials, l).is === 'fed');
  if (loads.length === 0) return [];
  const leads = network.leads.flatMap(({ id, cable, from, to }) => {
    const { cut = 0, area = null } = cables.get(cable) ?? {};
    return here(from) && area !== null ? [{ id, from, to, ohms: wireOhms(Math.max(1, cut), area) }] : [];
  });
  const ways = network.ways.filter((w) => here(w.from)).map((w) => ({ id: w.id, from: w.from, to: w.to, ohms: wayOhms(w) }));
  const solved = byCase((of) => {
    const { stalled, ...charge } = CASES[of];
    const circuit: Circuit = {
      sources: batteries.map((b) => ({ id: b.fitting, plus: b.plus, minus: b.minus, ...sourceOf(b.of, charge) })),
      conductors: [...leads, ...ways],
      loads: loads.map((l) => ({ id: l.fitting, plus: l.plus, minus: l.minus, takes: takenBy(l.of, stalled) })),
    };
    return solveCircuit(circuit);
  });
  return [
    {
      batteries: batteries.map((b): BatteryInUse => {
        const gives = byCase((of) => {
          const s = solved[of];
          return s && { amps: s.amps.get(b.fitting) ?? 0, volts: (s.volts.get(b.plus) ?? 0) - (s.volts.get(b.minus) ?? 0) };
        });
        return {
          ...named(b.fitting),
          mostAmps: b.of.mostAmps ?? null,
          gives,
          hours: gives.full && hoursOf(b.of, gives.full.amps),
        };
      }),
      loads: loads.map((l) => ({
        ...named(l.fitting),
        of: l.of.of,
        nominal: nominalVolts(l.of.volts),
        volts: byCase((of) => solved[of]?.across.get(l.fitting) ?? null),
      })),
      amps: byCase((of) => solved[of]?.amps ?? new Map<string, number>()),
      lost: solved.full?.lost ?? null,
    },
  ];
}

const byCase = <T>(make: (of: Case) => T): ByCase<T> => ({ full: make('full'), low: make('low'), stalled: make('stalled') });

/** Volts in words, rounded down: there are no fewer. */
export const printVolts = (volts: number): string => `${(Math.floor(volts * 10) / 10).toFixed(1)} V`;
