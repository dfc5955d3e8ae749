import { EXPONENT, hoursToEmpty, sourceOf, USABLE, type Draw, type Flow, type Network } from '../circuits';
import type { Part } from '../../parts/parts';
import type { Day, Leg } from '../../rig';
import { chargingsOf, panelsOn, STAYS, sunAmps, type Charging } from './charging';
import { byGuess, GUESSES, wattsFor, type ByGuess, type Guess } from './resistance';
import { type DayInput } from './day-input';

/** What is left of a battery at one moment. */
interface Moment {
  /** After the day's start. */
  readonly minute: number;
  /** Shares of what it holds when it is full. */
  readonly left: ByGuess<number>;
  /** At its posts, as is likely. */
  readonly volts: number;
}

/** A battery over a day. */
export interface BatteryDay {
  readonly fitting: string;
  readonly letter: string;
  readonly name: string;
  readonly moments: readonly Moment[];
  /** The share that is kept back for the way home. */
  readonly reserve: number;
  /** Minutes after the start at which the reserve is touched; null when it is not. */
  readonly touched: ByGuess<number | null>;
  /** Every way to fill it again; none where it is full. */
  readonly charges: readonly Charging[];
}

/** How far a full battery goes at one speed through still water. */
export interface Reach {
  readonly kmh: number;
  readonly amps: ByGuess<number>;
  readonly km: ByGuess<number>;
}

export interface DayWorked {
  readonly minutes: number;
  readonly batteries: readonly BatteryDay[];
  /** What the motors draw in each leg, A; and whether full thrust is enough, as is likely. */
  readonly legs: readonly { readonly amps: ByGuess<number>; readonly reached: boolean }[];
  /** What each load draws over the day on average, as is likely, A; by fitting. */
  readonly draws: ReadonlyMap<string, number>;
  /** Of the battery that turns the motors; empty without. */
  readonly range: readonly Reach[];
}

/** Minutes between two moments. */
const STEP = 5;
/** Of what it holds so much is there at the freezing point (battery handbooks, from memory). */
const COLD = { 'lead-acid': 0.8, lithium: 0.85 } as const;
/** A motor that holds a place hunts about it (judgement). */
const HUNTS = 1.5;
/** Readings of a motor hold so closely (judgement). */
const READ: ByGuess<number> = { easy: 0.9, likely: 1, hard: 1.1 };
/** The share of a day that a thing is on when nobody says (judgement); what lights do they do in the dark. */
const DUTY = { electronics: 1, lights: 1, other: 0.5, motor: 1 } as const;

/** The same of one load; dim lights are on half the dark. */
export const usualDuty = ({ of }: Pick<Draw, 'of'>, light: Part['light']): number =>
  of === 'lights' && light?.shows === 'dim' ? 0.5 : DUTY[of];

/** Amps of full-thrust motors together for a speed through the water, by readings where there are any, else by the hull. */
export function motorAmps(
  { day, wetted }: Pick<DayInput, 'day' | 'wetted'>,
  { through, wind, volts }: { readonly through: number; readonly wind: number; readonly volts: number },
  guess: Guess,
): number {
  if (through <= 0) return 0;
  if (day.readings.length) return READ[guess] * byReadings(day.readings, through);
  return wattsFor(wetted, through / 3.6, wind / 3.6, guess) / volts;
}

/** Between two readings along the cube of speed, and beyond them by it. */
function byReadings(readings: Day['readings'], kmh: number): number {
  const sorted = [...readings].sort((a, b) => a.kmh - b.kmh);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last) return 0;
  if (kmh <= first.kmh) return first.amps * (kmh / first.kmh) ** 3;
  if (kmh >= last.kmh) return last.amps * (kmh / last.kmh) ** 3;
  const i = sorted.findIndex((r) => r.kmh >= kmh);
  const [a, b] = [sorted[i - 1] ?? first, sorted[i] ?? last];
  const t = (kmh ** 3 - a.kmh ** 3) / Math.max(1e-9, b.kmh ** 3 - a.kmh ** 3);
  return a.amps + t * (b.amps - a.amps);
}

