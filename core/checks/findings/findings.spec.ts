import { CATALOG, QUENBY, TOLVANE } from '../../../demo/index';
import { asPlanned } from '../../holding/drilling';
import type { Plan } from '../../rig';
import { applyChange } from '../../rig';
import { deck, fitted, inputOf, savedFact, track } from '@plain-cleat/testing/plans';
import { daysBetween, tell } from '../../base/units';
import { workUp, type WorkupInput } from '../../workup';
import { searchFixes } from '../../proposals/fixes';
import { acceptance, type Finding, unsettled } from './index';

const rod = (x: number) => fitted('rod-tube-raised', track(x < 2000 ? 'fwd-star' : 'aft-star', x), 'track');
const found = (input: WorkupInput, code: string): Finding | undefined => workUp(input).findings.find((f) => f.code === code);
const codes = (fittings: Plan['fittings'], more: Partial<Plan> = {}): string[] =>
  workUp(inputOf(fittings, more)).findings.map((f) => f.code);
const search = {
  units: 'imperial' as const,
  budget: 200,
  newId: () => '00000000-0000-4000-8000-000000000000',
  range: CATALOG.parts,
};

describe('findings', () => {
  it('an empty plan has none', () => expect(codes({})).toEqual([]));

  it('paddle stroke: a stop with a number, gone when the boat is not paddled', () => {
    const input = inputOf({ d: rod(1560) });
    const f = found(input, 'paddle-stroke');
    expect(f?.severity).toBe('stop');
    expect(tell(f?.says ?? [], 'imperial')).toMatch(
      /Rod tube, raised stands .* in into the paddle stroke on the starboard side\./,
    );
    expect(tell(f?.says ?? [], 'metric')).toMatch(/stands \d+ mm into/);
    expect(codes({ d: rod(1560) }, { brief: { ...input.plan.brief, propulsion: ['motor'] } })).not.toContain('paddle-stroke');
    expect(codes({ d: rod(2600) })).toEqual([]);
  });

  it('overlap: said once for a pair, with the slide that parts them', () => {
    const fittings = { a: fitted('crate-open', deck(2700, 0), 'loose'), b: fitted('dry-box', deck(2900, 0), 'loose') };
    const all = workUp(inputOf(fittings)).findings.filter((f) => f.code === 'overlap');
    expect(all.length).toBe(1);
    // Crate 406 and box 400 long: half lengths sum to 403, centres 200 apart, so 203 mm.
    expect(tell(all[0]?.says ?? [], 'metric')).toContain('by 206 mm');
  });

  it('holes: near a hazard, into it, under the waterline, nobody reaching behind', () => {
    expect(codes({ e: fitted('pad-eye', deck(1500, 0), 'through') })).toContain('hole-near-hazard');
    expect(
      tell(found(inputOf({ e: fitted('pad-eye', deck(1500, 0), 'through') }), 'hole-near-hazard')?.says ?? [], 'metric'),
    ).toContain('goes into the drive well');
    const under = found(
      inputOf({ g: fitted('gland', { on: 'side', side: 'port', x: 1800, down: 250 }, 'through') }),
      'hole-under-water',
    );
    expect([under?.severity, under?.acceptable]).toEqual(['stop', 'manager']);
    expect(codes({ c: fitted('paddle-clip', deck(1750, 400), 'through') })).toContain('nothing-reaches');
    expect(codes({ c: fitted('paddle-clip', deck(1750, 400), 'rivet') })).not.toContain('nothing-reaches');
  });

  it('a hole drilled elsewhere is a finding beyond the tolerance, not within it', () => {
    const fittings = { e: fitted('pad-eye', deck(3300, 0), 'rivet') };
    const [hole] = workUp(inputOf(fittings)).drilling.holes;
    if (!hole) return fail('no hole');
    const drilledAt = (off: number) =>
      savedFact({
        kind: 'holeDrilled',
        hole: hole.id,
        label: hole.label,
        bit: hole.bit.mm,
        elsewhere: true,
        measured: { ...asPlanned(hole, { datum: 'bow', run: 'taut' }, 1), reading: hole.reading + off },
      });
    const of = (off: number): string[] => workUp(inputOf(fittings, {}, [drilledAt(off)])).findings.map((f) => f.code);
    expect(of(4)).toEqual(['drilled-elsewhere']);
    expect(of(1)).toEqual([]);
  });

  it('a hole left behind by a fitting that was taken off stands open until it is plugged', () => {
    const fittings = { e: fitted('pad-eye', deck(3300, 0), 'rivet') };
    const [hole] = workUp(inputOf(fittings)).drilling.holes;
    if (!hole) return fail('no hole');
    const measured = asPlanned(hole, { datum: 'bow', run: 'taut' }, 1);
    const drilled = savedFact({
      kind: 'holeDrilled',
      hole: hole.id,
      label: hole.label,
      bit: hole.bit.mm,
      elsewhere: false,
      measured,
    });
    const plugged = savedFact({ kind: 'holePlugged', hole: hole.id, with: 'nylon plug' });
    expect(workUp(inputOf(fittings, {}, [drilled])).findings).toEqual([]);
    const left = workUp(inputOf({}, {}, [drilled]));
    expect(left.findings.map((f) => [f.code, f.letter])).toEqual([['open-hole', 'A1']]);
    const closed = workUp(inputOf({}, {}, [drilled, plugged]));
    expect(closed.findings).toEqual([]);
    expect(closed.drilling.oldHoles.map((h) => h.plugged)).toEqual(['nylon plug']);
    // Plugged and planned again: it is a new hole to drill, and the scar stays.
    const again = workUp(inputOf(fittings, {}, [drilled, plugged]));
    expect(again.drilling.holes[0]?.drilled).toBeNull();
    expect(again.drilling.oldHoles.length).toBe(1);
  });

  it('holding: off the hull, off the track, no way to be held, against the drill policy, too heavy', () => {
    expect(codes({ b: fitted('crate-open', deck(1500, 600), 'loose') })).toContain('off-hull');
    expect(codes({ b: rod(2900) })).toContain('off-hull');
    expect(codes({ b: fitted('rod-tube-raised', deck(2700, 100), 'track') })).toContain('cannot-hold');
    const brief = inputOf({}).plan.brief;
    expect(codes({ e: fitted('pad-eye', deck(3300, 0), 'rivet') }, { brief: { ...brief, holes: 'none' } })).toEqual([
      'drill-policy',
    ]);
    expect(codes({}, { brief: { ...brief, weightKg: 240 } })).toContain('overloaded');
    const soft = { ...TOLVANE, material: 'pvc fabric' as const };
    expect(workUp(inputOf({ e: fitted('pad-eye', deck(3300, 0), 'rivet') }, {}, [], soft)).findings[0]?.acceptable).toBe(
      'nobody',
    );
  });

  it('wires: not fed, too thin, no battery', () => {
    const parts = {
      b: fitted('battery-18', deck(600, 0), 'loose'),
      s: fitted('sounder-arm-7', track('aft-port', 2700), 'track'),
      c: fitted('crate-open', deck(2700, 0), 'loose'),
    };
    const feed = (from: string, awg: number | null = null) => ({
      r: { from, to: 's', lane: 'inside port' as const, via: [], awg },
    });
    const wire = (more: Partial<Plan> = {}): string[] =>
      workUp(inputOf(parts, more)).findings.flatMap((f) => (f.step === 'wire' ? [f.code] : []));
    expect(wire()).toEqual(['not-fed']);
    // It stands on the lid of the foredeck hatch: its cable goes with that.
    expect(wire({ runs: feed('b') })).toEqual(['cable-loop']);
    expect(codes(parts, { runs: feed('c') })).toContain('feeds-nothing');
    const motor = { b: fitted('battery-80', deck(600, 0), 'loose'), m: fitted('motor-bow-55', deck(3300, 0), 'through') };
    const thin = workUp(
      inputOf(motor, { runs: { r: { from: 'b', to: 'm', lane: 'inside port', via: [], awg: 14 } } }),
    ).findings.find((f) => f.code === 'wire-overheats');
    expect([thin?.severity, thin?.acceptable]).toEqual(['stop', 'nobody']);
  });

  it('a part that comes after the promise', () => {
    const crate = fitted('crate-tight', deck(2650, 0), 'loose');
    expect(codes({ m: crate }, { promised: '2026-06-05' })).toContain('late-part');
    expect(codes({ m: { ...crate, suppliedBy: "owner's own" } }, { promised: '2026-06-05' })).not.toContain('late-part');
    expect(daysBetween('2026-02-27', '2026-03-02')).toBe(3);
  });

  it('an acceptance lapses when its finding gets worse, not when it gets better or stays', () => {
    const by = { reason: 'it is soft', by: 'Idris' };
    const two = (x: number, accepted = {}) =>
      workUp(
        inputOf({ a: fitted('battery-18', deck(1300, 0), 'loose'), b: fitted('battery-30', deck(x, 0), 'loose') }, { accepted }),
      ).findings.find((f) => f.code === 'overlap');
    const first = two(1460);
    if (!first) return fail('no finding');
    const accepted = { [first.key]: acceptance(first, by.reason, by.by) };
    expect(two(1460, accepted)?.accepted).not.toBeNull();
    expect(two(1470, accepted)?.accepted).not.toBeNull();
    expect(two(1450, accepted)?.accepted).toBeNull();
    expect(two(1450, accepted)?.lapsed?.by).toBe('Idris');
  });

  it('accepted ones stay listed with their reason, but not what nobody may accept', () => {
    const fittings = { d: rod(1560), o: fitted('crate-open', deck(2700, 600), 'loose') };
    const by = { reason: 'she rows standing', by: 'Idris' };
    const accepted = Object.fromEntries(
      workUp(inputOf(fittings)).findings.map((f) => [f.key, acceptance(f, by.reason, by.by)] as const),
    );
    const all = workUp(inputOf(fittings, { accepted })).findings;
    expect(all.find((f) => f.code === 'paddle-stroke')?.accepted).toEqual(jasmine.objectContaining(by));
    expect(all.find((f) => f.code === 'off-hull')?.accepted).toBeNull();
    expect(unsettled(all).map((f) => f.code)).toContain('off-hull');
    expect(unsettled(all).map((f) => f.code)).not.toContain('paddle-stroke');
  });

  it('are ordered bow to stern', () => {
    const w = workUp(
      inputOf({
        z: rod(1560),
        a: fitted('crate-open', deck(2900, 600), 'loose'),
        m: fitted('pad-eye', deck(1000, 0), 'through'),
      }),
    );
    const xs = w.findings.map((f) => f.x);
    expect(xs).toEqual([...xs].sort((p, q) => p - q));
  });
});

