import { CATALOG } from '../../../demo/index';
import { WISH_LINES } from '../../../testing/wish-lines';
import { matchWish, readWishes, splitWish, wishIndex } from './index';
import { lettersApart, stem } from './wish-index';

const INDEX = wishIndex(CATALOG.parts);
const best = (text: string): string => matchWish(text, INDEX)[0]?.part.id ?? '';
const sure = (text: string, id: string): boolean => matchWish(text, INDEX).some((m) => m.part.id === id && m.sure);

describe('a wish', () => {
  it('is taken apart at “and” and “with”, with its counts', () => {
    expect(splitWish('two rod holders and a net with a float')).toEqual([
      { text: 'rod holders', count: 2 },
      { text: 'net', count: 1 },
      { text: 'float', count: 1 },
    ]);
    expect(splitWish('3 x paddle clip')).toEqual([{ text: 'paddle clip', count: 3 }]);
    expect(splitWish('a pair of clips')).toEqual([{ text: 'clips', count: 2 }]);
    expect(splitWish('fish finder x2')).toEqual([{ text: 'fish finder', count: 2 }]);
    expect(splitWish('paddle leash, rod leash et un sifflet').map((w) => w.text)).toEqual([
      'paddle leash',
      'rod leash',
      'un sifflet',
    ]);
    // A size is no count.
    for (const text of ['20 litre dry bag', 'six way fuse block', '12 po rail'])
      expect(splitWish(text))
        .withContext(text)
        .toEqual([{ text, count: 1 }]);
    expect(splitWish('7 in sounder')).toEqual([{ text: '7 in sounder', count: 1 }]);
  });

  it('is understood by what the trade calls things (common practice, no source)', () => {
    for (const [text, kind] of [
      ['rod holder', 'rod tube'],
      ['fish finder 7"', 'sounder'],
      ['360 light', 'light'],
      ['life vest', 'jacket'],
      ['milk crate', 'crate'],
    ] as const)
      expect(matchWish(text, INDEX)[0]?.part.kind).withContext(text).toBe(kind);
    expect(best('sounder 7 in')).toBe('sounder-arm-7');
  });

  it('is never sure of a part whose figure says another thing: 20 Ah is not 80 Ah', () => {
    expect(sure('battery 20 Ah lithium', 'battery-80')).toBeFalse();
    expect(sure('battery 100 Ah lithium', 'battery-100')).toBeTrue();
    expect(sure('battery 18 Ah lithium', 'battery-18')).toBeTrue();
    expect(sure('55 lb motor bow', 'motor-stern-45')).toBeFalse();
  });

  it('forgives a letter or two, of a long word, and none of a short one', () => {
    expect([lettersApart('batery', 'battery', 2), lettersApart('gaurd', 'guard', 2), lettersApart('net', 'nut', 2)]).toEqual([
      1, 1, 1,
    ]);
    expect(best('batery 30ah lithium')).toBe('battery-30');
    expect(best('keel gaurd')).toBe('keel-strip');
    expect(matchWish('nut', INDEX).some((m) => m.part.kind === 'net')).toBeFalse();
    expect(['boxes', 'pouches', 'glass', 'leashes', 'rails', 'sealant'].map(stem)).toEqual([
      'box',
      'pouch',
      'glass',
      'leash',
      'rail',
      'sealant',
    ]);
  });

  it('that says more than a part answers is asked about, never sure', () => {
    for (const text of ['rod holder with heated handle', 'purple whistle', 'fish finder 12 in', 'battery for my grandmother'])
      expect(matchWish(text, INDEX).some((m) => m.sure))
        .withContext(text)
        .toBeFalse();
  });

  it('brings all its things: a trolley its pulleys and its cleat, a crate its tubes, a panel its controller in one', () => {
    const read = (line: string) => readWishes(line, INDEX).map((w) => [w.text, w.count, w.part?.id ?? null]);
    expect(read('anchor trolley with anchor')).toEqual([
      ['trolley pulley', 2, 'anchor-pulley'],
      ['jam cleat', 1, 'jam-cleat'],
      ['anchor', 1, 'anchor-5'],
    ]);
    expect(read('va-et-vient d’ancre').map(([text]) => text)).toEqual(['trolley pulley', 'jam cleat']);
    expect(read('two anchor trolleys')[0]).toEqual(['trolley pulley', 4, 'anchor-pulley']);
    expect(read('crate with three rod tubes').map(([text, count]) => [text, count])).toEqual([
      ['crate', 1],
      ['rod tubes', 3],
    ]);
    expect(read('solar panel with controller')).toEqual([['solar panel with controller', 1, 'solar-panel-25']]);
  });

  it('of lines as owners write them is right or asked about, never wrong', () => {
    const told = { right: 0, asked: 0, wrong: [] as string[] };
    for (const [line, ...wanted] of WISH_LINES) {
      const read = readWishes(line, INDEX);
      expect(read.length).withContext(line).toBe(wanted.length);
      read.forEach(({ part, offers }, i) => {
        const ids = wanted[i] ?? [];
        if (part && ids.includes(part.id)) told.right++;
        else if (!part && (ids.length === 0 || offers.some((o) => ids.includes(o.part.id)))) told.asked++;
        else told.wrong.push(`${line}: ${part?.id ?? 'not offered'}`);
      });
    }
    expect(told.wrong).toEqual([]);
    expect(told.right)
      .withContext(`right, of ${told.right + told.asked}`)
      .toBeGreaterThanOrEqual(62);
  });
});
