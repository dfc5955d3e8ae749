import fc from 'fast-check';
import { CATALOG, demoRigs } from '../../../demo/index';
import { wireId } from '../../electric/circuits';
import { workUp } from '../../workup';
import { lineInWords, type PriceItem, priceLines } from './price-items';
import { runs } from '../../../testing/runs';

/** Two figures as they stand on screen and paper, multiplied by hand in whole numbers; cents, half away from zero. */
function byHand(each: string, quantity: string): bigint {
  const digits = (text: string): [bigint, number] => {
    const [figure = ''] = text.replaceAll(',', '').split(' ');
    const [whole = '', behind = ''] = figure.split('.');
    return [BigInt(whole + behind), behind.length];
  };
  const [[a, p], [b, q]] = [digits(each), digits(quantity)];
  const scale = 10n ** BigInt(p + q);
  return (a * b * 200n + scale) / (2n * scale);
}

const multiplies = (line: PriceItem): void => {
  for (const units of ['metric', 'imperial'] as const) {
    const { each, quantity } = lineInWords(line, units);
    if (each.startsWith('–')) expect(line.cents).toBe(0);
    else expect(byHand(each, quantity)).withContext(`${line.name}: ${quantity} at ${each}, ${units}`).toBe(BigInt(line.cents));
  }
};

describe('a line of the price', () => {
  it('multiplies, as it is shown, to what it costs: on every demo rig, in feet and in metres', () => {
    for (const { file: f } of demoRigs('2026-06-10')) {
      const { price } = workUp({
        plan: f.plan,
        hull: f.hull,
        facts: f.ledger as never,
        catalog: f,
        shop: f.shop,
        asOf: '2026-06-10',
      });
      price.lines.forEach(multiplies);
    }
  });

  it('multiplies so for wire of any length at any price (property)', () => {
    const wired = (cuts: readonly number[]) => ({
      runs: cuts.map((cut) => ({ there: false, awg: 12, given: null, conductors: 2, cut, gauge: '12 AWG', ends: [] })),
      ...{ signals: [], guards: [], lines: [], rules: { series: 'AWG' } },
    });
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 12_000, noNaN: true }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 4000 }),
        (cuts, priceCents) => {
          const id = wireId(12, 'AWG');
          const consumables = CATALOG.consumables.map((c) => (c.id === id ? { ...c, priceCents } : c));
          const line = priceLines([], wired(cuts) as never, { consumables }).find((l) => l.key === id);
          if (!line) return false;
          multiplies(line);
          // Never less than is cut, and no centimetre more.
          const metres = cuts.reduce((sum, cut) => sum + 2 * cut, 0) / 1000;
          return line.quantity >= metres - 1e-6 && line.quantity < metres + 0.01 + 1e-6;
        },
      ),
      { seed: 32, numRuns: runs(5000) },
    );
  });
});
