import type { Hold, Part } from '../parts';
import type { ShopSettings } from '../shop';
import type { HullModel } from '../hull';
import { railFault, slotFault, toHull, twinTrack, type Placed } from '../layout';
import { isThere, type Mount } from '../rig';
import { distance, fine, mm, say, type Sentence } from '../units';
import { boltName, chooseBlind, chooseBolt, chooseScrew, nutted, TAPPED, type FastenerChoice } from './fastener';
import type { FastenerSpot } from './loads';
import { findThread, rivetFor, SCREWS, WELL_NUTS, type Rivet, type Thread } from './tables';

/** Gasket of bedded sealant (common practice, no source), mm. */
const GASKET = 1;

/** How one fitting is held, worked out. */
export interface Mounted {
  readonly hold: Hold;
  readonly thread?: Thread;
  readonly bolt?: FastenerChoice;
  readonly rivet?: Rivet;
  /** Holes through the hull. */
  readonly holes: number;
  /** The hole each takes, where the fastener and not the thread's clearance says, mm. */
  readonly bore?: number;
  /** Fastener as it is picked, and how many. */
  readonly fastener: string | null;
  readonly count: number;
  readonly plate: boolean;
  /** A nut, washer or plate is put on from inside. */
  readonly hand: boolean;
  /** How far the longest of it stands out behind the wall, mm. */
  readonly behind: number;
  /** Where its fasteners stand, in the part's frame. */
  readonly spots: readonly FastenerSpot[];
  /** How far what stays on the hull stands out of it while the part is off, mm. */
  readonly proud: number;
  /** It came aboard and stands as it did: there is nothing to fasten. */
  readonly there: boolean;
  /** Why it cannot be held so, or null. */
  readonly cannot: Sentence | null;
  /** Work on the part before it goes on, or null. */
  readonly first: Sentence | null;
}

export const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  loose: 'set in place',
  strap: 'straps to tie points',
  clamp: 'a clamp on the rail',
  track: 'T-bolts in a track',
  insert: 'a factory insert',
  scupper: 'a scupper insert',
  glue: 'a glue pad',
  screw: 'self-tapping screws',
  rivet: 'blind rivets',
  'well nut': 'rubber well nuts',
  through: 'through bolts',
  'pulled plate': 'a plate pulled up from inside',
  stud: 'studs with wing nuts',
  'cable tie': 'cable ties',
  'hook and loop': 'hook-and-loop',
  magnet: 'a magnet on steel',
};

const none = {
  there: false,
  holes: 0,
  fastener: null,
  count: 0,
  plate: false,
  hand: false,
  behind: 0,
  proud: 0,
  spots: [],
  cannot: null,
  first: null,
};

/** A part bored for its own nut and gasket closes its holes itself. */
const ownNut = (part: Part): boolean => part.holes.at.length > 0 && part.holes.at.every((h) => h.bore);

/** Whether a part can be held a certain way at all: what its catalog says, and what follows from holes through its base. */
export function canBe(part: Part, hold: Hold): boolean {
  if (part.holding.ways.includes(hold)) return true;
  // What may be set down may be strapped down.
  if (hold === 'strap') return part.holding.ways.includes('loose');
  const drilled =
    part.holes.at.length > 0 && !ownNut(part) && (part.holding.ways.includes('through') || part.holding.ways.includes('rivet'));
  return drilled && (hold === 'screw' || hold === 'well nut' || hold === 'pulled plate' || hold === 'through' || hold === 'stud');
}

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

type Way = (placed: Placed, mount: Mount, shop: ShopSettings, hull: HullModel) => Omit<Mounted, 'hold'>;

const refuse = (cannot: Sentence): Omit<Mounted, 'hold'> => ({ ...none, cannot });

