import { addYears, isBefore, isValid, parse, startOfDay } from 'date-fns';
import { enUS, fr } from 'date-fns/locale';
import { dayWords } from './days';

/** Which of two figures of a date somebody writes first; null when nobody knows. */
export type DayOrder = 'day first' | 'month first';

export type ReadDay = { readonly ok: true; readonly day: Date } | { readonly ok: false; readonly says: string };

const LIKE = 'Write it like Fri 11 Dec 2026.';
const YEARS = ['yyyy', 'yy', ''] as const;
const IN_WORDS = ['d MMM', 'd MMMM', 'do MMM', 'do MMMM', 'MMM d', 'MMMM d', 'MMM do', 'MMMM do'];
const DAY_NAMES = new Set('mon tue wed thu fri sat sun lun mar mer jeu ven sam dim'.split(' '));

/** The words without a day of the week before them: `Mar 15` is a month, `mar 15 mars` begins with Tuesday. */
function withoutWeekday(words: readonly string[]): readonly string[] {
  const [first = '', ...rest] = words;
  return DAY_NAMES.has(first.slice(0, 3).toLowerCase()) && rest.some((w) => /\p{L}/u.test(w)) ? rest : words;
}

/** A day that names no year is the next there is. */
const dated = (day: Date, year: string, today: Date): Date =>
  year === '' && isBefore(day, startOfDay(today)) ? addYears(day, 1) : day;

function inFormats(text: string, formats: readonly string[], today: Date): Date | null {
  for (const year of YEARS)
    for (const form of formats)
      for (const locale of [enUS, fr]) {
        const day = parse(text, [form, year].filter(Boolean).join(' '), today, { locale });
        // Two figures of a year are not the first century.
        if (isValid(day) && day.getFullYear() >= 1900) return dated(day, year, today);
      }
  return null;
}

/** A day by figures alone, in one order. */
const byFigures = (text: string, order: DayOrder, today: Date): Date | null =>
  inFormats(text, [order === 'day first' ? 'd M' : 'M d'], today);

/**
 * Reads a day as people write it: `Fri 11 Dec 2026`, `15 Dec`, `December 15, 2026`, `15 déc. 2026`, `2026-12-15`,
 * `12/15/2026`, `15.12.2026`. Of `03/04/2026` the writer's order settles which is the month; else it is asked about.
 *
 * @param order which figure its writer writes first; null when nobody knows
 * @param today a day without a year is the next from here on
 */
export function readDay(typed: string, order: DayOrder | null, today: Date): ReadDay {
  const text = typed.trim().replace(/\s+/g, ' ');
  const no = (says: string = LIKE): ReadDay => ({ ok: false, says });
  const iso = /^(\d{4})[-/. ](\d{1,2})[-/. ](\d{1,2})$/.exec(text);
  if (iso) {
    const day = parse(iso.slice(1).join(' '), 'yyyy M d', today);
    return isValid(day) ? { ok: true, day } : no(`There is no day ${text}. ${LIKE}`);
  }
  const figures = /^(\d{1,2})([-/. ])(\d{1,2})(?:\2(\d{4}|\d{2}))?$/.exec(text);
  if (!figures) {
    const plain = text.replace(/,/g, ' ').replace(/(\d)(?:st|nd|rd|th|er)\b/gi, '$1');
    const words = withoutWeekday(plain.split(/\s+/).filter(Boolean)).join(' ');
    const day = inFormats(words, IN_WORDS, today) ?? inFormats(words.replace(/([a-zé])(?= |$)/gi, '$1.'), IN_WORDS, today);
    return day ? { ok: true, day } : no();
  }
  const [, first = '', mark, second = '', year] = figures;
  const plain = [first, second, year].filter(Boolean).join(' ');
  const [byDay, byMonth] = [byFigures(plain, 'day first', today), byFigures(plain, 'month first', today)];
  if (!byDay && !byMonth) return no(`There is no day ${text}. ${LIKE}`);
  // With full stops nobody writes the month first (common practice, no source).
  const settled = mark === '.' ? 'day first' : order;
  const [one, other] = settled === 'month first' ? [byMonth, byDay] : [byDay, byMonth];
  if (one && other && !settled && first !== second)
    return no(`${text} can be read two ways: write ${dayWords(one)} or ${dayWords(other)}.`);
  if (mark === '.' && !byDay) return no(`There is no day ${text}. ${LIKE}`);
  const day = one ?? other;
  return day ? { ok: true, day } : no();
}
