import { QUENBY, SHOP, TOLVANE } from '../../../demo/index';
import { type Brief, type Fitting, type Place, type Plan } from '../../rig';
import { found, rig, search, words } from '@plain-cleat/testing/judging';
import { deck, fitted } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp, type WorkupInput } from '../../workup';
import { rodsCarried } from './clutter';
import { searchFixes } from '../../proposals/fixes';
import type { Finding, FindingCode } from './index';

const on = (fitting: string, u: number, v = 0, heading = 0): Place => ({ on: 'fitting', fitting, u, v, heading });
const loose = (part: string, place: Place, more: Partial<Fitting> = {}): Fitting => fitted(part, place, 'loose', more);
const riveted = (part: string, place: Place): Fitting => fitted(part, place, 'rivet');
const through = (part: string, place: Place, more: Partial<Fitting> = {}): Fitting => fitted(part, place, 'through', more);
const onTrack = (part: string, id: string, x: number, heading = 0): Fitting =>
  fitted(part, { on: 'track', track: id, x, heading }, 'track');
const seated = { stature: 1778 } as const;
/** On the floor of a room inside. */
const within = (space: string, x: number, y = 0, heading = 0): Place => ({ on: 'space', space, x, y, heading });

describe('judgements', () => {
  it('a pole whose ends hang over both gunwales crosses the lap, and is not taken for hardware along one of them', () =>
    expect(words(rig({ a: fitted('stake-pole', deck(2160, -160, 44), 'loose') }, seated, QUENBY), 'paddle-stroke')).toMatch(
      /stands \d+ mm into the paddle stroke on the port side/,
    ));
});

describe('cases from the trade (common practice, no source)', () => {
  it('what stands on a thing inside goes in by the same opening', () => {
    const stacked = (room: string, x: number) =>
      rig({ a: fitted('battery-box', within(room, x), 'strap'), b: loose('battery-30', on('a', 0)) });
    const stuck = (input: WorkupInput) =>
      workUp(input)
        .findings.filter((f) => f.code === 'does-not-pass')
        .map((f) => f.where);
    expect(stuck(stacked('stern-hold', 2800)).sort()).toEqual(['a', 'b']);
    expect(stuck(stacked('bow-hold', 655))).toEqual([]);
  });

  it('how often a thing is used, and whether it comes off for the road, is the rig’s to say', () => {
    const clip = (more: Partial<Fitting>) =>
      rig({ a: riveted('gaff-clip', deck(700, 120)), b: { ...riveted('gaff-clip', deck(700, -120)), ...more } });
    const where = (input: WorkupInput, code: FindingCode) =>
      workUp(input)
        .findings.filter((f) => f.code === code)
        .map((f) => f.where);
    expect(where(clip({}), 'reach')).toEqual(['b', 'a'].sort());
    expect(where(clip({ often: 'ashore' }), 'reach')).toEqual(['a']);
    expect(where(clip({ often: 'stopped' }), 'reach')).toEqual(['a']);
    // What it weighs on a roof and what it stands in do not follow from how often it is touched.
    const tube = (often?: Fitting['often']) => rig({ a: { ...onTrack('rod-tube-raised', 'fwd-star', 1560), often } }, seated);
    expect(found(tube('ashore'), 'paddle-stroke')?.severity).toBe(found(tube(), 'paddle-stroke')?.severity);
    const heavy = (comesOff?: boolean) =>
      rig({ b: { ...fitted('battery-80', within('bow-hold', 655), 'strap'), comesOff } }, { road: 'roof', lifts: 'alone' });
    expect(found(heavy(), 'roof-lift')).toBeDefined();
    expect(found(heavy(true), 'roof-lift')?.says).not.toEqual(found(heavy(false), 'roof-lift')?.says);
  });

  it('a net straight behind the casting shoulder is clear of a sidearm cast', () => {
    const net = (y: number) => rig({ n: through('net-socket', deck(2650, y)) }, { cast: 'sidearm', stature: 1778 });
    expect(found(net(0.129 * 1778), 'back-cast')).toBeUndefined();
  });

  it('raised tubes clear the stroke that low ones foul', () => {
    const at = (lift: number) => rig({ a: { ...through('rod-park', deck(1500, 330)), lift } });
    expect(found(at(0), 'paddle-stroke')?.severity).toBe('stop');
    const raised = [400, 600, 800, 1000].find((lift) => !found(at(lift), 'paddle-stroke'));
    // The riser's own post stays in the way: what is raised must be raised off the stroke's side.
    expect(raised === undefined || raised > 0).toBeTrue();
  });

  it('a lid is blocked by what hangs over it, and opens with tubes hung off the back of the crate', () => {
    const over = (part: string, u: number) => rig({ a: loose('crate-tight', deck(2650, 0)), b: loose(part, on('a', u)) });
    expect(workUp(over('rod-tubes-crate-4', 258)).findings.filter((f) => f.code === 'swings')).toEqual([]);
    const umbrella = rig({ a: loose('crate-tight', deck(2650, 0)), u: through('umbrella-socket', deck(2300, 0)) });
    expect(workUp(umbrella).findings.filter((f) => f.code === 'swings')).toEqual([]);
    const low = rig({ a: { ...loose('crate-tight', deck(2650, 0)), lift: 300 }, u: through('umbrella-socket', deck(2300, 0)) });
    expect(workUp(low).findings.map((f) => f.code)).toContain('swings');
  });

  it('one rod parked in reach is let stand where pedals drive the boat', () => {
    const park = (propulsion: Brief['propulsion']) => rig({ a: onTrack('rod-park', 'fwd-star', 1635) }, { propulsion });
    expect(found(park(['paddle']), 'paddle-stroke')).toBeDefined();
    expect(found(park(['paddle', 'pedals']), 'paddle-stroke')).toBeUndefined();
  });
});