/** Speeds of a leg: through the water, and of the wind over the boat, km/h. */
function speedsOf({ does, kmh, stream = 0, wind = 0 }: Leg): { through: number; wind: number; hunts: number } {
  if (does === 'held by motor') {
    // It pushes against whatever would carry it off.
    const by = Math.max(Math.abs(stream), Math.abs(wind) / 10);
    return { through: by, wind: Math.abs(wind), hunts: HUNTS };
  }
  return does === 'motor' ? { through: kmh + stream, wind: wind + kmh, hunts: 1 } : { through: 0, wind: 0, hunts: 1 };
}

const isDark = ({ from, to }: Day['dark'], minute: number): boolean =>
  from <= to ? minute >= from && minute < to : minute >= from || minute < to;

/** The day's legs one after another: what the motors take in each, when it ends, and what any load takes at a moment. */
class Course {
  readonly legs: DayWorked['legs'];
  readonly minutes: number;
  /** Amps of all motors at full power, and their volts. */
  readonly full: number;
  readonly volts: number;
  readonly motors: readonly Flow[];
  private readonly ends: readonly number[];

  constructor(
    private readonly input: DayInput,
    readonly flows: readonly Flow[],
  ) {
    const { legs } = input.day;
    this.motors = flows.filter((f) => f.draw?.of === 'motor');
    this.full = this.motors.reduce((sum, f) => sum + (f.draw?.amps ?? 0), 0);
    this.volts = this.motors[0]?.volts ?? 12;
    this.legs = legs.map((leg) => {
      const { hunts, ...speeds } = speedsOf(leg);
      const asked = byGuess((g) => (this.motors.length ? hunts * motorAmps(input, { ...speeds, volts: this.volts }, g) : 0));
      return { amps: byGuess((g) => Math.min(this.full, asked[g])), reached: asked.likely <= this.full + 1e-9 };
    });
    this.ends = legs.map((_, i) => legs.slice(0, i + 1).reduce((sum, l) => sum + l.minutes, 0));
    this.minutes = this.ends.at(-1) ?? 0;
  }

  /** Amps of a load at a moment. */
  ampsOf(f: Flow, minute: number, guess: Guess): number {
    const { day, owned } = this.input;
    const { of, amps } = f.draw ?? { of: 'other', amps: 0 };
    if (of === 'motor') {
      const leg = this.legs[this.ends.findIndex((end) => minute < end)];
      return leg && this.full > 0 ? (leg.amps[guess] * amps) / this.full : 0;
    }
    if (of === 'lights' && !isDark(day.dark, (day.starts + minute) % 1440)) return 0;
    const { light } = owned.find((i) => i.placed.id === f.fitting)?.placed.part ?? {};
    return amps * (day.duty[f.fitting] ?? usualDuty({ of }, light));
  }
}

/** Works a day out: what every battery has left as it goes, and how far the motor's goes. */
export function simulateDay(input: DayInput): DayWorked {
  const flows = input.wiring.flows.filter((f) => !f.charging && f.draw !== null);
  const course = new Course(input, flows);
  const { minutes, legs, motors, full, volts } = course;
  const at = Array.from({ length: Math.ceil(minutes / STEP) }, (_, i) => i * STEP);
  const draws = new Map(
    flows.map((f) => {
      const ampMinutes = at.reduce((sum, m) => sum + course.ampsOf(f, m, 'likely') * Math.min(STEP, minutes - m), 0);
      return [f.fitting, minutes > 0 ? ampMinutes / minutes : 0];
    }),
  );
  const batteries = input.wiring.network.batteries.map((battery) => dayOf(battery, course, input));
  return { minutes, batteries, legs, draws, range: rangeOf(input, motors, full, volts) };
}

