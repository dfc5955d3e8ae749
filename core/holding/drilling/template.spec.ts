import fc from 'fast-check';
import { SHOP, TOLVANE } from '../../../demo/index';
import { deckPatch, fairHull, type Patch } from '../../boat/hull';
import { deck, fitted, inputOf, savedFact, partOf } from '@plain-cleat/testing/plans';
import type { Fact, Place } from '../../rig';
import { distance, type Point } from '../../base/units';
import { workUp, type Workup } from '../../workup';
import { flatteningOf } from './paper';
import { OVERLAP } from './tiles';
import { FRAME, onTile, PAPER_SIZES, templatesOf, tilesOf, type Template } from './index';

const hull = fairHull(TOLVANE);
const side = (which: 'port' | 'starboard', x: number, down: number): Place => ({ on: 'side', side: which, x, down });
const sheets = (w: Workup, shop = SHOP.drilling): Template[] =>
  w.aboard.owned.flatMap((i) => templatesOf(w.surface, i, { datum: 'bow', run: 'taut' }, shop, w.ledger));
const of = (part: string, place: Place, facts: readonly Fact[] = []): Workup =>
  workUp(inputOf({ f: fitted(part, place, 'through') }, {}, facts));
const onPaper = (t: Template, label: string): { x: number; y: number } => {
  const found = t.holes.find((h) => h.label === label);
  if (!found) throw new Error(`no ${label}`);
  return found;
};

describe('the flattening of a sheet', () => {
  const R = 400;
  const unit = (p: Point): Point => {
    const l = Math.hypot(p.x, p.y, p.z);
    return { x: p.x / l, y: p.y / l, z: p.z / l };
  };
  const sphere: Patch = {
    name: 'sphere',
    off: (p) => Math.hypot(p.x, p.y, p.z) - R,
    onto: (p) => {
      const u = unit(p);
      return { x: R * u.x, y: R * u.y, z: R * u.z };
    },
    normal: unit,
  };
  const cylinder: Patch = {
    name: 'cylinder',
    off: (p) => Math.hypot(p.y, p.z) - R,
    onto: (p) => ({ x: p.x, y: (p.y * R) / Math.hypot(p.y, p.z), z: (p.z * R) / Math.hypot(p.y, p.z) }),
    normal: (p) => unit({ x: 0, y: p.y, z: p.z }),
  };

  it('is nought on a cylinder', () => {
    const spots = [
      [0, 0],
      [120, 40],
      [-60, 150],
      [30, -90],
    ] as const;
    const points = spots.map(([x, round]) => ({
      at: { x, y: R * Math.sin(round / R), z: R * Math.cos(round / R) },
      paper: { x, y: round },
    }));
    expect(flatteningOf(cylinder, points)).toBeLessThan(0.01);
  });

  it('on a sphere it is what spherical trigonometry says', () => {
    // Two points 100 mm from the middle, a quarter turn apart: 100·√2 on paper, R·acos(cos² θ) on the sphere.
    const far = 100;
    const t = far / R;
    const at = (turn: number): Point => ({
      x: R * Math.sin(t) * Math.cos(turn),
      y: R * Math.sin(t) * Math.sin(turn),
      z: R * Math.cos(t),
    });
    const points = [0, Math.PI / 2].map((turn) => ({
      at: at(turn),
      paper: { x: far * Math.cos(turn), y: far * Math.sin(turn) },
    }));
    const expected = far * Math.SQRT2 - R * Math.acos(Math.cos(t) ** 2);
    expect(expected).toBeGreaterThan(0.5);
    expect(flatteningOf(sphere, points)).toBeCloseTo(expected, 2);
  });
});