describe('rods', () => {
  it('4 + 3 rod places less a flag and a net leave five (common practice, no source)', () => {
    const tubes = Object.fromEntries([
      ...[2380, 2480, 2580, 2680].map((x, i) => [`r${i}`, onTrack('rod-tube-raised', 'aft-star', x)] as const),
      ...[2380, 2500, 2620].map((x, i) => [`p${i}`, onTrack('rod-tube-track', 'aft-port', x)] as const),
    ]);
    const items = workUp(rig({ ...tubes, f: loose('flag-rod', on('r0', 0)), n: loose('net-tube', on('p0', 0)) })).aboard.items;
    expect(rodsCarried(items)).toBe(5);
    expect(found(rig(tubes), 'too-many-rods')).toBeDefined();
    expect(
      found(rig({ ...tubes, f: loose('flag-rod', on('r0', 0)), n: loose('net-tube', on('p0', 0)) }), 'too-many-rods'),
    ).toBeUndefined();
  });
});

describe('sets', () => {
  const sets = { day: { name: 'all-day', order: 1 }, troll: { name: 'trolling', order: 2 } };
  const two = (fittings: Plan['fittings']): WorkupInput => rig(fittings, {}, TOLVANE, { sets });

  it('clearances are judged set by set, and what is wrong in one names it', () => {
    const a = loose('dry-box', deck(2700, 0), { sets: ['day'] });
    expect(found(two({ a, b: loose('first-aid', deck(2750, 0), { sets: ['troll'] }) }), 'overlap')).toBeUndefined();
    const both = found(two({ a, b: loose('first-aid', deck(2750, 0)) }), 'overlap');
    expect(both?.sets).toEqual(['day']);
    expect(found(two({ a: { ...a, sets: undefined }, b: loose('first-aid', deck(2750, 0)) }), 'overlap')?.sets).toBeNull();
  });

  it('a fitting may stand elsewhere in another set: holes are the union, price is counted once', () => {
    const eye = through('pad-eye', deck(3300, 0), { elsewhere: { troll: deck(3200, 60) } });
    const w = workUp(two({ e: eye }));
    expect(w.drilling.holes.map((h) => h.label).sort()).toEqual(['A1', 'A2', 'A3', 'A4']);
    expect(new Set(w.drilling.holes.map((h) => h.id)).size).toBe(4);
    expect(w.price.lines.filter((l) => l.fitting === 'e').length).toBe(1);
    const shown = workUp({ ...two({ e: eye }), set: 'troll' });
    expect(shown.aboard.items[0]?.placed.frame.origin.x).toBe(3200);
    expect(shown.price.totals).toEqual(w.price.totals);
  });

  it('what stands on a crate goes with it into the set that has the crate elsewhere', () => {
    const crate = loose('crate-tight', deck(2700, 0), { elsewhere: { troll: deck(2860, 0) } });
    const w = workUp({ ...two({ c: crate, t: loose('rod-tubes-crate-2', on('c', 233)) }), set: 'troll' });
    expect(w.aboard.items.find((i) => i.placed.id === 't')?.placed.frame.origin.x).toBeCloseTo(2860 + 233, 0);
  });

  it('between sets only bolted bases collide; a shared plate lets them swap, but not both at once', () => {
    const spike = (more: Partial<Fitting>): Fitting => through('powered-spike', deck(3250, 0), more);
    const reel = (more: Partial<Fitting>): Fitting => through('anchor-reel', deck(3260, 0), more);
    const apart = two({ a: spike({ sets: ['day'] }), b: reel({ sets: ['troll'] }) });
    const clash = found(apart, 'overlap-between-sets');
    expect(clash?.severity).toBe('stop');
    const fixes = clash ? searchFixes(apart, clash, search) : [];
    expect(fixes.map((c) => tell(c.says, 'metric'))).toContain('Let them swap on one plate');
    expect(
      found(
        two({ a: spike({ sets: ['day'] }), b: loose('dry-box', deck(3260, 0), { sets: ['troll'] }) }),
        'overlap-between-sets',
      ),
    ).toBeUndefined();
    expect(found(two({ a: spike({ swap: 'p' }), b: reel({ swap: 'p' }) }), 'swapped-together')?.acceptable).toBe('nobody');
  });

  it('weight and balance are those of the set shown', () => {
    const input = two({ a: loose('battery-80', deck(2700, 0), { sets: ['day'] }) });
    expect(workUp({ ...input, set: 'day' }).weight.gearKg).toBeCloseTo(25.855, 3);
    expect(workUp({ ...input, set: 'troll' }).weight.gearKg).toBe(0);
  });

  it('a thing on one that is not aboard in this set is said, and nobody may accept it', () => {
    const input = two({ a: loose('crate-open', deck(2700, 0), { sets: ['day'] }), b: loose('rod-tubes-crate-2', on('a', 230)) });
    const f = found(input, 'stands-on-nothing');
    expect([f?.sets, f?.acceptable]).toEqual([['troll'], 'nobody']);
  });
});

