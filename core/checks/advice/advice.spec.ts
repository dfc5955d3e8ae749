import fc from 'fast-check';
import type { Part } from '../../parts/parts';
import { BRACKWEN, CATALOG, ORRISK, PELLIN, QUENBY, SHOP, TOLVANE } from '../../../demo/index';
import { fairHull, type HullModel } from '../../boat/hull';
import { placeFitting } from '../../layout';
import { LENGTHS, mountFitting, THREADS } from '../../holding/mounting';
import type { Brief, Fact, Fitting, Place } from '../../rig';
import { deck, fitted, inputOf, savedFact, partOf, partWith } from '@plain-cleat/testing/plans';
import { tell } from '../../base/units';
import { workUp } from '../../workup';
import { reuseOffers } from './reuse';
import { adviceSetting, mountAdvice, type MountAdvice } from './index';

interface Case {
  readonly brief?: Partial<Brief>;
  readonly hull?: HullModel;
  readonly facts?: readonly Fact[];
}

/** The advice for one fitting alone on a boat. */
function adviceOf(f: Fitting, { brief = {}, hull = TOLVANE, facts = [] }: Case = {}): MountAdvice[] {
  const input = inputOf({ f }, {}, facts, hull);
  const plan = { ...input.plan, brief: { ...input.plan.brief, ...brief } };
  const w = workUp({ ...input, plan });
  const [item] = w.aboard.owned;
  if (!item) throw new Error('not placed');
  return mountAdvice(w.surface, item.placed, adviceSetting(item, plan, SHOP, w));
}
const way = (all: readonly MountAdvice[], hold: string, plate = false): MountAdvice => {
  const found = all.find((a) => a.hold === hold && a.plate === plate);
  if (!found) throw new Error(`no ${hold}`);
  return found;
};

