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
const NUMBER = String.raw`\d+(?:\.\d+)?|\.\d+`;
const AMOUNT = String.raw`(?:(?:${NUMBER})(?: ?- ?| )\d+ ?\/ ?\d+|(?:${NUMBER})|\d+ ?\/ ?\d+)`;
const FEET_INCHES = new RegExp(String.raw`^(${NUMBER}) ?(?:'|ft|feet|foot) ?-? ?(?:(${AMOUNT}) ?(?:"|in|inch|inches)?)?$`);
const INCHES = new RegExp(String.raw`^(${AMOUNT}) ?(?:"|in|inch|inches)$`);
const METRIC = new RegExp(String.raw`^(${NUMBER}) ?(mm|cm|m)$`);
const BARE = new RegExp(String.raw`^(${AMOUNT})$`);
const MM_PER = { mm: 1, cm: 10, m: 1000 } as const;

function amount(text: string): number {
  const [before = '', denominator] = text.split('/');
  if (denominator === undefined) return Number(text);
  const [numerator, whole = 0] = before.trim().split(/[ -]+/).reverse();
  return Number(whole) + Number(numerator) / Number(denominator);
}

/**
 * Reads a length as riggers write it: `66 15/16`, `5' 6 15/16"`, `1700 mm`, `1.7 m`, `66.9 in`.
 * A bare number is inches in the imperial system and millimetres in the metric one.
 *
 * @param text what was typed
 * @param system what a bare number means
 * @returns millimetres, or a sentence that says what would be right
 * @example parseLength(`5' 6 15/16"`, 'metric') // { ok: true, mm: 1700.2125 }
 */
export function parseLength(text: string, system: UnitSystem): ParsedLength {
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
  const mm = unsigned(clean, system);
  if (mm === undefined || !Number.isFinite(mm)) {
    const like = system === 'imperial' ? `66 15/16 or 5' 6 15/16"` : '1700 or 1.7 m';
    return { ok: false, says: `"${text.trim()}" is not a length: write it like ${like}` };
  }
  return { ok: true, mm: negative ? -mm : mm };
}

function unsigned(clean: string, system: UnitSystem): number | undefined {
  const feet = FEET_INCHES.exec(clean);
  if (feet) return Number(feet[1]) * MM_PER_FOOT + amount(feet[2] ?? '0') * MM_PER_INCH;
  const inches = INCHES.exec(clean);
  if (inches) return amount(inches[1] ?? '') * MM_PER_INCH;
  const metric = METRIC.exec(clean);
  if (metric) return Number(metric[1]) * MM_PER[metric[2] as keyof typeof MM_PER];
  const bare = BARE.exec(clean);
  if (bare) return amount(bare[1] ?? '') * (system === 'imperial' ? MM_PER_INCH : 1);
  return undefined;
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
