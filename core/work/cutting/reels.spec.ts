import { CATALOG, demoRigs, SHOP } from '../../../demo/index';
import type { Fact, Ledger } from '../../rig';
import { savedFact } from '@plain-cleat/testing/plans';
import { cutList as wiresCut, labelled } from '../../electric/wiring';
import { workUp, type Workup } from '../../workup';
import { cutBars, reelCuts, reelsFor } from './index';

/** A demo rig with some of its steps done. */
const rigOf = (title: string, ...steps: readonly string[]): Workup => {
  const file = demoRigs('2026-06-10').find((d) => d.file.plan.title.includes(title))?.file;
  if (!file) throw new Error('no such rig');
  const done = steps.map((step): Fact => ({ ...savedFact({ kind: 'stepDone', step }), rig: file.plan.id }) as Fact);
  const facts = [...(file.ledger as Fact[]), ...done];
  return workUp({ plan: file.plan, hull: file.hull, facts, catalog: CATALOG, shop: SHOP, asOf: '2026-06-10' });
};
const cutsOf = ({ wiring, lines, aboard, ledger }: Workup): ReturnType<typeof reelCuts> =>
  reelCuts('R-1', { wiring, lines, owned: aboard.owned, ledger });

describe('what comes off reels', () => {
  it('is every conductor of the wire sheet’s cut list, by gauge and colour', () => {
    const w = rigOf('night-tour');
    const wires = cutsOf(w).filter((c) => c.stock.startsWith('wire-'));
    for (const { awg, colour, pieces, total } of wiresCut(labelled(w.wiring.runs, w.aboard.owned))) {
      const own = wires.filter((c) => c.stock === `wire-${awg}-${colour.replace(' ', '-')}`);
      expect(own.length).toBe(pieces.length);
      expect(own.reduce((sum, c) => sum + c.length, 0)).toBeCloseTo(total, 6);
    }
    expect(new Set(wires.map((c) => c.id)).size).toBe(wires.length);
  });

  it('is every line and tether as it is priced', () => {
    for (const title of ['returned', 'night-tour']) {
      const w = rigOf(title);
      const cords = cutsOf(w).filter((c) => c.stock.startsWith('cord-'));
      const bought = w.price.lines.filter((l) => l.key.startsWith('cord-'));
      expect(cords.length).toBeGreaterThan(0);
      for (const line of bought) {
        const metres = cords.filter((c) => c.stock === line.key).reduce((sum, c) => sum + c.length, 0) / 1000;
        // Charged by the centimetre, up.
        expect(line.quantity).toBe(Math.ceil(metres * 100 - 1e-9) / 100);
      }
    }
  });

  it('is not wanted any more once it is pulled, led or tied on; what changed since is wanted anew', () => {
    const before = cutsOf(rigOf('night-tour'));
    const pulled = rigOf('night-tour', 'pull.feed-mast');
    expect(cutsOf(pulled).map((c) => c.id)).toEqual(before.map((c) => c.id).filter((id) => !id.startsWith('R-1.feed-mast.')));
    const ledger: Pick<Ledger, 'steps'> = { steps: new Map() };
    const w = rigOf('night-tour');
    const [run] = w.wiring.runs;
    if (!run) return fail('no run');
    const longer = { rules: w.wiring.rules, runs: [{ ...run, cut: run.cut + 25.4 }] };
    const [id] = reelCuts('R-1', { wiring: longer, lines: [], owned: [], ledger }).map((c) => c.id);
    expect(before.map((c) => c.id)).not.toContain(id ?? '');
  });

  it('come off what is open first, then off new reels, each as long as the stores have them', () => {
    const stocks = [
      { id: 'wire-16', name: 'Reel', kind: 'reel' as const, length: 7600, width: 0, thickness: 0, priceCents: 900 },
    ];
    const [reel, cord] = reelsFor([{ stock: 'wire-16-red' }, { stock: 'cord-polyester-4' }, { stock: 'wire-16-red' }], {
      stocks,
      consumables: CATALOG.consumables,
    });
    expect([reel?.id, reel?.name, reel?.length, reel?.priceCents]).toEqual(['wire-16-red', 'Reel, red', 7600, 900]);
    const metre = CATALOG.consumables.find((c) => c.id === 'cord-polyester-4')?.priceCents ?? NaN;
    expect([cord?.length, cord?.priceCents]).toEqual([182_880, Math.round(182.88 * metre)]);
    // 3 m and 2 m off 5 m that lie there; 7 m and 0.6 m are a new reel: nothing is lost to a saw.
    const pieces = [3000, 2000, 7000, 600].map((length, i) => ({ id: String(i), length }));
    const plan = cutBars(pieces, { length: 7600, kerf: 0, remnants: [{ id: 'open', length: 5000 }] }, { seed: 1, budget: 200 });
    expect([plan.newBars, plan.least, plan.waste]).toEqual([1, 1, 0]);
  });
});
