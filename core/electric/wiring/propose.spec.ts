import fc from 'fast-check';
import { QUENBY } from '../../../demo/index';
import { isOneOf, type FindingCode } from '../../checks/findings';
import { applyChange, type Brief, type Plan, type Run } from '../../rig';
import { deck, fitted, inputOf, track } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type Workup, type WorkupInput } from '../../workup';
import { proposeCircuit, type Proposal } from './index';
import { runs } from '../../../testing/runs';

const within = (space: string, x: number, y = 0): Plan['fittings'][string]['place'] => ({ on: 'space', space, x, y, heading: 0 });

/** What may be aboard, each in a place where it stands by itself. */
const ABOARD: Plan['fittings'] = {
  big: fitted('battery-100', within('bow-hold', 620), 'loose'),
  lead: fitted('battery-80', within('bow-hold', 900), 'loose'),
  small: fitted('battery-30', within('stern-hold', 3300), 'loose'),
  relay: fitted('relay-box', within('stern-hold', 3100), 'loose'),
  block: fitted('fuse-block-6', within('stern-hold', 3000, 100), 'loose'),
  panel: fitted('switch-panel', deck(2100, 300), 'rivet'),
  kill: fitted('kill-switch', deck(2060, -430), 'through'),
  main: fitted('main-switch', deck(2300, 300), 'through'),
  port: fitted('charge-port', deck(1000, 100), 'through'),
  motor: fitted('motor-stern-45', deck(3660, 0), 'through'),
  bow: fitted('motor-bow-55', deck(200, 0), 'through'),
  sounder: fitted('sounder-arm-7', track('fwd-port', 1450), 'track'),
  screen: fitted('head-screen-9', deck(1500, 0), 'loose'),
  sides: fitted('side-lights', deck(300, 0), 'through'),
  stern: fitted('stern-light', deck(3700, 200), 'through'),
  mast: fitted('mast-light', track('aft-star', 3150), 'track'),
  lantern: fitted('lantern-bow', deck(900, 95), 'through'),
  ports: fitted('usb-ports', deck(2482, -60), 'rivet'),
  tank: fitted('livewell', deck(2900, 0), 'loose'),
  tow: fitted('tow-charger', within('stern-hold', 3400, 140), 'loose'),
  sun: fitted('solar-panel-25', deck(700, 0), 'loose'),
  second: fitted('sounder-arm-7', track('fwd-star', 1450), 'track'),
  side: fitted('transducer-arm', track('aft-star', 2700), 'track'),
  down: fitted('transducer-stern', deck(3640, 200), 'through'),
};
const NAMES = Object.keys(ABOARD);

const rigOf = (names: readonly string[], runs: Plan['runs'] = {}, wires: Brief['wires'] = 'inside'): WorkupInput => {
  const input = inputOf(Object.fromEntries(names.map((n) => [n, ABOARD[n]])) as Plan['fittings'], { runs }, [], QUENBY);
  return { ...input, plan: { ...input.plan, brief: { ...input.plan.brief, wires } } };
};
const proposed = (input: WorkupInput): Proposal => {
  const { surface, aboard } = workUp(input);
  return proposeCircuit({ hull: surface, plan: input.plan, owned: aboard.owned });
};
const taken = (input: WorkupInput, { changes }: Proposal): WorkupInput => ({
  ...input,
  plan: changes.reduce(
    (plan, c) => applyChange(plan, { id: '00000000-0000-4000-8000-000000000000', ...c } as never).plan,
    input.plan,
  ),
});
const feeder = (w: Workup, to: string): string | undefined => w.wiring.runs.find((r) => r.to === to)?.from;

/** What a proposal never leaves behind. */
const NEVER: readonly FindingCode[] = [
  ...([
    'unguarded',
    'fuse-too-large',
    'fuse-too-small',
    'fuse-far',
    'no-fuse',
    'wire-overheats',
    'thin-wire',
    'feeds-nothing',
    'run-through',
  ] as const),
  ...([
    'no-way-left',
    'shorted',
    'no-return',
    'wrong-source',
    'over-way',
    'over-box',
    'unlike-in-parallel',
    'way-unnamed',
    'breaking-capacity',
    'breaking-volts',
    'part-of-a-row',
    'unlike-in-row',
    'fuse-over-load',
    'thin-singly',
    'charge-drop',
    'charger-unguarded',
    'beside-motor',
    'charger-unlike',
    'charger-volts',
    'charged-too-fast',
    'signals-unlike',
    'signals-full',
    'two-grounds',
  ] as const),
];

