import { BRACKWEN, CATALOG, ORRISK, QUENBY, TOLVANE } from '../../../demo/index';
import { fairHull, type HullModel } from '../../boat/hull';
import { boxOverlap, placeFitting, sweptBy, sweptByHull, turned, type PosedBox } from '../../layout';
import type { Fitting, Place } from '../../rig';
import { deck, fitted, inputOf, partOf, track } from '@plain-cleat/testing/plans';
import { workUp } from '../../workup';

const codes = (part: string, place: Place, hold: Fitting['mount']['hold'] = 'loose', hull: HullModel = TOLVANE): string[] =>
  workUp(inputOf({ a: fitted(part, place, hold) }, {}, [], hull)).findings.flatMap((f) => (f.where === 'a' ? [f.code] : []));

describe('a base and what it lies on', () => {
  const well: HullModel = {
    ...TOLVANE,
    hatches: [],
    scuppers: [],
    decks: TOLVANE.decks.map((d) => (d.id === 'tank-well' ? { ...d, port: -175, starboard: 175 } : d)),
  };
  it('a 406 × 330 crate fits a 350 well square, not turned 30°, and not 20 mm to the side', () => {
    expect(codes('crate-open', deck(2760, 0), 'loose', well)).not.toContain('fits-its-place');
    expect(codes('crate-open', deck(2760, 0, 30), 'loose', well)).toContain('fits-its-place');
    expect(codes('crate-open', deck(2760, 20), 'loose', well)).toContain('fits-its-place');
  });

  it('across a deck step, on a lid, across its rim', () => {
    expect(codes('crate-open', deck(1180, 0))).toContain('across-a-step');
    expect(codes('paddle-main', deck(1150, 0))).toContain('across-a-step');
    expect(codes('battery-18', deck(600, 0))).toContain('on-a-lid');
    expect(codes('battery-18', deck(880, 0))).toContain('across-a-lid');
    expect(codes('battery-18', deck(1860, 0))).toContain('across-a-step');
  });

  it('wider than its base, it reaches into what lies higher: a net aft into the bulkhead, not turned forward, not raised over it', () => {
    const net = (heading: number, lift = 0) =>
      workUp(inputOf({ a: { ...fitted('net-folding', deck(2010, 190, heading), 'loose'), lift } })).findings.find(
        (f) => f.code === 'into-the-deck',
      );
    // Its handle lies at 190 to 230 from the seat base to x 2570. The cockpit ends at 2330, the well begins at 2440, and
    // between them stands the hull as high as the gunwale: to clear it the handle comes up to that.
    const surface = fairHull(TOLVANE);
    expect(net(0)?.severity).toBe('stop');
    expect(net(0)?.measure?.amount).toBeGreaterThan(surface.gunwale(2440) - 190 - 3);
    expect(net(0)?.measure?.amount).toBeLessThan(surface.gunwale(2330) - 190 + 3);
    expect(net(180)).toBeUndefined();
    expect(net(0, 130)).toBeUndefined();
    expect(net(0, surface.gunwale(2385) - 190 - 12)).toBeDefined();
  });

  it('over a console that stands under its middle, clear all round: by what it lacks in height', () => {
    const at = { id: 'console', name: 'console', kind: 'plate', wall: 5, rise: 0 } as const;
    const over = (height: number) => {
      const console = { ...at, fore: 1690, aft: 1720, port: 176, starboard: 204, height };
      const a = fitted('net-folding', deck(2010, 190, 180), 'loose');
      const hull: HullModel = { ...TOLVANE, decks: [...TOLVANE.decks, console] };
      return workUp(inputOf({ a }, {}, [], hull)).findings.find((f) => f.code === 'into-the-deck');
    };
    // The handle is 40 wide and lies at 190.
    expect(over(210)?.measure?.amount).toBeCloseTo(20, 3);
    expect(over(195)).toBeUndefined();
  });

  it('hung half off what carries it', () => {
    expect(codes('tackle-box', deck(1078, 0))).toContain('half-carried');
    expect(codes('deck-light', deck(1079, 0), 'rivet')).toContain('half-carried');
    expect(codes('deck-light', deck(1000, 0), 'rivet')).not.toContain('half-carried');
  });

  it('over the end of a track: a flush tube, bolted, by so much', () => {
    const at = (x: number) =>
      workUp(inputOf({ a: fitted('rod-tube-flush', deck(x, 352), 'rivet') })).findings.find((f) => f.code === 'across-a-track');
    // The forward track ends at 1640; the base is 110 long and 80 wide.
    expect(at(1690)?.severity).toBe('stop');
    expect(at(1690)?.measure?.amount).toBeCloseTo(5, 0);
    expect(at(1696)).toBeUndefined();
  });

  it('reaching over the edge of the hull', () => {
    expect(codes('chart-board', track('aft-port', 2400), 'track')).toContain('hangs-over');
    expect(codes('chart-board', track('aft-port', 2400), 'track', QUENBY)).not.toContain('hangs-over');
  });

  it('reaches as far over a tapering edge as its corner is from it, not as far as straight across', () => {
    const w = workUp(inputOf({ a: fitted('cross-bar', track('aft-port', 2740), 'track') }));
    const said = w.findings.find((f) => f.code === 'hangs-over')?.measure?.amount ?? NaN;
    const edge = Array.from({ length: 3601 }, (_, x) => [x, w.surface.edge.half(x)] as const);
    const corners = w.aboard.items.flatMap((i) => i.placed.bodies.flatMap((b) => b.outline));
    const over = corners.filter(([x, y]) => Math.abs(y) > w.surface.edge.half(x));
    const far = Math.max(...over.map(([x, y]) => Math.min(...edge.map(([ex, ey]) => Math.hypot(ex - x, ey - Math.abs(y))))));
    const across = Math.max(...over.map(([x, y]) => Math.abs(y) - w.surface.edge.half(x)));
    expect(said).toBeCloseTo(far, 0);
    expect(across - far).toBeGreaterThan(0.5);
  });
});

