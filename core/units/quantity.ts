import { parseLength, printFigure, printLength, printStature, type Rounding, roundTo, type UnitSystem } from './length';
import { parseMass, printMass } from './mass';
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
  readonly read: (text: string, system: UnitSystem) => ReadQuantity;
}

const ok = (value: number): ReadQuantity => ({ ok: true, value });
const no = (says: string): ReadQuantity => ({ ok: false, says });
const trimmed = (value: number): string => String(Number(value.toFixed(2)));

/** A number with a dot or a comma, its unit typed or not. */
function number(text: string, unit: string, like: string): ReadQuantity {
  const bare = text.trim().toLowerCase();
  const end = unit.toLowerCase();
  const figure = (end && bare.endsWith(end) ? bare.slice(0, -end.length) : bare).trim().replace('−', '-').replace(',', '.');
  return /^-?\d+(\.\d+)?$|^-?\.\d+$/.test(figure)
    ? ok(Number(figure))
    : no(`"${text.trim()}" is not a number: write it like ${like}`);
}

const plain = (unit: string, like: string, scale = 1): Quantity => ({
  unit: () => unit,
  figure: (value) => trimmed(value * scale),
  print: (value) => `${trimmed(value * scale)}${unit && unit !== '°' ? ` ${unit}` : unit}`,
  read: (text) => {
    const read = number(text, unit, like);
    return read.ok ? ok(read.value / scale) : read;
  },
});

const way = (system: UnitSystem): { unit: string; km: number } =>
  system === 'imperial' ? { unit: 'mi', km: KM_PER_MILE } : { unit: 'km', km: 1 };
const printWay = (km: number, system: UnitSystem, how: Rounding): string => String(roundTo((km / way(system).km) * 10, how) / 10);

const QUANTITIES = {
  /** mm; typed in inches and sixteenths or millimetres. */
  length: {
    unit: (system) => (system === 'imperial' ? 'in' : 'mm'),
    figure: printFigure,
    print: printLength,
    read: (text, system) => {
      const read = parseLength(text, system);
      return read.ok ? ok(read.mm) : read;
    },
  },
  /** mm; a person's height, in feet and inches or centimetres. */
  stature: {
    unit: (system) => (system === 'imperial' ? '' : 'cm'),
    figure: (value, system) => (system === 'imperial' ? printStature(value, system) : String(Math.round(value / 10))),
    print: printStature,
    read: (text, system) => {
      const bare = system === 'metric' && /^\d+([.,]\d+)?$/.test(text.trim());
      const read = parseLength(bare ? `${text.replace(',', '.')} cm` : text, system);
      return read.ok
        ? ok(read.mm)
        : no(`"${text.trim()}" is not a height: write it like ${system === 'imperial' ? `5' 10"` : '178'}`);
    },
  },
  /** kg; typed in pounds or kilograms. */
  mass: {
    unit: (system) => (system === 'imperial' ? 'lb' : 'kg'),
    figure: (value, system) => printMass(value, system).replace(/ (lb|kg)$/, ''),
    print: printMass,
    read: (text, system) => {
      const kg = parseMass(text.replace(',', '.'), system);
      return kg === undefined
        ? no(`"${text.trim()}" is not a weight: write it like ${system === 'imperial' ? '181 lb or 82 kg' : '82 kg or 181 lb'}`)
        : ok(kg);
    },
  },
  /** km; typed in miles or kilometres. */
  distance: {
    unit: (system) => way(system).unit,
    figure: (value, system) => printWay(value, system, 'nearest'),
    print: (value, system, how) => `${printWay(value, system, how)} ${way(system).unit}`,
    read: (text, system) => {
      const [, figure = '', unit = system === 'imperial' ? 'mi' : 'km'] =
        /^(\d+(?:[.,]\d+)?)\s*(km|mi|miles?)?$/.exec(text.trim().toLowerCase()) ?? [];
      if (!figure) return no(`"${text.trim()}" is not a distance: write it like 8 km or 5 mi`);
      return ok(Number(figure.replace(',', '.')) * (unit === 'km' ? 1 : KM_PER_MILE));
    },
  },
  /** km/h; typed in miles or kilometres an hour. */
  speed: {
    unit: (system) => `${way(system).unit === 'mi' ? 'mph' : 'km/h'}`,
    figure: (value, system) => trimmed(value / way(system).km),
    print: (value, system, how) => `${printWay(value, system, how)} ${way(system).unit === 'mi' ? 'mph' : 'km/h'}`,
    read: (text, system) => {
      const read = number(text, way(system).unit === 'mi' ? 'mph' : 'km/h', '4.5');
      return read.ok ? ok(read.value * way(system).km) : read;
    },
  },
  /** Cents; typed in whole and hundredths. */
  money: {
    unit: () => '',
    figure: printMoney,
    print: printMoney,
    read: (text) => {
      const clean = text.replace(/[$€£,\s]/g, '');
      return /^\d{1,9}(\.\d{1,2})?$/.test(clean)
        ? ok(Math.round(Number(clean) * 100))
        : no(`"${text.trim()}" is not a sum: write it like 68 or 12.50`);
    },
  },
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
    read: (text) => (/^\d{1,9}$/.test(text.trim()) ? ok(Number(text)) : no(`"${text.trim()}" is not a whole number, such as 3`)),
  },
} satisfies Record<string, Quantity>;

export type QuantityKind = keyof typeof QUANTITIES;

const of = (kind: QuantityKind): Quantity => QUANTITIES[kind];

/**
 * Reads a quantity as people write it, with its unit or without.
 * @returns its value in the base unit (mm, kg, km, cents, V, A, Ah, °, min, L, share of one), or what would be right
 * @example readQuantity('mass', '181 lb', 'metric') // { ok: true, value: 82.1 }
 */
export const readQuantity = (kind: QuantityKind, text: string, system: UnitSystem): ReadQuantity => of(kind).read(text, system);

/** The figure as it stands in a field that names the unit itself: `61 7/16`. */
export const figureOf = (kind: QuantityKind, value: number, system: UnitSystem): string => of(kind).figure(value, system);

/** The unit that stands after a figure: `in`; empty where the figure says it all. */
export const unitOf = (kind: QuantityKind, system: UnitSystem): string => of(kind).unit(system);

/** With its unit: `61 7/16 in`. */
export const printQuantity = (kind: QuantityKind, value: number, system: UnitSystem, how: Rounding = 'nearest'): string =>
  of(kind).print(value, system, how);
