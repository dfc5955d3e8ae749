import fc from 'fast-check';
import highsLoader from 'highs';
import { fairHull } from '../../boat/hull';
import { placeFitting, type Placed } from '../../layout';
import type { Strap } from '../../rig';
import { USUAL_SHOP } from '../../parts/shop';
import { BOX_HOLD, BOX_HULL } from '@plain-cleat/testing/box-hull';
import { deck, fitted, partOf, partWith } from '@plain-cleat/testing/plans';
import type { Point } from '../../base/units';
import { hullTie } from './tie-points';
import type { Direction } from './held';
import { heldBy, lash, type Lashing, type Load, strapsOf, tiePointsOf, type TiePoint } from './index';
import { runs } from '../../../testing/runs';

const G = 9.80665;
const { limits } = USUAL_SHOP;
const SHOCK = 2;
const HULL = fairHull(BOX_HULL);

/** A block so long, broad and high in the hold of a hull like a box, its middle over x and y, turned. */
function block(size: readonly [number, number, number], at: { x: number; y: number; heading?: number }): Placed {
  const [l, b, h] = size;
  const part = partWith(partOf('tackle-box'), {
    body: { solids: [{ name: 'block', u: [-l / 2, l / 2], v: [-b / 2, b / 2], w: [0, h] }] },
  });
  const place = { on: 'space' as const, space: BOX_HOLD.id, x: at.x, y: at.y, heading: at.heading ?? 0 };
  const placed = placeFitting(HULL, 'b', fitted('tackle-box', place, 'strap'), part);
  if (!placed) throw new Error('no such room');
  return placed;
}
const loadOf = (p: Placed, kg: number): Load => ({ kg, at: p.bodies[0]?.box?.middle as Point });
const tie = (id: string, x: number, y: number, z: number): TiePoint => ({
  key: hullTie(id),
  name: id,
  letter: '',
  fitting: null,
  at: { x, y, z },
  room: BOX_HOLD.id,
  lead: { as: 'eye', takes: 8, over: 8 },
});
const lashings = (p: Placed, straps: readonly Strap[], ties: readonly TiePoint[]): Lashing[] =>
  straps.map((s) => lash(p, s, ties)).filter((l): l is Lashing => typeof l === 'object');
const bears = (
  p: Placed,
  kg: number,
  straps: readonly Strap[] = [],
  ties: readonly TiePoint[] = [],
  own = limits,
): Record<Direction, number> =>
  Object.fromEntries(
    heldBy({ placed: p, load: loadOf(p, kg), lashings: lashings(p, straps, ties), stops: [] }, own, SHOCK).map((h) => [
      h.way,
      h.bears,
    ]),
  ) as Record<Direction, number>;
const rad = (d: number): number => (d * Math.PI) / 180;

describe('a thing that nothing holds', () => {
  it('rubs as far as Coulomb has it: μ cos φ over the shock times sin φ, and nothing holds it up', () => {
    const h = bears(block([300, 300, 60], { x: 1500, y: 0 }), 8);
    const rubs = (tilt: number): number => (limits.slip * Math.cos(rad(tilt))) / (SHOCK * Math.sin(rad(tilt)));
    expect(h.forward).toBeCloseTo(rubs(limits.pitch), 6);
    expect(h.aft).toBeCloseTo(rubs(limits.pitch), 6);
    expect(h['to port']).toBeCloseTo(rubs(limits.heel), 6);
    expect(h.up).toBeCloseTo(0, 9);
  });

  it('tips when its weight leaves its base: b over h of a hand-worked block, whatever it weighs', () => {
    // Rough enough to tip before it slides: 100 broad, 400 high.
    const rough = { ...limits, slip: 1.5 };
    for (const kg of [2, 40]) {
      const h = bears(block([300, 100, 400], { x: 1500, y: 0 }), kg, [], [], rough);
      expect(h['to port']).toBeCloseTo(((100 / 400) * Math.cos(rad(limits.heel))) / (SHOCK * Math.sin(rad(limits.heel))), 5);
    }
  });

  it('turned 30° rubs no more than the pyramid inside the cone lets it', () => {
    const h = bears(block([300, 300, 60], { x: 1500, y: 0, heading: 30 }), 8);
    const straight = (limits.slip * Math.cos(rad(limits.pitch))) / (SHOCK * Math.sin(rad(limits.pitch)));
    expect(h.forward).toBeCloseTo(straight / (Math.cos(rad(30)) + Math.sin(rad(30))), 5);
  });
});