describe('fixes', () => {
  for (const [name, fittings, code] of [
    ['a rod tube in the stroke', { d: rod(1560) }, 'paddle-stroke'],
    [
      'two boxes in one place',
      { a: fitted('battery-18', deck(2700, 0), 'loose'), b: fitted('battery-30', deck(2720, 0), 'loose') },
      'overlap',
    ],
  ] as const)
    it(`${name}: each fix, tried, settles it and makes nothing worse; the nearest first`, () => {
      const input = inputOf(fittings);
      const before = workUp(input).findings;
      const finding = before.find((f) => f.code === code);
      if (!finding) return fail('no finding');
      const fixes = searchFixes(input, finding, search);
      expect(fixes.length).toBeGreaterThan(0);
      expect(fixes.map((c) => c.moves)).toEqual(fixes.map((c) => c.moves).sort((p, q) => p - q));
      for (const fix of fixes) {
        const after = workUp({ ...input, plan: applyChange(input.plan, fix.change).plan }).findings;
        expect(after.some((f) => f.key === finding.key)).toBeFalse();
        expect(after.filter((f) => !before.some((b) => b.key === f.key))).toEqual([]);
      }
    });

  it('slides a quarter inch what overlaps by a quarter inch, and says so', () => {
    // 180 and 195 long: touching 187.5 apart.
    const at = (apart: number) =>
      inputOf({ a: fitted('battery-18', deck(1300, 0), 'loose'), b: fitted('battery-30', deck(1300 + apart, 0), 'loose') });
    const input = at(187.5 - 6.35 + 0.1);
    const finding = workUp(input).findings.find((f) => f.code === 'overlap');
    const [first] = finding ? searchFixes(input, finding, { ...search, units: 'imperial' }) : [];
    expect(first?.moves).toBeCloseTo(6.35, 2);
    expect(tell(first?.says ?? [], 'imperial')).toMatch(/^Slide it 1\/4 in (aft|forward)$/);
  });

  it('sends no light along the boat', () => {
    const input = inputOf({ l: fitted('mast-light', track('fwd-star', 1500), 'track') });
    for (const f of workUp(input).findings.filter((one) => one.where === 'l'))
      for (const fix of searchFixes(input, f, search)) expect(fix.moves).toBeLessThanOrEqual(305 + 100);
  });

  it('offers the aft track for a tube ahead of the seat', () => {
    const input = inputOf({ d: rod(1560) });
    const finding = workUp(input).findings[0];
    expect(finding && searchFixes(input, finding, search).map((c) => tell(c.says, 'imperial'))).toContain(
      'To the aft track, starboard',
    );
  });

  it('stops when told, and finds none for what no longer stands there', () => {
    const input = inputOf({ d: rod(1560) });
    const [finding] = workUp(input).findings;
    if (!finding) return fail('no finding');
    expect(searchFixes(input, finding, { ...search, shouldStop: () => true })).toEqual([]);
    expect(searchFixes(inputOf({}), finding, search)).toEqual([]);
    expect(QUENBY.tracks.length).toBe(4);
  });
});