describe('mount advice', () => {
  it('judges every way of the trade, what fails last, each with a reason', () => {
    const all = adviceOf(fitted('rod-tube-raised', { on: 'track', track: 'aft-star', x: 2500, heading: 0 }, 'track'));
    expect(all.length).toBe(17);
    expect(all[0]).toEqual(jasmine.objectContaining({ hold: 'track', fits: true, holes: 0 }));
    const order = all.map((a) => a.fits);
    expect(order).toEqual([...order].sort((a, b) => Number(b) - Number(a)));
    for (const a of all) expect(a.says.join('').length).toBeGreaterThan(10);
  });

  it('a raised rod tube rocks on a thin wall unless the load is spread (common practice, no source)', () => {
    const tube = adviceOf(fitted('rod-tube-raised', deck(970, 150), 'through'));
    expect(way(tube, 'through').says.join('')).toContain('spread the load');
    expect(way(tube, 'through', true).fits).toBeTrue();
    expect(tube[0]?.plate).toBeTrue();
  });

  it('self-tapping screws are for light loads (common practice, no source)', () => {
    expect(way(adviceOf(fitted('rod-tube-raised', deck(3250, 0), 'through')), 'screw').says.join('')).toContain(
      'strip out of the wall',
    );
  });

  it('follows the drill policy: no new holes in the brief, none in a borrowed boat, none in fabric', () => {
    const f = fitted('pad-eye', deck(3250, 0), 'rivet');
    const none = adviceOf(f, { brief: { holes: 'none' } });
    expect(none.some((a) => a.fits)).toBeFalse();
    expect(way(none, 'rivet').says.join('')).toContain('no new holes');
    expect(way(adviceOf(f, { brief: { borrowed: true } }), 'rivet').says.join('')).toContain('undrilled');
    expect(way(adviceOf(fitted('pad-eye', deck(900, 0), 'rivet'), { hull: PELLIN }), 'rivet').says.join('')).toContain(
      'not drilled',
    );
  });

  it('where no hand reaches, rivets and well nuts come before bolts, with the opening and what is in the way', () => {
    const all = adviceOf(fitted('paddle-clip', deck(1750, 400), 'rivet'));
    expect(way(all, 'through').says.join('')).toMatch(/nothing reaches behind A1: .*hatch/);
    expect(all[0]?.hold).toBe('rivet');
  });

  it('an inspection hatch the rig adds lets the hand in', () => {
    const clip = fitted('paddle-clip', deck(1750, 400), 'through');
    const body = { opening: 160, base: { length: 200, width: 200, thickness: 5 } };
    const port = partWith(partOf('pad-eye'), { id: 'port', body });
    const input = inputOf({ f: clip, p: fitted('port', deck(1850, 330), 'rivet') });
    const w = workUp({ ...input, catalog: { ...CATALOG, parts: [...CATALOG.parts, port] } });
    expect(w.aboard.owned.find((i) => i.placed.id === 'f')?.holes[0]?.behind.access?.hatch).toBe('Pad eye');
  });

  it('glue does not hold on polyethylene, and is good enough for light things on fabric', () => {
    const glued = partWith(partOf('cup-swivel'), { id: 'glued', holding: { ways: ['glue'] } });
    const place = (hull: HullModel): string | null => {
      const w = workUp({
        ...inputOf({ f: fitted('glued', deck(900, 0), 'glue') }, {}, [], hull),
        catalog: { ...CATALOG, parts: [glued] },
      });
      return w.aboard.owned[0]?.mounted.cannot?.join('') ?? null;
    };
    expect(place(TOLVANE)).toContain('polyethylene');
    expect(place(PELLIN)).toBeNull();
  });

  it('a clamp closes on the rails it is made for', () => {
    const rail: Place = { on: 'rail', rail: 'rail-s', x: 2800, heading: 0 };
    const on = (clamps: Part['holding']['clamps']): string | null => {
      const parts = [partWith(partOf('base-clamp-rail'), { id: 'clamp', holding: { ways: ['clamp'], clamps } })];
      return (
        workUp({
          ...inputOf({ f: fitted('clamp', rail, 'clamp') }, {}, [], QUENBY),
          catalog: { ...CATALOG, parts },
        }).aboard.owned[0]?.mounted.cannot?.join('') ?? null
      );
    };
    expect(on({ least: 19, most: 28 })).toBeNull();
    expect(on({ least: 28, most: 40 })).toContain('thinner than its clamp');
    expect(on({ least: 10, most: 20 })).toContain('thicker than its clamp');
  });

  it('a pre-drilled plate takes the pattern that meets it', () => {
    const plate: Place = { on: 'plate', plate: 'bow-plate-holes', heading: 0 };
    const made = QUENBY.plates?.[0];
    const bracket = partWith(partOf('motor-plate'), { id: 'bracket', holes: { at: made?.holes ?? [] } });
    const on = (part: typeof bracket): string | null =>
      workUp({
        ...inputOf({ f: fitted('bracket', plate, 'through') }, {}, [], QUENBY),
        catalog: { ...CATALOG, parts: [part] },
      }).aboard.owned[0]?.mounted.cannot?.join('') ?? null;
    expect(on(bracket)).toBeNull();
    expect(on(partWith(bracket, { holes: { at: bracket.holes.at.map((h) => ({ u: h.v, v: h.u })) } }))).toBeNull();
    expect(on(partWith(bracket, { holes: { at: [{ u: 0, v: 0 }] } }))).toContain('do not meet');
  });

  it('a part whose holes are too small for the track bolt is opened first', () => {
    const tube = partWith(partOf('rod-tube-raised'), { id: 'tube', holes: { made: 5.5 } });
    const input = inputOf({ f: fitted('tube', { on: 'track', track: 'aft-star', x: 2500, heading: 0 }, 'track') });
    const w = workUp({ ...input, catalog: { ...CATALOG, parts: [tube] } });
    expect(tell(w.aboard.owned[0]?.mounted.first ?? [], 'metric')).toContain('Open its holes of 5.5 mm to 6.4 mm');
    expect(w.findings.map((f) => f.code)).toContain('worked-first');
  });
});

