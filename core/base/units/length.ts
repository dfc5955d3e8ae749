import { type Numbers, readFigure, readsTwoWays } from './figure';

/** Lengths are millimetres inside; inches and feet exist only at the edge. */

/** 1 in = 25.4 mm exactly (NIST SP 811). */
export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 12 * MM_PER_INCH;

export type UnitSystem = 'imperial' | 'metric';
/** Limits are rounded to the careful side, readings to the nearest mark. */
export type Rounding = 'nearest' | 'up' | 'down';

export type ParsedLength = { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly says: string };

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const FRACTION = String.raw`(?:(\d+)(?: ?- ?| ))?(\d+) ?\/ ?(\d+)`;
const AMOUNT = String.raw`[\d.,]+|${FRACTION}`;
const FEET_INCHES = new RegExp(
  String.raw`^([\d.,]+) ?(?:'|ft\b|feet\b|foot\b|ft(?=\d)) ?-? ?(?:(${AMOUNT}) ?(?:"|in|inch|inches)?)?$`,
);
const INCHES = new RegExp(String.raw`^(${AMOUNT}) ?(?:"|in|inch|inches)$`);
const METRIC = /^([\d.,' ]+?) ?(mm|cm|m)$/;
const METRES_AND = /^(\d) ?m ?(\d{2})$/;
const BARE_FRACTION = new RegExp(`^${FRACTION}$`);
const MM_PER = { mm: 1, cm: 10, m: 1000 } as const;

/** A part of a length: a number of marks, that it may be two, or that it is none. */
type Part = number | readonly [string, string] | undefined;

function amount(text: string, numbers: Numbers | null): Part {
  const fraction = BARE_FRACTION.exec(text);
  if (fraction) return Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]);
  const read = readFigure(text, { numbers });
  return read.is === 'figure' ? read.value : read.is === 'unclear' ? read.either : undefined;
}

const times = (part: Part, mm: number): Part => (typeof part === 'number' ? part * mm : part);

/**
 * Reads a length as riggers write it: `66 15/16`, `5' 6 15/16"`, `1700 mm`, `1,7 m`, `1 m 70`, `66.9 in`.
 * A bare number is inches in the imperial system and millimetres in the metric one.
 *
 * @param text what was typed
 * @param system what a bare number means
 * @param numbers how its writer writes numbers, which settles `1,234`; null when nobody knows
 * @returns millimetres, or a sentence that says what would be right
 * @example parseLength(`5' 6 15/16"`, 'metric') // { ok: true, mm: 1700.2125 }
 */
export function parseLength(text: string, system: UnitSystem, numbers: Numbers | null = null): ParsedLength {
  let clean = text
    .replace(/^\ufeff/, '')
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/[′’]/g, "'")
    .replace(/[″”“]|''/g, '"');
  clean = clean.replace(/ ?([½¼¾⅛⅜⅝⅞])/g, (_, mark: string) => ` ${VULGAR[mark] ?? ''}`).trim();
  // 21/2 may be two and a half or ten and a half: nobody's tape prints it.
  const top = /^(\d{2,})\/(2|4|8|16|32|64)\D*$/.exec(clean);
  if (top && Number(top[1]) > Number(top[2])) {
    const [whole = '', rest = ''] = [top[1]?.slice(0, -1), top[1]?.slice(-1)];
    return {
      ok: false,
      says: `"${text.trim()}" can be read two ways: write ${whole} ${rest}/${top[2]}, or the whole inches first`,
    };
  }
  const negative = /^[-−]/.test(clean);
  if (negative) clean = clean.slice(1).trim();
  const read = unsigned(clean, system, numbers);
  if (typeof read === 'object') return { ok: false, says: readsTwoWays(text, read) };
  if (read === undefined || !Number.isFinite(read)) {
    const like = system === 'imperial' ? `66 15/16 or 5' 6 15/16"` : '1700 or 1.7 m';
    return { ok: false, says: `"${text.trim()}" is not a length: write it like ${like}` };
  }
  return { ok: true, mm: negative ? -read : read };
}

