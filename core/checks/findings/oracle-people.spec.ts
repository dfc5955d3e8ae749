import { SHOP } from '../../../demo/index';
import { paddlers, strokePoses, type Paddler } from '../../layout';
import { USUAL_BRIEF } from '../../rig';
import {
  along,
  apart,
  between,
  briefOn,
  deckAt,
  deepestIn,
  deepestOf,
  has,
  intoBone,
  layouts,
  LAYOUTS,
  NEAR,
  plus,
  pointsOf,
  rodsOf,
  SECOND,
  STEP,
  told,
  type Bone,
  type Laid,
  type P,
  type Thing,
} from '@plain-cleat/testing/sampled';

/** Where the knee is that far off the centre line, highest: tried all round the circle that thigh and shank allow. */
function kneeAt(hip: P, ankle: P, thigh: number, shank: number, out: number): P {
  const far = apart(hip, ankle);
  if (far >= thigh + shank) return between(hip, ankle, thigh / (thigh + shank));
  const t = (thigh ** 2 - shank ** 2 + far ** 2) / (2 * far);
  const middle = between(hip, ankle, t / far);
  const r = Math.sqrt(Math.max(0, thigh ** 2 - t ** 2));
  const n: P = [(ankle[0] - hip[0]) / far, (ankle[1] - hip[1]) / far, (ankle[2] - hip[2]) / far];
  // Two directions square to the way from hip to ankle.
  const flat = Math.hypot(n[0], n[2]);
  const e: P = [-n[2] / flat, 0, n[0] / flat];
  const f: P = [n[1] * e[2] - n[2] * e[1], n[2] * e[0] - n[0] * e[2], n[0] * e[1] - n[1] * e[0]];
  const round = Array.from({ length: 720 }, (_, i) => {
    const a = (i * Math.PI) / 360;
    return plus(plus(middle, e, r * Math.cos(a)), f, r * Math.sin(a));
  });
  const upper = round.filter((p) => p[2] >= middle[2]);
  return upper.reduce((best, p) => (Math.abs(Math.abs(p[1]) - out) < Math.abs(Math.abs(best[1]) - out) ? p : best));
}

/** Bones of each leg of one who sits, for each way its knee is held. */
function legsOf(l: Laid, p: Paddler, first: boolean): Bone[][][] {
  const h = p.stature;
  const { surface } = l.workup;
  const likes = p.seatX - 0.53 * h * ((0.8 + 0.97) / 2);
  const { feet } = l.hull;
  const x = first && feet ? Math.min(feet.aft, Math.max(feet.fore, likes)) : likes;
  const cockpit = l.hull.decks.find((d) => d.kind === 'cockpit');
  return [-1, 1].map((side) => {
    const y = side * Math.min(150, Math.max(60, surface.halfBreadth(x) - 120));
    const own = deckAt(l.hull, x, y)?.z ?? surface.gunwale(x);
    const floor = cockpit ? Math.min(own, cockpit.height) : own;
    const turning = first && feet?.kind === 'pedals';
    const soles: P[] = turning
      ? Array.from({ length: 8 }, (_, i): P => {
          const a = (i * Math.PI) / 4;
          return [x + 110 + 110 * Math.cos(a), y, floor + 200 - 0.039 * h + 110 * Math.sin(a)];
        })
      : [[x, y, floor]];
    const hip: P = [p.seatX, side * 90, p.seatZ + 0.05 * h];
    return [200, 250, 300].map((out) =>
      soles.flatMap((sole): Bone[] => {
        const ankle: P = [sole[0] + 40, y, sole[2] + 0.039 * h];
        const knee = kneeAt(hip, ankle, 0.245 * h, 0.246 * h, out);
        return [
          { from: hip, to: knee, thick: 60 },
          { from: knee, to: ankle, thick: 45 },
          { from: ankle, to: [sole[0], y, sole[2] + 0.152 * h], thick: 40 },
        ];
      }),
    );
  });
}

