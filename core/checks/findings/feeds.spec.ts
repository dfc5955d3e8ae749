import { inBowHold as within, runInside as run } from '../../../testing/bow-hold';
import { CATALOG, QUENBY } from '../../../demo/index';
import type { Part } from '../../parts/parts';
import type { Plan, Run } from '../../rig';
import { rig } from '@plain-cleat/testing/judging';
import { deck, fitted, partWith, track } from '@plain-cleat/testing/plans';
import { workUp, type WorkupInput } from '../../workup';

/** A battery with a relay box behind it, a sounder and bow lights on the box. */
const FITTINGS: Plan['fittings'] = {
  b: fitted('battery-50', within(560), 'loose'),
  x: fitted('relay-box', within(850), 'loose'),
  s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
  l: fitted('side-lights', deck(300, 0), 'through'),
};
const RUNS: Plan['runs'] = {
  x: run('b', 'x'),
  s: run('x', 's', { way: 1, name: 'sounder' }),
  l: run('x', 'l', { way: 2, name: 'bow lights' }),
};
const wired = (runs: Plan['runs'] = {}, fittings: Plan['fittings'] = {}): WorkupInput =>
  rig({ ...FITTINGS, ...fittings }, {}, QUENBY, { runs: { ...RUNS, ...runs } });
/** The same with one part's power as it is said here. */
const withPower = (input: WorkupInput, id: string, power: Part['power']): WorkupInput => ({
  ...input,
  catalog: { ...input.catalog, parts: CATALOG.parts.map((p) => (p.id === id ? partWith(p, { power: power ?? {} }) : p)) },
});
const guard = (more: Partial<Exclude<Run['guard'], 'none' | undefined>>): Run['guard'] => ({
  is: null,
  amps: null,
  along: 100,
  ...more,
});
const boxOf = (ways: number, amps: number, wayAmps: number): Part['power'] => ({
  passes: { ways, amps, wayAmps, fused: true, switched: true },
});

describe('judgements of the circuits', () => {
  it('two loads on one way are added up, and a relay without fuses leaves its cables to the fuse before it', () => {
    const both = wired({ l: run('x', 'l', { way: 1, name: 'all' }) });
    const codes = (input: WorkupInput): string[] => workUp(input).findings.map((f) => f.code);
    expect(codes(withPower(both, 'relay-box', boxOf(6, 50, 0.99)))).toContain('over-way');
    const bare = withPower(
      wired({ x: run('b', 'x', { guard: guard({ amps: 30 }) }), s: run('x', 's', { way: 1, name: 'sounder', awg: 16 }) }),
      'relay-box',
      {
        passes: { ways: 6, amps: 50, switched: true },
      },
    );
    const large = workUp(bare).findings.filter((f) => f.code === 'fuse-too-large');
    expect(large.map((f) => f.where)).toEqual(['s']);
    // Left to the core they are thick enough for the fuse before them.
    expect(workUp(wired()).wiring.runs.every((r) => r.guarded === 'yes')).toBeTrue();
  });
});