describe('straps', () => {
  it('over a thing hold it down with as much as its ties hold, both sides of it alike', () => {
    const p = block([300, 200, 150], { x: 1500, y: 0 });
    const { z } = loadOf(p, 1).at;
    const foot = z - 75;
    // Straight down beside it: the angle is a right one, and the lift is borne by twice what a tie holds.
    const ties = [tie('p', 1500, -100, foot - 40), tie('s', 1500, 100, foot - 40)];
    const h = bears(p, 30, [{ from: 'hull.p', to: 'hull.s' }], ties);
    expect(h.up).toBeCloseTo((2 * limits.tieHolds) / (SHOCK * 30 * G), 5);
    // Sideways it stretches neither side: pressed down by hand it only rubs more.
    const press = 2 * limits.handTight + 30 * G * Math.cos(rad(limits.heel));
    expect(h['to port']).toBeCloseTo((limits.slip * press) / (SHOCK * 30 * G * Math.sin(rad(limits.heel))), 4);
  });

  it('lean: the steeper the better against lift, by the sine of their angle', () => {
    const p = block([300, 200, 150], { x: 1500, y: 0 });
    const top = loadOf(p, 1).at.z + 75;
    const ties = [tie('p', 1500, -100 - 200, top - 150), tie('s', 1500, 100 + 200, top - 150)];
    const h = bears(p, 30, [{ from: 'hull.p', to: 'hull.s' }], ties);
    expect(h.up).toBeCloseTo((2 * limits.tieHolds * (150 / 250)) / (SHOCK * 30 * G), 5);
  });

  it('hooked to the thing itself pull against what would stretch them, and not the other way', () => {
    const p = block([300, 200, 150], { x: 1500, y: 0 });
    const at = loadOf(p, 1).at;
    const own: TiePoint = { ...tie('own', at.x - 150, 0, at.z), key: 'b.own', fitting: 'b' };
    const ties = [own, tie('fore', at.x - 500, 0, at.z)];
    const h = bears(p, 30, [{ from: 'hull.fore', to: 'b.own' }], ties);
    const rubs = limits.slip * Math.cos(rad(limits.pitch)) * 30 * G;
    const asked = SHOCK * Math.sin(rad(limits.pitch)) * 30 * G;
    expect(h.aft).toBeCloseTo((rubs + limits.tieHolds) / asked, 4);
    expect(h.forward).toBeCloseTo(rubs / asked, 4);
  });

  it('that pass beside the thing, hang on nothing, or are on the thing alone, hold nothing and say why', () => {
    const p = block([300, 200, 150], { x: 1500, y: 0 });
    const ties = [tie('p', 1651, -300, 90), tie('s', 1651, 300, 90), { ...tie('a', 1500, 0, 90), key: 'b.a', fitting: 'b' }];
    expect(lash(p, { from: 'hull.p', to: 'hull.s' }, ties)).toBe('it passes beside the thing');
    expect(lash(p, { from: 'hull.p', to: 'hull.q' }, ties)).toContain('not aboard');
    expect(lash(p, { from: 'b.a', to: 'b.a' }, ties)).toContain('on the thing itself');
    // Just on it: 149 mm aft of its middle.
    const on = [tie('p', 1649, -300, 90), tie('s', 1649, 300, 90)];
    expect(typeof lash(p, { from: 'hull.p', to: 'hull.s' }, on)).toBe('object');
  });

  it('are as long as they lie: up one side, over, and down the other', () => {
    const p = block([300, 200, 150], { x: 1500, y: 0 });
    const top = loadOf(p, 1).at.z + 75;
    const l = lash(p, { from: 'hull.p', to: 'hull.s' }, [tie('p', 1500, -180, top - 60), tie('s', 1500, 130, top - 40)]);
    expect(typeof l === 'object' && l.length).toBeCloseTo(100 + 200 + 50, 6);
  });
});

