import fc from 'fast-check';
import { CATALOG, FENDRICK, ORRISK, PELLIN, QUENBY, SHOP, TOLVANE } from '../../../demo/index';
import { strengthOf } from '../../checks/advice';
import { basesOf } from '../../work/handover';
import { fairHull, type HullModel } from '../../boat/hull';
import { overInserts, placeFitting, toHull } from '../../layout';
import type { Hold, Part } from '../../parts/parts';
import type { Fitting, Place } from '../../rig';
import { deck, fitted, inputOf, partOf, partWith, track } from '@plain-cleat/testing/plans';
import { workUp, type Workup } from '../../workup';
import { findThread } from './tables';
import { mountFitting, type Mounted } from './index';

const work = (fittings: Record<string, Fitting>, hull: HullModel = TOLVANE, parts: readonly Part[] = [], more = {}): Workup =>
  workUp({ ...inputOf(fittings, more, [], hull), catalog: { ...CATALOG, parts: [...CATALOG.parts, ...parts] } });
const mountedOf = (w: Workup, id: string): Mounted => {
  const item = w.aboard.owned.find((i) => i.placed.id === id);
  if (!item) throw new Error(`no ${id}`);
  return item.mounted;
};
const on = (fitting: string, u = 0, v = 0): Place => ({ on: 'fitting', fitting, u, v, heading: 0 });
const words = (m: Mounted): string => m.cannot?.join('') ?? '';

describe('studs with wing nuts', () => {
  it('are long enough for wall, lock nut, base, washer and wing nut, and say how far they stand when the part is off', () => {
    const m = mountedOf(work({ a: fitted('rod-tube-raised', deck(900, 0), 'stud') }), 'a');
    expect(m.cannot).toBeNull();
    expect([m.holes, m.count, m.hand]).toEqual([4, 4, true]);
    const thread = findThread(partOf('rod-tube-raised').holes.thread, SHOP.drilling.threads);
    if (!thread || !m.bolt?.ok) return fail('no stud');
    // Gasket 1, wall 5, base 6, and what goes over them.
    const stack = 1 + 5 + 6 + thread.washer + thread.nuts.plain + 1.6 * thread.diameter + 1.5 * thread.pitch;
    expect(m.bolt.length).toBeGreaterThanOrEqual(stack - 1e-9);
    expect(m.proud).toBeCloseTo(m.bolt.length - 6, 6);
    expect(m.fastener).toMatch(/^Stud /);
  });

  it('of a part without holes there are none', () => {
    expect(words(mountedOf(work({ a: fitted('crate-open', deck(2700, 0), 'stud') }), 'a'))).toContain('cannot be held by studs');
  });
});

describe('one base on several inserts', () => {
  const board = partOf('stern-board');
  it('lies with each hole over one, found by its own spacing, and screws into both', () => {
    const [place] = overInserts(TOLVANE, board);
    expect([place?.x, place?.y]).toEqual([3230, 0]);
    const m = mountedOf(work({ a: fitted('stern-board', place as Place, 'insert') }), 'a');
    expect([m.cannot, m.count, m.holes]).toEqual([null, 2, 0]);
    // On the Orrisk the inserts stand 120 mm apart, not 140.
    expect(overInserts(ORRISK, board)).toEqual([]);
  });

  it('a little off its screws do not start, and it says by how much', () => {
    const off = (x: number): string => words(mountedOf(work({ a: fitted('stern-board', deck(3230 + x, 0), 'insert') }), 'a'));
    expect(off(0.5)).toBe('');
    expect(off(4)).toMatch(/its holes lie .* off the factory inserts/);
  });

  it('however the inserts lie, every hole is over one of them (random pairs, turned)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 3300 }),
        fc.integer({ min: -100, max: 100 }),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
        (x, y, angle) => {
          const insert = (id: string, dx: number, dy: number) => ({
            ...{ id, name: id, x: x + dx, y: y + dy, height: 300, thread: '1/4-20', depth: 16 },
          });
          const inserts = [insert('a', 0, 0), insert('b', 140 * Math.cos(angle), 140 * Math.sin(angle))];
          const flat = { ...TOLVANE, inserts, decks: [] };
          const places = overInserts(flat, board);
          // Either way round.
          expect(places.length).toBe(2);
          for (const place of places) {
            const placed = placeFitting(fairHull({ ...TOLVANE, inserts }), 'p', fitted('stern-board', place, 'insert'), board);
            const [c, s] = [Math.cos((place.heading * Math.PI) / 180), Math.sin((place.heading * Math.PI) / 180)];
            for (const h of board.holes.at) {
              const at = { x: place.x + h.u * c + h.v * s, y: place.y - h.u * s + h.v * c };
              expect(Math.min(...inserts.map((i) => Math.hypot(i.x - at.x, i.y - at.y)))).toBeLessThan(1e-6);
            }
            expect(placed).toBeDefined();
          }
        },
      ),
      { numRuns: 100, seed: 9 },
    );
  });
});

