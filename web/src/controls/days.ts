import { Pipe, type PipeTransform } from '@angular/core';
import { TZDate } from '@date-fns/tz';
import { format, type Locale, parseISO } from 'date-fns';
import { enGB } from 'date-fns/locale';

const DAY = 'd MMM yyyy';

/**
 * A day in words.
 * @param day as `2026-12-11`, or as this device has it
 * @param form of date-fns
 */
export const dayWords = (day: string | Date, form = DAY, locale: Locale = enGB): string =>
  format(typeof day === 'string' ? parseISO(day) : day, form, { locale });

/**
 * A moment in words, by the clock and the calendar of a place.
 * @param moment an instant, as `2026-12-11T23:30:00Z`
 * @param zone the shop's, as `Europe/Dublin`
 * @param form of date-fns
 */
export const momentWords = (moment: string, zone: string | undefined, form: string): string =>
  format(new TZDate(moment, zone ?? 'UTC'), form, { locale: enGB });

/** The day of a moment where the shop is. */
@Pipe({ name: 'dayIn' })
export class DayIn implements PipeTransform {
  transform = (moment: string | undefined, zone: string | undefined, form = DAY): string =>
    moment ? momentWords(moment, zone, form) : '';
}
