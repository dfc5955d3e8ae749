import type { Part } from '../../parts/parts';
import type { DeckArea, HullSurface, Track } from '../../boat/hull';
import { joinFault } from '../../holding/mounting';
import { roomsFor } from '../../holding/inside';
import { onRail, overInserts, railFault, slotFault, toMark, type Placed } from '../../layout';
import type { ShopSettings } from '../../parts/shop';
import type { Brief, Place } from '../../rig';
import type { UnitSystem } from '../../base/units';

/** What places are looked for in. */
export interface SpotSetting {
  readonly hull: HullSurface;
  readonly brief: Brief;
  readonly shop: ShopSettings;
  /** What stands aboard. */
  readonly others: readonly Placed[];
  readonly units: UnitSystem;
  /** How far apart places are tried along a track or a deck, mm. */
  readonly step: number;
}

/** A place where a part could stand, and what carries it: places on one thing are of one kind. */
export interface Spot {
  readonly place: Place;
  readonly on: string;
}

/** So far from its ends nothing is tried on a track (judgement), mm. */
const END = 30;
/** What drills or clamps on the gunwale is no longer or wider than this (judgement), mm. */
const ON_GUNWALE = 160;
/** So far inside the edge of what it stands on, a base is tried (judgement), mm. */
const MARGIN = 5;
/** Rods lean out to their side by this where they do not stand straight (judgement), degrees. */
const LEANS_OUT = 30;

/**
 * Every place a part could stand at, by what the hull and what is aboard offer it.
 * @param joined it goes onto what its foot joins, and not on a deck
 */
export function* spotsFor(part: Part, setting: SpotSetting, joined: boolean): Generator<Spot> {
  const { hull } = setting;
  const { seat } = hull.model;
  if (part.body.place === 'sat on' || part.body.place === 'worn')
    return yield { place: { on: 'deck', x: seat.x, y: 0, heading: 0 }, on: 'the seat' };
  yield* onTracks(part, setting);
  yield* onWhatIsMade(part, setting);
  yield* onFittings(part, setting);
  for (const { room, place } of part.inside
    ? roomsFor(hull, part, { plan: setting, shop: setting.shop, others: setting.others })
    : [])
    yield { place, on: room.space.name };
  if (joined) return;
  yield* onDecks(part, setting);
  yield* onGunwales(part, setting);
}

/** Whether it may stand loose, tied, glued or drilled down wherever there is a surface. */
const onSurfaces = ({ holding: { ways } }: Part): boolean =>
  ways.some((w) => ['loose', 'strap', 'through', 'rivet', 'glue', 'well nut', 'hook and loop', 'stud'].includes(w));

/** Port and starboard alike to the mark. */
const across = (y: number, units: UnitSystem): number => Math.sign(y) * toMark(Math.abs(y), units);

/** Along from one end to the other, both ends too. */
function* along(fore: number, aft: number, { step, units }: Pick<SpotSetting, 'step' | 'units'>): Generator<number> {
  if (aft < fore) return;
  const n = Math.ceil((aft - fore) / step);
  const seen = new Set<number>();
  for (let i = 0; i <= n; i++) {
    const x = Math.min(aft, Math.max(fore, toMark(Math.min(aft, fore + i * step), units)));
    if (!seen.has(x)) yield x;
    seen.add(x);
  }
}

/** Which ways round it is tried on one side, the mirror of the other: what faces somebody, or leans, may be turned about. */
function headingsOf({ rods, screen, lens, body: { base } }: Part, y: number): number[] {
  const out = y > 0 ? -1 : 1;
  const faces = rods !== undefined || screen !== undefined || lens !== undefined;
  const oblong = Math.abs(base.length - base.width) > 20;
  return [
    0,
    ...(faces ? [180] : []),
    ...(rods ? [LEANS_OUT * out, ...(y === 0 ? [-LEANS_OUT] : [])] : []),
    ...(oblong && !faces ? [90 * out] : []),
  ];
}

function* onTracks(part: Part, setting: SpotSetting): Generator<Spot> {
  if (!part.holding.ways.includes('track')) return;
  const rides = (t: Track): boolean => slotFault(part.holding, t.slot) === null;
  for (const t of setting.hull.model.tracks.filter(rides)) {
    // A bar over both lies on each as well as on the other.
    if (part.body.bridges && t.side === 'port') continue;
    for (const x of along(t.fore + END, t.aft - END, setting))
      for (const heading of part.body.bridges ? [0] : headingsOf(part, t.y))
        yield { place: { on: 'track', track: t.id, x, heading }, on: t.name };
  }
}

