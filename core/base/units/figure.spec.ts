import fc from 'fast-check';
import { certain, numbersOf, type Numbers, readFigure } from './figure';

const read = (text: string, numbers: Numbers | null = null, decimals = Infinity): number | string => {
  const r = readFigure(text, { numbers, decimals });
  return r.is === 'figure' ? r.value : r.is === 'unclear' ? r.either.join(' or ') : 'none';
};

/** Locales of either school, as the Unicode CLDR has them: an outside source of how people write numbers. */
const SCHOOLS: readonly (readonly [string, Numbers])[] = [
  ['en-US', 'point'],
  ['en-GB', 'point'],
  ['es-MX', 'point'],
  ['de-DE', 'comma'],
  ['fr-FR', 'comma'],
  ['fr-CA', 'comma'],
  ['es-ES', 'comma'],
  ['sv-SE', 'comma'],
  ['de-CH', 'point'],
  ['pt-BR', 'comma'],
];

describe('a figure', () => {
  it('is read with a decimal point or comma, thousands of either school', () => {
    expect([read('12,50'), read('12.50'), read('9,9'), read('9.9')]).toEqual([12.5, 12.5, 9.9, 9.9]);
    expect([read('1,234.50'), read('1.234,50'), read('1 234,50'), read('1\u202f234,5'), read("1'234.50")]).toEqual(
      Array(5).fill(1234.5),
    );
    expect([read('1,234,567'), read('1.234.567'), read('1 234 567')]).toEqual(Array(3).fill(1234567));
    expect([read('0,125'), read('.5'), read(',5'), read('1234,567'), read('12,5000')]).toEqual([0.125, 0.5, 0.5, 1234.567, 12.5]);
    expect([read('-3,5'), read('− 2'), read('007')]).toEqual([-3.5, -2, 7]);
  });

  it('that may be two is asked about, unless its writer’s way or its decimals settle it', () => {
    expect(read('1,234')).toBe('1234 or 1.234');
    expect(read('-12.500')).toBe('-12500 or -12.500');
    expect([read('1,234', 'point'), read('1,234', 'comma'), read('1.234', 'point'), read('1.234', 'comma')]).toEqual([
      1234, 1.234, 1.234, 1234,
    ]);
    // A sum has two decimals at the most, a count none.
    expect([read('1,234', null, 2), read('1.234', null, 0), read('1,234', 'point', 2)]).toEqual([1234, 1234, 1234]);
    // But who writes a decimal comma hardly means thousands by it.
    expect(read('1,234', 'comma', 2)).toBe('1234 or 1.234');
    expect([read('0,999', null, 2), read('2,0', null, 0), read('2,5', null, 0)]).toEqual(['none', 2, 'none']);
  });

  it('is none where the marks stand wrong', () => {
    for (const text of [
      '',
      '.',
      ',',
      '1,23,4',
      '12,34.5',
      '1.2.3',
      '1..2',
      '1,,2',
      '12 34',
      '1e9',
      'NaN',
      '--3',
      '1 2',
      '5 8',
      '٣',
    ])
      expect(read(text)).withContext(text).toBe('none');
  });

  it('is never out by ten, a hundred or a thousand, whoever wrote it and whatever the setting', () => {
    const value = fc.integer({ min: 0, max: 99_999_999 });
    fc.assert(
      fc.property(
        value,
        fc.integer({ min: 0, max: 4 }),
        fc.boolean(),
        fc.constantFrom(...SCHOOLS),
        fc.constantFrom('own' as const, 'unset' as const, 'other' as const),
        fc.constantFrom(0, 2, Infinity),
        (whole, shift, useGrouping, [locale, own], setting, decimals) => {
          const places = Math.min(shift, decimals);
          const number = whole / 10 ** places;
          const text = new Intl.NumberFormat(locale, {
            useGrouping,
            minimumFractionDigits: places,
            maximumFractionDigits: places,
          }).format(number);
          const numbers = setting === 'unset' ? null : setting === 'own' ? own : own === 'point' ? 'comma' : 'point';
          const is = readFigure(text, { numbers, decimals });
          if (is.is === 'figure') return is.value === Number(number.toFixed(places)) || mayBeTwo(text, setting);
          // What can be read one way only is read, and so is what its own writer's setting settles.
          return is.is === 'unclear' && /^[1-9]\d{0,2}[.,]\d{3}$/.test(text) && (setting !== 'own' || decimals < 3);
        },
      ),
      { seed: 30, numRuns: 20_000 },
    );
  });

  it('can be written so that it reads one way', () => {
    expect([certain(12.345), certain(1234.5), certain(0.125), certain(7)]).toEqual(['12.3450', '1234.5', '0.125', '7']);
  });

  it('of a column is settled by those that show how its writer writes', () => {
    expect(numbersOf(['38,50', '1.200'])).toBe('comma');
    expect(numbersOf(['38.50', '1,200'])).toBe('point');
    expect([numbersOf(['1.200', '3']), numbersOf(['38,50', '38.50']), numbersOf([])]).toEqual([null, null, null]);
    expect([numbersOf(['1,234,567']), numbersOf(['1.234.567']), numbersOf(['1,234.5'])]).toEqual(['point', 'comma', 'point']);
  });
});

/** Somebody else's setting on what reads two ways: the setting has the word, and the screen shows what was read. */
const mayBeTwo = (text: string, setting: string): boolean => setting === 'other' && /^[1-9]\d{0,2}[.,]\d{3}$/.test(text);
