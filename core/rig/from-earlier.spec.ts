import { TOLVANE } from '../../demo/index';
import { reelCuts } from '../work/cutting';
import { toldLines } from '../work/handover';
import { deck, fitted, inputOf, savedFact, track } from '@plain-cleat/testing/plans';
import { tell } from '../base/units';
import { cablesOf, cutList, labelled, pullList } from '../electric/wiring';
import { workUp, type Workup } from '../workup';
import { fromEarlier, type Fitting, type Line, type LinePoint, type Place, type Plan, type Run } from './index';

const work = (fittings: Plan['fittings'], more: Partial<Plan> = {}, facts: object[] = []): Workup =>
  workUp(inputOf(fittings, more, facts as never, TOLVANE));
/** How a thing of the first rig is called in the second. */
const y1 = (id: string): string => `y1-${id}`;
const by = (hold: Fitting['mount']['hold']): Fitting['mount'] => ({ hold, plate: false, reason: '' });

describe('cables that an earlier rig pulled', () => {
  const before = {
    b: fitted('battery-50', { on: 'space', space: 'bow-hold', x: 560, y: 0, heading: 0 }, 'loose'),
    g: fitted('gland', deck(900, 200), 'through'),
    s: fitted('sounder-arm-7', track('fwd-port', 1200), 'track'),
    l: fitted('deck-light', deck(700, 40), 'rivet'),
  };
  const via = [
    { at: 'gland' as const, fitting: 'g' },
    { at: 'lane' as const, x: 1100 },
  ];
  const runs: Plan['runs'] = {
    r: { from: 'b', to: 's', lane: 'outside port', via, awg: 12 },
    n: { from: 'b', to: 'l', lane: 'inside port', via: [], awg: null },
  };
  const facts = [
    ...['b', 'g', 's', 'l'].map((id) => savedFact({ kind: 'stepDone', step: `fit.${id}` })),
    savedFact({ kind: 'stepDone', step: 'pull.r' }),
  ];
  const year1 = work(before, { runs }, facts);
  const left = fromEarlier({ fittings: before, sets: {}, own: {}, runs }, year1.ledger, y1, { cables: year1.wiring.runs });
  const moved = (id: string, place: Place): Fitting => ({ ...(left.fittings[id] as Fitting), place });
  const year2 = work(left.fittings, { id: 'plan-2', runs: left.runs }, facts);

  it('lie in the boat as they were pulled: gauge, length and glands, between what stayed; what was not pulled is none', () => {
    const [was] = year1.wiring.runs.filter((r) => r.id === 'r');
    expect(Object.keys(left.runs)).toEqual(['y1-r']);
    const { from, to, lane, via } = left.runs['y1-r'] as Run;
    expect(left.runs['y1-r']?.aboard).toEqual({ from, to, lane, via, awg: 12, cut: was?.cut ?? 0 });
    expect([from, to, via[0]]).toEqual(['y1-b', 'y1-s', { at: 'gland', fitting: 'y1-g' }]);
    const [now] = year2.wiring.runs;
    expect([now?.given, now?.awg, now?.cut, now?.glands]).toEqual(['aboard', 12, was?.cut, ['y1-g']]);
  });

  it('cost no wire, no ends and no pulling; they are tested still', () => {
    expect(year2.price.lines.filter((l) => /wire|terminal|shrink|fuse/.test(l.key))).toEqual([]);
    expect(year2.build.steps.filter((s) => s.id.endsWith('.y1-r')).map((s) => s.work)).toEqual(['test']);
    expect(cutList(labelled(year2.wiring.runs, year2.aboard.owned))).toEqual([]);
  });

  it('are signal cables too: they lie there as long as they came, and are not bought again', () => {
    const screens: Plan['fittings'] = {
      s: fitted('sounder-arm-7', track('fwd-port', 1200), 'track'),
      t: fitted('sounder-arm-7', track('fwd-star', 1200), 'track'),
    };
    const net: Plan['runs'] = { q: { from: 's', to: 't', lane: 'under deck', via: [], awg: null, has: 'signal' } };
    const done = ['fit.s', 'fit.t', 'pull.q'].map((of) => savedFact({ kind: 'stepDone', step: of }));
    const first = work(screens, { runs: net }, done);
    const carried = fromEarlier({ fittings: screens, sets: {}, own: {}, runs: net }, first.ledger, y1, {
      cables: cablesOf(first.wiring),
    });
    const [was] = first.wiring.signals;
    expect(carried.runs['y1-q']?.aboard?.cut).toBe(was?.cut);
    expect(carried.runs['y1-q']?.aboard?.awg).toBeUndefined();
    expect(first.price.lines.some((l) => l.key.startsWith('signal-cable'))).toBeTrue();
    const again = work(carried.fittings, { id: 'plan-2', runs: carried.runs }, done);
    expect([again.wiring.signals[0]?.given, again.wiring.signals[0]?.cut]).toEqual(['aboard', was?.cut]);
    expect(again.price.lines.some((l) => l.key.startsWith('signal-cable'))).toBeFalse();
    expect(again.build.steps.filter((s) => s.id.endsWith('.y1-q')).map((s) => s.work)).toEqual(['test']);
  });

  it('stay as long as they are: what moved too far is said, and a new one settles it', () => {
    const w = work(
      { ...left.fittings, 'y1-s': moved('y1-s', track('aft-port', 2700)) },
      { id: 'plan-2', runs: left.runs },
      facts,
    );
    const short = w.findings.find((f) => f.code === 'cable-short');
    expect(short?.tries([]).map((t) => t.says.join(''))).toContain('Pull a new one');
    expect(year2.findings.some((f) => f.code === 'cable-short')).toBeFalse();
  });

  it('are pulled and ended again where they go another way or to a thing that was moved: the wire is the old one', () => {
    const was = left.runs['y1-r'] as Run;
    const ways: [string, Plan['fittings'], Run][] = [
      ['another lane', left.fittings, { ...was, via: [...was.via, { at: 'lane', x: 1150, lane: 'outside starboard' }] }],
      ['past the gland', left.fittings, { ...was, via: was.via.slice(1) }],
      ['screen 2 mm along', { ...left.fittings, 'y1-s': moved('y1-s', track('fwd-port', 1202)) }, was],
      ['gland 1 mm aft', { ...left.fittings, 'y1-g': moved('y1-g', deck(901, 200)) }, was],
      ['battery turned', { ...left.fittings, 'y1-b': moved('y1-b', { ...before.b.place, heading: 30 } as Place) }, was],
      ['screen held otherwise', { ...left.fittings, 'y1-s': { ...left.fittings['y1-s'], mount: by('clamp') } as Fitting }, was],
    ];
    for (const [what, fittings, run] of ways) {
      const w = work(fittings, { id: 'plan-2', runs: { 'y1-r': run } }, facts);
      const of = w.build.steps.filter((s) => s.id.endsWith('.y1-r')).map((s) => s.work);
      expect(of).withContext(what).toEqual(['pull', 'end', 'test']);
      expect(w.price.lines.filter((l) => l.key.startsWith('wire')))
        .withContext(what)
        .toEqual([]);
      expect(w.price.lines.find((l) => l.key === 'terminal')?.quantity)
        .withContext(what)
        .toBe(6);
      expect(pullList(labelled(w.wiring.runs, w.aboard.owned)).length)
        .withContext(what)
        .toBe(1);
    }
    expect(pullList(labelled(year2.wiring.runs, year2.aboard.owned))).toEqual([]);
  });

  it('keep the fuse that stands in a box on their way, and a new cable on it buys one', () => {
    const box: Plan['fittings'] = {
      b: before.b,
      x: fitted('fuse-block-6', { on: 'space', space: 'bow-hold', x: 700, y: 0, heading: 0 }, 'loose'),
      s: before.s,
    };
    const fed: Plan['runs'] = {
      m: { from: 'b', to: 'x', lane: 'inside port', via: [], awg: 12 },
      f: { from: 'x', to: 's', lane: 'outside port', via: [], awg: 14, way: 2 },
    };
    const done = ['fit.b', 'fit.x', 'fit.s', 'pull.m', 'pull.f'].map((step) => savedFact({ kind: 'stepDone', step }));
    const first = work(box, { runs: fed }, done);
    const carried = fromEarlier({ fittings: box, sets: {}, own: {}, runs: fed }, first.ledger, y1, {
      cables: first.wiring.runs,
    });
    const fuses = (runs: Plan['runs']) =>
      work(carried.fittings, { id: 'plan-2', runs }, done).price.lines.find((l) => l.key === 'fuse')?.quantity;
    expect(first.price.lines.find((l) => l.key === 'fuse')?.quantity).toBe(1);
    expect(fuses(carried.runs)).toBeUndefined();
    const { aboard: _, ...anew } = carried.runs['y1-f'] as Run;
    expect(fuses({ ...carried.runs, 'y1-f': anew })).toBe(1);
  });
});

