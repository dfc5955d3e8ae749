import {
  MM_PER_FOOT,
  MM_PER_INCH,
  parseLength,
  printFigure,
  printLength,
  printStature,
  type Rounding,
  roundTo,
  type UnitSystem,
} from './length';
import { certain, type Numbers, readFigure, readsTwoWays } from './figure';
import { GRAVITY, KG_PER_POUND, printMass } from './mass';
import { printMoney } from './money';

/** 1 mi = 1.609344 km exactly (NIST SP 811). */
export const KM_PER_MILE = 1.609344;

/** What was typed as a value in the quantity's base unit, or what would be right. */
export type ReadQuantity = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly says: string };

/** How one kind of quantity is typed and printed; values are in its base unit. */
interface Quantity {
  /** What stands after the figure in a field. */
  readonly unit: (system: UnitSystem) => string;
  /** The figure as it stands in a field, without its unit. */
  readonly figure: (value: number, system: UnitSystem) => string;
  /** With its unit, as it stands in a sentence. */
  readonly print: (value: number, system: UnitSystem, how: Rounding) => string;
  readonly read: (text: string, system: UnitSystem, numbers: Numbers | null) => ReadQuantity;
}

const ok = (value: number): ReadQuantity => ({ ok: true, value });
const no = (says: string): ReadQuantity => ({ ok: false, says });
const trimmed = (value: number): string => String(Number(value.toFixed(2)));

/** How a figure is read: what may stand behind it and what one of that is, how many decimals, what is said of others. */
interface Typed {
  readonly text: string;
  readonly numbers: Numbers | null;
  /** Units by how they are written, in the base unit; a bare figure is of the first. */
  readonly units: Readonly<Record<string, number>>;
  readonly decimals?: number;
  /** It may be less than nought. */
  readonly signed?: boolean;
  readonly is: string;
  readonly like: string;
}

/** Nothing of a boat, its parts or its price has so many of anything. */
const TOO_MUCH = 1e9;

/** A figure of either school, its unit typed or not, in the base unit. */
function typed({ text, numbers, units, decimals, signed = false, is, like }: Typed): ReadQuantity {
  const bare = text.trim().toLowerCase();
  const [own = ''] = Object.keys(units);
  const unit = Object.keys(units)
    .filter((u) => u !== '' && bare.endsWith(u))
    .sort((a, b) => b.length - a.length)[0];
  const figure = unit === undefined ? bare : bare.slice(0, -unit.length);
  const read = readFigure(figure, { numbers, decimals });
  if (read.is === 'unclear') return no(readsTwoWays(text, read.either));
  const taken = read.is === 'figure' && (signed || read.value >= 0) && Math.abs(read.value) < TOO_MUCH;
  return taken ? ok(read.value * (units[unit ?? own] ?? 1)) : no(`"${text.trim()}" is not ${is}: write it like ${like}`);
}

const plain = (unit: string, like: string, scale = 1): Quantity => ({
  unit: () => unit,
  figure: (value) => trimmed(value * scale),
  print: (value) => `${trimmed(value * scale)}${unit && unit !== '°' ? ` ${unit}` : unit}`,
  read: (text, _, numbers) => {
    const read = typed({ text, numbers, units: { [unit.toLowerCase()]: 1 }, signed: true, is: 'a number', like });
    return read.ok ? ok(read.value / scale) : read;
  },
});

/** One that is read in two units: the base unit, and one that is so much of it. */
const twofold = (metric: string, imperial: string, per: number, like: string): Quantity => {
  const unit = (system: UnitSystem): string => (system === 'imperial' ? imperial : metric);
  const inUnit = (value: number, system: UnitSystem): number => value / (system === 'imperial' ? per : 1);
  // To the hundredth, and finer as the unit is larger.
  const places = (system: UnitSystem): number => (system === 'imperial' && per > 10 ? 3 : 2);
  const figure = (value: number, system: UnitSystem): string => certain(Number(inUnit(value, system).toFixed(places(system))));
  return {
    unit,
    figure,
    print: (value, system, how) => {
      const marks = 10 ** places(system);
      return `${certain(roundTo(inUnit(value, system) * marks, how) / marks)} ${unit(system)}`;
    },
    read: (text, system, numbers) => {
      const both = [[metric.toLowerCase(), 1] as const, [imperial.toLowerCase(), per] as const];
      const units = Object.fromEntries(system === 'imperial' ? both.reverse() : both);
      return typed({ text, numbers, units, is: 'a number', like });
    },
  };
};

/** 1 lbf = 0.45359237 × 9.80665 N exactly (NIST SP 811). */
const N_PER_POUND = KG_PER_POUND * GRAVITY;

const way = (system: UnitSystem): { unit: string; km: number } =>
  system === 'imperial' ? { unit: 'mi', km: KM_PER_MILE } : { unit: 'km', km: 1 };
const printWay = (km: number, system: UnitSystem, how: Rounding): string => String(roundTo((km / way(system).km) * 10, how) / 10);

