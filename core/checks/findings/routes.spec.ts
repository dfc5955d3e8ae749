import { CATALOG, ORRISK, QUENBY } from '../../../demo/index';
import type { Plan, Run } from '../../rig';
import { rig } from '@plain-cleat/testing/judging';
import { deck, fitted, partWith, track } from '@plain-cleat/testing/plans';
import { bundleAcross, fishing, heldBy, WIRE_ACROSS } from '../../electric/wiring';
import { workUp, type WorkupInput } from '../../workup';

const within = (space: string, x: number, y = 0): Plan['fittings'][string]['place'] => ({ on: 'space', space, x, y, heading: 0 });
const run = (from: string, to: string, more: Partial<Run> = {}): Run => ({
  ...{ from, to, lane: 'inside starboard', via: [], awg: null },
  ...more,
});
/** A battery in the stern hold and a light on the foredeck, with a bulkhead between. */
const STERN: Plan['fittings'] = {
  b: fitted('battery-30', within('stern-hold', 3530), 'strap'),
  l: fitted('deck-light', deck(1272, 95), 'rivet'),
  g: fitted('gland-bulkhead', { on: 'bulkhead', bulkhead: 'aft-bulkhead', y: 120, up: 60 }, 'through'),
};
const THROUGH: Run['via'] = [
  { at: 'lane', x: 3500 },
  { at: 'gland', fitting: 'g' },
  { at: 'lane', x: 3110 },
  { at: 'lane', x: 1400 },
];
const stern = (more: Partial<Run> = {}, fittings: Plan['fittings'] = {}): WorkupInput =>
  rig({ ...STERN, ...fittings }, {}, ORRISK, { runs: { r: run('b', 'l', more) } });

/** A sounder on a cable of its own, from a battery so far ahead of it. */
const sounder = (x: number, cable: number, gauge?: number): WorkupInput => {
  const input = rig(
    { b: fitted('battery-50', within('bow-hold', 560), 'loose'), s: fitted('sounder-arm-7', track('fwd-port', x), 'track') },
    {},
    QUENBY,
    { runs: { r: run('b', 's', { lane: 'inside port' }) } },
  );
  const parts = CATALOG.parts.map((p) =>
    p.id === 'sounder-arm-7' ? partWith(p, { power: { ...p.power, cable, ...(gauge === undefined ? {} : { gauge }) } }) : p,
  );
  return { ...input, catalog: { ...input.catalog, parts } };
};

describe('routes', () => {
  it('a cable that comes with its part is as thick as it is, whatever the plan asks', () => {
    const input = sounder(1450, 3000, 18);
    const runs = { r: { ...input.plan.runs.r, awg: 12 } } as Plan['runs'];
    const [own] = workUp({ ...input, plan: { ...input.plan, runs } }).wiring.runs;
    expect([own?.awg, own?.cut, own?.size.ampacity]).toEqual([18, 3000, 20]);
    // Its loss is that of 18 AWG by the standard: 10.75 · I · L / CM, there and back.
    expect(own?.drop?.volts).toBeCloseTo((10.75 * 0.75 * ((2 * 3000) / 304.8)) / 1537, 9);
    expect(workUp(sounder(1450, 3000)).wiring.runs[0]?.awg).toBe(16);
  });

  it('a bulkhead’s hole is set out off centre and up from the inside of the bottom, and drills nothing outside', () => {
    const w = workUp(stern({ via: THROUGH }));
    const [hole] = w.drilling.holes.filter((h) => h.fitting === 'g');
    expect(hole?.up).toBeCloseTo(60, 6);
    expect(hole?.offCentre).toBe(120);
    expect(hole?.wall).toBeCloseTo(20, 6);
    expect(w.findings.filter((f) => f.where === 'g').map((f) => f.code)).toEqual([]);
  });

  it('cables take room as known packings of equal circles do: never less, at most a seventh more (2, 2.155, 2.414, 2.701, 3, 3 times)', () => {
    const best = [1, 2, 2.155, 2.414, 2.701, 3, 3];
    best.forEach((ratio, i) => {
      const across = bundleAcross(Array.from({ length: i + 1 }, () => 4)) / 4;
      expect(across).toBeGreaterThanOrEqual(ratio - 1e-3);
      expect(across).toBeLessThan(ratio * 1.15);
    });
    expect(bundleAcross([WIRE_ACROSS[6], WIRE_ACROSS[18]])).toBeCloseTo(WIRE_ACROSS[6] + WIRE_ACROSS[18], 9);
  });

  it('a cable is held no farther apart than 18 in, and fished from opening to opening as far as an arm gets', () => {
    const w = workUp(stern({ via: THROUGH }));
    const [cable] = w.wiring.runs;
    if (!cable) return fail('no cable');
    const inside = cable.legs.filter((l) => l.held).reduce((sum, l) => sum + Math.hypot(l.to.x - l.from.x, l.to.y - l.from.y), 0);
    const [held] = heldBy(cable);
    expect(inside / ((held?.count ?? 1) - 1)).toBeLessThanOrEqual(457.2);
    const pulls = fishing(w.surface, cable, w.aboard.openings, 1750, (id) => `the end at ${id}`);
    expect(pulls.some((p) => p.by === 'messenger line')).toBeTrue();
    // From the battery to the gland by the hold’s own hatch, on from there.
    expect(pulls[0]).toEqual(jasmine.objectContaining({ from: 'the end at b', to: 'stern hatch', by: 'hand' }));
    expect(pulls.some((p) => p.from === 'the end at g')).toBeTrue();
    expect(pulls.at(-1)?.to).toBe('the end at l');
    // A longer arm never needs more lines.
    const lines = (stature: number): number =>
      fishing(w.surface, cable, w.aboard.openings, stature, (id) => id)
        .filter((p) => p.by === 'messenger line')
        .reduce((s, p) => s + p.far, 0);
    expect(lines(2000)).toBeLessThanOrEqual(lines(1500));
  });
});
