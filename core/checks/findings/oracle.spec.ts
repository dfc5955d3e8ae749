import type { HullModel, HullMover } from '../../boat/hull';
import type { Mover } from '../../parts/parts';
import {
  boundsOf,
  clash,
  deckAt,
  deepestOf,
  has,
  heightIn,
  inArea,
  intoBone,
  layouts,
  LAYOUTS,
  near,
  NEAR,
  pointsOf,
  rodsOf,
  spread,
  STEP,
  told,
  type Bone,
  type Bounds,
  type P,
  type Pose,
  type Solid,
  type Thing,
} from '@plain-cleat/testing/sampled';

/** No clash deeper than the sampling step is missed; none is claimed that is not there within a step. */
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

describe('judgements of space against points sampled through the solids', () => {
  const laid = layouts();
  const count = { pairs: 0, swings: 0, bases: 0, decks: 0 };
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
          const rods = rodsOf(t).map(([from, to]): Bone => ({ from, to, thick: 8 }));
          const depths =
            close || rods.length
              ? turning.way.map((points) => Math.max(deepestOf(t, points), ...rods.map((rod) => intoBone(rod, points))))
              : [-Infinity];
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
