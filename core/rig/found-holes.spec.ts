import { readFoundHoles } from './index';

describe('a list of holes found on a used boat', () => {
  const heads = ['Note', 'Bit', 'Reading', 'Off centre', 'Label', 'Plugged with', 'Down', 'Hook'];

  it('is read with its columns in any order, lengths as riggers write them', () => {
    const { holes, faults } = readFoundHoles(
      [
        heads,
        ['left of the well', '1/4', '97 1/2', 'P 3 1/2', 'X1', '', '', ''],
        ['', '6.4 mm', '1200 mm', '40 mm', '', 'nylon plug', '2', 'stern'],
      ],
      'imperial',
    );
    expect(faults).toEqual([]);
    expect(holes).toEqual([
      {
        label: 'X1',
        datum: 'bow',
        reading: 97.5 * 25.4,
        offCentre: -3.5 * 25.4,
        down: null,
        bit: 6.35,
        plugged: '',
        says: 'left of the well',
      },
      { label: 'O2', datum: 'stern', reading: 1200, offCentre: 40, down: 50.8, bit: 6.4, plugged: 'nylon plug', says: '' },
    ]);
  });

  it('minus is port, a letter either side of the figure names the side', () => {
    const off = (text: string): number | undefined =>
      readFoundHoles(
        [
          ['reading', 'bit', 'off'],
          ['900', '6', text],
        ],
        'metric',
      ).holes[0]?.offCentre;
    expect([off('-40'), off('40 S'), off('p40'), off(''), off('40P')]).toEqual([-40, 40, -40, 0, -40]);
  });

  it('says by line and column what is not right, and reads the rest', () => {
    const { holes, faults } = readFoundHoles(
      [
        ['reading', 'bit', 'off'],
        ['here', '6', '0'],
        ['900', '6', '0'],
        ['800', '900', '0'],
      ],
      'metric',
    );
    expect(holes.length).toBe(1);
    expect(faults.map((f) => [f.line, f.column])).toEqual([
      [2, 'reading'],
      [4, 'bit'],
    ]);
    expect(readFoundHoles([['label'], ['A']], 'metric').faults.map((f) => f.column)).toEqual(['reading', 'bit']);
    const long = Array.from({ length: 202 }, () => ['900', '6']);
    expect(readFoundHoles([['reading', 'bit'], ...long], 'metric').faults[0]?.says).toContain('200 holes');
  });
});
