import fc from 'fast-check';
import { headingMeans, readCents, readSheet, sheetWishes } from './index';

describe('an owner’s spreadsheet', () => {
  for (const [heading, meaning] of [
    ['Item', 'what'],
    ['Qty.', 'count'],
    ['Unit price ($)', 'price'],
    ['Désignation', 'what'],
    ['Quantité', 'count'],
    ['Prix unitaire', 'price'],
    ['Remarques', 'note'],
    ['Artículo', 'what'],
    ['Cantidad', 'count'],
    ['Precio', 'price'],
    ['¿Dónde?', 'note'],
    ['Colour', null],
  ] as const)
    it(`"${heading}" means ${meaning ?? 'nothing known'}`, () => expect(headingMeans(heading)).toBe(meaning));

  it('a heading somebody mapped by hand is remembered', () => {
    expect(headingMeans('Bits & bobs', { 'bits bobs': 'what' })).toBe('what');
    expect(headingMeans('Item', { item: 'nothing' })).toBeNull();
  });

  it('columns may come in any order, with a title over them', () => {
    const sheet = readSheet([
      ['My dream boat', '', ''],
      ['', '', ''],
      ['Prix', 'Nb', 'Article'],
      ['12,50 €', '2', 'pince à pagaie'],
      ['1 234,00', '', 'sondeur 7 po'],
    ]);
    expect(sheet.columns).toEqual(['price', 'count', 'what']);
    expect(sheetWishes(sheet)).toEqual([
      { text: 'pince à pagaie', count: 2, cents: 1250, lines: [1] },
      { text: 'sondeur 7 po', count: 1, cents: 123_400, lines: [2] },
    ]);
  });

  it('without headings the widest text column is what is wished for', () => {
    const sheet = readSheet([
      ['1', 'raised rod tube', '38.50'],
      ['2', 'paddle clip', '9'],
    ]);
    expect(sheet.columns).toEqual([null, 'what', null]);
    expect(sheetWishes(sheet).map((w) => w.text)).toEqual(['raised rod tube', 'paddle clip']);
  });

  it('a thing counted twice names both lines, and totals are left out', () => {
    const sheet = readSheet([
      ['Item', 'Qty'],
      ['Rod tube', '2'],
      ['anchor', ''],
      ['rod tube ', '1'],
      ['Total', '4'],
    ]);
    expect(sheetWishes(sheet)).toEqual([
      { text: 'Rod tube', count: 3, cents: null, lines: [1, 3] },
      { text: 'anchor', count: 1, cents: null, lines: [2] },
    ]);
  });

  it('reads sums as people write them', () => {
    expect(['1,234.50', '1.234,50 €', '$89', '89,-', '1 234', 'free', '-5', '12.5'].map(readCents)).toEqual([
      123_450,
      123_450,
      8900,
      null,
      123_400,
      null,
      null,
      1250,
    ]);
  });

  it('never throws, whatever the cells (property)', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 6 }), { maxLength: 12 }), (cells) => {
        const wishes = sheetWishes(readSheet(cells));
        return wishes.every((w) => w.text.length > 0 && w.text.length <= 200 && w.count >= 1);
      }),
      { seed: 51, numRuns: 500 },
    );
  });
});