describe('a proposed circuit', () => {
  it('passes its own judgements, feeds all that some battery can, and proposes nothing more (property)', () => {
    fc.assert(
      fc.property(
        fc.subarray(NAMES, { minLength: 2 }),
        fc.constantFrom('inside' as const, 'outside' as const),
        (names, wires) => {
          const input = rigOf(names, {}, wires);
          const after = taken(input, proposed(input));
          const w = workUp(after);
          expect(w.findings.filter((f) => isOneOf(NEVER, f)).map((f) => tell(f.says, 'metric'))).toEqual([]);
          const hasBattery = ['big', 'lead', 'small'].some((n) => names.includes(n));
          expect(w.findings.filter((f) => f.code === 'not-fed').length > 0).toBe(
            !hasBattery && w.wiring.network.loads.length > 0,
          );
          // Proposing again changes nothing.
          expect(proposed(after).changes).toEqual([]);
        },
      ),
      { seed: 51, numRuns: runs(60) },
    );
  });

  it('gives the motor the largest battery through the lanyard switch, and the screen another', () => {
    const input = rigOf(['big', 'small', 'kill', 'motor', 'sounder', 'relay', 'sides', 'stern', 'port']);
    const proposal = proposed(input);
    const w = workUp(taken(input, proposal));
    expect([feeder(w, 'motor'), feeder(w, 'kill'), feeder(w, 'sounder'), feeder(w, 'relay')]).toEqual([
      'kill',
      'big',
      'relay',
      'small',
    ]);
    const [sides, stern, sounder] = ['sides', 'stern', 'sounder'].map((to) => w.wiring.runs.find((r) => r.to === to));
    // Running lights burn together.
    expect([sides?.way, sides?.name]).toEqual([stern?.way ?? NaN, 'running lights']);
    expect(sounder?.way).not.toBe(sides?.way);
    expect(sounder?.lane).not.toBe(w.wiring.runs.find((r) => r.to === 'motor')?.lane);
    // The largest battery is the one that can be charged where it stands.
    expect(feeder(w, 'port')).toBe('big');
    expect(w.findings.filter((f) => ['light-unswitched', 'shared-with-motor'].includes(f.code))).toEqual([]);
    expect(tell(proposal.runs.get('feed-kill')?.why ?? [], 'metric')).toMatch(/lanyard switch: pulled, the motor stops/);
  });

  it('hangs everything but the motor on one main switch, shares a way before a lamp goes straight to the battery, and keeps each side its own', () => {
    const lamps = Object.fromEntries(
      Array.from({ length: 8 }, (_, i) => [`lamp${i}`, fitted('deck-light', deck(1000 + 60 * i, i % 2 ? 95 : -95), 'rivet')]),
    );
    const input = inputOf(
      { ...lamps, small: ABOARD.small, main: ABOARD.main, panel: ABOARD.panel } as Plan['fittings'],
      {},
      [],
      QUENBY,
    );
    const w = workUp(taken(input, proposed(input)));
    const from = (id: string): string[] => w.wiring.runs.filter((r) => r.from === id).map((r) => r.to);
    expect([from('small'), from('main')]).toEqual([['main'], ['panel']]);
    expect(from('panel').length).toBe(8);
    const ways = new Set(w.wiring.runs.filter((r) => r.from === 'panel').map((r) => r.way));
    expect(ways.size).toBe(4);
    for (const r of w.wiring.runs.filter((x) => x.from === 'panel')) {
      const lamp = w.aboard.owned.find((i) => i.placed.id === r.to);
      expect(r.lane).toBe((lamp?.placed.frame.origin.y ?? 0) > 0 ? 'inside starboard' : 'inside port');
    }
    expect(w.findings.filter((f) => ['light-unswitched', 'rings-on-post', 'over-way', 'not-fed'].includes(f.code))).toEqual([]);
    // Four rings and no more: without a box or a main it says what is wanted.
    const bare = inputOf({ ...lamps, small: ABOARD.small } as Plan['fittings'], {}, [], QUENBY);
    const proposal = proposed(bare);
    expect(tell(proposal.wants.at(-1) ?? [], 'metric')).toMatch(/A main switch and a fuse block at Battery 30 Ah.*8 feeds/);
    expect(workUp(taken(bare, proposal)).findings.map((f) => f.code)).toContain('rings-on-post');
  });

  it('puts batteries alike in a row for a motor of more volts, through the lanyard switch, and everything else on another (property)', () => {
    const row: Plan['fittings'] = {
      one: fitted('battery-100', within('bow-hold', 620), 'loose'),
      two: fitted('battery-100', within('bow-hold', 900), 'loose'),
      strong: fitted('motor-stern-80', deck(3660, 0), 'through'),
    };
    const others = ['small', 'relay', 'block', 'kill', 'sounder', 'sides', 'mast', 'ports', 'second'];
    fc.assert(
      fc.property(fc.subarray(others), (names) => {
        const base = rigOf(names);
        const input = { ...base, plan: { ...base.plan, fittings: { ...base.plan.fittings, ...row } } };
        const after = taken(input, proposed(input));
        const w = workUp(after);
        expect(w.findings.filter((f) => isOneOf(NEVER, f)).map((f) => tell(f.says, 'metric'))).toEqual([]);
        // 24 V between the minus of the one and the plus of the other, by hand from the runs themselves.
        const has = (kind: string): string[] => w.wiring.runs.filter((r) => r.has === kind).map((r) => `${r.from} ${r.to}`);
        const to = names.includes('kill') ? 'kill' : 'strong';
        expect([has('series'), has('plus'), has('minus')]).toEqual([['one two'], [`two ${to}`], [`one ${to}`]]);
        expect(w.circuits.flatMap((c) => c.loads).find((l) => l.fitting === 'strong')?.nominal).toBe(24);
        for (const run of w.wiring.runs.filter((r) => r.has === 'both' && ['one', 'two'].includes(r.from))) fail(run.id);
        expect(proposed(after).changes).toEqual([]);
      }),
      { seed: 51, numRuns: runs(25) },
    );
  });

  it('puts batteries alike side by side for a motor that takes more than one gives, and each gives no more than it may', () => {
    const fittings: Plan['fittings'] = {
      one: fitted('battery-30', within('bow-hold', 620), 'loose'),
      two: fitted('battery-30', within('bow-hold', 900), 'loose'),
      ...({ bow: ABOARD.bow, kill: ABOARD.kill, sounder: ABOARD.sounder } as Plan['fittings']),
    };
    const of = (names: readonly string[]): WorkupInput => {
      const base = rigOf([]);
      const some = Object.fromEntries(names.map((n) => [n, fittings[n]])) as Plan['fittings'];
      return { ...base, plan: { ...base.plan, fittings: some } };
    };
    for (const names of [['one', 'two', 'bow'], ['one', 'two', 'bow', 'kill'], Object.keys(fittings)]) {
      const input = of(names);
      const w = workUp(taken(input, proposed(input)));
      const to = names.includes('kill') ? 'kill' : 'bow';
      const has = (kind: string): string[] => w.wiring.runs.filter((r) => r.has === kind).map((r) => `${r.from} ${r.to}`);
      expect([has('plus'), has('minus')]).toEqual([[`one ${to}`], [`two ${to}`]]);
      expect(has('both')).toContain('one two');
      expect(w.findings.filter((f) => [...NEVER, 'over-battery', 'battery-fails'].includes(f.code)).map((f) => f.key)).toEqual(
        [],
      );
      const gives = w.circuits.flatMap((c) => c.batteries.map((b) => b.gives.full?.amps ?? NaN));
      expect(gives.reduce((a, b) => a + b, 0)).toBeGreaterThan(50 - 1e-6);
      for (const amps of gives) expect(amps).toBeLessThanOrEqual(30);
    }
    // One alone is not enough, and is taken all the same: what it cannot give is a finding.
    const alone = of(['one', 'bow']);
    expect(workUp(taken(alone, proposed(alone))).findings.map((f) => f.code)).toContain('over-battery');
  });

  it('says what it could not do with what is aboard', () => {
    const wants = (names: readonly string[]): string =>
      proposed(rigOf(names))
        .wants.map((s) => tell(s, 'metric'))
        .join(' ');
    expect(wants(['small', 'sides'])).toMatch(/A switch panel or relay box for Bow light, red and green/);
    expect(wants(['sounder'])).toMatch(/A battery of 12 V for Sounder/);
    expect(wants(['small', 'relay', 'sides'])).toBe('');
  });

  it('keeps what the rigger made or changed, and proposes about it', () => {
    const own: Run = { from: 'relay', to: 'sounder', lane: 'outside starboard', via: [], awg: 12, way: 1, name: 'depth' };
    const input = rigOf(['small', 'relay', 'sounder', 'sides', 'mast'], { mine: own });
    const w = workUp(taken(input, proposed(input)));
    expect(w.wiring.runs.filter((r) => r.to === 'sounder').map((r) => [r.id, r.awg, r.way])).toEqual([['mine', 12, 1]]);
    expect(w.wiring.runs.filter((r) => r.from === 'relay' && r.way === 1).length).toBe(1);
    expect(feeder(w, 'relay')).toBe('small');
  });

  it('takes no name that a run of the rigger’s has, however many they have', () => {
    const own = (to: string): Run => ({ from: 'small', to, lane: 'outside port', via: [], awg: 12 });
    const names = ['feed-sounder', 'feed-sounder-2', 'signal-side', 'signal-side-2'];
    const kept = Object.fromEntries(names.map((name, i) => [name, own(['mast', 'relay', 'sides', 'stern'][i] ?? '')]));
    const input = rigOf(['small', 'relay', 'sounder', 'sides', 'stern', 'mast', 'side'], kept);
    const after = taken(input, proposed(input));
    for (const name of names) expect(after.plan.runs[name]).toEqual(kept[name]);
    const w = workUp(after);
    expect([feeder(w, 'sounder'), w.wiring.signals.map((s) => [s.from, s.to])]).toEqual(['relay', [['side', 'sounder']]]);
    expect(proposed(after).changes).toEqual([]);
  });
});