describe('ways without a hole', () => {
  it('a rail clamp closes on rails it is made for; ties want something to go round; pads and magnets what they hold on', () => {
    const rail: Place = { on: 'rail', rail: 'rail-s', x: 2800, heading: 0 };
    expect(words(mountedOf(work({ a: fitted('base-clamp-rail', rail, 'clamp') }, QUENBY), 'a'))).toBe('');
    expect(words(mountedOf(work({ a: fitted('rack-tied', rail, 'cable tie') }, QUENBY), 'a'))).toBe('');
    expect(words(mountedOf(work({ a: fitted('rack-tied', deck(1700, 0), 'cable tie') }), 'a'))).toContain(
      'nothing here to put a tie round',
    );
    expect(words(mountedOf(work({ a: fitted('pouch-hook', deck(900, 0), 'hook and loop') }), 'a'))).toContain('polyethylene');
    expect(words(mountedOf(work({ a: fitted('pouch-hook', deck(1000, 0), 'hook and loop') }, PELLIN), 'a'))).toBe('');
    expect(words(mountedOf(work({ a: fitted('magnet-tray', deck(900, 0), 'magnet') }), 'a'))).toContain('no steel under it');
    const disc = { d: fitted('steel-disc', deck(900, 0), 'rivet'), a: fitted('magnet-tray', on('d'), 'magnet') };
    expect(words(mountedOf(work(disc), 'a'))).toBe('');
  });

  it('bear what is said of them: two ties 222 N each, hook-and-loop a hundredth of a newton a square millimetre, a magnet less sideways', () => {
    const pulled = (id: string, place: Place, hold: Hold, load: Part['holding']['load'], hull = QUENBY, others = {}): number => {
      const part = { ...partWith(partOf(id), { holding: { load } }), id: `${id}-x` };
      const w = work({ ...others, a: fitted(part.id, place, hold) }, hull, [part]);
      const item = w.aboard.owned.find((i) => i.placed.id === 'a');
      return item ? (strengthOf(w.surface, item.placed, item.mounted, SHOP)?.factor ?? NaN) : NaN;
    };
    const out = { newtons: 50, lever: 0, toward: 'out' } as const;
    const rail: Place = { on: 'rail', rail: 'rail-s', x: 2800, heading: 0 };
    // Shock 2: 100 N.
    expect(pulled('rack-tied', rail, 'cable tie', out)).toBeCloseTo(222 / 100, 6);
    expect(pulled('pouch-hook', deck(1000, 0), 'hook and loop', out, PELLIN)).toBeCloseTo((0.01 * 200 * 140) / 100, 6);
    const disc = { d: fitted('steel-disc', deck(700, 0), 'rivet') };
    expect(pulled('magnet-tray', on('d'), 'magnet', out, TOLVANE, disc)).toBeCloseTo(180 / 100, 6);
    const side = { newtons: 50, lever: 0, toward: 'side' } as const;
    expect(pulled('magnet-tray', on('d'), 'magnet', side, TOLVANE, disc)).toBeCloseTo((180 * 0.2) / 100, 6);
  });

  it('nothing that is held so makes a hole, on any hull (property)', () => {
    const held = CATALOG.parts.flatMap((p) =>
      p.holding.ways.filter((h) => ['cable tie', 'hook and loop', 'magnet', 'clamp'].includes(h)).map((h) => [p, h] as const),
    );
    for (const [part, hold] of held)
      for (const hull of [TOLVANE, PELLIN, QUENBY]) {
        const placed = placeFitting(fairHull(hull), 'p', fitted(part.id, deck(900, 0), hold), part);
        expect(placed && mountFitting(placed, SHOP, hull).holes).toBe(0);
      }
  });
});