/** A battery over the day: drawn on by what it feeds, filled by the sun. */
function dayOf({ fitting, of: battery }: Network['batteries'][number], course: Course, input: DayInput): BatteryDay {
  const { day, owned } = input;
  const { ampHours, chemistry } = battery;
  const here = course.flows.filter((f) => (f.shares.get(fitting) ?? 0) !== 0);
  const holds = ampHours * (day.cold ? COLD[chemistry] : 1);
  const drawn = (minute: number, g: Guess): number =>
    here.reduce((sum, f) => sum + Math.abs(f.shares.get(fitting) ?? 0) * course.ampsOf(f, minute, g), 0);
  const panels = panelsOn(fitting, input);
  // Lithium takes no charge in the frost.
  const frozen = chemistry === 'lithium' && day.cold === true;
  const sun = (minute: number, g: Guess): number =>
    frozen ? 0 : STAYS[chemistry] * sunAmps(panels, day, (day.starts + minute) % 1440, g);
  const left = { easy: 1, likely: 1, hard: 1 };
  const moments: Moment[] = [];
  for (let minute = 0; minute <= course.minutes; minute += STEP) {
    const volts = voltsOf(battery, left.likely, drawn(minute, 'likely'), day.cold ?? false);
    moments.push({ minute, left: { ...left }, volts });
    const hours = Math.min(STEP, course.minutes - minute) / 60;
    for (const g of GUESSES) {
      const amps = drawn(minute, g);
      if (amps > 0) left[g] = Math.max(0, left[g] - hours / hoursToEmpty(holds, EXPONENT[chemistry], amps));
      left[g] = Math.min(1, left[g] + (hours * sun(minute, g)) / holds);
    }
  }
  const reserve = 1 - USABLE[chemistry];
  const item = owned.find((i) => i.placed.id === fitting);
  return {
    ...{ fitting, letter: item?.letter ?? '?', name: item?.placed.part.name ?? fitting, moments, reserve },
    touched: byGuess((g) => moments.find((m) => m.left[g] < reserve - 1e-9)?.minute ?? null),
    charges: chargingsOf(fitting, battery, left.likely, input),
  };
}

/** Volts at the posts: at rest falling evenly from full to a fifth left, less what its inside takes. */
function voltsOf(battery: Parameters<typeof sourceOf>[0], left: number, amps: number, cold: boolean): number {
  const [full, low] = [sourceOf(battery, { full: true, cold }), sourceOf(battery, { full: false, cold })];
  return low.volts + ((full.volts - low.volts) * (left - 0.2)) / 0.8 - amps * full.ohms;
}

/** How far the motors' battery goes at each speed until its reserve is touched, everything else on it off. */
function rangeOf(input: DayInput, motors: readonly Flow[], full: number, volts: number): Reach[] {
  const turning = input.wiring.network.batteries.filter((b) => motors.some((m) => (m.shares.get(b.fitting) ?? 0) !== 0));
  const [first] = turning;
  if (!first || full <= 0) return [];
  const share = motors.reduce((sum, m) => sum + (Math.abs(m.shares.get(first.fitting) ?? 0) * (m.draw?.amps ?? 0)) / full, 0);
  const { ampHours, chemistry } = first.of;
  const holds = ampHours * (input.day.cold ? COLD[chemistry] : 1);
  return Array.from({ length: 15 }, (_, i) => 2 + i / 2).flatMap((kmh): Reach[] => {
    const amps = byGuess((g) => motorAmps(input, { through: kmh, wind: kmh, volts }, g));
    if (amps.easy > full) return [];
    const km = byGuess((g) =>
      amps[g] > full ? 0 : kmh * USABLE[chemistry] * hoursToEmpty(holds, EXPONENT[chemistry], amps[g] * share),
    );
    return [{ kmh, amps, km }];
  });
}
