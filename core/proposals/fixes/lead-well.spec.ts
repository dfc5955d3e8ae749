import fc from 'fast-check';
import { ORRISK, QUENBY, TOLVANE } from '../../../demo/index';
import type { HullModel } from '../../boat/hull';
import { lineChanges, proposeLines, type LineProposal } from '../../lines';
import { applyChange, LINE_PATHS, type Line, type Plan } from '../../rig';
import { deck, fitted, inputOf } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type Workup, type WorkupInput } from '../../workup';
import { leadWell } from './lead-well';
import { runs } from '../../../testing/runs';

/** What may be aboard that a line is led by, or that hangs on one. */
const aboard = (length: number): Plan['fittings'] => ({
  bow: fitted('anchor-pulley', deck(215, 0), 'through'),
  stern: fitted('anchor-pulley', deck(length - 330, 0), 'through'),
  eye: fitted('pad-eye', deck(500, 60), 'rivet'),
  aft: fitted('pad-eye', deck(length - 420, 60, 30), 'rivet'),
  cleat: fitted('jam-cleat', deck(1900, 340), 'rivet'),
  other: fitted('jam-cleat', deck(2250, -330), 'rivet'),
  horn: fitted('horn-cleat', deck(1900, -340), 'rivet'),
  anchor: fitted('anchor-5', deck(2750, 0), 'loose'),
  drogue: fitted('drogue', deck(2500, 0), 'loose'),
  stake: fitted('stake-pole', deck(2400, -250), 'loose'),
  motor: fitted('motor-stern-45', deck(length - 60, 0), 'through'),
});
const NAMES = Object.keys(aboard(3600));
const rigOf = (hull: HullModel, names: readonly string[], lines: Plan['lines'] = {}): WorkupInput => {
  const all = aboard(hull.stations.at(-1)?.x ?? 0);
  return inputOf(Object.fromEntries(names.map((n) => [n, all[n]])) as Plan['fittings'], { lines }, [], hull);
};
const led = (input: WorkupInput): LineProposal => leadWell(input, workUp(input));
const taken = (input: WorkupInput, { changes }: Pick<LineProposal, 'changes'>): WorkupInput => ({
  ...input,
  plan: changes.reduce(
    (plan, c) => applyChange(plan, { id: '00000000-0000-4000-8000-000000000000', ...c } as never).plan,
    input.plan,
  ),
});
const with1 = (input: WorkupInput, id: string, line: Line): WorkupInput => ({
  ...input,
  plan: { ...input.plan, lines: { ...input.plan.lines, [id]: line } },
});
/** Stops, looks and notes of its lines, as the whole workup finds them. */
const said = (w: Workup, lines: Plan['lines']): [number, number, number] => {
  const own = w.findings.filter((f) => lines[f.where]);
  const count = (severity: string): number => own.filter((f) => f.severity === severity).length;
  return [count('stop'), count('look'), count('note')];
};
const worse = (a: readonly number[], b: readonly number[]): boolean => {
  const i = a.findIndex((n, k) => n !== b[k]);
  return i >= 0 && (a[i] ?? 0) > (b[i] ?? 0);
};

describe('lines that are proposed', () => {
  const rigs = fc.record({ hull: fc.constantFrom(TOLVANE, QUENBY, ORRISK), names: fc.subarray(NAMES, { minLength: 4 }) });

  it('are stopped by nothing, no worse than as first thought, and no other way over or round the boat is better (property)', () => {
    fc.assert(
      fc.property(rigs, ({ hull, names }) => {
        const input = rigOf(hull, names);
        const w = workUp(input);
        const { surface, ledger } = w;
        const first = proposeLines({ plan: input.plan, owned: w.aboard.owned, surface, ledger });
        const plain = taken(input, { changes: lineChanges(input.plan, first.lines) });
        const best = taken(input, led(input));
        const lines = best.plan.lines;
        const now = said(workUp(best), lines);
        expect(now[0]).toBe(0);
        expect(worse(now, said(workUp(plain), plain.plan.lines))).toBeFalse();
        for (const [id, line] of Object.entries(lines))
          for (const way of LINE_PATHS)
            expect(worse(now, said(workUp(with1(best, id, { ...line, way })), lines)))
              .withContext(`${hull.id} ${names.join(' ')}: ${id} ${way}`)
              .toBeFalse();
        // Proposed again it stays.
        expect(led(best).changes).toEqual([]);
      }),
      { seed: 28, numRuns: runs(25) },
    );
  });

  it('go by another eye than first thought where that lies over a hatch, and say so', () => {
    const clear = fitted('pad-eye', deck(1180, 300), 'rivet');
    const bare = rigOf(TOLVANE, ['eye', 'aft', 'cleat', 'stake']);
    // Another eye forward, clear of the hatch; the one at the stern would turn the boat about.
    const input = { ...bare, plan: { ...bare.plan, fittings: { ...bare.plan.fittings, clear } } };
    const { lines } = led(input);
    const stake = lines.get('stake-stake');
    expect(stake?.line.through[0]).toEqual({ at: 'tie', tie: 'clear.eye' });
    expect(stake?.line.proposed).toBeTrue();
    const w = workUp(taken(input, led(input)));
    expect(w.findings.filter((f) => f.where === 'stake-stake' && f.code === 'line-over-hatch')).toEqual([]);
    expect(tell(stake?.why ?? [], 'metric')).toMatch(/^Outside starboard by B, C\. Else: The stake-out cord lies across the/);
  });

  it('leave the rigger’s own as they are', () => {
    const own: Line = {
      ...{ use: 'anchor line', of: 'nylon', diameter: 6, way: 'over the deck', carries: 'anchor' },
      through: [
        { at: 'tie', tie: 'eye.eye' },
        { at: 'tie', tie: 'cleat.jaws' },
      ],
    };
    const input = rigOf(TOLVANE, ['bow', 'stern', 'eye', 'cleat', 'anchor', 'drogue'], { own });
    const after = taken(input, led(input)).plan.lines;
    expect(after['own']).toEqual(own);
    expect(Object.keys(after).sort()).toEqual(['drogue-drogue', 'own', 'trolley-bow']);
  });
});
