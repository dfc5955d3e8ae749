import fc from 'fast-check';
import { CATALOG, QUENBY, SHOP } from '../../../demo/index';
import { searchFixes } from '../../proposals/fixes';
import { applyChange, type Plan, type Run } from '../../rig';
import { found, rig, search } from '@plain-cleat/testing/judging';
import { deck, fitted, partWith, track } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { netsOf } from '../../electric/wiring';
import { workUp, type WorkupInput } from '../../workup';
import { runs } from '../../../testing/runs';

const within = (x: number, y = 0): Plan['fittings'][string]['place'] => ({ on: 'space', space: 'bow-hold', x, y, heading: 0 });
const run = (from: string, to: string, more: Partial<Run> = {}): Run => ({
  ...{ from, to, lane: 'inside port', via: [], awg: null },
  ...more,
});
const signal = (from: string, to: string, more: Partial<Run> = {}): Run => run(from, to, { has: 'signal', ...more });

/** Two sounders on one block, joined, each with a transducer of its own; a second block behind the first for the rest. */
const FITTINGS: Plan['fittings'] = {
  b: fitted('battery-50', within(560), 'loose'),
  x: fitted('fuse-block-6', within(850), 'loose'),
  y: fitted('fuse-block-6', within(850, 140), 'loose'),
  s: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
  t: fitted('sounder-arm-7', track('fwd-star', 1450), 'track'),
  d: fitted('transducer-stern', deck(3640, 200), 'through'),
  e: fitted('transducer-arm', track('aft-star', 2700), 'track'),
  p: fitted('usb-ports', deck(2482, -60), 'rivet'),
};
const RUNS: Plan['runs'] = {
  x: run('b', 'x'),
  y: run('x', 'y', { way: 6 }),
  s: run('x', 's', { way: 1 }),
  t: run('x', 't', { way: 2 }),
  p: run('y', 'p', { way: 1 }),
  n: signal('s', 't'),
  d: signal('d', 's'),
  e: signal('e', 't'),
};
const wired = (runs: Plan['runs'] = {}, fittings: Plan['fittings'] = {}): WorkupInput =>
  rig({ ...FITTINGS, ...fittings }, {}, QUENBY, { runs: { ...RUNS, ...runs } });
/** Without some of its runs. */
const without = (...gone: readonly string[]): WorkupInput => {
  const input = wired();
  const runs = Object.fromEntries(Object.entries(input.plan.runs).filter(([id]) => !gone.includes(id)));
  return { ...input, plan: { ...input.plan, runs } };
};
/** One sounder on the second block, whose feed is so thick; on it hangs besides what draws so much. */
const apart = (amps: number, awg = 14): WorkupInput => {
  const input = wired({ y: run('x', 'y', { way: 6, awg }), t: run('y', 't', { way: 2 }) });
  const parts = CATALOG.parts.map((p) =>
    p.id === 'usb-ports' ? partWith(p, { power: { draw: { amps, volts: 12, of: 'other' } } }) : p,
  );
  return { ...input, catalog: { ...input.catalog, parts } };
};
/** Copper at 20 °C over the gauge's area by its formula (handbooks), worked out anew: ohms of so many millimetres. */
const ohms = (mm: number, awg: number): number => {
  const across = 0.005 * 92 ** ((36 - awg) / 39) * 25.4;
  return (0.01724 * mm) / 1000 / ((Math.PI * across * across) / 4);
};
const grounds = (input: WorkupInput): string =>
  tell(workUp(input).findings.find((f) => f.code === 'two-grounds')?.says ?? [], 'metric');
/** What of amperes on the second block stands for so many volts on the way back from it. */
const ampsFor = (volts: number, awg = 14): number => {
  const cut = workUp(apart(1, awg)).wiring.runs.find((r) => r.id === 'y')?.cut ?? NaN;
  return volts / ohms(cut, awg);
};