describe('a template', () => {
  it('on a deck keeps the pattern of the part, true to a hundredth', () => {
    const [t] = sheets(of('net-socket', deck(2800, 150)));
    if (!t) return fail('no template');
    const {
      holes: { at: holes },
    } = partOf('net-socket');
    const apart = (a: { x: number; y: number }, b: { x: number; y: number }): number => Math.hypot(a.x - b.x, a.y - b.y);
    const paper = t.holes.flatMap((a, i) => t.holes.slice(i + 1).map((b) => apart(a, b))).sort();
    const made = holes.flatMap((a, i) => holes.slice(i + 1).map((b) => Math.hypot(a.u - b.u, a.v - b.v))).sort();
    paper.forEach((d, i) => expect(d).toBeCloseTo(made[i] ?? NaN, 2));
    expect(t.flattening).toBeLessThan(0.01);
    expect([t.bow, t.side, t.parts]).toEqual(['left', 'starboard', 1]);
  });

  it('is seen from above on deck: aft to the right, starboard up', () => {
    const [t] = sheets(of('pad-eye', deck(2700, 100, 0)));
    if (!t) return fail('no template');
    expect(onPaper(t, 'A1').x).toBeLessThan(onPaper(t, 'A2').x);
    const [turned] = sheets(of('pad-eye', deck(2700, 100, 90)));
    if (!turned) return fail('no template');
    expect(Math.abs(onPaper(turned, 'A1').y - onPaper(turned, 'A2').y)).toBeGreaterThan(20);
  });

  it('port and starboard are mirrored, gunwale up, and say where the bow is', () => {
    const [port] = sheets(of('pad-eye', side('port', 1400, 80)));
    const [star] = sheets(of('pad-eye', side('starboard', 1400, 80)));
    if (!port || !star) return fail('no template');
    expect([port.bow, star.bow]).toEqual(['left', 'right']);
    for (const label of ['A1', 'A2']) {
      expect(onPaper(port, label).x).toBeCloseTo(-onPaper(star, label).x, 6);
      expect(onPaper(port, label).y).toBeCloseTo(onPaper(star, label).y, 6);
    }
    const edge = port.lines.find((l) => l.kind === 'gunwale edge');
    expect(edge?.points.every((p) => p.y > 40)).toBeTrue();
    // The tape's line starts at the edge, where its reading is marked.
    const tape = port.lines.find((l) => l.kind === 'tape line')?.points[0];
    expect(Math.min(...(edge?.points ?? []).map((p) => Math.hypot(p.x - (tape?.x ?? 0), p.y - (tape?.y ?? 0))))).toBeLessThan(
      0.5,
    );
    // What is printed beside a hole is what a tape down the side reads on the sheet.
    const hole = port.holes[0];
    const over = edge?.points.map((p) => Math.hypot(p.x - (hole?.x ?? 0), p.y - (hole?.y ?? 0))) ?? [];
    expect(Math.min(...over)).toBeCloseTo(hole?.edge ?? NaN, 0);
  });

  it('a far edge is left out and a line at a measured depth stands in', () => {
    const [t] = sheets(of('pad-eye', side('port', 1400, 160)));
    const line = t?.lines.find((l) => l.kind === 'down');
    expect(line?.at).toBeGreaterThan(160);
    expect(t?.lines.some((l) => l.kind === 'gunwale edge')).toBeFalse();
  });

  it('says what the tape reads where its line runs, and shows the centre line when near', () => {
    const w = of('jam-cleat', deck(3200, 0));
    const [t] = sheets(w);
    const line = t?.lines.find((l) => l.kind === 'tape line');
    const [a, b] = w.drilling.holes;
    expect(line?.at).toBeCloseTo(((a?.reading ?? 0) + (b?.reading ?? 0)) / 2, 1);
    const centre = t?.lines.find((l) => l.kind === 'centre line');
    expect(centre?.points.every((p) => Math.abs(p.y - (centre.points[0]?.y ?? 0)) < 1e-6)).toBeTrue();
  });

  it('is split when it cannot lie flat within what the shop allows', () => {
    const w = of('bungee-deck', deck(720, 0));
    const strict = { ...SHOP.drilling, flatWithin: 0.0001 };
    expect(sheets(w).length).toBe(1);
    const wide = workUp(inputOf({ f: fitted('bungee-deck', side('starboard', 700, 90), 'through') }));
    const split = sheets(wide, strict);
    expect(split.length).toBeGreaterThan(1);
    expect(split.flatMap((t) => t.holes.map((h) => h.label)).sort()).toEqual(wide.drilling.holes.map((h) => h.label).sort());
    for (const t of split) expect([t.parts, t.flattening <= 0.0001]).toEqual([split.length, true]);
  });

  it('shows old holes under it, and where a hole really went', () => {
    const found = savedFact({
      kind: 'holeFound',
      hole: 'old.1',
      label: 'F1',
      bit: 6,
      says: 'found',
      measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: 2700, offCentre: 110, down: null },
    });
    const planned = of('pad-eye', deck(2700, 100));
    const hole = planned.drilling.holes[0];
    const away = savedFact({
      kind: 'holeDrilled',
      hole: hole?.id,
      label: 'A1',
      bit: 5,
      elsewhere: true,
      measured: { hullRevision: 1, datum: 'bow', run: 'centre', reading: (hole?.at.x ?? 0) - 4, offCentre: 100, down: null },
    });
    const [t] = sheets(of('pad-eye', deck(2700, 100), [found, away]));
    expect(t?.scars.map((s) => s.label)).toEqual(['F1']);
    expect(t?.holes.map((h) => h.drilled)).toEqual([true, false]);
    const apart = Math.abs((t?.holes[0]?.x ?? 0) - (t?.holes[1]?.x ?? 0));
    expect(apart).toBeCloseTo(Math.abs((planned.drilling.holes[1]?.at.x ?? 0) - (hole?.at.x ?? 0)) + 4, 1);
  });

  it('property: on either side, anywhere along the boat, distances on paper are those over the hull', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 3100 }),
        fc.integer({ min: 40, max: 140 }),
        fc.constantFrom('port' as const, 'starboard' as const),
        (x, down, which) => {
          const w = of('jam-cleat', side(which, x, down));
          return sheets(w).every((t) => t.flattening <= SHOP.drilling.flatWithin && Math.abs(t.box.left) < 400);
        },
      ),
      { seed: 4, numRuns: 40 },
    );
  });

  it('none for what drills nothing', () => {
    expect(sheets(workUp(inputOf({ b: fitted('crate-open', deck(2700, 0), 'loose') })))).toEqual([]);
    expect(deckPatch(hull, 2700, 0).name).toBe('tank well');
  });
});

