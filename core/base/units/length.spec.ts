import fc from 'fast-check';
import { printStature } from './length';
import {
  KG_PER_POUND,
  lengthParts,
  MM_PER_INCH,
  parseLength,
  printFigure,
  printLength,
  printLong,
  printMoney,
  printLittle,
  roundCents,
  say,
  mmApart,
  longApart,
  longMm,
  mm,
  tell,
} from './index';

describe('lengths', () => {
  // NIST SP 811: 1 in = 25.4 mm exactly.
  for (const [text, system, expected] of [
    ['66 15/16', 'imperial', 66.9375 * 25.4],
    [`5' 6 15/16"`, 'metric', 66.9375 * 25.4],
    ['5′ 6 15/16″', 'imperial', 66.9375 * 25.4],
    ['5 ft 6 in', 'metric', 66 * 25.4],
    [`5'`, 'imperial', 60 * 25.4],
    ['1700 mm', 'imperial', 1700],
    ['1.7 m', 'imperial', 1700],
    ['170 cm', 'imperial', 1700],
    ['1700', 'metric', 1700],
    ['3/8', 'imperial', 9.525],
    ['2 ½', 'imperial', 63.5],
    ['2½"', 'metric', 63.5],
    ['.5 in', 'metric', 12.7],
    ['-3 in', 'metric', -76.2],
    // With a decimal comma, thousands of either school, and as tapes and people say it.
    ['155 1/8', 'imperial', 155.125 * 25.4],
    ['12 ft 11 in', 'metric', 155 * 25.4],
    ["12'11", 'metric', 155 * 25.4],
    ['1,7 m', 'imperial', 1700],
    ['12,5 in', 'metric', 317.5],
    ['12,5', 'imperial', 317.5],
    ['1 700 mm', 'imperial', 1700],
    ['1.234,5 mm', 'imperial', 1234.5],
    ['1,234.5', 'metric', 1234.5],
    ['1 m 70', 'imperial', 1700],
    ['1m70', 'metric', 1700],
  ] as const)
    it(`reads ${text} (${system})`, () => {
      const read = parseLength(text, system);
      expect(read.ok && read.mm).toBeCloseTo(expected, 9);
    });

  it('asks about 1,234 unless its writer’s way settles it', () => {
    const mm = (text: string, numbers: 'point' | 'comma' | null): number | string => {
      const read = parseLength(text, 'metric', numbers);
      return read.ok ? read.mm : read.says;
    };
    expect(mm('1,234 mm', null)).toBe('"1,234 mm" can be read two ways: write 1234 or 1.234');
    expect([mm('1,234', 'point'), mm('1,234', 'comma'), mm('1.234 m', 'point')]).toEqual([1234, 1.234, 1234]);
  });

  for (const text of [
    '5 8',
    '1 700',
    '1,23,4',
    '',
    'abc',
    '5 6 7',
    '1/0',
    `5' 6' 7"`,
    '12 parsecs',
    '1e3',
    '--3',
    'NaN',
    '1 1/2/3',
  ])
    it(`refuses ${JSON.stringify(text)} and says what would be right`, () => {
      const read = parseLength(text, 'imperial');
      expect(read.ok).toBeFalse();
      if (!read.ok) expect(read.says).toContain('write it like');
    });

  it('prints fractions reduced, and never 16/16', () => {
    expect(printFigure(66.9375 * 25.4, 'imperial')).toBe('66 15/16');
    expect(printFigure(9.525, 'imperial')).toBe('3/8');
    expect(printFigure(25.39, 'imperial')).toBe('1');
    expect(printFigure(0, 'imperial')).toBe('0');
    expect(printLength(-38.1, 'imperial')).toBe('−1 1/2 in');
    expect(printLength(1700.4, 'metric')).toBe('1700 mm');
  });

  it('rounds limits to the careful side', () => {
    expect(printFigure(10, 'imperial', 'up')).toBe('7/16');
    expect(printFigure(10, 'imperial', 'down')).toBe('3/8');
    expect(printFigure(10.2, 'metric', 'up')).toBe('11');
    expect(printFigure(10.8, 'metric', 'down')).toBe('10');
  });

  it('prints what is cut in feet and inches, rounded up', () => {
    expect(printLong(10 * 304.8 + 4.2 * 25.4, 'imperial')).toBe('10 ft 5 in');
    expect(printLong(3 * 304.8, 'imperial')).toBe('3 ft');
    expect(printLong(3181, 'metric')).toBe('3.19 m');
    expect([printLittle(0.121, 'metric'), printLittle(0.121, 'imperial')]).toEqual(['0.13 mm', '0.005 in']);
    expect(printStature(1778, 'imperial')).toBe('5′ 10″');
    expect(printStature(1778, 'metric')).toBe('178 cm');
  });

  it('reads back what it prints, within half a mark', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 9000, noNaN: true }), fc.constantFrom('imperial', 'metric'), (value, system) => {
        const read = parseLength(printFigure(value, system), system);
        const half = system === 'imperial' ? MM_PER_INCH / 32 : 0.5;
        return read.ok && Math.abs(read.mm - value) <= half + 1e-9;
      }),
      { seed: 7, numRuns: 500 },
    );
  });

  it('keeps the numerator under the denominator', () => {
    fc.assert(
      fc.property(fc.double({ min: -9000, max: 9000, noNaN: true }), (value) => {
        const p = lengthParts(value, 'imperial');
        return p.numerator < p.denominator && (p.numerator === 0 || p.numerator % 2 === 1);
      }),
      { seed: 8, numRuns: 500 },
    );
  });
});

