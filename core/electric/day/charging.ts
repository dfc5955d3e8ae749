import type { Flow } from '../circuits';
import type { Fitted } from '../../holding/fitted';
import type { Part } from '../../parts/parts';
import type { Day } from '../../rig';
import type { DayInput } from './day-input';
import type { ByGuess, Guess } from './resistance';

type Battery = NonNullable<NonNullable<Part['power']>['battery']>;
type Charges = NonNullable<NonNullable<Part['power']>['charges']>;

/** One way to fill a battery again. */
export interface Charging {
  readonly by: 'its charger, taken off' | 'its port' | 'the towing car' | 'the sun';
  readonly amps: number;
  /** Until it is full. */
  readonly hours: number;
  /** The share of what it holds that an hour of it puts in. */
  readonly anHour: number;
}

/** What its charger gives where it has no port: a tenth of its ampere-hours, a fifth for lithium (common practice, no source). */
const CHARGER = { 'lead-acid': 0.1, lithium: 0.2 } as const;
/** Of what goes in so much stays (battery handbooks, from memory). */
export const STAYS = { 'lead-acid': 0.85, lithium: 0.98 } as const;
/** Hours at the end in which it takes less and less (common practice, no source). */
const TAIL = { 'lead-acid': 2, lithium: 0.5 } as const;
/** Of what a panel gives in full sun, lying flat and shaded by whoever sits there, so much at noon (judgement). */
const YIELDS: ByGuess<number> = { easy: 0.8, likely: 0.5, hard: 0.15 };
/** Of the watts of a panel so much comes out of its controller (makers' sheets, from memory). */
const CONTROLLER = 0.95;

/** Ports that lead to a battery. */
const portsOn = (
  fitting: string,
  { wiring, owned }: { readonly wiring: { readonly flows: readonly Flow[] }; readonly owned: readonly Fitted[] },
): Charges[] =>
  wiring.flows
    .filter((f) => f.charging && (f.shares.get(fitting) ?? 0) !== 0)
    .flatMap((f) => owned.find((i) => i.placed.id === f.fitting)?.placed.part.power?.charges ?? []);

/** A panel that charges a battery: its watts, and the most its controller lets through at the battery's volts. */
interface Panel {
  readonly watts: number;
  readonly most: number;
  readonly volts: number;
}

/** The panels that charge a battery. */
export function panelsOn(fitting: string, input: Pick<DayInput, 'wiring' | 'owned'>): Panel[] {
  const volts = input.wiring.network.batteries.find((b) => b.fitting === fitting)?.of.volts ?? 12;
  return portsOn(fitting, input).flatMap(({ from, watts, amps }) =>
    from === 'sun' && watts !== undefined ? [{ watts, most: amps, volts }] : [],
  );
}

/** Amps of a panel under a sun so high, as a share of noon's. */
const panelAmps = ({ watts, most, volts }: Panel, guess: Guess, high: number): number =>
  Math.min(most, (CONTROLLER * YIELDS[guess] * watts * high) / volts);

/** Amps that panels give at a minute of the day: nothing in the dark, most at noon, along a half wave from dawn to dusk. */
export function sunAmps(panels: readonly Panel[], { dark }: Pick<Day, 'dark'>, minute: number, guess: Guess): number {
  const length = (dark.from - dark.to + 1440) % 1440;
  const since = (minute - dark.to + 1440) % 1440;
  if (since >= length) return 0;
  const high = Math.sin((Math.PI * since) / length);
  return panels.reduce((sum, panel) => sum + panelAmps(panel, guess, high), 0);
}

/** Every way to fill a battery again after a day: its ports, converters and panels; where it has no port, its charger, taken off the boat. */
export function chargingsOf(
  fitting: string,
  { ampHours, chemistry, takes = Infinity }: Battery,
  left: number,
  input: Pick<DayInput, 'wiring' | 'owned'>,
): Charging[] {
  if (left >= 1) return [];
  const filling = (by: Charging['by'], given: number): Charging => {
    const amps = Math.min(given, takes);
    const anHour = (amps * STAYS[chemistry]) / ampHours;
    return { by, amps, anHour, hours: (1 - left) / anHour + TAIL[chemistry] };
  };
  const ports = portsOn(fitting, input);
  const ashore = ports.filter((p) => p.from === undefined);
  return [
    ...(ashore.length === 0 ? [filling('its charger, taken off', CHARGER[chemistry] * ampHours)] : []),
    ...ashore.map((p) => filling('its port', p.amps)),
    ...ports.filter((p) => p.from === 'tow').map((p) => filling('the towing car', p.amps)),
    // Over a day of sun as is likely: the mean of a half wave is two over pi of its height.
    ...panelsOn(fitting, input).map((panel) => filling('the sun', panelAmps(panel, 'likely', 2 / Math.PI))),
  ];
}
