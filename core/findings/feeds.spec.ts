import { CATALOG, QUENBY } from '../../demo/index';
import type { Part } from '../parts';
import type { Plan, Run } from '../rig';
import { judgeCases, rig } from '../testing/judging';
import { deck, fitted, partWith, track } from '../testing/plans';
import { workUp, type WorkupInput } from '../workup';

const within = (x: number, y = 0): Plan['fittings'][string]['place'] => ({ on: 'space', space: 'bow-hold', x, y, heading: 0 });
const run = (from: string, to: string, more: Partial<Run> = {}): Run => ({
  from,
  to,
  lane: 'inside port',
  via: [],
  awg: null,
  ...more,
});

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
const second = { c: fitted('battery-50', within(560, 200), 'loose') };
const boxOf = (ways: number, amps: number, wayAmps: number): Part['power'] => ({
  passes: { ways, amps, wayAmps, fused: true, switched: true },
});

/** Standing still with the sounder and bow lights on for so many hours, always dark: an ampere out of 50 Ah, of which 15 % are kept. */
const dayOf = (hours: number): WorkupInput => {
  const input = wired();
  const legs = [1440, 60 * hours - 1440].map((minutes) => ({ does: 'stopped' as const, minutes, kmh: 0 }));
  return { ...input, plan: { ...input.plan, day: { starts: 0, legs, dark: { from: 0, to: 1439 }, duty: {}, readings: [] } } };
};
const driven = (kmh: number): WorkupInput => {
  const input = wired(
    { m: run('c', 'm') },
    { c: fitted('battery-100', within(560, 200), 'loose'), m: fitted('motor-stern-45', deck(3660, 0), 'through') },
  );
  const day = {
    starts: 420,
    legs: [{ does: 'motor' as const, minutes: 10, kmh }],
    dark: { from: 1260, to: 360 },
    duty: {},
    readings: [],
  };
  return { ...input, plan: { ...input.plan, day } };
};

const motored = { c: fitted('battery-100', within(560, 200), 'loose'), m: fitted('motor-stern-45', deck(3660, 0), 'through') };
const pluggedIn = (amps: number, rated: number): WorkupInput =>
  withPower(wired({ m: run('c', 'm', { lane: 'inside starboard' }) }, motored), 'motor-stern-45', {
    draw: { amps, volts: 12, of: 'motor' },
    plug: { family: 'motor, two pin', amps: rated },
  });
/** Two charge ports alike, each to a battery of its own. */
const ports = (one: string, two: string): WorkupInput =>
  wired(
    { p: run('b', 'p'), q: run('c', 'q') },
    {
      b: fitted(two, within(560), 'loose'),
      c: fitted(one, within(560, 200), 'loose'),
      p: fitted('charge-port', deck(2482, 60), 'through'),
      q: fitted('charge-port', deck(2560, 120), 'through'),
    },
  );

/** With so much of the room that box and battery stand in taken up by what is stowed there. */
const stowed = (share: number): WorkupInput => {
  const input = wired();
  const room = workUp(input).surface.rooms.get('bow-hold')?.litres ?? NaN;
  const bag = {
    ...{ in: 'bow-hold', what: 'tent', kg: 4, litres: share * room, wantsDry: false, use: 'ashore' as const, later: false },
  };
  return { ...input, plan: { ...input.plan, stowage: { bag } } };
};