/** What a paddler of the layout is: first and, where one sits there, second. */
const sitting = (l: Laid): Paddler[] => paddlers(l.workup.surface, briefOn(l.hull));
describe('judgements about people against points sampled through solids, rods and limbs', () => {
  const laid = layouts();
  const count = { strokes: 0, casts: 0, rodStrokes: 0, rodMeets: 0, rodsAtBodies: 0, legs: 0 };
  afterAll(() => console.log(`oracle of people: ${LAYOUTS} layouts, ${JSON.stringify(count)}`));

  it('the paddle on its way, shaft and hands', () => {
    for (const l of laid) {
      const {
        weight: { float },
        surface,
      } = l.workup;
      // The heaviest case alone: the judgement looks at the lightest too, and never less.
      const waterAt = (x: number): number => float.level + float.slope * (x - float.middle);
      const style = { stroke: 'low', paddle: SHOP.stroke.paddle } as const;
      const shafts = sitting(l).flatMap((p) =>
        strokePoses(surface, p, style, Math.ceil(waterAt(p.seatX) / 5) * 5).flatMap((s) => {
          const n = 200;
          return Array.from({ length: n + 1 }, (_, i): P => [
            s.top[0] + ((s.throat[0] - s.top[0]) * i) / n,
            s.top[1] + ((s.throat[1] - s.top[1]) * i) / n,
            s.top[2] + ((s.throat[2] - s.top[2]) * i) / n,
          ]);
        }),
      );
      const said = (t: Thing): boolean =>
        l.workup.findings.some((f) => f.code === 'paddle-stroke' && f.where === t.id && f.severity === 'stop');
      // One rod parked in reach is every school's exception where pedals drive the boat.
      const parked = l.workup.aboard.items.find((i) => i.placed.part.rods && i.placed.part.use.often === 'always')?.placed.id;
      for (const t of l.things) {
        if (t.part.body.place === 'sat on' || t.id === parked) continue;
        // Farther out than this nothing is aboard: it hangs over, and that is said.
        const out = surface.beam / 2 + 150;
        const into = deepestOf(
          t,
          shafts.filter(([, y]) => Math.abs(y) < out),
        );
        if (into <= 1) continue;
        count.strokes++;
        expect(said(t))
          .withContext(`missed by ${into}: ${told(l, t)}`)
          .toBeTrue();
      }
      for (const t of l.things)
        for (const [mouth, tip] of rodsOf(t)) {
          if (t.id === parked) continue;
          const into = intoBone({ from: mouth, to: tip, thick: 8 }, shafts);
          if (into <= 1) continue;
          count.rodStrokes++;
          expect(said(t))
            .withContext(`a rod missed by ${into}: ${told(l, t)}`)
            .toBeTrue();
        }
    }
  });

  it('a sidearm cast, by every point of a body', () => {
    for (const l of laid) {
      const { seat, secondSeat } = l.hull;
      const h = 1850;
      // Shoulder to starboard of the hip, 0.338 over the seat; standing 0.818 over the deck ahead of the seat.
      const standX = seat.x - 0.2 * h;
      const floor = deckAt(l.hull, standX, 0)?.z ?? 0;
      const atSecond = (t: Thing): boolean => !!secondSeat && Math.abs(t.x - secondSeat.x) < Math.abs(t.x - seat.x);
      const cushions = (second: boolean): number =>
        l.things.reduce((sum, t) => sum + (atSecond(t) === second ? (t.part.body.raises ?? 0) : 0), 0);
      const shoulders: P[] = [
        [seat.x, 0.129 * h, seat.low + cushions(false) + 0.338 * h],
        [standX, 0.129 * h, floor + 0.818 * h],
      ];
      const h2 = SECOND.stature;
      if (secondSeat) shoulders.push([secondSeat.x, 0.129 * h2, secondSeat.low + cushions(true) + 0.338 * h2]);
      const radius = USUAL_BRIEF.rodLength + SHOP.limits.cast;
      for (const t of l.things) {
        if (t.part.body.place === 'sat on') continue;
        const rods = rodsOf(t).flatMap(([mouth, tip]) => along(mouth, tip, STEP));
        const met = (points: readonly P[], slack: number): boolean =>
          points.some(([x, y, z]) =>
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
        // Rods are looked at every so often: one that grazes a corner of the sweep may pass.
        if (met(t.samples, 0) || met(rods, -STEP)) {
          count.casts++;
          expect(said)
            .withContext(`missed: ${told(l, t)}`)
            .toBeTrue();
        } else if (said)
          expect(met([...t.samples, ...rods], 2 * STEP))
            .withContext(`claimed: ${told(l, t)}`)
            .toBeTrue();
      }
    }
  });

  it('rods through what stands aboard', () => {
    for (const l of laid)
      for (const a of l.things) {
        const rods = rodsOf(a).map(([mouth, tip]) => along(mouth, tip, 4));
        if (rods.length === 0) continue;
        for (const b of l.things) {
          if (a === b) continue;
          const deep = Math.max(...rods.flat().map((p) => deepestIn(b, p)));
          const said = has(l.workup, 'rod-meets', a.id, b.id);
          if (deep > 1) {
            count.rodMeets++;
            expect(said)
              .withContext(`missed by ${deep}: ${told(l, a)}; ${told(l, b)}`)
              .toBeTrue();
          } else if (said)
            expect(deep)
              .withContext(`claimed: ${told(l, a)}; ${told(l, b)}`)
              .toBeGreaterThan(-8 * Math.SQRT2 - 3);
        }
      }
  });

  it('rods at backs and heads of those who sit and who stands', () => {
    for (const l of laid) {
      const { stature: h } = briefOn(l.hull);
      const { seat } = l.workup.surface.model;
      const x = seat.x - 0.2 * h;
      const floor = deckAt(l.hull, x, 0)?.z ?? 0;
      const bones = sitting(l).flatMap((p): Bone[] => {
        const hip = p.seatZ + 0.05 * p.stature;
        const thick = 0.065 * p.stature;
        const eye: P = [p.seatX, 0, hip + 0.406 * p.stature];
        return [
          { from: [p.seatX, 0, hip], to: [p.seatX, 0, hip + 0.288 * p.stature], thick },
          { from: eye, to: eye, thick },
        ];
      });
      const eye: P = [x, 0, floor + 0.936 * h];
      bones.push({ from: [x, 0, floor + 0.53 * h], to: [x, 0, floor + 0.818 * h], thick: 0.065 * h });
      bones.push({ from: eye, to: eye, thick: 0.065 * h });
      for (const t of l.things) {
        const points = rodsOf(t).flatMap(([mouth, tip]) => along(mouth, tip, 4));
        if (points.length === 0) continue;
        const into = Math.max(...bones.map((b) => intoBone(b, points)));
        const said = l.workup.findings.some((f) => f.code === 'rod-at-body' && f.where === t.id && f.severity === 'stop');
        if (into > -30) {
          count.rodsAtBodies++;
          expect(said)
            .withContext(`missed by ${into}: ${told(l, t)}`)
            .toBeTrue();
        } else if (said)
          expect(into)
            .withContext(`claimed: ${told(l, t)}`)
            .toBeGreaterThan(-30 - 8 * Math.SQRT2 - 3);
      }
    }
  });

  it('what stands in the legs of everybody who sits', () => {
    for (const l of laid) {
      const legs = sitting(l).flatMap((p, i) => legsOf(l, p, i === 0));
      /** How far points stand into some leg, its knee held where it is least in the way. */
      const into = (points: readonly P[]): number =>
        Math.max(...legs.map((ways) => Math.min(...ways.map((bones) => Math.max(...bones.map((b) => intoBone(b, points)))))));
      for (const t of l.things) {
        if (t.part.body.place === 'sat on') continue;
        const floor = deckAt(l.hull, t.x, t.y)?.z ?? 0;
        const solids = t.solids.map((s) => pointsOf(s).map((p) => t.pose.out(p)));
        const tall = solids.filter((points) => Math.max(...points.map((p) => p[2])) > floor + 45);
        const said = l.workup.findings.some((f) => f.code === 'leg-room' && f.where === t.id && f.severity === 'stop');
        const deep = into(tall.flat());
        if (deep > 5) {
          count.legs++;
          expect(said)
            .withContext(`missed by ${deep}: ${told(l, t)}`)
            .toBeTrue();
        } else if (said)
          expect(into(solids.flat()))
            .withContext(`claimed: ${told(l, t)}`)
            .toBeGreaterThan(-NEAR - 5);
      }
    }
  });
});
