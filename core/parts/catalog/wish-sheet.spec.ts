import fc from 'fast-check';
import { headingMeans, readCents, readCount } from './wish-sheet';
import { readSheet, sheetSum, sheetWishes } from './index';

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
      { text: 'pince à pagaie', count: 2, cents: 1250, lines: [1], asks: [] },
      { text: 'sondeur 7 po', count: 1, cents: 123_400, lines: [2], asks: [] },
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

  it('a thing counted twice keeps what each line says besides; where that is too long for one wish it is two', () => {
    const of = (...notes: readonly string[]) =>
      sheetWishes(readSheet([['Item', 'Qty', 'Notes'], ...notes.map((note) => ['Rod tube', '1', note])]));
    expect(of('port side', 'by the seat, tall', 'port side').map((w) => [w.text, w.count])).toEqual([
      ['Rod tube, port side, by the seat, tall', 3],
    ]);
    // A note within another is another note.
    expect(of('tethered', 'red').map((w) => w.text)).toEqual(['Rod tube, tethered, red']);
    const long = ['a', 'b'].map((letter) => letter.repeat(120));
    expect(of(...long).map((w) => [w.text, w.count, w.asks])).toEqual(long.map((note) => [`Rod tube, ${note}`, 1, []]));
    const [cut] = of('c'.repeat(220));
    expect(cut?.text.length).toBe(200);
    expect(cut?.asks[0]).toContain('Longer than 200 letters');
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
      { text: 'Rod tube', count: 3, cents: null, lines: [1, 3], asks: [] },
      { text: 'anchor', count: 1, cents: null, lines: [2], asks: [] },
    ]);
  });

  it('reads sums as people write them', () => {
    expect(['1,234.50', '1.234,50 €', '$89', '89,-', '1 234', 'free', '-5', '12.5'].map((t) => readCents(t))).toEqual([
      123_450,
      123_450,
      8900,
      8900,
      123_400,
      null,
      null,
      1250,
    ]);
  });

  it('of one name at two prices are two, each at its own price, and asked about', () => {
    const sheet = readSheet([
      ['Item', 'Qty', 'Price'],
      ['Rod tube', '1', '38.50'],
      ['rod tube', '1', '45.00'],
      ['Total', '', '83.50'],
    ]);
    expect(sheetSum(sheet)).toEqual({ cents: 8350, own: 8350 });
    const [one, other] = sheetWishes(sheet);
    expect([one?.count, one?.cents, other?.count, other?.cents]).toEqual([1, 3850, 1, 4500]);
    expect(other?.asks).toEqual(['Line 1 names it too, at another price: the same thing?']);
  });

  it('of one name with a price and without are one', () => {
    const wishes = sheetWishes(
      readSheet([
        ['Item', 'Price'],
        ['Tube', ''],
        ['tube', '38,50'],
        ['TUBE', ''],
      ]),
    );
    expect(wishes).toEqual([{ text: 'Tube', count: 3, cents: 3850, lines: [1, 2, 3], asks: [] }]);
  });

  it('a column settles what a cell of it leaves unclear', () => {
    const prices = (...cells: string[]) =>
      sheetWishes(readSheet([['Item', 'Price'], ...cells.map((c, i) => [`thing ${'abcde'[i]} here`, c])])).map((w) => w.cents);
    expect(prices('1.200', '38,50')).toEqual([120_000, 3850]);
    expect(prices('1,200', '38.50')).toEqual([120_000, 3850]);
    // Three decimals in a column of decimal commas: neither a price nor a thousand.
    expect(prices('1,200', '38,50')).toEqual([null, 3850]);
    expect(prices('12,50', '9,9', '$38.333333')).toEqual([1250, 990, 3833]);
  });

  it('reads counts in three languages, and asks about half of a thing', () => {
    expect(readCount('3 uds')).toEqual({ count: 3 });
    expect(readCount('1 unidad')).toEqual({ count: 1 });
    expect(readCount('1 docena')).toEqual({ count: 12 });
    expect(readCount('2 douzaines')).toEqual({ count: 24 });
    expect(readCount('½ dozen')).toEqual({ count: 6 });
    expect(readCount('2,0')).toEqual({ count: 2 });
    expect(readCount('2.00')).toEqual({ count: 2 });
    expect(readCount('½ m')).toEqual({ count: 1, measure: '½ m' });
    expect(readCount('½').ask).toBe('Quantity “½”: how many?');
    expect(readCount('=SUM(B2:B9)').ask).toContain('how many?');
    expect(readCents('=SUM(D2:D9)')).toBeNull();
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

  it('the heading row is the one with most known headings and data under it, not a title with one known word', () => {
    const sheet = readSheet([
      ['Gear for the new boat', '', ''],
      ['Price list of spring', '', ''],
      ['', '', ''],
      ['Item', 'Qty', 'Price'],
      ['Net', '1', '54'],
    ]);
    expect(sheet.headings).toEqual(['Item', 'Qty', 'Price']);
    expect(sheet.rows.length).toBe(1);
  });

  it('reads quantities with units and counts, and asks about what it cannot be sure of', () => {
    expect(readCount('2 ea')).toEqual({ count: 2 });
    expect(readCount('x3')).toEqual({ count: 3 });
    expect(readCount('4×')).toEqual({ count: 4 });
    expect(readCount('12 ft')).toEqual({ count: 1, measure: '12 ft' });
    expect(readCount('12,5 m')).toEqual({ count: 1, measure: '12,5 m' });
    expect(readCount('2 x 38,50')).toEqual({ count: 2, cents: 3850 });
    for (const unclear of ['(5)', '0,999', '-1', '0', 'some', '1e3', '1.5'])
      expect(readCount(unclear).ask).withContext(unclear).toContain('how many?');
  });

  it('asks about a price that reads two ways, and takes one of a multiplied one', () => {
    expect(readCents('0,999')).toBeNull();
    expect(readCents('(5)')).toBeNull();
    const [first, second] = sheetWishes(
      readSheet([
        ['Item', 'Price'],
        ['Clip', '2 x 38,50'],
        ['Gland', '0,999'],
      ]),
    );
    expect([first?.count, first?.cents, first?.asks]).toEqual([2, 3850, []]);
    expect(second?.asks).toEqual(['Price “0,999”: how much?']);
  });

  it('adds the list up and sets it against its own total; near twins are asked about', () => {
    const sheet = readSheet([
      ['Item', 'Qty', 'Price'],
      ['Rod tube, raised', '2', '38.50'],
      ['Rod tube raised.', '1', '40'],
      ['Landing net', '1', '54'],
      ['Landing nets', '1', '54'],
      ['Total', '', '239.00'],
    ]);
    expect(sheetSum(sheet)).toEqual({ cents: 2 * 3850 + 4000 + 2 * 5400, own: 23_900 });
    expect(sheetWishes(sheet).at(-1)?.asks[0]).toContain('the same thing?');
  });
});