describe('event rules', () => {
  const rules = [
    {
      id: 'night-paddle',
      name: 'Night paddle',
      rules: [
        { rule: 'aboard' as const, what: 'signal', reach: 'anywhere' as const, says: 'A whistle or horn is carried' },
        { rule: 'aboard' as const, what: 'jacket', reach: 'at hand' as const, says: 'The life jacket is worn' },
        { rule: 'white light' as const, says: 'A white light before sunrise' },
        { rule: 'most rods' as const, count: 1, says: 'One trolled rod' },
      ],
    },
  ];
  const ruled = (fittings: Plan['fittings'], stowage: Plan['stowage'] = {}): Finding[] =>
    workUp({ ...rig(fittings, { rules: ['night-paddle'] }, TOLVANE, { stowage }), shop: { ...SHOP, rules } }).findings.filter(
      (f) => f.code === 'event-rule',
    );

  it('name the list, the rule and why it is not kept', () => {
    const all = ruled({ a: onTrack('rod-tube-raised', 'aft-star', 2400), b: onTrack('rod-tube-raised', 'aft-star', 2700) });
    expect(all.map((f) => tell(f.because, 'metric'))).toEqual([
      'Rule 1 of the list; no signal aboard.',
      'Rule 2 of the list; no jacket aboard.',
      'Rule 3 of the list; no all-round white light aboard.',
      'Rule 4 of the list; 2 rods aboard, 1 allowed.',
    ]);
  });

  it('are kept by what is aboard, what is worn and what is in reach', () => {
    const kept = ruled(
      {
        l: onTrack('mast-light', 'aft-port', 2600),
        j: loose('jacket-slim', deck(1950, 0)),
      },
      {
        w: {
          of: 'j',
          in: 'pocket',
          what: 'whistle (signal)',
          kg: 0.02,
          litres: 0.05,
          wantsDry: false,
          use: 'always',
          later: false,
        },
      },
    );
    expect(kept).toEqual([]);
    expect(
      ruled({
        l: onTrack('mast-light', 'aft-port', 2600),
        j: loose('jacket-slim', deck(600, 0)),
        s: loose('whistle', deck(2000, 0)),
      }).length,
    ).toBe(1);
  });
});