describe('tie points', () => {
  it('are of the hull and of what stands aboard; not of what is worn or left unused', () => {
    const part = { ...partOf('pad-eye'), ties: [{ id: 'eye', name: 'eye', u: 0, v: 0, w: 12 }] };
    const items = ['a', 'b', 'c'].map((id, i) => {
      const f = {
        ...fitted('pad-eye', deck(900 + 100 * i), 'rivet'),
        ...(id === 'c' ? { becomes: { is: 'left' as const } } : {}),
      };
      return { placed: placeFitting(HULL, id, f, part) as Placed, letter: id.toUpperCase() };
    });
    const seen = new Map([['b', { is: 'worn' }]]) as never;
    expect(tiePointsOf(HULL, items, { seen }).map((t) => t.key)).toEqual(['a.eye']);
    const fit = fairHull({ ...BOX_HULL, ties: [{ id: 'ring', name: 'ring', x: 800, y: 0, z: 300 }] });
    expect(tiePointsOf(fit, items, { seen }).map((t) => [t.key, t.room])).toEqual([
      ['hull.ring', null],
      ['a.eye', null],
    ]);
  });

  it('nearest either side take the strap of what was not given any', () => {
    const p = block([300, 200, 150], { x: 1500, y: 0 });
    const ties = [tie('far', 1500, -500, 90), tie('p', 1520, -200, 90), tie('s', 1480, 200, 90), tie('beside', 1300, -150, 90)];
    expect(strapsOf(p, BOX_HOLD.id, ties)).toEqual([{ from: 'hull.p', to: 'hull.s' }]);
    expect(strapsOf(p, null, ties)).toEqual([]);
  });
});