describe('lines that an earlier rig led', () => {
  const fittings: Plan['fittings'] = {
    bow: fitted('anchor-pulley', deck(215, 0), 'through'),
    stern: fitted('anchor-pulley', deck(3290, 0), 'through'),
    cleat: fitted('jam-cleat', deck(1900, 340), 'rivet'),
    anchor: fitted('anchor-5', deck(2750, 0), 'loose', { tether: { to: null, length: 800 } }),
  };
  const tie = (at: string): LinePoint => ({ at: 'tie', tie: at });
  const lines: Plan['lines'] = {
    t: {
      ...{ use: 'anchor trolley', of: 'polyester', diameter: 5, way: 'outside starboard', proposed: true },
      through: [tie('bow.sheave'), tie('stern.sheave')],
    },
    a: {
      ...{ use: 'anchor line', of: 'nylon', diameter: 6, way: 'outside starboard', carries: 'anchor' },
      through: [{ at: 'ring', line: 't' }, tie('cleat.jaws')],
    },
    never: { use: 'drag rope', of: 'nylon', diameter: 8, way: 'over the deck', through: [tie('bow.sheave'), tie('cleat.jaws')] },
  };
  const steps = [...Object.keys(fittings).map((id) => `fit.${id}`), 'lead.t', 'lead.a'];
  const facts = steps.map((step) => savedFact({ kind: 'stepDone', step }));
  const first = work(fittings, { lines }, facts);
  const earlier = { fittings, sets: {}, own: {}, lines, opened: '2020-05-01' };
  const left = fromEarlier(earlier, first.ledger, y1, { lines: first.lines });
  const next = (more: Plan['lines'] = {}, things: Plan['fittings'] = {}): Workup =>
    work({ ...left.fittings, ...things }, { id: 'plan-2', lines: { ...left.lines, ...more } }, facts);
  const moved = (id: string, place: Place): Fitting => ({ ...(left.fittings[id] as Fitting), place });
  const year2 = next();
  const cutOf = (w: Workup, id: string): number => w.lines.find((l) => l.id === id)?.cut ?? NaN;
  const cords = (w: Workup): string[] => w.price.lines.flatMap((l) => (l.key.startsWith('cord-') ? [l.key] : []));

  it('are on the boat as they were cut and led, by the new names; one that was not led is none', () => {
    expect(Object.keys(left.lines).sort()).toEqual(['y1-a', 'y1-t']);
    expect(left.lines['y1-a']).toEqual({
      ...{ use: 'anchor line', of: 'nylon', diameter: 6, way: 'outside starboard', carries: 'y1-anchor' },
      through: [{ at: 'ring', line: 'y1-t' }, tie('y1-cleat.jaws')],
      aboard: {
        ...{ of: 'nylon', diameter: 6, way: 'outside starboard', since: '2020-05-01', cut: cutOf(first, 'a') },
        through: [{ at: 'ring', line: 'y1-t' }, tie('y1-cleat.jaws')],
      },
    });
    expect(left.lines['y1-t']?.proposed).toBeUndefined();
    expect([cutOf(year2, 'y1-t'), cutOf(year2, 'y1-a')]).toEqual([cutOf(first, 't'), cutOf(first, 'a')]);
  });

  it('cost no cord, no minutes and no step, nor does a tether that came on its thing', () => {
    expect(cords(first).sort()).toEqual(['cord-nylon-6', 'cord-nylon-8', 'cord-polyester-4', 'cord-polyester-5']);
    expect(cords(year2)).toEqual([]);
    expect(year2.build.steps.filter((s) => s.work === 'lead')).toEqual([]);
    expect(year2.price.labor.filter((l) => l.of.startsWith('y1-'))).toEqual([]);
    expect(reelCuts('R-2', { ...year2, owned: year2.aboard.owned, ledger: { steps: new Map() } })).toEqual([]);
    const longer = { ...(left.fittings['y1-anchor'] as Fitting), tether: { to: null, length: 801 } };
    expect(cords(next({}, { 'y1-anchor': longer }))).toEqual(['cord-polyester-4']);
  });

  it('are led again with the old piece where what leads them moved; another cord is cut new', () => {
    const nearer = next({}, { 'y1-stern': moved('y1-stern', deck(3200, 0)) });
    expect(nearer.build.steps.filter((s) => s.work === 'lead').map((s) => [s.id, s.says])).toEqual([
      ['lead.y1-t', 'Lead: anchor trolley'],
    ]);
    expect(cords(nearer)).toEqual([]);
    expect(nearer.lines.find((l) => l.id === 'y1-t')?.cut).toBe(cutOf(first, 't'));
    const thicker = next({ 'y1-t': { ...(left.lines['y1-t'] as Line), diameter: 6 } });
    expect(cords(thicker)).toEqual(['cord-polyester-6']);
    expect(thicker.build.steps.filter((s) => s.work === 'lead').map((s) => s.says)).toEqual(['Cut and lead: anchor trolley']);
    const round = next({ 'y1-t': { ...(left.lines['y1-t'] as Line), way: 'outside port' } });
    expect([cords(round), round.build.steps.filter((s) => s.work === 'lead').length]).toEqual([[], 1]);
  });

  it('are too short past their length, and say so; the fixes settle it', () => {
    const deeper = (depth: number) =>
      next({ 'y1-a': { ...(left.lines['y1-a'] as Line), ground: { depth, bottom: 'sand', stream: 1, wind: 15 } } });
    expect(deeper(3000).findings.some((f) => f.code === 'line-short')).toBeFalse();
    const w = deeper(3100);
    const short = w.findings.find((f) => f.code === 'line-short');
    expect(tell(short?.says ?? [], 'metric')).toMatch(/The old anchor line is 0\.\d+ m too short/);
    const [anew] = short?.tries([]) ?? [];
    expect(anew?.says.join('')).toBe('Cut a new one');
    const { aboard: _, ...fresh } = left.lines['y1-a'] as Line;
    expect(anew?.changes).toEqual([jasmine.objectContaining({ line: 'y1-a', to: { ...fresh, ground: jasmine.anything() } })]);
  });

  it('age from the year they were new, whoever led them since', () => {
    const third = fromEarlier({ ...left, opened: '2026-05-01' }, year2.ledger, (id) => id.replace('y1', 'y2'), {
      lines: year2.lines,
    });
    expect(third.lines['y2-t']?.aboard?.since).toBe('2020-05-01');
    // Nylon lasts five years, polyester seven: of two of 2020 one is over its time in 2026, both in 2027.
    const old = (opened: string) =>
      work(left.fittings, { id: 'plan-2', opened, lines: left.lines }, facts)
        .findings.filter((f) => f.code === 'line-old')
        .map((f) => f.where);
    expect([old('2024-12-31'), old('2025-01-01'), old('2027-06-01')]).toEqual([[], ['y1-a'], ['y1-t', 'y1-a']]);
    expect(toldLines(year2.lines, '2026-06-01', 'en').map((l) => l.newBy)).toEqual([2027, 2025]);
    expect(toldLines(first.lines, '2026-06-01', 'en').map((l) => l.newBy)).toEqual([2033, 2031, 2031]);
  });

  it('go with what led them: without the trolley’s pulley its ring holds nothing, without its anchor the line is none', () => {
    const without = (gone: string) => {
      const { [gone]: _, ...rest } = fittings;
      const { lines: kept } = fromEarlier({ ...earlier, fittings: rest }, first.ledger, y1, { lines: first.lines });
      return Object.keys(kept).sort();
    };
    expect(without('bow')).toEqual([]);
    expect(without('anchor')).toEqual(['y1-t']);
    expect(without('cleat')).toEqual(['y1-t']);
  });
});
