import { CATALOG } from '../../../demo/index';
import { matchWish, splitWish, SURE, wishIndex } from './index';

const INDEX = wishIndex(CATALOG.parts);
const best = (text: string): string => matchWish(text, INDEX)[0]?.part.id ?? '';
const sure = (text: string, id: string): boolean => matchWish(text, INDEX).some((m) => m.part.id === id && m.score >= SURE);

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
    // A size is no count.
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
});
