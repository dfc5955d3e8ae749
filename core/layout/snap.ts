import type { Part } from '../parts/parts';
import type { HullModel, HullSurface, Track } from '../boat/hull';
import { frameOf, onRail } from './frame';
import { type Placed } from './placed';
import type { Place } from '../rig';
import { MM_PER_INCH, type UnitSystem } from '../base/units';

/** Rounds a coordinate to the sixteenth of an inch or the millimetre. */
export const toMark = (mm: number, system: UnitSystem): number =>
  system === 'imperial' ? (Math.round((mm / MM_PER_INCH) * 16) / 16) * MM_PER_INCH : Math.round(mm);

/** The nearest x on a track. */
const clampToTrack = (track: Pick<Track, 'fore' | 'aft'>, x: number): number => Math.min(track.aft, Math.max(track.fore, x));

/** Near enough to a track, an insert or a scupper it is pulled to it (judgement), mm. */
const PULL = 60;

/** Two spacings are the same within this, mm: screws start a little off (judgement). */
const SAME = 0.5;

/** Where a base with several holes lies with each of them over a factory insert. */
export function overInserts(
  model: Pick<HullModel, 'inserts'>,
  part: Pick<Part, 'holding' | 'holes'>,
): (Place & { on: 'deck' })[] {
  const [a, ...others] = part.holes.at;
  const b = others.at(-1);
  if (!a || !b || !part.holding.ways.includes('insert')) return [];
  const apart = { u: b.u - a.u, v: b.v - a.v };
  return model.inserts.flatMap((i) =>
    model.inserts.flatMap((j) => {
      const to = { x: j.x - i.x, y: j.y - i.y };
      if (i === j || Math.abs(Math.hypot(to.x, to.y) - Math.hypot(apart.u, apart.v)) > SAME) return [];
      const turned = Math.atan2(apart.v, apart.u) - Math.atan2(to.y, to.x);
      const [c, s] = [Math.cos(turned), Math.sin(turned)];
      const at = (h: { u: number; v: number }) => ({ x: h.u * c + h.v * s, y: h.v * c - h.u * s });
      const origin = { x: i.x - at(a).x, y: i.y - at(a).y };
      const meets = others.every((h) =>
        model.inserts.some((one) => Math.hypot(one.x - origin.x - at(h).x, one.y - origin.y - at(h).y) <= SAME),
      );
      return meets ? [{ on: 'deck' as const, ...origin, heading: (turned * 180) / Math.PI }] : [];
    }),
  );
}

/** A fitting let go somewhere. */
export interface LetGo {
  readonly x: number;
  readonly y: number;
  readonly heading?: number;
  /** Places of like fittings: opposite one of them it takes the mirrored place. */
  readonly partners?: readonly { readonly x: number; readonly y: number }[];
}

/**
 * The place a fitting takes when it is let go: the nearest track, insert or scupper its part can be held by that is
 * near, else the deck, to the mark, on the centre line when close to it.
 */
export function snapPlace(
  hull: HullSurface,
  part: Pick<Part, 'holding' | 'holes'>,
  { heading = 0, partners = [], ...at }: LetGo,
  system: UnitSystem,
): Place {
  const { model } = hull;
  const candidates: { place: Place; far: number }[] = [];
  if (part.holding.ways.includes('track'))
    for (const t of model.tracks) {
      const x = clampToTrack(t, at.x);
      const far = Math.hypot(at.x - x, at.y - t.y);
      candidates.push({ place: { on: 'track', track: t.id, x: clampToTrack(t, toMark(x, system)), heading }, far });
    }
  for (const place of overInserts(model, part)) candidates.push({ place, far: Math.hypot(at.x - place.x, at.y - place.y) });
  if (part.holding.ways.includes('insert'))
    for (const i of model.inserts)
      candidates.push({ place: { on: 'insert', insert: i.id, heading }, far: Math.hypot(at.x - i.x, at.y - i.y) });
  if (part.holding.ways.includes('scupper'))
    for (const s of model.scuppers)
      candidates.push({ place: { on: 'scupper', scupper: s.id, heading }, far: Math.hypot(at.x - s.x, at.y - s.y) });
  if (part.holding.ways.includes('insert') || part.holding.ways.includes('through'))
    for (const p of model.plates ?? [])
      candidates.push({ place: { on: 'plate', plate: p.id, heading }, far: Math.hypot(at.x - p.x, at.y - p.y) });
  if (part.holding.ways.includes('clamp'))
    for (const r of model.rails ?? []) {
      const on = onRail(r, toMark(at.x, system));
      candidates.push({ place: { on: 'rail', rail: r.id, x: on.x, heading }, far: Math.hypot(at.x - on.x, at.y - on.y) });
    }
  const best = candidates.sort((a, b) => a.far - b.far)[0];
  if (best && best.far <= PULL) return best.place;
  const twin = partners.find((p) => Math.abs(p.y) > 12 && Math.hypot(at.x - p.x, at.y + p.y) <= PULL / 2);
  if (twin) return { on: 'deck', x: twin.x, y: -twin.y, heading };
  const x = Math.min(hull.length, Math.max(0, at.x));
  const y = Math.abs(at.y) < 12 ? 0 : toMark(at.y, system);
  return { on: 'deck', x: toMark(x, system), y, heading };
}

