import { BRACKWEN, CATALOG, ORRISK, PELLIN, QUENBY, SHOP, TOLVANE } from '../../demo/index';
import type { Mover, Part } from '../parts';
import { seeded } from '../cutting';
import type { HullModel, HullMover } from '../hull';
import { paddlers, strokePoses } from '../layout';
import { USUAL_BRIEF, type Brief } from '../rig';
import { deck, fitted, inputOf } from '../testing/plans';
import { Memory } from '../stages';
import { workUp, type Workup } from '../workup';

/**
 * Judgements of space against brute force: points sampled through the solids and their motions, placed, turned and
 * compared by arithmetic of its own. No clash deeper than the sampling step is missed; none is claimed that is not
 * there within a step. A tenth of the layouts run by default, all with LONG=yes.
 */
const LAYOUTS = process.env.LONG ? 1000 : 100;
const STEP = 12;
/** The farthest any point of a solid is from a sample. */
const NEAR = (STEP * Math.sqrt(3)) / 2 + 1;

type P = readonly [number, number, number];

interface Solid {
  readonly u: readonly [number, number];
  readonly v: readonly [number, number];
  readonly w: readonly [number, number];
}

/** Where a thing stands: a point of its own frame to the hull, and back. */
interface Pose {
  out(p: P): P;
  back(p: P): P;
}

interface Thing {
  readonly id: string;
  readonly part: Part;
  readonly x: number;
  readonly y: number;
  readonly heading: number;
  readonly lift: number;
  readonly pose: Pose;
  readonly solids: readonly Solid[];
  readonly samples: readonly P[];
  readonly bounds: Bounds;
}

const HULLS = [TOLVANE, BRACKWEN, ORRISK, QUENBY, PELLIN];

/** The highest deck over a point, its height and its slope. */
function deckAt(hull: HullModel, x: number, y: number): { z: number; slope: number } | undefined {
  const over = hull.decks.filter((d) => x >= d.fore && x <= d.aft && y >= d.port && y <= d.starboard);
  const all = over.map((d) => ({ slope: d.rise / (d.aft - d.fore), z: d.height + (d.rise * (x - d.fore)) / (d.aft - d.fore) }));
  return all.sort((a, b) => b.z - a.z)[0];
}

const inArea = (d: HullModel['decks'][number], x: number, y: number): boolean =>
  x >= d.fore && x <= d.aft && y >= d.port && y <= d.starboard;
const heightIn = (d: HullModel['decks'][number], x: number): number => d.height + (d.rise * (x - d.fore)) / (d.aft - d.fore);

/** Standing on a sloping deck: pitched with it, then turned about its own upright; a positive heading takes the after end to port. */
function poseOn(x: number, y: number, z: number, slope: number, heading: number): Pose {
  const pitch = Math.atan(slope);
  const [c, s] = [Math.cos((heading * Math.PI) / 180), Math.sin((heading * Math.PI) / 180)];
  const [cp, sp] = [Math.cos(pitch), Math.sin(pitch)];
  return {
    out([u, v, w]) {
      const [a, b] = [u * c + v * s, -u * s + v * c];
      return [x + a * cp - w * sp, y + b, z + a * sp + w * cp];
    },
    back([px, py, pz]) {
      const [dx, dy, dz] = [px - x, py - y, pz - z];
      const [a, w] = [dx * cp + dz * sp, -dx * sp + dz * cp];
      return [a * c - dy * s, a * s + dy * c, w];
    },
  };
}

const spread = ([from, to]: readonly [number, number], step = STEP): number[] => {
  const n = Math.max(1, Math.ceil((to - from) / step));
  return Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
};
const pointsOf = (s: Solid, step = STEP): P[] =>
  spread(s.u, step).flatMap((u) => spread(s.v, step).flatMap((v) => spread(s.w, step).map((w): P => [u, v, w])));
/** How deep a point of the frame lies in a solid, mm; negative outside. */
const depthIn = (s: Solid, [u, v, w]: P): number =>
  Math.min(u - s.u[0], s.u[1] - u, v - s.v[0], s.v[1] - v, w - s.w[0], s.w[1] - w);
const deepestIn = (t: Thing, p: P): number => Math.max(...t.solids.map((s) => depthIn(s, t.pose.back(p))));