describe('judgements of the circuits', () => {
  judgeCases([
    {
      code: 'unguarded',
      fires: wired({ x: run('b', 'x', { guard: 'none' }) }),
      says: /Nothing protects the cable from Battery 50 Ah, lithium to Relay box/,
      not: wired(),
    },
    {
      code: 'fuse-too-large',
      fires: wired({ x: run('b', 'x', { guard: guard({ amps: 30 }), awg: 16 }) }),
      says: /The 16 AWG to Relay box, six channels carries \d+ A; its 30 A fuse is larger/,
      not: wired({ x: run('b', 'x', { guard: guard({ amps: 30 }) }) }),
    },
    {
      code: 'fuse-too-small',
      fires: wired({ x: run('b', 'x', { guard: guard({ amps: 1 }) }) }),
      says: /1 A for 1 A to Relay box, six channels: it opens by itself/,
      not: wired({ x: run('b', 'x', { guard: guard({ amps: 2 }) }) }),
    },
    {
      code: 'fuse-not-sold',
      fires: wired({ x: run('b', 'x', { guard: guard({ is: 'breaker', amps: 20 }) }) }),
      says: /No breaker of 20 A is sold for the cable to Relay box, six channels/,
      not: wired({ x: run('b', 'x', { guard: guard({ is: 'breaker', amps: 25 }) }) }),
    },
    {
      code: 'fuse-not-sold',
      fires: wired({ x: run('b', 'x', { guard: guard({ amps: 12 }) }) }),
      says: /No blade fuse of 12 A is sold/,
      not: wired({ x: run('b', 'x', { guard: guard({ amps: 15 }) }) }),
    },
    {
      code: 'fuse-far',
      fires: wired({ x: run('b', 'x', { guard: guard({ along: 177.81 }) }) }),
      says: /is 178 mm from the battery; 177 mm is the most/,
      not: wired({ x: run('b', 'x', { guard: guard({ along: 177.79 }) }) }),
    },
    {
      code: 'breaking-capacity',
      // Its maker says 8 mΩ: 13.4 V over that. Left to the tables it is a breaker.
      fires: wired(
        { x: run('b', 'x', { guard: guard({ is: 'blade fuse' }) }) },
        { b: fitted('battery-100', within(560), 'loose') },
      ),
      says: /gives up to 1675 A; a blade fuse opens 1000 A/,
      not: wired({}, { b: fitted('battery-100', within(560), 'loose') }),
    },
    {
      code: 'not-fed',
      fires: wired({ s: run('b', 'x') }),
      says: /Sounder 7 in, deck arm has no feed yet/,
      not: wired(),
      fix: false,
    },
    {
      code: 'no-return',
      fires: wired({ s: run('x', 's', { has: 'plus' }), t: run('c', 's', { has: 'minus' }) }, second),
      says: /What Sounder 7 in, deck arm draws has no way back/,
      not: wired({ s: run('x', 's', { has: 'plus' }), t: run('x', 's', { has: 'minus' }) }, second),
      fix: false,
    },
    {
      code: 'wrong-source',
      fires: wired(
        { s: run('c', 's', { has: 'plus' }), t: run('b', 's', { has: 'minus' }), u: run('b', 'c', { has: 'series' }) },
        second,
      ),
      says: /wants 12 V; it is fed 24 V/,
      not: wired({ u: run('b', 'c', { has: 'series' }) }, second),
      fix: false,
    },
    {
      code: 'feeds-nothing',
      fires: wired({ l: run('s', 'l') }),
      says: /Sounder 7 in, deck arm is not a battery and hands nothing on/,
      not: wired(),
      fix: false,
    },
    {
      code: 'no-way-left',
      fires: wired({ l: run('x', 'l', { way: 7, name: 'bow lights' }) }),
      says: /hangs on way 7 of Relay box, six channels, which has 6/,
      not: wired({ l: run('x', 'l', { way: 6, name: 'bow lights' }) }),
      fix: false,
    },
    {
      code: 'shorted',
      fires: wired({ p: run('b', 'c'), q: run('b', 'c', { has: 'series' }) }, second),
      says: /joins points of different volts/,
      not: wired({ p: run('b', 'c') }, second),
      fix: false,
    },
    {
      code: 'unlike-in-parallel',
      fires: wired({ p: run('b', 'c') }, { c: fitted('battery-80', within(560, 200), 'loose') }),
      says: /Motor battery 80 Ah and Battery 50 Ah, lithium stand side by side|Battery 50 Ah, lithium and Motor battery 80 Ah stand side by side/,
      not: wired({ p: run('b', 'c') }, second),
      fix: false,
    },
    {
      code: 'over-way',
      fires: withPower(wired(), 'relay-box', boxOf(6, 50, 0.74)),
      says: /Way 1 of Relay box, six channels carries 0.74 A; 0.75 A go through it/,
      not: withPower(wired(), 'relay-box', boxOf(6, 50, 0.75)),
      fix: false,
    },
    {
      code: 'over-box',
      fires: withPower(wired(), 'relay-box', boxOf(6, 0.99, 15)),
      says: /Relay box, six channels carries 0.99 A; 1 A go through it/,
      not: withPower(wired(), 'relay-box', boxOf(6, 1, 15)),
      fix: false,
    },
    {
      code: 'way-unnamed',
      fires: wired({ s: run('x', 's', { way: 1 }) }),
      says: /Way 1 of Relay box, six channels has no name/,
      not: wired(),
      fix: false,
    },
    {
      code: 'day-too-long',
      fires: dayOf(43),
      says: /Battery 50 Ah, lithium is down to its last 15 % at \d+:\d\d/,
      not: dayOf(42),
      fix: false,
    },
    {
      code: 'leg-too-fast',
      fires: driven(14),
      says: /Leg 1 of the day asks for more than full thrust at 14 km\/h/,
      not: driven(5),
      fix: false,
    },
    {
      code: 'plug-too-small',
      // Common practice, no source: 45 lb on a 50 A plug passes, 55 lb takes a 70 A one; the limit is 85 %.
      fires: pluggedIn(50, 50),
      says: /The plug of Stern motor, 45 lb is rated 50 A; 50 A go through it/,
      not: pluggedIn(42.5, 50),
      fix: false,
    },
    {
      code: 'battery-uncharged',
      fires: wired({}, { b: fitted('battery-50', within(560), 'loose', { comesOff: false }) }),
      says: /Battery 50 Ah, lithium stays aboard and no charge port goes to it/,
      not: wired(
        { p: run('b', 'p') },
        {
          b: fitted('battery-50', within(560), 'loose', { comesOff: false }),
          p: fitted('charge-port', deck(2482, 60), 'through'),
        },
      ),
      fix: false,
    },
    {
      code: 'plugs-alike',
      fires: ports('battery-80', 'battery-50'),
      says: /The plugs of [A-Z], Charge port, outside, and [A-Z], Charge port, outside, mate and must not be changed over/,
      not: ports('battery-50', 'battery-50'),
      fix: false,
    },
    {
      code: 'beside-motor',
      fires: wired({ m: run('c', 'm', { lane: 'inside port' }) }, motored),
      says: /The cable to Sounder 7 in, deck arm lies \d+ mm beside the motor’s/,
      not: wired({ m: run('c', 'm', { lane: 'inside starboard' }) }, motored),
    },
    {
      code: 'not-sealed',
      fires: wired({}, { x: fitted('relay-box', deck(2482, 0), 'loose') }),
      says: /Relay box, six channels is not sealed against spray and stands on deck/,
      not: wired(),
    },
    {
      code: 'fuse-buried',
      fires: stowed(0.5001),
      says: /The fuse at Battery 50 Ah, lithium is under what is stowed in the bow hold: 52 of 103 litres/,
      not: stowed(0.4999),
      fix: false,
    },
    {
      code: 'charger-unlike',
      fires: wired(
        { t: run('d', 't') },
        { d: fitted('battery-80', within(560, 200), 'loose'), t: fitted('tow-charger', deck(2482, 60), 'loose') },
      ),
      says: /Charger off the towing car charges lithium; Motor battery 80 Ah is lead-acid/,
      not: wired({ t: run('b', 't') }, { t: fitted('tow-charger', deck(2482, 60), 'loose') }),
      fix: false,
    },
    {
      // Its plus to the one, its minus to the other, in a row: 24 V.
      code: 'charger-volts',
      fires: wired(
        { u: run('b', 'c', { has: 'series' }), t: run('c', 't', { has: 'plus' }), m: run('b', 't', { has: 'minus' }) },
        { ...second, t: fitted('tow-charger', deck(2482, 60), 'loose') },
      ),
      says: /Charger off the towing car charges 12 V; it is wired to 24 V/,
      not: wired(
        { u: run('b', 'c', { has: 'series' }), t: run('c', 't') },
        { ...second, t: fitted('tow-charger', deck(2482, 60), 'loose') },
      ),
      fix: false,
    },
    {
      code: 'charged-too-fast',
      fires: withPower(wired({ t: run('b', 't') }, { t: fitted('tow-charger', deck(2482, 60), 'loose') }), 'tow-charger', {
        charges: { amps: 25.1, from: 'tow' },
      }),
      says: /25\.1 A come in through Charger off the towing car; Battery 50 Ah, lithium takes 25/,
      not: withPower(wired({ t: run('b', 't') }, { t: fitted('tow-charger', deck(2482, 60), 'loose') }), 'tow-charger', {
        charges: { amps: 25, from: 'tow' },
      }),
      fix: false,
    },
    {
      code: 'light-unswitched',
      fires: wired({ l: run('b', 'l') }),
      says: /Nothing switches Bow light/,
      not: wired(),
      fix: false,
    },
  ]);

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