/**
 * The place on the nearest of some screwed-on tracks within `pull` mm of a point, by how far along the track it is.
 *
 * @returns null when none is so near
 */
export function onFittedTrack(
  tracks: readonly Placed[],
  at: { readonly x: number; readonly y: number },
  pull: number,
): (Place & { on: 'fitting' }) | null {
  const near = tracks
    .map(({ id, part, frame: { origin, u, v } }) => {
      const [dx, dy] = [at.x - origin.x, at.y - origin.y];
      const along = Math.min(part.body.base.length / 2, Math.max(-part.body.base.length / 2, dx * u.x + dy * u.y));
      const far = Math.hypot(dx * u.x + dy * u.y - along, dx * v.x + dy * v.y);
      return { id, along, far };
    })
    .sort((a, b) => a.far - b.far)[0];
  return near && near.far <= pull ? { on: 'fitting', fitting: near.id, u: near.along, v: 0, heading: 0 } : null;
}

/** Arrows and typed figures seat a thing on a track this near (judgement: half an inch), mm. */
const SEATS_WITHIN = 12.7;

/** A place on deck that lies on a track's line, or within half an inch of it, for a part that rides in tracks: on the track. */
export function seated(hull: HullSurface, part: Pick<Part, 'holding'>, place: Place): Place {
  if (place.on !== 'deck' || !part.holding.ways.includes('track')) return place;
  const near = hull.model.tracks
    .map((t) => ({ t, far: Math.max(Math.abs(place.y - t.y), t.fore - place.x, place.x - t.aft) }))
    .filter(({ far }) => far <= SEATS_WITHIN)
    .sort((a, b) => a.far - b.far)[0];
  return near ? { on: 'track', track: near.t.id, x: clampToTrack(near.t, place.x), heading: place.heading } : place;
}

/** A place moved along and across the boat, kept on its track. What stood on an insert or in a scupper leaves it for the deck. */
export function nudge(hull: HullSurface, place: Place, dx: number, dy: number): Place {
  switch (place.on) {
    case 'deck':
    case 'space':
      return { ...place, x: place.x + dx, y: place.y + dy };
    case 'bulkhead':
      return { ...place, y: place.y + dy };
    case 'side':
      return { ...place, x: place.x + dx, down: Math.max(0, place.down + (place.side === 'port' ? dy : -dy)) };
    case 'track': {
      const t = hull.model.tracks.find((one) => one.id === place.track);
      return t ? { ...place, x: clampToTrack(t, place.x + dx) } : place;
    }
    case 'fitting':
      return { ...place, u: place.u + dx, v: place.v + dy };
    case 'rail': {
      const r = hull.model.rails?.find((one) => one.id === place.rail);
      return r ? { ...place, x: onRail(r, place.x + dx).x } : place;
    }
    case 'insert':
    case 'plate':
    case 'scupper': {
      const at = frameOf(hull, place)?.origin;
      return at ? { on: 'deck', x: at.x + dx, y: at.y + dy, heading: place.heading } : place;
    }
  }
}

/** The same by hand: pushed across, or past its end, what stands on a track comes off it and stands on deck there. */
export function offTrack(hull: HullSurface, place: Place, dx: number, dy: number): Place {
  const t = place.on === 'track' ? hull.model.tracks.find((one) => one.id === place.track) : undefined;
  if (place.on !== 'track' || !t) return nudge(hull, place, dx, dy);
  const x = place.x + dx;
  if (dy === 0 && x >= t.fore && x <= t.aft) return { ...place, x };
  // So far that it does not seat again at once.
  const aside = dy === 0 ? 0 : Math.sign(dy) * Math.max(Math.abs(dy), SEATS_WITHIN + 1);
  const along = x < t.fore ? Math.min(x, t.fore - SEATS_WITHIN - 1) : x > t.aft ? Math.max(x, t.aft + SEATS_WITHIN + 1) : x;
  return { on: 'deck', x: along, y: t.y + aside, heading: place.heading };
}

/** A place turned about its own axis; what is on the side does not turn. */
export function turn(place: Place, degrees: number): Place {
  if (place.on === 'side' || place.on === 'bulkhead') return place;
  return { ...place, heading: ((((place.heading + degrees + 180) % 360) + 360) % 360) - 180 };
}