type Bounds = readonly [P, P];
const boundsOf = (points: readonly P[]): Bounds => {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (const p of points)
    for (const k of [0, 1, 2] as const) {
      low[k] = Math.min(low[k], p[k]);
      high[k] = Math.max(high[k], p[k]);
    }
  return [low, high];
};
const near = (a: Bounds, b: Bounds, by: number): boolean =>
  ([0, 1, 2] as const).every((k) => a[0][k] < b[1][k] + by && b[0][k] < a[1][k] + by);
const within = ([x, y, z]: P, [low, high]: Bounds): boolean =>
  x > low[0] && x < high[0] && y > low[1] && y < high[1] && z > low[2] && z < high[2];

function thingOf(
  hull: HullModel,
  id: string,
  part: Part,
  x: number,
  y: number,
  heading: number,
  lift: number,
): Thing | undefined {
  const under = deckAt(hull, x, y);
  if (!under) return undefined;
  const pose = poseOn(x, y, under.z, under.slope, heading);
  const raised = part.body.solids.map((s): Solid => ({ u: s.u, v: s.v, w: [s.w[0] + lift, s.w[1] + lift] }));
  const solids: Solid[] = lift > 0 ? [...raised, { u: [-20, 20], v: [-20, 20], w: [0, lift] }] : raised;
  const samples = solids.flatMap((s) => pointsOf(s)).map((p) => pose.out(p));
  return { id, part, x, y, heading, lift, pose, solids, samples, bounds: boundsOf(samples) };
}

const PARTS = CATALOG.parts.filter(
  (p) => !p.body.recess && !p.body.bridges && !p.rods && !['worn', 'underfoot'].includes(p.body.place ?? ''),
);

function layout(hull: HullModel, random: () => number): Thing[] {
  const many = 3 + Math.floor(random() * 4);
  return Array.from({ length: many }, (_, i) => {
    const part = PARTS[Math.floor(random() * PARTS.length)];
    const d = hull.decks[Math.floor(random() * hull.decks.length)];
    if (!part || !d) return undefined;
    const x = d.fore + random() * (d.aft - d.fore);
    const y = d.port + random() * (d.starboard - d.port);
    const heading = Math.round(random() * 359 - 179);
    return thingOf(hull, `f${i}`, part, x, y, heading, random() < 0.2 ? Math.round(random() * 300) : 0);
  }).filter((t) => t !== undefined);
}

/** The deepest any sample of one lies in the other, mm; negative is how far they miss by the nearest face. */
function clash(a: Thing, b: Thing): number {
  if (!near(a.bounds, b.bounds, NEAR)) return -Infinity;
  let most = -Infinity;
  for (const p of a.samples) most = Math.max(most, deepestIn(b, p));
  for (const p of b.samples) most = Math.max(most, deepestIn(a, p));
  return most;
}

/** The deepest of some points in a thing; those well away count as outside. */
function deepestOf(t: Thing, points: readonly P[]): number {
  let most = -Infinity;
  const [low, high] = t.bounds;
  const m = 4 * STEP;
  const about: Bounds = [
    [low[0] - m, low[1] - m, low[2] - m],
    [high[0] + m, high[1] + m, high[2] + m],
  ];
  for (const p of points) if (within(p, about)) most = Math.max(most, deepestIn(t, p));
  return most;
}

/** Turned about an axis of its frame, right-handed. */
function turnedAbout([u, v, w]: P, about: 'u' | 'v' | 'w', [hu, hv, hw]: P, degrees: number): P {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const [a, b, d] = [u - hu, v - hv, w - hw];
  if (about === 'u') return [u, hv + b * c - d * s, hw + b * s + d * c];
  if (about === 'v') return [hu + a * c + d * s, v, hw - a * s + d * c];
  return [hu + a * c - b * s, hv + a * s + b * c, w];
}

interface Turning {
  readonly name: string;
  readonly of: Thing | null;
  /** Sample points at each pose, rest first, and the box its whole way lies in. */
  readonly way: readonly (readonly P[])[];
  readonly bounds: Bounds;
}

function wayOf(
  solid: Solid,
  about: 'u' | 'v' | 'w',
  hinge: P,
  turns: number,
  both = false,
  pose?: Pose,
): Pick<Turning, 'way' | 'bounds'> {
  const points = pointsOf(solid, 2 * STEP);
  const far = Math.max(...points.map((p) => Math.hypot(p[0] - hinge[0], p[1] - hinge[1], p[2] - hinge[2])));
  const steps = Math.max(1, Math.ceil(((Math.abs(turns) * Math.PI) / 180) * (far / STEP)));
  const angles = Array.from({ length: steps + 1 }, (_, i) => (turns * i) / steps).flatMap((a) => (both ? [a, -a] : [a]));
  const way = angles.map((a) =>
    points.map((p) => {
      const q = turnedAbout(p, about, hinge, a);
      return pose ? pose.out(q) : q;
    }),
  );
  return { way, bounds: boundsOf(way.flat()) };
}