const QUANTITIES = {
  /** mm; typed in inches and sixteenths or millimetres. */
  length: {
    unit: (system) => (system === 'imperial' ? 'in' : 'mm'),
    figure: printFigure,
    print: printLength,
    read: (text, system, numbers) => {
      const read = parseLength(text, system, numbers);
      return read.ok ? ok(read.mm) : read;
    },
  },
  /** mm; a person's height, in feet and inches or centimetres. */
  stature: {
    unit: (system) => (system === 'imperial' ? '' : 'cm'),
    figure: (value, system) => (system === 'imperial' ? printStature(value, system) : String(Math.round(value / 10))),
    print: printStature,
    read: (text, system, numbers) => {
      const clean = text.trim();
      // 5 8 is five feet eight: nobody is as tall in anything else.
      const feet = /^([3-7])[ -](\d|1[01])$/.exec(clean);
      const bare = system === 'metric' && /^\d+([.,]\d+)?$/.test(clean);
      const read = parseLength(feet ? `${feet[1]}'${feet[2]}"` : bare ? `${clean} cm` : clean, system, numbers);
      return read.ok ? ok(read.mm) : no(`"${clean}" is not a height: write it like ${system === 'imperial' ? `5' 10"` : '178'}`);
    },
  },
  /** kg; typed in pounds or kilograms. */
  mass: {
    unit: (system) => (system === 'imperial' ? 'lb' : 'kg'),
    figure: (value, system) => printMass(value, system).replace(/ (lb|kg)$/, ''),
    print: printMass,
    read: (text, system, numbers) => {
      const kilos = { kg: 1 };
      const pounds = { lb: KG_PER_POUND, lbs: KG_PER_POUND };
      const [units, like] =
        system === 'imperial' ? [{ ...pounds, ...kilos }, '181 lb or 82 kg'] : [{ ...kilos, ...pounds }, '82 kg or 181 lb'];
      return typed({ text, numbers, units, is: 'a weight', like });
    },
  },
  /** km; typed in miles or kilometres. */
  distance: {
    unit: (system) => way(system).unit,
    figure: (value, system) => printWay(value, system, 'nearest'),
    print: (value, system, how) => `${printWay(value, system, how)} ${way(system).unit}`,
    read: (text, system, numbers) => {
      const miles = { mi: KM_PER_MILE, mile: KM_PER_MILE, miles: KM_PER_MILE };
      const units = system === 'imperial' ? { ...miles, km: 1 } : { km: 1, ...miles };
      return typed({ text, numbers, units, is: 'a distance', like: '8 km or 5 mi' });
    },
  },
  /** km/h; typed in miles or kilometres an hour. */
  speed: {
    unit: (system) => `${way(system).unit === 'mi' ? 'mph' : 'km/h'}`,
    figure: (value, system) => trimmed(value / way(system).km),
    print: (value, system, how) => `${printWay(value, system, how)} ${way(system).unit === 'mi' ? 'mph' : 'km/h'}`,
    read: (text, system, numbers) => {
      const units = system === 'imperial' ? { mph: KM_PER_MILE, 'km/h': 1 } : { 'km/h': 1, mph: KM_PER_MILE };
      return typed({ text, numbers, units, signed: true, is: 'a number', like: '4.5' });
    },
  },
  /** Cents; typed in whole and hundredths. */
  money: {
    unit: () => '',
    figure: printMoney,
    print: printMoney,
    read: (text, _, numbers) => {
      const bare = text.replace(/[$€£]/g, '');
      const read = typed({ text: bare, numbers, units: { '': 100 }, decimals: 2, is: 'a sum', like: '68 or 12.50' });
      return read.ok ? ok(Math.round(read.value)) : read;
    },
  },
  /** N; typed in pounds of force or newtons. */
  force: twofold('N', 'lbf', N_PER_POUND, '200'),
  /** kg·m, a weight times the way it is carried; typed in pounds times feet or kilograms times metres. */
  carry: twofold('kg·m', 'lb·ft', KG_PER_POUND * (MM_PER_FOOT / 1000), '1200'),
  /** m on land; typed in feet or metres. */
  ground: twofold('m', 'ft', MM_PER_FOOT / 1000, '40'),
  /** mm finer than a tape's marks; typed in thousandths of an inch or hundredths of a millimetre. */
  fine: twofold('mm', 'in', MM_PER_INCH, '0.5'),
  /** K, from one temperature to another; typed in degrees of Fahrenheit or Celsius. */
  warmth: twofold('°C', '°F', 1 / 1.8, '60'),
  volts: plain('V', '12.8'),
  amps: plain('A', '7.5'),
  ampHours: plain('Ah', '20'),
  degrees: plain('°', '45'),
  minutes: plain('min', '15'),
  litres: plain('L', '2'),
  /** A share of one, typed in percent. */
  share: plain('%', '12.5', 100),
  number: plain('', '12'),
  /** Whole. */
  count: {
    ...plain('', '3'),
    read: (text, _, numbers) => typed({ text, numbers, units: { '': 1 }, decimals: 0, is: 'a whole number', like: '3' }),
  },
} satisfies Record<string, Quantity>;

export type QuantityKind = keyof typeof QUANTITIES;

const of = (kind: QuantityKind): Quantity => QUANTITIES[kind];

/**
 * Reads a quantity as people write it, with its unit or without, with a decimal point or comma.
 * @param numbers how its writer writes numbers; null when nobody knows: what reads two ways is asked about then
 * @returns its value in the base unit (mm, kg, km, cents, V, A, Ah, °, min, L, share of one), or what would be right
 * @example readQuantity('mass', '181 lb', 'metric') // { ok: true, value: 82.1 }
 */
export const readQuantity = (
  kind: QuantityKind,
  text: string,
  system: UnitSystem,
  numbers: Numbers | null = null,
): ReadQuantity => of(kind).read(text, system, numbers);

/** The figure as it stands in a field that names the unit itself: `61 7/16`. */
export const figureOf = (kind: QuantityKind, value: number, system: UnitSystem): string => of(kind).figure(value, system);

/** The unit that stands after a figure: `in`; empty where the figure says it all. */
export const unitOf = (kind: QuantityKind, system: UnitSystem): string => of(kind).unit(system);

/** With its unit: `61 7/16 in`. */
export const printQuantity = (kind: QuantityKind, value: number, system: UnitSystem, how: Rounding = 'nearest'): string =>
  of(kind).print(value, system, how);