describe('masses, money, sentences', () => {
  it('uses the exact pound of NIST SP 811', () => {
    expect(KG_PER_POUND).toBe(0.45359237);
  });

  it('rounds cents half away from zero', () => {
    expect([0.5, 1.5, 2.5, -0.5, -2.5, 2.49].map(roundCents)).toEqual([1, 2, 3, -1, -3, 2]);
    expect(printMoney(123456)).toBe('1,234.56');
    expect(printMoney(-5)).toBe('−0.05');
  });

  it('keeps figures as numbers until somebody reads them', () => {
    const sentence = say`Stands ${mm(62, 'up')} into the stroke, ${2} times.`;
    expect(tell(sentence, 'imperial')).toBe('Stands 2 1/2 in into the stroke, 2 times.');
    expect(tell(sentence, 'metric')).toBe('Stands 62 mm into the stroke, 2 times.');
  });
});

describe('how much more one length is than another', () => {
  it('is taken of the figures as they are shown', () => {
    const [one, other] = [13.18 * 25.4, 12.8 * 25.4];
    expect(tell(say`${mm(one)} less ${mm(other)}: ${mmApart(other, one)}`, 'imperial')).toBe(
      '13 3/16 in less 12 13/16 in: 3/8 in',
    );
    expect(tell(say`${longMm(3181)} less ${longMm(2999)}: ${longApart(3181, 2999)}`, 'metric')).toBe(
      '3.19 m less 3.00 m: 0.19 m',
    );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90_000 }), fc.integer({ min: 0, max: 90_000 }), (a, b) => {
        const shown = (value: number): number => {
          const read = parseLength(printFigure(value / 10, 'imperial'), 'imperial');
          return read.ok ? read.mm : NaN;
        };
        const read = parseLength(tell([mmApart(a / 10, b / 10)], 'imperial'), 'imperial');
        const by = Math.abs(shown(a) - shown(b));
        return read.ok && Math.abs(read.mm - (by || MM_PER_INCH / 16)) < 1e-6;
      }),
      { seed: 9, numRuns: 500 },
    );
  });
});

describe('lengths as they come from other hands', () => {
  it('with a byte order mark, a dash between feet and inches, or between inches and their fraction', () => {
    const read = (text: string): number => {
      const r = parseLength(text, 'imperial');
      return r.ok ? Math.round(r.mm * 1e6) / 1e6 : NaN;
    };
    expect(read('\ufeff12')).toBe(304.8);
    expect(read(`5'-6"`)).toBe(1676.4);
    expect(read(`5' - 6 1/2"`)).toBe(1689.1);
    expect(read('2-1/2')).toBe(63.5);
    expect(read('2 - 1/2 in')).toBe(63.5);
  });

  it('asks about what reads two ways: 21/2 is two and a half or ten and a half', () => {
    const r = parseLength('21/2', 'imperial');
    expect(r.ok ? '' : r.says).toContain('two ways: write 2 1/2');
    expect(parseLength('3/2', 'imperial').ok).toBeTrue();
    expect(parseLength('15/16', 'imperial').ok).toBeTrue();
  });
});