function turningOf(hull: HullModel, things: readonly Thing[]): Turning[] {
  const own = things.flatMap((of) =>
    (of.part.body.moves ?? []).map((m: Mover): Turning => {
      const solid: Solid = { ...m.solid, w: [m.solid.w[0] + of.lift, m.solid.w[1] + of.lift] };
      const hinge: P = [m.hinge.u, m.hinge.v, m.hinge.w + of.lift];
      return { name: m.name, of, ...wayOf(solid, m.about, hinge, m.turns, m.both, of.pose) };
    }),
  );
  const movers = (hull.moving ?? []).map((m: HullMover): Turning => {
    const about = ({ x: 'u', y: 'v', z: 'w' } as const)[m.about];
    const solid: Solid = { u: [m.from.x, m.to.x], v: [m.from.y, m.to.y], w: [m.from.z, m.to.z] };
    return { name: m.name, of: null, ...wayOf(solid, about, [m.hinge.x, m.hinge.y, m.hinge.z], m.turns, m.both) };
  });
  const lids = hull.hatches.flatMap((h): Turning[] => {
    if (!h.lid) return [];
    const solid: Solid = { u: [h.fore, h.aft], v: [h.port, h.starboard], w: [h.height, h.height + h.lid.thick] };
    const along = h.lid.hinge === 'fore' || h.lid.hinge === 'aft';
    const hinge: P = [h.lid.hinge === 'fore' ? h.fore : h.aft, h.lid.hinge === 'port' ? h.port : h.starboard, h.height];
    // Up it goes: the end away from the hinge.
    const sign = h.lid.hinge === 'fore' || h.lid.hinge === 'starboard' ? -1 : 1;
    return [{ name: `lid of the ${h.name}`, of: null, ...wayOf(solid, along ? 'v' : 'u', hinge, sign * h.lid.turns) }];
  });
  return [...own, ...movers, ...lids];
}

const brief: Partial<Brief> = {
  propulsion: ['paddle', 'pedals'],
  stands: 'both',
  cast: 'sidearm',
  castHand: 'right',
  stature: 1850,
};

interface Laid {
  readonly hull: HullModel;
  readonly things: readonly Thing[];
  readonly workup: Workup;
}

/** Layouts on every hull in turn, worked up by the product. */
function* laidOut(): Generator<Laid> {
  const random = seeded(1907);
  const memorys = new Map(HULLS.map((h) => [h.id, new Memory()]));
  for (let i = 0; i < LAYOUTS; i++) {
    const hull = HULLS[i % HULLS.length];
    if (!hull) continue;
    const things = layout(hull, random);
    const fittings = Object.fromEntries(
      things.map((t) => [t.id, { ...fitted(t.part.id, deck(t.x, t.y, t.heading), 'loose'), lift: t.lift }]),
    );
    const input = inputOf(fittings, { brief: { ...USUAL_BRIEF, ...brief } }, [], hull);
    yield { hull, things, workup: workUp(input, memorys.get(hull.id)) };
  }
}

