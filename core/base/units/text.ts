import { MM_PER_INCH, printLength, printLong, type Rounding, roundTo, type UnitSystem } from './length';
import { printMass } from './mass';
import { figureOf, printQuantity, unitOf } from './quantity';

/** A measured quantity inside a sentence, printed only when somebody reads it in their units. */
export type Figure =
  | { readonly mm: number; readonly how?: Rounding; readonly long?: boolean; readonly fine?: boolean }
  | { readonly mm: number; readonly less: number; readonly long: boolean }
  | { readonly kg: number }
  | { readonly kmh: number }
  | { readonly km: number }
  /** On land, m. */
  | { readonly ground: number };

/** A sentence whose figures are still numbers. */
export type Sentence = readonly (string | Figure)[];

export const mm = (value: number, how: Rounding = 'nearest'): Figure => ({ mm: value, how });
export const longMm = (value: number): Figure => ({ mm: value, long: true });
/**
 * How much more one length is than another, where both are shown beside it: taken of the figures as they are shown.
 * @example tell(say`${mmApart(334.9, 324.9)}`, 'imperial') // '3/8 in': 13 3/16 less 12 13/16
 */
export const mmApart = (one: number, other: number): Figure => ({
  mm: Math.max(one, other),
  less: Math.min(one, other),
  long: false,
});
/** The same of lengths of rope and wire. */
export const longApart = (one: number, other: number): Figure => ({
  mm: Math.max(one, other),
  less: Math.min(one, other),
  long: true,
});
/** A small size, such as a slot's or a bolt's: to the tenth in millimetres, to the hundredth of an inch. */
export const fine = (value: number): Figure => ({ mm: value, fine: true });
export const kg = (value: number): Figure => ({ kg: value });
export const kmh = (value: number): Figure => ({ kmh: value });
export const km = (value: number): Figure => ({ km: value });
/** A way on land, given in metres: in metres or feet. */
export const ground = (metres: number): Figure => ({ ground: metres });

/**
 * Builds a sentence from a template with measures in it.
 * @example say`Stands ${mm(62, 'up')} into the paddle stroke.`
 */
export function say(strings: TemplateStringsArray, ...values: (string | number | Figure | Sentence)[]): Sentence {
  const out: (string | Figure)[] = [];
  strings.forEach((text, i) => {
    out.push(text);
    const value = values[i];
    if (typeof value === 'number') out.push(String(value));
    else if (typeof value === 'string') out.push(value);
    else if (value !== undefined) out.push(...('length' in value ? value : [value]));
  });
  return out;
}

/** The difference of two lengths in the marks they are printed to. */
function printLess({ mm: more, less, long }: { mm: number; less: number; long: boolean }, system: UnitSystem): string {
  const mark = system === 'metric' ? (long ? 10 : 1) : long ? MM_PER_INCH : MM_PER_INCH / 16;
  const marks = (value: number): number => roundTo(value / mark, long ? 'up' : 'nearest');
  // What differs by less than a mark does differ.
  const shown = (marks(more) - marks(less)) * mark || mark;
  return long ? printLong(shown, system) : printLength(shown, system);
}

/** Prints a sentence in one unit system. */
export function tell(sentence: Sentence, system: UnitSystem): string {
  return sentence
    .map((part) => {
      if (typeof part === 'string') return part;
      if ('kg' in part) return printMass(part.kg, system);
      if ('kmh' in part) return printQuantity('speed', part.kmh, system);
      if ('km' in part) return printQuantity('distance', part.km, system);
      if ('ground' in part) return `${Math.round(Number(figureOf('ground', part.ground, system)))} ${unitOf('ground', system)}`;
      if ('less' in part) return printLess(part, system);
      if (part.fine) return system === 'metric' ? `${Number(part.mm.toFixed(1))} mm` : `${(part.mm / MM_PER_INCH).toFixed(2)} in`;
      return part.long ? printLong(part.mm, system) : printLength(part.mm, system, part.how);
    })
    .join('');
}
