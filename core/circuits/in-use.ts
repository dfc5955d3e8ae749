import type { Fitted } from '../drilling';
import type { Part } from '../parts';
import type { Memory } from '../stages';
import { awgArea, nominalVolts, type WiredRun } from '../wiring';
import { sourceOf, type Battery, type Charge } from './battery';
import { hoursOf } from './endurance';
import { solveCircuit, type Circuit, type Solved, type Takes } from './solve';

/** What the circuits in use follow from. */
export interface InUseInput {
  readonly runs: readonly WiredRun[];
  readonly owned: readonly Fitted[];
}

/** Everything on at once, with the batteries full and warm, and with them low and cold at the end of a day. */
export const CASES = {
  full: { full: true, cold: false },
  low: { full: false, cold: true },
} as const satisfies Readonly<Record<string, Charge>>;
export type Case = keyof typeof CASES;

/** One battery with all that hangs on it, everything on. */
export interface BatteryInUse {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  readonly nominal: number;
  /** What it gives by itself at the most, A; null where its maker does not say. */
  readonly mostAmps: number | null;
  /** Each load by its run; in a case the volts it gets, null where there is no solution: the battery cannot feed it all. */
  readonly loads: readonly LoadInUse[];
  /** Amps out of the battery and volts at its posts, case by case; null for no solution. */
  readonly gives: Readonly<Record<Case, { readonly amps: number; readonly volts: number } | null>>;
  /** How long it does so from full until a day's share of it is taken, hours; null for no solution. */
  readonly hours: number | null;
}

export interface LoadInUse {
  readonly run: string;
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  readonly of: WiredRun['kind'];
  readonly volts: Readonly<Record<Case, number | null>>;
}

/** Copper at 20 °C (any handbook), Ω·mm²/m. */
const COPPER = 0.01724;

/** A motor takes the same amps at whatever volts it gets; what holds its own volts by a converter takes the same watts. */
function takenBy({ amps, volts, of }: Fed['draw']): Takes {
  return of === 'motor' ? { is: 'current', amps } : { is: 'power', watts: amps * nominalVolts(volts) };
}

/** Every battery aboard with what hangs on it, solved as one network: what one load takes, the others lose. */
export function inUse({ runs, owned }: InUseInput, memory: Memory): BatteryInUse[] {
  const byId = new Map(owned.map((i) => [i.placed.id, i]));
  return owned.flatMap((item): BatteryInUse[] => {
    const { battery } = item.placed.part.power ?? {};
    if (!battery) return [];
    const fed = runs.flatMap((run): Fed[] => {
      const load = byId.get(run.to);
      const draw = load?.placed.part.power?.draw;
      return run.from === item.placed.id && run.awg !== null && load && draw ? [{ run, load, draw, awg: run.awg }] : [];
    });
    const reads = [item, ...fed.flatMap(({ run, load }) => [run, load])];
    return [memory.last(item.placed.id, reads, () => batteryInUse(item, battery, fed))];
  });
}

/** A load with the run that feeds it. */
interface Fed {
  readonly run: WiredRun;
  readonly load: Fitted;
  readonly draw: NonNullable<NonNullable<Part['power']>['draw']>;
  readonly awg: NonNullable<WiredRun['awg']>;
}

function batteryInUse(item: Fitted, battery: Battery, fed: readonly Fed[]): BatteryInUse {
  const circuit = (charge: Charge): Circuit => ({
    sources: [{ id: 'battery', plus: '+', minus: '-', ...sourceOf(battery, charge) }],
    // Both conductors lie side by side.
    conductors: fed.map(({ run, awg }) => ({
      id: run.id,
      from: '+',
      to: run.to,
      ohms: (COPPER * 2 * run.cut) / 1000 / awgArea(awg),
    })),
    // Fed twice it still draws once.
    loads: [...new Map(fed.map(({ run, draw }) => [run.to, draw]))].map(([id, draw]) => ({
      id: `load ${id}`,
      plus: id,
      minus: '-',
      takes: takenBy(draw),
    })),
  });
  const solved: Readonly<Record<Case, Solved | null>> = {
    full: solveCircuit(circuit(CASES.full)),
    low: solveCircuit(circuit(CASES.low)),
  };
  const voltsOf = (id: string, of: Case): number | null => solved[of]?.across.get(`load ${id}`) ?? null;
  const givenIn = (of: Case): { amps: number; volts: number } | null => {
    const s = solved[of];
    return s && { amps: s.amps.get('battery') ?? 0, volts: s.volts.get('+') ?? 0 };
  };
  const gives = { full: givenIn('full'), low: givenIn('low') };
  return {
    fitting: item.placed.id,
    letter: item.letter,
    name: item.placed.part.name,
    nominal: nominalVolts(battery.volts),
    mostAmps: battery.mostAmps ?? null,
    loads: fed.map(({ run, load, draw }) => ({
      run: run.id,
      fitting: load.placed.id,
      letter: load.letter,
      name: load.placed.part.name,
      of: draw.of,
      volts: { full: voltsOf(run.to, 'full'), low: voltsOf(run.to, 'low') },
    })),
    gives,
    hours: gives.full && hoursOf(battery, gives.full.amps),
  };
}

/** Volts in words, rounded down: there are no fewer. */
export const printVolts = (volts: number): string => `${(Math.floor(volts * 10) / 10).toFixed(1)} V`;