describe('judgements of space against points sampled through the solids', () => {
  const laid = [...laidOut()];
  const count = { pairs: 0, swings: 0, strokes: 0, casts: 0, bases: 0, decks: 0 };
  const has = (w: Workup, code: string, where: string, detail?: string): boolean =>
    w.findings.some((f) => f.code === code && f.where === where && (detail === undefined || f.key.endsWith(`:${detail}`)));
  const told = (l: Laid, t: Thing): string =>
    `${l.hull.name}: ${t.part.id} at ${t.x.toFixed(1)}, ${t.y.toFixed(1)}, ${t.heading}°`;
  afterAll(() => console.log(`oracle: ${LAYOUTS} layouts, ${JSON.stringify(count)}`));

  it('overlap of whole bodies, leaning as their deck does', () => {
    for (const l of laid)
      l.things.forEach((b, i) =>
        l.things.slice(0, i).forEach((a) => {
          const said = has(l.workup, 'overlap', a.id, b.id) || has(l.workup, 'overlap', b.id, a.id);
          const depth = clash(a, b);
          if (depth > 1) {
            count.pairs++;
            expect(said)
              .withContext(`missed by ${depth}: ${told(l, a)}; ${told(l, b)}`)
              .toBeTrue();
          } else if (said)
            expect(depth)
              .withContext(`claimed: ${told(l, a)}; ${told(l, b)}`)
              .toBeGreaterThan(-NEAR);
        }),
      );
  });

  it('what swings, from rest to its other end', () => {
    for (const l of laid) {
      for (const turning of turningOf(l.hull, l.things))
        for (const t of l.things) {
          if (t === turning.of) continue;
          const close = near(turning.bounds, t.bounds, STEP);
          const depths = close ? turning.way.map((points) => deepestOf(t, points)) : [-Infinity];
          const rest = depths[0] ?? -Infinity;
          const said = has(l.workup, 'swings', t.id, `${turning.of?.id ?? 'hull'}.${turning.name.replace(/\W+/g, '-')}`);
          const deepest = Math.max(...depths);
          // What overlaps at rest is said as an overlap, or rides along.
          if (deepest > STEP && rest < -60) {
            count.swings++;
            expect(said)
              .withContext(`missed by ${deepest}, ${turning.name}: ${told(l, t)}`)
              .toBeTrue();
          } else if (said)
            expect(deepest)
              .withContext(`claimed, ${turning.name}: ${told(l, t)}`)
              .toBeGreaterThan(-NEAR - 2 * STEP);
        }
    }
  });

  it('the paddle on its way, shaft and hands', () => {
    for (const l of laid) {
      const {
        weight: { float },
        surface,
      } = l.workup;
      const [p] = paddlers(surface, { ...USUAL_BRIEF, ...brief });
      if (!p) continue;
      // The heaviest case alone: the judgement looks at the lightest too, and never less.
      const water = float.level + float.slope * (p.seatX - float.middle);
      const shafts = strokePoses(surface, p, { stroke: 'low', paddle: SHOP.stroke.paddle }, Math.ceil(water / 5) * 5).flatMap(
        (s) => {
          const n = 200;
          return Array.from({ length: n + 1 }, (_, i): P => [
            s.top[0] + ((s.throat[0] - s.top[0]) * i) / n,
            s.top[1] + ((s.throat[1] - s.top[1]) * i) / n,
            s.top[2] + ((s.throat[2] - s.top[2]) * i) / n,
          ]);
        },
      );
      for (const t of l.things) {
        if (t.part.body.place === 'sat on' || t.part.use.often === 'ashore') continue;
        // Farther out than this nothing is aboard: it hangs over, and that is said.
        const out = surface.beam / 2 + 150;
        const into = deepestOf(
          t,
          shafts.filter(([, y]) => Math.abs(y) < out),
        );
        if (into <= 1) continue;
        count.strokes++;
        const said = l.workup.findings.some((f) => f.code === 'paddle-stroke' && f.where === t.id && f.severity === 'stop');
        expect(said)
          .withContext(`missed by ${into}: ${told(l, t)}`)
          .toBeTrue();
      }
    }
  });

  it('a sidearm cast, by every point of a body', () => {
    for (const l of laid) {
      const { seat } = l.hull;
      const h = 1850;
      // Shoulder to starboard of the hip, 0.338 over the seat; standing 0.818 over the deck ahead of the seat.
      const standX = seat.x - 0.2 * h;
      const floor = deckAt(l.hull, standX, 0)?.z ?? 0;
      const cushions = l.things.reduce((sum, t) => sum + (t.part.body.raises ?? 0), 0);
      const shoulders: P[] = [
        [seat.x, 0.129 * h, seat.low + cushions + 0.338 * h],
        [standX, 0.129 * h, floor + 0.818 * h],
      ];
      const radius = USUAL_BRIEF.rodLength + SHOP.limits.cast;
      for (const t of l.things) {
        if (t.part.body.place === 'sat on') continue;
        const met = (slack: number): boolean =>
          t.samples.some(([x, y, z]) =>
            shoulders.some(([sx, sy, sz]) => {
              const far = Math.hypot(x - sx, y - sy);
              // Degrees from right ahead towards starboard.
              const way = ((Math.atan2(y - sy, sx - x) * 180) / Math.PI + 360) % 360;
              const turn = far < 1 ? 180 : (Math.asin(Math.min(1, slack / far)) * 180) / Math.PI;
              const [low, high] = [far * Math.tan((-12 * Math.PI) / 180), far * Math.tan((25 * Math.PI) / 180)];
              return (
                far <= radius + slack &&
                way >= 60 - (slack ? turn : 0) &&
                way <= 150 + (slack ? turn : 0) &&
                z - sz > low - slack &&
                z - sz <= high + slack
              );
            }),
          );
        const said = l.workup.findings.some((f) => f.code === 'back-cast' && f.where === t.id && f.severity === 'stop');
        if (met(0)) {
          count.casts++;
          expect(said)
            .withContext(`missed: ${told(l, t)}`)
            .toBeTrue();
        } else if (said)
          expect(met(2 * STEP))
            .withContext(`claimed: ${told(l, t)}`)
            .toBeTrue();
      }
    }
  });

  it('what reaches into a higher deck beside its own', () => {
    for (const l of laid)
      for (const t of l.things) {
        const own = deckAt(l.hull, t.x, t.y);
        const named = l.hull.decks.find((d) => own && Math.abs(heightIn(d, t.x) - own.z) < 0.01 && inArea(d, t.x, t.y));
        if (!own || !named || Math.abs(t.y) > l.workup.surface.halfBreadth(t.x)) continue;
        /** How far a point would have to come up or aside to be out of a deck that is not its own. */
        const depths = t.samples.map(([x, y, z]) => {
          if (z < own.z - 5 || Math.abs(y) > l.workup.surface.edge.half(x) - 1) return 0;
          const top = l.hull.decks.filter((d) => inArea(d, x, y)).sort((a, b) => heightIn(b, x) - heightIn(a, x))[0];
          if (top === named) return 0;
          const up = (top ? heightIn(top, x) : l.workup.surface.gunwale(x)) - z;
          const aside = top
            ? Math.min(x - top.fore, top.aft - x, y - top.port, top.starboard - y)
            : Math.max(named.fore - x, x - named.aft, named.port - y, y - named.starboard);
          return Math.min(up, aside);
        });
        const deep = Math.max(...depths);
        const said = (codes: readonly string[]): boolean => codes.some((c) => has(l.workup, c, t.id));
        if (deep > STEP + 8) {
          count.decks++;
          expect(said(['into-the-deck', 'across-a-step', 'fits-its-place', 'off-hull']))
            .withContext(`missed ${deep}: ${told(l, t)}`)
            .toBeTrue();
        } else if (said(['into-the-deck']))
          expect(Math.max(...t.samples.map(([x, y, z]) => (deckAt(l.hull, x, y)?.z ?? l.workup.surface.gunwale(x)) - z)))
            .withContext(`claimed: ${told(l, t)}`)
            .toBeGreaterThan(5);
      }
  });

  it('what a base lies on', () => {
    for (const l of laid)
      for (const t of l.things) {
        const { length, width } = t.part.body.base;
        const at = spread([-length / 2, length / 2]).flatMap((u) =>
          spread([-width / 2, width / 2]).map((v) => t.pose.out([u, v, 0])),
        );
        const over = at.map(([x, y, z]) => {
          const d = deckAt(l.hull, x, y);
          const off = Math.abs(y) > l.workup.surface.halfBreadth(x) + 1;
          return off ? -Infinity : (d?.z ?? l.workup.surface.gunwale(x)) - z;
        });
        const said = (codes: readonly string[]): boolean => codes.some((c) => has(l.workup, c, t.id));
        const share = over.filter((h) => Math.abs(h) <= 6).length / over.length;
        count.bases++;
        // A whole row of samples in a higher surface is no sliver.
        if (over.filter((h) => h > 7).length > at.length / 6)
          expect(said(['across-a-step', 'fits-its-place', 'off-hull']))
            .withContext(`missed: ${told(l, t)}`)
            .toBeTrue();
        else if (over.every((h) => h < 5)) {
          expect(said(['across-a-step', 'fits-its-place']))
            .withContext(`claimed: ${told(l, t)}`)
            .toBeFalse();
          if (share < 0.52)
            expect(said(['half-carried', 'off-hull']))
              .withContext(`missed, ${share}: ${told(l, t)}`)
              .toBeTrue();
          if (share > 0.68)
            expect(said(['half-carried']))
              .withContext(`claimed, ${share}: ${told(l, t)}`)
              .toBeFalse();
        }
      }
  });
});