const inTrack: Way = (placed, _mount, _shop, hull) => {
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

const inInsert: Way = (placed, _mount, _shop, hull) => {
  const { part, place } = placed;
  const plate = place.on === 'plate' ? hull.plates?.find((p) => p.id === place.plate) : undefined;
  const insert = place.on === 'insert' ? hull.inserts.find((i) => i.id === place.insert) : undefined;
  if (plate) return onMadePlate(part, plate);
  if (!insert) return place.on === 'deck' ? inSeveral(placed, hull) : refuse(say`no factory insert here`);
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
function inSeveral({ part, frame }: Placed, hull: HullModel): Omit<Mounted, 'hold'> {
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

const tooLong = (bolt: FastenerChoice & { ok: false }): Sentence =>
  say`no bolt sold is long enough for this stack: ${fine(bolt.needed)} wanted, ${fine(bolt.short)} longer than the longest`;

const bolted =
  (pulled: boolean): Way =>
  (placed, mount, shop, hull) => {
    const { part, frame, place } = placed;
    const holes = part.holes.at.length;
    if (holes === 0) return refuse(say`it has no holes to bolt through`);
    if (!pulled && place.on === 'plate') return inInsert(placed, mount, shop, hull);
    if (ownNut(part)) return { ...none, holes, behind: 20, spots: part.holes.at };
    const thread = findThread(part.holes.thread, shop.drilling.threads);
    if (!thread) return refuse(say`no thread ${part.holes.thread} in the tables`);
    const plate = pulled || mount.plate;
    const thick = plate ? shop.holding.plate : 0;
    // A pulled plate is tapped: its screws need no nut behind, and may stand out of it.
    const bolt = chooseBolt(
      thread,
      { base: part.body.base.thickness, gasket: GASKET, wall: frame.wall, plate: thick },
      pulled ? TAPPED : nutted(thread, shop.holding.nut),
    );
    return {
      ...none,
      thread,
      bolt,
      plate,
      hand: !pulled,
      holes,
      count: holes,
      spots: part.holes.at,
      behind: bolt.ok ? bolt.length - part.body.base.thickness - GASKET - frame.wall : 0,
      fastener: bolt.ok ? boltName(thread, bolt.length) : null,
      cannot: bolt.ok ? null : tooLong(bolt),
    };
  };

/** A wing nut is so many diameters high (DIN 315, about, from memory; the greater is taken). */
const WING = 1.6;

/** Studs put up from inside and locked on the deck: the part goes over them under wing nuts, and comes off by hand. */
const onStuds: Way = ({ part, frame }, mount, shop) => {
  const holes = part.holes.at.length;
  const thread = findThread(part.holes.thread, shop.drilling.threads);
  if (holes === 0) return refuse(say`it has no holes to go over studs`);
  if (!thread) return refuse(say`no thread ${part.holes.thread} in the tables`);
  const thick = mount.plate ? shop.holding.plate : 0;
  // Head inside, wall, gasket, a nut that locks it on the deck; then the base, a washer and the wing nut.
  const stack = { base: part.body.base.thickness, gasket: GASKET, wall: frame.wall, plate: thick };
  const jam = thread.nuts.plain;
  const bolt = chooseBolt(thread, stack, { washer: thread.washer, nut: jam + WING * thread.diameter });
  return {
    ...none,
    thread,
    bolt,
    plate: mount.plate,
    hand: true,
    holes,
    count: holes,
    spots: part.holes.at,
    // Inside there is a head and its washer.
    behind: thread.washer + 0.7 * thread.diameter + thick,
    proud: bolt.ok ? bolt.length - frame.wall - GASKET - thick : 0,
    fastener: bolt.ok ? `Stud ${boltName(thread, bolt.length)}` : null,
    cannot: bolt.ok ? null : tooLong(bolt),
  };
};

const riveted: Way = ({ part, frame }) => {
  const rivet = part.holes.rivet ? rivetFor(part.holes.rivet, part.body.base.thickness + frame.wall) : undefined;
  return {
    ...none,
    rivet,
    holes: part.holes.at.length,
    count: part.holes.at.length,
    spots: part.holes.at,
    // The blind head swells behind: about one and a half diameters and what the grip leaves over.
    behind: rivet ? rivet.greatestGrip - part.body.base.thickness - frame.wall + 1.5 * rivet.diameter : 0,
    fastener: rivet ? `Rivet ${rivet.grade}` : null,
    cannot: rivet ? null : say`no rivet sold grips this stack`,
  };
};

const screwed: Way = ({ part, frame }, _mount, shop) => {
  const screw = SCREWS[findThread(part.holes.thread, shop.drilling.threads)?.name ?? ''];
  if (!screw) return refuse(say`no self-tapping screw of its size is sold`);
  const bolt = chooseScrew(part.body.base.thickness, frame.wall);
  return {
    ...none,
    bolt,
    bore: screw.pilot,
    holes: part.holes.at.length,
    count: part.holes.at.length,
    spots: part.holes.at,
    behind: bolt.ok ? bolt.showing : 0,
    fastener: bolt.ok ? `Screw ${screw.name} × ${bolt.length}` : null,
    cannot: bolt.ok ? null : say`no screw sold is long enough: ${fine(bolt.needed)} wanted`,
  };
};

const onWellNuts: Way = ({ part, frame }, _mount, shop) => {
  const thread = findThread(part.holes.thread, shop.drilling.threads);
  const nut = thread && WELL_NUTS[thread.name];
  if (!thread || !nut) return refuse(say`no well nut of its thread is sold`);
  const thick = frame.wall > nut.grip;
  return {
    ...none,
    thread,
    bore: nut.hole,
    holes: part.holes.at.length,
    count: part.holes.at.length,
    spots: part.holes.at,
    behind: nut.body - frame.wall,
    fastener: `Well nut ${thread.name}`,
    cannot: thick ? say`the wall of ${fine(frame.wall)} is thicker than a well nut grips, ${fine(nut.grip)}` : null,
  };
};

const glued: Way = (_placed, _mount, _shop, hull) =>
  hull.material === 'polyethylene'
    ? refuse(say`few adhesives hold on polyethylene`)
    : { ...none, fastener: 'Glue pad', count: 1, spots: [{ u: 0, v: 0 }] };

const clamped: Way = ({ part, place }, _mount, _shop, hull) => {
  const rail = place.on === 'rail' ? hull.rails?.find((r) => r.id === place.rail) : undefined;
  if (!rail && place.on !== 'fitting') return refuse(say`no rail here to clamp on`);
  return { ...none, fastener: 'Clamp', count: 1, spots: [{ u: 0, v: 0 }], cannot: rail ? railFault(part, rail) : null };
};

const tied: Way = ({ place, frame }, _mount, _shop, hull) => {
  const round = place.on === 'rail' || place.on === 'fitting';
  const near = (hull.ties ?? []).filter((t) => t.room === undefined && distance(t, frame.origin) <= TIE_REACH);
  if (!round && near.length < 2) return refuse(say`nothing here to put a tie round: a rail, a crate, two tie points`);
  return { ...none, fastener: 'Cable tie', count: TIES, spots: [{ u: 0, v: 0 }] };
};

/** Two ties, so that one may let go (judgement); round eyes no farther off than a long tie goes, mm. */
const TIES = 2;
const TIE_REACH = 150;

const padded: Way = ({ place, below }, _mount, _shop, hull) =>
  !below && hull.material === 'polyethylene'
    ? refuse(say`its pads do not stay on polyethylene`)
    : place.on === 'rail' || place.on === 'side'
      ? refuse(say`it wants a flat place for its pads`)
      : { ...none, fastener: 'Hook-and-loop pad', count: 1, spots: [{ u: 0, v: 0 }] };

const onSteel: Way = ({ part, below }) => {
  if (part.holding.magnet === undefined) return refuse(say`it has no magnet`);
  return below?.part.joins?.heads.some((h) => h.kind === 'steel')
    ? { ...none, spots: [{ u: 0, v: 0 }] }
    : refuse(say`no steel under it: put a steel disc there first`);
};

/** Tie points so near a thing's middle take its straps, where nobody said which (judgement), mm. */
export const STRAP_REACH = 600;

const strapped: Way = ({ place, frame, fitting, below }, _mount, _shop, hull) => {
  // Where its straps are said, that they hold is judged with all the ties aboard.
  if (fitting.straps?.length) return { ...none, fastener: 'Strap', count: fitting.straps.length };
  // A board or a tray with slots of its own holds what stands on it.
  if ((below?.part.ties?.length ?? 0) >= 2) return { ...none, fastener: 'Strap', count: 1 };
  const room = place.on === 'space' ? place.space : undefined;
  const near = (hull.ties ?? []).filter((t) => t.room === room && distance(t, frame.origin) <= STRAP_REACH);
  if (near.length < 2) return refuse(say`no two tie points near it to draw a strap between`);
  return { ...none, fastener: 'Strap', count: 1 };
};

/** What may hold a thing inside the hull: nothing is drilled through the boat from there. */
const INSIDE: readonly Hold[] = ['loose', 'strap', 'glue'];

const WAYS: Readonly<Record<Hold, Way>> = {
  loose: () => none,
  strap: strapped,
  clamp: clamped,
  track: inTrack,
  insert: inInsert,
  scupper: ({ place }) => ({ ...none, cannot: place.on === 'scupper' ? null : say`no scupper here for it` }),
  glue: glued,
  screw: screwed,
  rivet: riveted,
  'well nut': onWellNuts,
  through: bolted(false),
  'pulled plate': bolted(true),
  stud: onStuds,
  'cable tie': tied,
  'hook and loop': padded,
  magnet: onSteel,
};

/** How a thing is held that came aboard and stays: what holds it is on the boat, whatever we would hold it with today. */
const asItCame = (placed: Placed, shop: ShopSettings, hull: HullModel): Mounted => ({
  ...WAYS[placed.fitting.mount.hold](placed, placed.fitting.mount, shop, hull),
  hold: placed.fitting.mount.hold,
  there: true,
  holes: 0,
  cannot: null,
  first: null,
});

/** Works out fasteners and holes of a fitting for the way it is held. */
export function mountFitting(placed: Placed, shop: ShopSettings, hull: HullModel): Mounted {
  const { part, fitting } = placed;
  const { hold } = fitting.mount;
  if (isThere(fitting, placed.place)) return asItCame(placed, shop, hull);
  if (!canBe(part, hold)) return { ...none, hold, cannot: say`${part.name} cannot be held by ${HOLD_WORDS[hold]}` };
  if (placed.place.on === 'space' && !INSIDE.includes(hold))
    return { ...none, hold, cannot: say`inside the hull it is strapped, glued or set down: nothing is drilled there` };
  return { ...WAYS[hold](placed, fitting.mount, shop, hull), hold };
}