describe('the fastener chosen', () => {
  const hulls = [TOLVANE, BRACKWEN, ORRISK, QUENBY];
  const parts = CATALOG.parts.filter((p) => p.holes.at.length > 0 && p.holes.at.some((h) => !h.bore));

  it('clamps and never bottoms out, for any stack, or says that none fits and what is missing (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...parts),
        fc.constantFrom(...hulls),
        fc.constantFrom('through', 'pulled plate', 'insert', 'rivet', 'screw', 'well nut', 'track'),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 30, noNaN: true }),
        fc.double({ min: 3, max: 40, noNaN: true }),
        fc.boolean(),
        (part, model, hold, thick, wall, depth, plate) => {
          const insert = { id: 'i', name: 'insert', x: 1000, y: 0, height: 300, thread: '1/4-20', depth };
          const hull = { ...model, wall, inserts: [insert], decks: [], walls: [] };
          const own = partWith(part, {
            body: { base: { ...part.body.base, thickness: thick } },
            holding: { ways: [...part.holding.ways, 'insert'] },
          });
          const place: Place = hold === 'insert' ? { on: 'insert', insert: 'i', heading: 0 } : deck(1500, 200);
          const f = { ...fitted(part.id, place, hold as 'through'), mount: { hold: hold as 'through', plate, reason: '' } };
          const placed = placeFitting(fairHull(hull), 'f', f, own);
          const m = placed && mountFitting(placed, SHOP, hull);
          if (!m) return false;
          if (m.cannot) return m.cannot.join('').length > 10;
          if (hold === 'rivet') {
            const stack = thick + wall;
            return m.rivet !== undefined && stack <= m.rivet.greatestGrip + 1e-6 && stack >= m.rivet.leastGrip - 1e-6;
          }
          if (!m.bolt) return hold === 'well nut' ? wall <= 12 : m.count === 0 || m.holes === 0;
          if (!m.bolt.ok) return false;
          const thread = m.thread ?? THREADS[0];
          if (hold === 'insert') {
            const bites = m.bolt.length - thick;
            return bites <= depth - 1 + 1e-6 && bites >= (thread?.diameter ?? 0) - 1e-6;
          }
          if (hold === 'screw') return m.bolt.length >= thick + wall && m.bolt.length - thick - wall < 25;
          if (hold === 'track') return LENGTHS.metric.includes(m.bolt.length as 10);
          const behind = hold === 'pulled plate' ? 0 : (thread?.washer ?? 0) + (thread?.nuts.lock ?? 0);
          const board = m.plate ? SHOP.holding.plate : 0;
          return m.bolt.length >= thick + 1 + wall + board + behind + 1.5 * (thread?.pitch ?? 0) - 1e-6;
        },
      ),
      { seed: 12, numRuns: 1500 },
    );
  });

  it('a well nut for a 10-24 takes a 3/8 in hole (common practice, no source)', () => {
    expect(workUp(inputOf({ f: fitted('pad-eye', deck(3217, 0), 'well nut') })).drilling.holes[0]?.bit.name).toBe('3/8');
  });

  it('T-bolts and screws are named with their length', () => {
    const place: Place = { on: 'insert', insert: 'ins-fore', heading: 0 };
    const placed = placeFitting(workUp(inputOf({})).surface, 'x', fitted('flag-pole', place, 'insert'), partOf('flag-pole'));
    if (!placed) return fail('not placed');
    expect(mountFitting(placed, SHOP, TOLVANE).fastener).toMatch(/^Insert screw 1\/4-20 × /);
  });
});