describe('a bar on two tracks', () => {
  const bar = (hull: HullModel, x = 1500): string[] => codes('cross-bar', track('fwd-port', x), 'track', hull);
  it('stands on both, drawn out to them, within the hull', () => {
    const w = workUp(inputOf({ a: fitted('cross-bar', track('aft-port', 2570), 'track') }));
    const ys = w.aboard.items[0]?.placed.bodies.flatMap((b) => b.outline.map(([, y]) => y)) ?? [];
    // Tracks 330 mm off the middle, 30 mm over.
    expect(Math.min(...ys)).toBeCloseTo(-360, 0);
    expect(Math.max(...ys)).toBeCloseTo(360, 0);
    expect(w.findings.filter((f) => f.code === 'cannot-hold' || f.code === 'hangs-over')).toEqual([]);
  });

  it('is not held with one track, with tracks too far apart, or with a bolt past the end of one', () => {
    const one = { ...TOLVANE, tracks: TOLVANE.tracks.filter((t) => t.side === 'port') };
    expect(bar(one)).toContain('cannot-hold');
    const wide = { ...TOLVANE, tracks: TOLVANE.tracks.map((t) => ({ ...t, y: Math.sign(t.y) * 440 })) };
    expect(bar(wide)).toContain('cannot-hold');
    expect(bar(TOLVANE, 1630)).toContain('cannot-hold');
    expect(bar(TOLVANE)).not.toContain('cannot-hold');
    expect(bar(BRACKWEN)).toEqual([]);
  });
});