describe('signal cables', () => {
  it('a sensor is read over the network too, by whichever screen takes its plug', () => {
    const codes = (input: WorkupInput): string[] => workUp(input).findings.map((f) => f.code);
    // Both transducers in one family: the one whose screen is not joined is read by its own.
    expect(codes(without('n'))).not.toContain('unread');
    expect(codes(without('d', 'e')).filter((c) => c === 'unread').length).toBe(2);
  });

  it('volts between two grounds are what others draw times what the way back resists (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 12, noNaN: true }), fc.constantFrom(10, 12, 14, 16), (amps, awg) => {
        const input = apart(amps, awg);
        const cut = workUp(input).wiring.runs.find((r) => r.id === 'y')?.cut ?? NaN;
        const volts = amps * ohms(cut, awg);
        if (Math.abs(volts - 0.05) < 1e-4) return;
        const says = grounds(input);
        if (volts < 0.05) expect(says).toBe('');
        else expect(says).toContain(`${volts.toFixed(2)} V stand between`);
      }),
      { seed: 51, numRuns: runs(25) },
    );
  });

  it('two grounds come together where one screen is fed beside the other', () => {
    const input = apart(2.1, 18);
    const finding = found(input, 'two-grounds');
    if (!finding) return fail('nothing to fix');
    const fix = searchFixes(input, finding, search).find((c) => /Feed both from B, Fuse block/.test(tell(c.says, 'metric')));
    if (!fix) return fail('no fix');
    const after = workUp({ ...input, plan: applyChange(input.plan, fix.change).plan });
    expect(after.findings.some((f) => ['two-grounds', 'not-fed', 'over-way', 'shorted'].includes(f.code))).toBeFalse();
  });

  it('of three in one net each is said against the one that stands farthest off it', () => {
    const amps = ampsFor(0.045);
    const input = apart(amps);
    const more: Plan['fittings'] = {
      z: fitted('fuse-block-6', within(850, -140), 'loose'),
      u: fitted('sounder-arm-7', track('fwd-port', 1300), 'track'),
      q: fitted('usb-ports', deck(2482, 60), 'rivet'),
    };
    const runs: Plan['runs'] = {
      z: run('y', 'z', { way: 5, awg: 14 }),
      u: run('z', 'u', { way: 1 }),
      q: run('z', 'q', { way: 2 }),
      m: signal('t', 'u'),
    };
    const plan = { ...input.plan, fittings: { ...input.plan.fittings, ...more }, runs: { ...input.plan.runs, ...runs } };
    const says = workUp({ ...input, plan }).findings.filter((f) => f.code === 'two-grounds');
    // On x, on y behind it, on z behind that: over y's feed comes what both ports draw, over z's what one does.
    const cut = (id: string): number => workUp({ ...input, plan }).wiring.runs.find((r) => r.id === id)?.cut ?? NaN;
    const [y, z] = [2 * amps * ohms(cut('y'), 14), amps * ohms(cut('z'), 14)];
    // Bow to stern: u, on z, comes first; s, on x, stands farthest off it; t, on y, farther off s than off u.
    expect(says.map((f) => f.where).sort()).toEqual(['s', 't']);
    const told = (where: string): string => tell(says.find((f) => f.where === where)?.says ?? [], 'metric');
    expect(told('s')).toContain(`${(y + z).toFixed(2)} V stand between`);
    expect(told('t')).toContain(`${Math.max(y, z).toFixed(2)} V stand between`);
  });

  it('what of the net itself draws raises no alarm, and on one block there is nothing between', () => {
    expect(grounds(apart(0.01))).toBe('');
    expect(grounds(wired())).toBe('');
  });

  it('a battery between two grounds is a short circuit over the signal cable', () => {
    const f = workUp(
      wired(
        { x: run('b', 'x'), c: run('c', 'b', { has: 'series' }), t: run('c', 't') },
        { c: fitted('battery-50', within(560, 200), 'loose') },
      ),
    ).findings.find((one) => one.code === 'two-grounds');
    expect(f?.severity).toBe('stop');
    expect(tell(f?.says ?? [], 'metric')).toMatch(/12\.\d\d V stand between/);
  });

  it('come with their plugs on: the shortest sold that reaches, or as long as the part’s own', () => {
    const { signals } = workUp(wired()).wiring;
    const by = new Map(signals.map((s) => [s.id, s]));
    for (const s of signals) expect(s.cut).toBeGreaterThanOrEqual(s.wanted);
    expect([by.get('d')?.given, by.get('d')?.cut]).toEqual(['with its part', 7300]);
    const n = by.get('n');
    expect(n?.given).toBe('ready made');
    expect([1830, 3660, 6100].find((l) => l >= (n?.wanted ?? 0))).toBe(n?.cut ?? NaN);
    const { labor } = workUp(wired()).price;
    const d = by.get('d');
    // What comes with the transducer is longer than its way: what is over is coiled, and takes no pulling.
    expect(d?.cut).toBeGreaterThan((d?.wanted ?? Infinity) + 1000);
    expect(labor.find((l) => l.of === 'd' && l.says === 'Pull, plug in')?.minutes).toBeCloseTo(
      ((d?.wanted ?? 0) / 1000) * SHOP.labor.runMinutesPerMetre.inside,
      9,
    );
    const lines = workUp(wired()).price.lines.filter((l) => l.key.startsWith('signal-cable'));
    expect(lines.map((l) => [l.key, l.quantity])).toEqual([[n?.material ?? '', 1]]);
    // They feed nothing: no gauge, no fuse, no finding of a wire.
    expect(
      workUp(wired())
        .wiring.runs.map((r) => r.id)
        .sort(),
    ).toEqual(['p', 's', 't', 'x', 'y']);
  });

  it('join parts to nets, against a walk over every pair (property)', () => {
    const name = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f');
    fc.assert(
      fc.property(fc.array(fc.record({ from: name, to: name }), { maxLength: 8 }), (cables) => {
        const nets = netsOf(cables);
        const reached = (start: string): Set<string> => {
          const seen = new Set([start]);
          for (let size = 0; size !== seen.size;) {
            size = seen.size;
            for (const { from, to } of cables) if (seen.has(from) || seen.has(to)) seen.add(from).add(to);
          }
          return seen;
        };
        expect(nets.flat().sort()).toEqual([...new Set(cables.flatMap((c) => [c.from, c.to]))].sort());
        for (const net of nets) for (const one of net) expect([...net].sort()).toEqual([...reached(one)].sort());
      }),
      { seed: 51, numRuns: runs(200) },
    );
  });
});