describe('bases and tops', () => {
  const sets = { day: { name: 'day', order: 1 }, night: { name: 'night', order: 2 } };
  const one = {
    base: fitted('pipe-socket', deck(900, 0), 'rivet'),
    rod: fitted('pipe-rod-tube', on('base'), 'loose', { sets: ['day'] }),
    light: fitted('pipe-light', on('base'), 'loose', { sets: ['night'] }),
    stud: fitted('rod-tube-raised', deck(3230, 0), 'stud'),
  };

  it('bases are counted by place, tops by use, with what stays standing', () => {
    const w = work(one, TOLVANE, [], { sets });
    const [socket, studs] = basesOf(w.aboard.stands);
    expect(socket?.tops.map((t) => [t.name, t.sets]).sort()).toEqual([
      ['Rod tube on a pipe', ['day']],
      ['White light on a pipe', ['night']],
    ]);
    expect(socket?.stands).toBe(45);
    expect(studs?.name).toBe('studs');
    expect(studs?.stands).toBeGreaterThan(20);
    // The base is drilled and paid for once, whatever goes on it.
    expect(w.drilling.holes.filter((h) => h.fitting === 'base').length).toBe(4);
    expect(w.findings.some((f) => f.code === 'overlap' && ['rod', 'light'].includes(f.where))).toBeFalse();
  });
});

describe('a second hold', () => {
  const found = (fittings: Record<string, Fitting>, parts: readonly Part[] = []): string[] =>
    work(fittings, FENDRICK, parts).findings.flatMap((f) => (f.code === 'second-hold' ? [f.where] : []));
  const chain = (more: Partial<Fitting> = {}) => ({
    b: fitted('base-deck-25', deck(1000, 0), 'rivet'),
    s: fitted('floating-screen', on('b'), 'loose', more),
  });
  const screen = (priceCents: number): Part => ({
    ...partWith(partOf('head-screen-5'), {
      use: { afloat: 'floats' },
      sold: { priceCents },
      joins: { foot: { kind: 'ball', size: '25 mm' }, heads: [] },
    }),
    id: 'floating-screen',
  });

  it('is asked of what is dear on a joint, to the cent, and not of what is tied or has a float', () => {
    const { dearCents } = SHOP.limits;
    expect(found(chain(), [screen(dearCents)])).toEqual(['s']);
    expect(found(chain(), [screen(dearCents - 1)])).toEqual([]);
    expect(found(chain({ tether: { to: 'b', length: 400 } }), [screen(dearCents)])).toEqual([]);
    expect(found(chain({ float: true }), [screen(dearCents)])).toEqual([]);
  });

  it('is asked of whatever a magnet holds', () => {
    const tray = { d: fitted('steel-disc', deck(1000, 0), 'rivet'), t: fitted('magnet-tray', on('d'), 'magnet') };
    expect(found(tray)).toEqual(['t']);
  });

  it('is not asked of what is bolted down', () => {
    expect(found({ a: fitted('sounder-arm-7', track('fwd-port', 1400), 'track') })).toEqual([]);
  });
});

describe('where a point of a base is', () => {
  it('agrees with the frame it stands in', () => {
    const placed = placeFitting(
      fairHull(TOLVANE),
      'p',
      fitted('stern-board', deck(3230, 0, 90), 'insert'),
      partOf('stern-board'),
    );
    if (!placed) return fail('not placed');
    const at = toHull(placed.frame, 0, 70, 0);
    // Turned a quarter to port, what was to starboard is aft.
    expect([Math.round(at.x), Math.round(at.y)]).toEqual([3300, 0]);
  });
});