describe('what is let into the deck', () => {
  it('has its bore and what is below, for every part that reaches under its base (the whole catalog)', () => {
    const under = CATALOG.parts.filter((p) => (p.rods?.butt ?? 0) >= 100);
    expect(under.length).toBeGreaterThan(0);
    for (const p of under) expect(p.body.recess).withContext(p.id).toBeDefined();
    // What else reaches below its base works in the water.
    for (const p of CATALOG.parts.filter((one) => one.body.solids.some((s) => s.w[0] < -5)))
      expect(Boolean(p.body.recess) || p.power?.draw?.of === 'motor')
        .withContext(p.id)
        .toBeTrue();
  });

  it('the bore is a hole on the drill list, as wide as it is, and what lies below it is found', () => {
    const w = workUp(inputOf({ a: fitted('rod-tube-flush', deck(2700, -350), 'rivet') }));
    expect(w.drilling.holes.map((h) => Math.round(h.bit.mm * 10) / 10).sort((a, b) => b - a)[0]).toBe(50.8);
    expect(w.drilling.holes.length).toBe(4);
    const below = w.aboard.items[0]?.placed.bodies.find((b) => b.name === 'below the deck');
    // 240 mm along an axis 20° off the upright, and half the bore beside it.
    expect((below?.top ?? 0) - (below?.bottom ?? 0)).toBeCloseTo(240 * Math.cos(Math.PI / 9) + 50.8 * Math.sin(Math.PI / 9), -1);
  });

  it('two tubes that cross under the deck are in one place, though their tops are apart', () => {
    const two = (x: number) =>
      workUp(
        inputOf({
          a: fitted('rod-tube-flush', deck(2225, 365), 'rivet'),
          b: fitted('rod-tube-flush', deck(x, 365, 180), 'rivet'),
        }),
      ).findings.some((f) => f.code === 'overlap');
    // Leaning away from each other above they meet below: 2 × 240 × sin 20° at the foot.
    expect(two(2225 - 140)).toBeTrue();
    expect(two(2225 - 260)).toBeFalse();
  });
});

describe('boxes in any pose', () => {
  const box = (x: number, degrees: number, half: PosedBox['half'] = [50, 50, 50]): PosedBox => {
    const spin = (p: { x: number; y: number; z: number }) => turned(p, { x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: 1 }, degrees);
    return {
      middle: { x, y: 0, z: 0 },
      axes: [spin({ x: 1, y: 0, z: 0 }), spin({ x: 0, y: 1, z: 0 }), { x: 0, y: 0, z: 1 }],
      half,
    };
  };
  it('lie in each other as far as closed forms have it', () => {
    expect(boxOverlap(box(0, 0), box(90, 0))).toBeCloseTo(10, 9);
    // A square on its corner reaches √2 further.
    expect(boxOverlap(box(0, 0), box(120, 45))).toBeCloseTo(50 + 50 * Math.SQRT2 - 120, 9);
    expect(boxOverlap(box(0, 0), box(121, 45))).toBe(0);
  });
});

describe('what swings', () => {
  it('to starboard is the mirror of what swings to port', () => {
    const hull = fairHull(QUENBY);
    const arm = partOf('transducer-arm');
    const on = (side: 'port' | 'starboard') =>
      placeFitting(hull, 'a', fitted('transducer-arm', { on: 'side', side, x: 2400, down: 60 }, 'through'), arm);
    const [port, starboard] = [on('port'), on('starboard')];
    if (!port || !starboard) return fail('not placed');
    const [p, s] = [sweptBy(port)[0], sweptBy(starboard)[0]];
    expect(p?.poses.length).toBe(s?.poses.length ?? 0);
    p?.poses.forEach((pose, i) => {
      const twin = s?.poses[i];
      expect(twin?.box?.middle.x).toBeCloseTo(pose.box?.middle.x ?? NaN, 6);
      expect(twin?.box?.middle.y).toBeCloseTo(-(pose.box?.middle.y ?? NaN), 6);
      expect(twin?.box?.middle.z).toBeCloseTo(pose.box?.middle.z ?? NaN, 6);
    });
  });

  it('a rudder swings both ways, and a stand-up bar about its foot', () => {
    for (const model of [TOLVANE, ORRISK]) {
      const rudder = sweptByHull(fairHull(model)).find((s) => s.name === 'rudder');
      expect((rudder?.bounds.port ?? 0) + (rudder?.bounds.starboard ?? 1)).toBeCloseTo(0, 6);
    }
    const bar = sweptByHull(fairHull(QUENBY)).find((s) => s.name === 'stand-up bar');
    // 440 mm of bar lying forward of its hinge stand up to nearly their length.
    expect((bar?.bounds.top ?? 0) - (bar?.rest.top ?? 0)).toBeGreaterThan(400);
  });
});
