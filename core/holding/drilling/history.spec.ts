import { deck, fitted, inputOf, savedFact } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';
import type { Fact } from '../../rig';
import { holeHistory, holesOfRig } from './index';

const found = (hole: string, x: number): Fact =>
  savedFact({
    kind: 'holeFound',
    hole,
    label: hole.toUpperCase(),
    bit: 4.9,
    says: 'by the last owner',
    measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: x, offCentre: 0, down: null },
  });
const drill = (hole: string, x: number): Fact =>
  savedFact({
    kind: 'holeDrilled',
    hole,
    label: hole,
    bit: 4.9,
    elsewhere: false,
    measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: x, offCentre: 0, down: null },
  });

describe('the history of a hull', () => {
  const plan = { e: fitted('pad-eye', deck(3217, 0), 'rivet') };
  const worked = (facts: readonly Fact[]) => {
    const w = workUp(inputOf(plan, {}, facts));
    return holeHistory(w.ledger, holesOfRig('R-1', w.drilling.holes, w.ledger)).map((h) => [h.label, h.state, h.rig]);
  };

  it('tells planned, drilled, in use, open and plugged apart', () => {
    const facts = [
      found('o1', 2000),
      found('o2', 2100),
      savedFact({ kind: 'holePlugged', hole: 'o2', with: 'nylon plug' }),
      drill('e.1', 3200),
    ];
    expect(worked(facts)).toEqual([
      ['O1', 'open', null],
      ['O2', 'plugged', null],
      ['e.1', 'drilled', 'R-1'],
      ['A2', 'planned', 'R-1'],
    ]);
    const fastened = savedFact({ kind: 'stepDone', step: 'fasten.e' });
    expect(worked([...facts, fastened])[2]).toEqual(['e.1', 'in use', 'R-1']);
  });

  it('a handed-over rig plans nothing more', () => {
    const signed = savedFact({ kind: 'signed', name: 'Ada', drawing: 'data:image/png;base64,AA==' });
    expect(worked([drill('e.1', 3200), signed])).toEqual([['e.1', 'in use', 'R-1']]);
  });

  it('what another rig of the hull uses is not open here, and what it plans keeps its distance', () => {
    const facts = [drill('x.1', 2000)];
    const alone = workUp(inputOf(plan, {}, facts));
    const [first] = alone.drilling.holes;
    if (!first) return fail('no hole');
    const at = { ...first.at, x: first.at.x + 6 };
    const other = { rig: 'R-9', label: 'X1', of: 'Pad eye', at, bit: 4.9, held: true };
    expect(alone.findings.map((f) => f.code)).toContain('open-hole');
    const both = workUp({ ...inputOf(plan, {}, facts), others: [{ ...other, fact: facts[0]?.id ?? null }] });
    expect(both.findings.map((f) => f.code)).not.toContain('open-hole');
    expect(both.findings.find((f) => f.code === 'holes-close')?.says.join('')).toContain('X1 of R-9');
  });
});

describe('holes keep their distance', () => {
  /** Two diameters to an edge, three apart (common practice, no source). */
  const codes = (y: number): string[] =>
    workUp(inputOf({ e: fitted('pad-eye', deck(2200, y, 0), 'rivet') })).findings.map((f) => f.code);
  it('from the gunwale edge', () => {
    const edge = workUp(inputOf({})).surface.halfBreadth(2200);
    expect(codes(edge - 5)).toContain('hole-at-edge');
    expect(codes(edge - 14)).not.toContain('hole-at-edge');
  });

  it('from a hatch, and there is nothing to drill inside one', () => {
    const inside = workUp(inputOf({ e: fitted('pad-eye', deck(600, 0), 'rivet') }));
    expect(inside.findings.find((f) => f.code === 'hole-at-edge')?.says.join('')).toContain('no wall to drill');
  });
});
