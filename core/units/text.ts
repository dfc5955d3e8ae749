import { MM_PER_INCH, printLength, printLong, type Rounding, type UnitSystem } from './length';
import { printMass } from './mass';
import { printQuantity } from './quantity';

/** A measured quantity inside a sentence, printed only when somebody reads it in their units. */
export type Figure =
  | { readonly mm: number; readonly how?: Rounding; readonly long?: boolean; readonly fine?: boolean }
  | { readonly kg: number }
  | { readonly kmh: number };

/** A sentence whose figures are still numbers. */
export type Sentence = readonly (string | Figure)[];

export const mm = (value: number, how: Rounding = 'nearest'): Figure => ({ mm: value, how });
export const longMm = (value: number): Figure => ({ mm: value, long: true });
/** A small size, such as a slot's or a bolt's: to the tenth in millimetres, to the hundredth of an inch. */
export const fine = (value: number): Figure => ({ mm: value, fine: true });
export const kg = (value: number): Figure => ({ kg: value });
export const kmh = (value: number): Figure => ({ kmh: value });

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

/** Prints a sentence in one unit system. */
export function tell(sentence: Sentence, system: UnitSystem): string {
  return sentence
    .map((part) => {
      if (typeof part === 'string') return part;
      if ('kg' in part) return printMass(part.kg, system);
      if ('kmh' in part) return printQuantity('speed', part.kmh, system);
      if (part.fine) return system === 'metric' ? `${Number(part.mm.toFixed(1))} mm` : `${(part.mm / MM_PER_INCH).toFixed(2)} in`;
      return part.long ? printLong(part.mm, system) : printLength(part.mm, system, part.how);
    })
    .join('');
}