describe('tiles', () => {
  it('one sheet when it fits, in the middle of it', () => {
    for (const paper of ['A4', 'LETTER'] as const) {
      const { tiles, marks } = tilesOf({ left: -50, right: 50, low: -60, high: 60 }, paper);
      expect([tiles.length, marks.length]).toEqual([1, 0]);
      const w = tiles[0]?.window;
      expect((w?.left ?? 0) + (w?.right ?? 0)).toBeCloseTo(0, 9);
    }
  });

  it('property: cover the whole drawing, neighbours share their strip, each mark is on every sheet that shares it', () => {
    const size = fc.integer({ min: 40, max: 1200 });
    fc.assert(
      fc.property(size, size, fc.constantFrom('A4' as const, 'LETTER' as const), (w, h, paper) => {
        const box = { left: 10, right: 10 + w, low: -5, high: h - 5 };
        const { tiles, marks, rows, columns } = tilesOf(box, paper);
        const windowWide = PAPER_SIZES[paper].wide - 2 * FRAME.side;
        const covers = [box.left, 10 + w / 2, box.right].every((x) =>
          [box.low, h / 2, box.high].every((y) => tiles.some((t) => onTile(t, { x, y }))),
        );
        const shared = tiles.every((t) => {
          const right = tiles.find((o) => o.row === t.row && o.column === t.column + 1);
          return !right || Math.abs(t.window.right - right.window.left - OVERLAP) < 1e-9;
        });
        const twice = marks.every((m) => tiles.filter((t) => onTile(t, m, 4)).length >= 2);
        const wide = tiles.every((t) => Math.abs(t.window.right - t.window.left - windowWide) < 1e-9);
        return covers && shared && twice && wide && tiles.length === rows * columns;
      }),
      { seed: 12, numRuns: 200 },
    );
  });
});

describe('holes on paper and on the boat', () => {
  it('a straight distance is never longer than the one on paper by more than the flattening', () => {
    const w = of('net-socket', side('port', 900, 70));
    const [t] = sheets(w);
    if (!t) return fail('no template');
    t.holes.forEach((a, i) => {
      for (const b of t.holes.slice(i + 1)) {
        const [p, q] = [w.drilling.holes.find((h) => h.id === a.id)?.at, w.drilling.holes.find((h) => h.id === b.id)?.at];
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(distance(p as Point, q as Point) - t.flattening - 0.01);
      }
    });
  });
});

describe('a fitting with another place in a set', () => {
  it('has a sheet for each place, its base only at its own', () => {
    const w = workUp(
      inputOf(
        { f: fitted('pad-eye', deck(2700, 100), 'through', { elsewhere: { troll: deck(2760, 100) } }) },
        { sets: { day: { name: 'day', order: 1 }, troll: { name: 'troll', order: 2 } } },
      ),
    );
    const both = sheets(w);
    expect(both.map((t) => [t.holes.map((h) => h.label).join(), t.lines.some((l) => l.kind === 'base')])).toEqual([
      ['A1,A2', true],
      ['A3,A4', false],
    ]);
    for (const t of both) expect(t.box.right - t.box.left).toBeLessThan(200);
  });
});