function unsigned(clean: string, system: UnitSystem, numbers: Numbers | null): Part {
  if (/^[-−]/.test(clean)) return undefined;
  const feet = FEET_INCHES.exec(clean);
  // After feet, inches have two digits at the most: 1'000 is a thousand.
  if (feet && !/^\d{3}/.test(feet[2] ?? '')) {
    const [foot, inch] = [amount(feet[1] ?? '', numbers), amount(feet[2] ?? '0', numbers)];
    return typeof foot !== 'number' ? foot : typeof inch !== 'number' ? inch : foot * MM_PER_FOOT + inch * MM_PER_INCH;
  }
  const inches = INCHES.exec(clean);
  if (inches) return times(amount(inches[1] ?? '', numbers), MM_PER_INCH);
  const metres = METRES_AND.exec(clean);
  if (metres) return Number(metres[1]) * 1000 + Number(metres[2]) * 10;
  const metric = METRIC.exec(clean);
  if (metric) return times(amount(metric[1] ?? '', numbers), MM_PER[metric[2] as keyof typeof MM_PER]);
  // A gap before three more inches is a fraction's stroke forgotten sooner than a thousand.
  if (system === 'imperial' && !BARE_FRACTION.test(clean) && /[ ']/.test(clean)) return undefined;
  return times(amount(clean, numbers), system === 'imperial' ? MM_PER_INCH : 1);
}

/** A length split for display: fractions are stacked on screen and paper. */
export interface LengthParts {
  readonly negative: boolean;
  readonly whole: number;
  readonly numerator: number;
  readonly denominator: number;
  readonly unit: 'in' | 'mm';
}

/** Rounds to a whole number; what is a hair off one already is that one. */
export const roundTo = (value: number, how: Rounding): number =>
  how === 'up' ? Math.ceil(value - 1e-9) : how === 'down' ? Math.floor(value + 1e-9) : Math.round(value);

/**
 * Splits a length to the sixteenth of an inch or to the millimetre.
 *
 * @param mm the length
 * @param how `up` and `down` are towards larger and smaller magnitude
 */
export function lengthParts(mm: number, system: UnitSystem, how: Rounding = 'nearest'): LengthParts {
  const size = Math.abs(mm);
  if (system === 'metric') {
    const whole = roundTo(size, how);
    return { negative: mm < 0 && whole > 0, whole, numerator: 0, denominator: 1, unit: 'mm' };
  }
  const sixteenths = roundTo((size / MM_PER_INCH) * 16, how);
  const whole = Math.floor(sixteenths / 16);
  let numerator = sixteenths % 16;
  let denominator = 16;
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2;
    denominator /= 2;
  }
  if (numerator === 0) denominator = 1;
  return { negative: mm < 0 && sixteenths > 0, whole, numerator, denominator, unit: 'in' };
}

/** Prints a length to the sixteenth or millimetre, without its unit: `66 15/16`, `1700`. */
export function printFigure(mm: number, system: UnitSystem, how: Rounding = 'nearest'): string {
  const parts = lengthParts(mm, system, how);
  const fraction = parts.numerator ? `${parts.numerator}/${parts.denominator}` : '';
  const whole = parts.whole || !fraction ? String(parts.whole) : '';
  return `${parts.negative ? '−' : ''}${[whole, fraction].filter(Boolean).join(' ')}`;
}

/** Prints a length with its unit: `66 15/16 in`, `1700 mm`. */
export const printLength = (mm: number, system: UnitSystem, how: Rounding = 'nearest'): string =>
  `${printFigure(mm, system, how)} ${system === 'imperial' ? 'in' : 'mm'}`;

/** Prints a long length the way rope and wire are cut: `10 ft 5 in`, `3.18 m`. */
export function printLong(mm: number, system: UnitSystem, how: Rounding = 'up'): string {
  if (system === 'metric') return `${(roundTo(mm / 10, how) / 100).toFixed(2)} m`;
  const inches = roundTo(mm / MM_PER_INCH, how);
  const feet = Math.floor(inches / 12);
  return inches % 12 ? `${feet} ft ${inches % 12} in` : `${feet} ft`;
}

/** Prints what is finer than a tape's marks, up to the careful side: `0.13 mm`, `0.006 in`. */
export const printLittle = (mm: number, system: UnitSystem): string =>
  system === 'metric'
    ? `${(Math.ceil(mm * 100 - 1e-9) / 100).toFixed(2)} mm`
    : `${(Math.ceil((mm / MM_PER_INCH) * 1000 - 1e-9) / 1000).toFixed(3)} in`;

/** Prints a person's height: `5′ 10″`, `178 cm`. Limits are rounded to the careful side. */
export function printStature(mm: number, system: UnitSystem, how: Rounding = 'nearest'): string {
  if (system === 'metric') return `${roundTo(mm / 10, how)} cm`;
  const inches = roundTo(mm / MM_PER_INCH, how);
  return `${Math.floor(inches / 12)}′ ${inches % 12}″`;
}
