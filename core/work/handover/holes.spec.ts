import { demoRigs, SHOP, CATALOG } from '../../../demo/index';
import { savedFact } from '@plain-cleat/testing/plans';
import type { Fact } from '../../rig';
import { workUp, type Workup } from '../../workup';
import { hookName, olderHoles, toldHole } from './index';

const returned = demoRigs('2026-06-01').find((r) => r.file.plan.title === 'returned for a trolley')?.file;

describe('a returned boat', () => {
  if (!returned) throw new Error('no returned rig in the demo');
  const { plan, hull } = returned;
  const work = (more: readonly Fact[] = []): Workup =>
    workUp({
      plan,
      hull,
      facts: [...(returned.ledger as Fact[]), ...more],
      catalog: CATALOG,
      shop: SHOP,
      asOf: '2026-06-01',
    });

  it('has twelve old holes: four used again, two to plug, six plugged before; six are to be drilled', () => {
    const w = work();
    expect(w.ledger.holes.length).toBe(12);
    expect(w.drilling.holes.filter((h) => h.reused).map((h) => h.drilled?.label)).toEqual(['O1', 'O12', 'O2', 'O3']);
    expect(w.findings.filter((f) => f.code === 'open-hole').map((f) => f.letter)).toEqual(['O4', 'O5']);
    expect(w.drilling.holes.filter((h) => h.drilled === null).length).toBe(6);
    expect(w.drilling.gate.open).toBeTrue();
    expect(w.findings.filter((f) => f.severity === 'stop')).toEqual([]);
  });

  it('is told of hole by hole: planned, drilled, elsewhere, used again, and what closes the old ones', () => {
    const [first, second] = work().drilling.holes;
    if (!first || !second) return fail('no holes');
    const drilled = (h: typeof first, off: number): Fact =>
      savedFact({
        kind: 'holeDrilled',
        rig: plan.id,
        hole: h.id,
        label: h.label,
        bit: h.bit.mm,
        elsewhere: off !== 0,
        measured: { hullRevision: 1, datum: 'bow', run: 'taut', reading: h.reading + off, offCentre: 0, down: null },
      });
    const plugged = savedFact({ kind: 'holePlugged', rig: plan.id, hole: 'old.4', with: 'nylon plug' });
    const w = work([drilled(first, 0), drilled(second, 4), plugged]);
    const told = w.drilling.holes.map((h) => toldHole(w.surface, plan, h));
    expect(told.slice(0, 2).map((t) => [t.label, t.state, t.from])).toEqual([
      [first.label, 'drilled', 'bow tip'],
      [second.label, 'drilled elsewhere', 'bow tip'],
    ]);
    expect(told[1]?.reading).toBeCloseTo(second.reading + 4, 9);
    expect(told.filter((t) => t.state === 'used again').map((t) => t.old)).toEqual(['O1', 'O12', 'O2', 'O3']);
    expect(told.filter((t) => t.state === 'planned').length).toBe(4);
    const older = olderHoles(w.surface, w.drilling.oldHoles);
    expect(older.length).toBe(8);
    expect(older.filter((o) => o.plugged === null).map((o) => o.label)).toEqual(['O5']);
    expect(older.find((o) => o.label === 'O4')?.plugged).toBe('nylon plug');
    expect([older[0]?.label, older.at(-1)?.label]).toEqual(['O6', 'O5']);
  });

  it('names the usual hooks in the owner’s language', () => {
    expect([hookName('bow tip', 'fr'), hookName('foredeck hatch', 'fr'), hookName('bow tip', 'en')]).toEqual([
      'la pointe de proue',
      'foredeck hatch',
      'bow tip',
    ]);
  });
});