describe('old holes', () => {
  const found = (id: string, x: number, y: number, bit = 4.9): Fact =>
    savedFact({
      kind: 'holeFound',
      hole: id,
      label: id.toUpperCase(),
      bit,
      says: '',
      measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: x, offCentre: y, down: null },
    });
  const offersOf = (part: string, place: Place, facts: readonly Fact[]) => {
    const w = workUp(inputOf({ f: fitted(part, place, 'rivet') }, {}, facts));
    const [item] = w.aboard.owned;
    if (!item) throw new Error('not placed');
    return reuseOffers(w.surface, {
      ...{ placed: item.placed, holes: item.holes, old: w.drilling.oldHoles, within: SHOP.drilling.reuseWithin },
    });
  };

  it('are offered before new ones: a pad eye laid on two holes of its own spacing, turned to meet them', () => {
    const [best] = offersOf('pad-eye', deck(3240, 20), [found('o1', 3200, 0), found('o2', 3200, 34)]);
    expect(best?.left).toBe(0);
    expect(Math.abs((best?.place as { heading: number }).heading)).toBeCloseTo(90, 6);
    const f = { ...fitted('pad-eye', best?.place as Place, 'rivet'), uses: usesOf(best?.uses ?? {}) };
    const w = workUp(inputOf({ f }, {}, [found('o1', 3200, 0), found('o2', 3200, 34)]));
    expect(w.drilling.holes.length).toBe(2);
  });

  it('serve singly too, and not when they are too wide or plugged', () => {
    expect(offersOf('pad-eye', deck(3240, 0), [found('o1', 3200, 10)])[0]?.left).toBe(1);
    expect(offersOf('pad-eye', deck(3240, 0), [found('o1', 3200, 10, 9)])).toEqual([]);
    const one = found('o1', 3200, 10);
    const plugged = savedFact({ kind: 'holePlugged', hole: 'o1', with: 'nylon plug' });
    expect(offersOf('pad-eye', deck(3240, 0), [one, plugged])).toEqual([]);
  });

  it('used again are no new holes; slid away from, they are a finding with its way out', () => {
    const facts = [found('o1', 3200, 0), found('o2', 3234, 0)];
    const uses = { 1: facts[0]?.id ?? '', 2: facts[1]?.id ?? '' };
    const at = (x: number) => workUp(inputOf({ f: { ...fitted('pad-eye', deck(x, 0), 'rivet'), uses } }, {}, facts));
    const there = at(3217);
    expect(there.drilling.holes.every((h) => h.reused && h.drilled)).toBeTrue();
    expect(there.drilling.oldHoles).toEqual([]);
    expect(there.rounds).toEqual([]);
    expect(there.findings.map((f) => f.code)).not.toContain('reused-hole');
    const off = at(3225).findings.find((f) => f.code === 'reused-hole');
    expect(off?.severity).toBe('stop');
    expect(off?.tries(CATALOG.parts).length).toBe(1);
  });

  it('narrower than the bolt are opened up, in the round of its bit', () => {
    const facts = [found('o1', 3200, 0, 3.2), found('o2', 3234, 0, 3.2)];
    const uses = { 1: facts[0]?.id ?? '', 2: facts[1]?.id ?? '' };
    const f = { ...fitted('pad-eye', deck(3217, 0), 'rivet'), uses };
    const w = workUp(inputOf({ f }, {}, facts));
    expect(w.drilling.holes.every((h) => h.openUp)).toBeTrue();
    expect(w.rounds.map((r) => [r.work, r.holes.length])).toEqual([['final', 2]]);
    const opened = facts.map((one) => savedFact({ kind: 'holeOpened', of: one.id, bit: 4.9 }));
    expect(workUp(inputOf({ f }, {}, [...facts, ...opened])).drilling.holes.some((h) => h.openUp)).toBeFalse();
  });
});

const usesOf = (uses: Readonly<Record<string, { fact: string }>>): Record<string, string> =>
  Object.fromEntries(Object.entries(uses).map(([n, h]) => [n, h.fact]));
