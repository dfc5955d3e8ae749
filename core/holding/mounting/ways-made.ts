import type { Part } from '../../parts/parts';
import type { HullModel } from '../../boat/hull';
import { slotFault, toHull, twinTrack, type Placed } from '../../layout';
import { fine, mm, say, type Sentence } from '../../base/units';
import { boltName, chooseBlind, chooseBolt, nutted } from './fastener';
import type { FastenerSpot } from './loads';
import { findThread } from './tables';
import { GASKET, none, refuse, tooLong, type Mounted, type MountedBy } from './mounted';

/** T-bolts stand in the middle of the base, spread along it (common practice, no source); those of a bar half in each track. */
function trackSpots(part: Part): FastenerSpot[] {
  const row = (count: number, v: number): FastenerSpot[] =>
    Array.from({ length: count }, (_, i) => ({ u: count > 1 ? (i / (count - 1) - 0.5) * part.body.base.length * 0.6 : 0, v }));
  if (!part.body.bridges) return row(part.holding.trackBolts, 0);
  const out = part.body.base.width / 2 - part.body.bridges.over;
  return [...row(part.holding.trackBolts / 2, -out), ...row(part.holding.trackBolts / 2, out)];
}

/** Why a T-bolt of this part has no slot under it here, or null: a track's end, or no second track for a bar. */
function trackFault({ part, place, frame }: Placed, hull: HullModel): Sentence | null {
  if (place.on !== 'track') return part.body.bridges ? say`it stands on two tracks of the hull` : null;
  const twin = part.body.bridges ? twinTrack(hull, place) : undefined;
  if (part.body.bridges && !twin) return say`no second track abreast of it to stand on`;
  if (part.body.bridges && twin && (twin.apart < part.body.bridges.least || twin.apart > part.body.bridges.most))
    return say`the tracks are ${mm(twin.apart)} apart, it spans ${mm(part.body.bridges.least)} to ${mm(part.body.bridges.most)}`;
  const own = hull.tracks.find((t) => t.id === place.track);
  const under = [own, twin?.track].filter((t) => t !== undefined);
  const xs = trackSpots(part).map((s) => toHull(frame, s.u, s.v, 0).x);
  const past = Math.max(0, ...under.map((t) => Math.max(t.fore - Math.min(...xs), Math.max(...xs) - t.aft)));
  return past > 0.5 ? say`its T-bolt stands ${mm(past, 'up')} past the end of the track` : null;
}

/** T-bolts in a track of the hull; of a bar in two. */
export const inTrack: MountedBy = (placed, _mount, _shop, hull) => {
  const { part, place, below } = placed;
  // A track of the hull, or one that was screwed on.
  const slot = place.on === 'track' ? hull.tracks.find((t) => t.id === place.track)?.slot : below?.part.holding.slot;
  if (!slot) return refuse(say`no track here for its T-bolts`);
  const thread = findThread(slot.thread) ?? findThread('M6');
  const bolt =
    thread && chooseBolt(thread, { base: part.body.base.thickness, gasket: 0, wall: 2, plate: 0 }, nutted(thread, 'plain'));
  const small = thread && part.holes.made !== undefined && part.holes.made < thread.close;
  return {
    ...none,
    thread,
    bolt,
    fastener: thread ? (bolt?.ok ? `T-bolt ${boltName(thread, bolt.length)}` : `T-bolt ${thread.name}`) : null,
    count: part.holding.trackBolts,
    spots: trackSpots(part),
    first: small ? say`Open its holes of ${fine(part.holes.made ?? 0)} to ${fine(thread.close)} for the track bolt.` : null,
    cannot: slotFault(part.holding, slot) ?? trackFault(placed, hull),
  };
};

