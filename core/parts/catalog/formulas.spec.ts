import { settleFormulas } from './formulas';

describe('formulas of a sheet', () => {
  it('that sum and multiply are worked out', () => {
    const settled = settleFormulas([
      ['Item', 'Qty', 'Each', 'Price'],
      ['Tube', '2', '38,50', '=B2*C2'],
      ['', '', '', ''],
      ['Net', '1', '1.054,25', '= $B$4 * C4'],
      ['Total', '', '', '=SUM(D2:D4)'],
      ['Again', '', '', '=somme(D2;D4)'],
    ]);
    expect(settled.map((row) => row[3])).toEqual(['Price', '77', '', '1054.25', '1131.25', '1131.25']);
  });

  it('that sum what nobody can read for certain are left', () => {
    expect(settleFormulas([['1.234'], ['net'], ['=SUM(A1:A2)'], ['=SUM(A2:A2)'], ['38.50']]).map(([c]) => c)).toEqual([
      '1.234',
      'net',
      '=SUM(A1:A2)',
      '0',
      '38.50',
    ]);
  });

  it('that are others, or go in a circle, are left as they are', () => {
    const cells = [['=VLOOKUP(A1,B:C,2)', '=A1*2', '=C1', '=E1', '=D1', '=SUM(', '=1/0', '="x"', '=-1']];
    expect(settleFormulas(cells)).toEqual(cells);
  });

  it('that sum each other over and over are given up in time', () => {
    const cells = Array.from({ length: 400 }, (_, r) => Array.from({ length: 20 }, () => `=SUM(A${r + 2}:T400)`));
    expect(settleFormulas(cells)[0]?.[0]).toBe('=SUM(A2:T400)');
  });
});