/** On what the maker made for it: inserts, scuppers, plates, rails. */
function* onWhatIsMade(part: Part, setting: SpotSetting): Generator<Spot> {
  const { model } = setting.hull;
  const { ways } = part.holding;
  for (const place of overInserts(model, part)) yield { place, on: 'inserts' };
  if (ways.includes('insert'))
    for (const i of model.inserts)
      for (const heading of headingsOf(part, i.y)) yield { place: { on: 'insert', insert: i.id, heading }, on: i.name };
  if (ways.includes('scupper'))
    for (const s of model.scuppers) yield { place: { on: 'scupper', scupper: s.id, heading: 0 }, on: 'scuppers' };
  if (ways.includes('through') || ways.includes('insert'))
    for (const p of model.plates ?? []) yield { place: { on: 'plate', plate: p.id, heading: 0 }, on: p.name };
  if (ways.includes('clamp'))
    for (const rail of (model.rails ?? []).filter((r) => railFault(part, r) === null)) {
      const [fore, aft] = [Math.min(rail.from.x, rail.to.x), Math.max(rail.from.x, rail.to.x)];
      for (const x of fore === aft ? [fore] : along(fore, aft, setting))
        for (const heading of headingsOf(part, onRail(rail, x).y))
          yield { place: { on: 'rail', rail: rail.id, x, heading }, on: rail.name };
    }
}

/** On what is aboard: a head that its foot joins, a track that was screwed on. */
function* onFittings(part: Part, setting: SpotSetting): Generator<Spot> {
  for (const below of setting.others) {
    const { id, frame } = below;
    const on = `${below.part.name} ${id}`;
    if (part.joins?.foot && below.part.joins && joinFault(below.part, part) === null)
      for (const heading of headingsOf(part, frame.origin.y))
        yield { place: { on: 'fitting', fitting: id, u: 0, v: 0, heading }, on };
    if (below.part.holding.slot && part.holding.ways.includes('track') && !part.body.bridges) {
      const half = below.part.body.base.length / 2 - END;
      for (const u of along(-half, half, setting))
        for (const heading of headingsOf(part, frame.origin.y))
          yield { place: { on: 'fitting', fitting: id, u, v: 0, heading }, on };
    }
  }
}

/** Lines along the boat on which a base lies within an area: on the centre line, along its edges, and between. */
function linesIn({ port, starboard }: Pick<DeckArea, 'port' | 'starboard'>, wide: number, units: UnitSystem): number[] {
  const reach = [port + wide / 2 + MARGIN, starboard - wide / 2 - MARGIN] as const;
  if (reach[0] > reach[1]) return [];
  const centred = reach[0] <= 0 && reach[1] >= 0;
  const between = centred ? [reach[0] / 2, reach[1] / 2] : [(reach[0] + reach[1]) / 2];
  return [...new Set([...(centred ? [0] : []), ...reach, ...between].map((y) => across(y, units)))];
}

function* onDecks(part: Part, setting: SpotSetting): Generator<Spot> {
  if (!onSurfaces(part)) return;
  const { length, width } = part.body.base;
  const { hull } = setting;
  if (hull.model.decks.every((d) => d.aft - d.fore < length)) yield* overAll(part, setting);
  for (const d of hull.model.decks.filter((d) => d.kind !== 'seat')) {
    // Each way round by itself: it may fit along and not across.
    for (const turned of [false, true]) {
      const [long, wide] = turned ? [width, length] : [length, width];
      for (const y of linesIn(d, wide, setting.units))
        for (const heading of headingsOf(part, y).filter((h) => (Math.abs(h) === 90) === turned))
          for (const x of along(d.fore + long / 2 + MARGIN, d.aft - long / 2 - MARGIN, setting))
            if (hull.spot(x, y).deck?.kind !== 'seat') yield { place: { on: 'deck', x, y, heading }, on: d.name };
    }
  }
}

/** What is longer than any deck lies along the boat over several. */
function* overAll(part: Part, setting: SpotSetting): Generator<Spot> {
  const { length, width } = part.body.base;
  const { hull, units } = setting;
  for (const x of along(length / 2, hull.length - length / 2, setting)) {
    const wide = Math.min(hull.halfBreadth(x - length / 2), hull.halfBreadth(x + length / 2)) - width / 2 - 3 * MARGIN;
    for (const share of [-1, -0.5, 0, 0.5, 1])
      if (wide > 0) yield { place: { on: 'deck', x, y: across(share * wide, units), heading: 0 }, on: 'the whole deck' };
  }
}

/** Along the edge, where the deck is not: what is small and is drilled or glued down. */
function* onGunwales(part: Part, setting: SpotSetting): Generator<Spot> {
  const { length, width } = part.body.base;
  const down = part.holding.ways.some((w) => ['through', 'rivet', 'glue', 'well nut'].includes(w));
  if (!down || Math.max(length, width) > ON_GUNWALE) return;
  const { hull, units } = setting;
  for (const x of along(length, hull.length - length, setting))
    for (const side of [-1, 1]) {
      const y = across(side * (hull.halfBreadth(x) - width / 2 - 3 * MARGIN), units);
      if (y * side <= 0 || hull.spot(x, y).name !== 'gunwale') continue;
      for (const heading of headingsOf(part, y)) yield { place: { on: 'deck', x, y, heading }, on: 'gunwale' };
    }
}