/** A bolt in a factory insert, several of them, or the holes of a plate the maker drilled. */
export const inInsert: MountedBy = (placed, _mount, _shop, hull) => {
  const { part, place } = placed;
  const plate = place.on === 'plate' ? hull.plates?.find((p) => p.id === place.plate) : undefined;
  const insert = place.on === 'insert' ? hull.inserts.find((i) => i.id === place.insert) : undefined;
  if (plate) return onMadePlate(part, plate);
  if (!insert) return place.on === 'deck' ? inInserts(placed, hull) : refuse(say`no factory insert here`);
  const thread = findThread(insert.thread);
  if (!thread) return refuse(say`no thread ${insert.thread} in the tables`);
  const bolt = chooseBlind(thread, part.body.base.thickness, insert.depth);
  const small = part.holes.made !== undefined && part.holes.made < thread.close;
  return {
    ...none,
    thread,
    bolt,
    fastener: bolt.ok ? `Insert screw ${boltName(thread, bolt.length)}` : null,
    count: 1,
    spots: [{ u: 0, v: 0 }],
    first: small ? say`Open its hole of ${fine(part.holes.made ?? 0)} to ${fine(thread.close)} for the insert's screw.` : null,
    cannot: bolt.ok
      ? null
      : say`no screw sold bites ${fine(thread.diameter)} deep in an insert of ${fine(insert.depth)} without bottoming out`,
  };
};

/** So far a hole of a base may lie off the insert under it and its screw still start (judgement), mm. */
const OFF_INSERT = 0.5;

/** One base on several inserts: each of its holes lies over one of them, and every screw fits its own. */
function inInserts({ part, frame }: Placed, hull: HullModel): Omit<Mounted, 'hold'> {
  const over = part.holes.at.map((h) => {
    const at = toHull(frame, h.u, h.v, 0);
    const far = hull.inserts.map((insert) => ({ insert, by: Math.hypot(insert.x - at.x, insert.y - at.y) }));
    return far.reduce<(typeof far)[number] | null>((a, b) => (a && a.by <= b.by ? a : b), null);
  });
  const first = over[0];
  if (over.length < 2 || !first) return refuse(say`no factory insert here`);
  const thread = findThread(first.insert.thread);
  if (!thread) return refuse(say`no thread ${first.insert.thread} in the tables`);
  const slack = (thread.free - thread.diameter) / 2 + OFF_INSERT;
  const off = Math.max(...over.map((o) => o?.by ?? Infinity));
  if (off > slack) return refuse(say`its holes lie ${mm(off, 'up')} off the factory inserts`);
  if (over.some((o) => o?.insert.thread !== thread.name)) return refuse(say`the inserts under it have other threads`);
  const depth = Math.min(...over.map((o) => o?.insert.depth ?? 0));
  const bolt = chooseBlind(thread, part.body.base.thickness, depth);
  return {
    ...none,
    thread,
    bolt,
    fastener: bolt.ok ? `Insert screw ${boltName(thread, bolt.length)}` : null,
    count: over.length,
    spots: part.holes.at,
    cannot: bolt.ok
      ? null
      : say`no screw sold bites ${fine(thread.diameter)} deep in inserts of ${fine(depth)} without bottoming out`,
  };
}

/** Bolts into holes the maker drilled: the part's pattern must match, either way round. */
function onMadePlate(part: Part, plate: NonNullable<HullModel['plates']>[number]): Omit<Mounted, 'hold'> {
  const thread = findThread(plate.thread);
  if (!thread) return refuse(say`no thread ${plate.thread} in the tables`);
  const matches = (turned: boolean): boolean =>
    part.holes.at.length > 0 &&
    part.holes.at.every((h) =>
      plate.holes.some(
        (p) => Math.hypot((turned ? h.v : h.u) - p.u, (turned ? -h.u : h.v) - p.v) <= thread.free - thread.diameter + 0.5,
      ),
    );
  const bolt = chooseBolt(thread, { base: part.body.base.thickness, gasket: GASKET, wall: 0, plate: 0 }, nutted(thread, 'lock'));
  return {
    ...none,
    thread,
    bolt,
    fastener: bolt.ok ? boltName(thread, bolt.length) : null,
    count: part.holes.at.length,
    spots: part.holes.at,
    cannot: matches(false) || matches(true) ? (bolt.ok ? null : tooLong(bolt)) : say`its holes do not meet those of the plate`,
  };
}