describe('the balance of straps, floor and load', () => {
  /** The same balance written out anew as a program in the text that another solver reads. */
  function asText(p: Placed, kg: number, ls: readonly Lashing[], way: Direction): string {
    const tilt = way === 'up' ? Math.PI : rad(way === 'forward' || way === 'aft' ? limits.pitch : limits.heel);
    const dir = { up: [0, 0, 1], forward: [-1, 0, 0], aft: [1, 0, 0], 'to port': [0, -1, 0], 'to starboard': [0, 1, 0] }[way];
    const asked = way === 'up' ? SHOCK : SHOCK * Math.sin(tilt);
    const rest = way === 'up' ? 0 : Math.cos(tilt);
    const c = loadOf(p, kg).at;
    const rows: string[][] = [[], [], [], [], [], []];
    const bounds: string[] = [];
    const rubs: string[] = [];
    const add = (name: string, at: Point, f: readonly number[]): void => {
      const [x, y, z] = [at.x - c.x, at.y - c.y, at.z - c.z].map((v) => v / 1000) as [number, number, number];
      const [a, b, d] = f as [number, number, number];
      [a, b, d, y * d - z * b, z * a - x * d, x * b - y * a].forEach((v, i) =>
        rows[i]?.push(`${v < 0 ? '-' : '+'} ${Math.abs(v).toFixed(12)} ${name}`),
      );
    };
    add(
      't',
      c,
      (dir as number[]).map((v) => v * asked * kg * G),
    );
    ls.forEach((l, i) => {
      const total = l.pulls.map((q) => [q.along.x, q.along.y, q.along.z]);
      const stretch = -total.reduce((s, q) => s + q.reduce((n, v, k) => n + v * ((dir as number[])[k] ?? 0), 0), 0);
      bounds.push(`0 <= s${i} <= ${stretch > 0.2 ? limits.tieHolds : limits.handTight}`);
      l.pulls.forEach((q, k) => add(`s${i}k${k}`, q.at, total[k] as number[]));
      // Both legs pull alike.
      l.pulls.forEach((_, k) => rubs.push(`e${i}k${k}: s${i}k${k} - s${i} = 0`));
    });
    const { u, v } = p.frame;
    const [sol] = p.part.body.solids as unknown as [{ u: [number, number]; v: [number, number] }];
    const foot = p.bodies[0]?.bottom ?? 0;
    [0, 1, 2, 3].forEach((n) => {
      const [a, b] = [sol.u[n & 1] ?? 0, sol.v[n >> 1] ?? 0];
      const at = { x: p.frame.origin.x + a * u.x + b * v.x, y: p.frame.origin.y + a * u.y + b * v.y, z: foot };
      add(`n${n}`, at, [0, 0, 1]);
      for (const [name, axis] of [
        ['u', u],
        ['v', v],
      ] as const)
        for (const sign of [1, -1]) add(`f${n}${name}${sign > 0 ? 'a' : 'b'}`, at, [sign * axis.x, sign * axis.y, sign * axis.z]);
      rubs.push(`r${n}: f${n}ua + f${n}ub + f${n}va + f${n}vb - ${limits.slip} n${n} <= 0`);
    });
    const rhs = [0, 0, rest * kg * G, 0, 0, 0];
    return `Maximize\n obj: t\nSubject To\n${rows.map((r, i) => ` c${i}: ${r.join(' ')} = ${rhs[i]}`).join('\n')}\n ${rubs.join('\n ')}\nBounds\n ${['t <= 10', ...bounds].join('\n ')}\nEnd`;
  }

  it('is what another exact solver finds of it, for blocks of any size, turned any way, under any straps', async () => {
    const highs = await highsLoader();
    const mm = (least: number, most: number) => fc.integer({ min: least, max: most });
    const cases = fc.record({
      size: fc.tuple(mm(80, 400), mm(80, 300), mm(60, 240)),
      y: mm(-60, 60),
      heading: mm(-90, 90),
      kg: mm(1, 60),
      ties: fc.array(fc.tuple(mm(1150, 1850), mm(-280, 280), mm(20, 200)), { minLength: 2, maxLength: 5 }),
      way: fc.constantFrom<Direction[]>('up', 'forward', 'aft', 'to port', 'to starboard'),
    });
    let strapped = 0;
    fc.assert(
      fc.property(cases, ({ size, y, heading, kg, ties: at, way }) => {
        const p = block(size, { x: 1500, y, heading });
        const ties = at.map(([x, b, z], i) => tie(`t${i}`, x, b, z));
        const straps = ties.slice(1).map((t, i) => ({ from: ties[i]?.key ?? '', to: t.key }));
        const ls = lashings(p, straps, ties);
        strapped += ls.length;
        const mine = bears(p, kg, straps, ties)[way];
        const { Status, ObjectiveValue } = highs.solve(asText(p, kg, ls, way));
        expect(Status).toBe('Optimal');
        expect(mine)
          .withContext(`${way} ${JSON.stringify({ size, y, heading, kg, at })}`)
          .toBeCloseTo(ObjectiveValue, 3);
      }),
      { seed: 1466, numRuns: runs(300) },
    );
    expect(strapped).toBeGreaterThan(runs(100, 20));
  });

  it('is never less for one strap more', () => {
    fc.assert(
      fc.property(fc.integer({ min: -80, max: 80 }), fc.integer({ min: -90, max: 90 }), (y, heading) => {
        const p = block([260, 180, 160], { x: 1500, y, heading });
        const ties = [tie('a', 1430, -260, 60), tie('b', 1440, 260, 60), tie('c', 1570, -250, 60), tie('d', 1580, 250, 60)];
        const one = bears(p, 20, [{ from: 'hull.a', to: 'hull.b' }], ties);
        const two = bears(
          p,
          20,
          [
            { from: 'hull.a', to: 'hull.b' },
            { from: 'hull.c', to: 'hull.d' },
          ],
          ties,
        );
        for (const way of Object.keys(one) as Direction[]) expect(two[way]).toBeGreaterThanOrEqual(one[way] - 1e-6);
      }),
      { seed: 7, numRuns: runs(60) },
    );
  });
});
