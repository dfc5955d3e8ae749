import { LONG, WIDE } from './outline';
import type { Place } from './place';
import type { HullModel } from './schema';

/** What is wrong with a hull, by field. */
export interface HullFault {
  readonly field: string;
  readonly says: string;
}

const LISTS = [
  ...['decks', 'hatches', 'tracks', 'inserts', 'scuppers', 'hazards', 'spaces', 'moving', 'rails', 'plates', 'walls'],
  ...['handles', 'ties', 'stock'],
] as const;
/** The bow tip is where x is nought, to the nearest of these, mm. */
const BOW = 1;

/** What a kayak's figures can be at all, mm (judgement): what lies outside was typed in another unit, or is no kayak's. */
const BOUNDS = {
  long: { ...LONG, of: 'a hull is' },
  beam: { ...WIDE, of: 'the widest beam is' },
  height: { least: 0, most: 1500, of: 'heights are' },
  wall: { least: 0.2, most: 100, of: 'a wall is' },
  opening: { least: 10, most: 2000, of: 'a clear opening is' },
  scupper: { least: 5, most: 150, of: 'a scupper is' },
  rail: { least: 5, most: 100, of: 'a rail is' },
  slot: { least: 1, most: 60, of: 'a slot is' },
  insert: { least: 0, most: 100, of: 'an insert is' },
  tube: { least: 1, most: 300, of: 'a tube inside has a radius of' },
} as const;

/** Figures that no hull can have, each with what would be right. */
function unphysical(model: HullModel): HullFault[] {
  const faults: HullFault[] = [];
  const within = (field: string, value: number | undefined, bounds: keyof typeof BOUNDS): void => {
    const { least, most, of } = BOUNDS[bounds];
    if (value !== undefined && !(value >= least && value <= most))
      faults.push({
        field,
        says: `${of} ${least} to ${most} mm${bounds === 'long' || bounds === 'beam' ? '' : ' there'}; this says ${value}`,
      });
  };
  const each = <T>(list: string, all: readonly T[] | undefined, look: (one: T, field: string) => void): void =>
    all?.forEach((one, i) => look(one, `${list}.${i}`));
  const { stations } = model;
  within('stations', Math.max(...stations.map((s) => s.x)) - Math.min(...stations.map((s) => s.x)), 'long');
  within('stations', 2 * Math.max(...stations.map((s) => s.halfBreadth)), 'beam');
  within('wall', model.wall, 'wall');
  each('stations', stations, (s, at) => {
    within(`${at}.gunwale`, s.gunwale, 'height');
    within(`${at}.keel`, s.keel, 'height');
  });
  each('decks', model.decks, (d, at) => {
    within(`${at}.height`, d.height, 'height');
    within(`${at}.wall`, d.wall, 'wall');
  });
  each('walls', model.walls, (w, at) => within(`${at}.wall`, w.wall, 'wall'));
  each('hatches', model.hatches, (h, at) => {
    within(`${at}.height`, h.height, 'height');
    within(`${at}.opens`, h.opens, 'opening');
    within(`${at}.lid.thick`, h.lid?.thick, 'height');
  });
  each('tracks', model.tracks, (t, at) => {
    within(`${at}.height`, t.height, 'height');
    within(`${at}.slot.opening`, t.slot.opening, 'slot');
    within(`${at}.slot.depth`, t.slot.depth, 'slot');
  });
  each('inserts', model.inserts, (i, at) => {
    within(`${at}.height`, i.height, 'height');
    within(`${at}.depth`, i.depth, 'insert');
  });
  each('scuppers', model.scuppers, (s, at) => within(`${at}.diameter`, s.diameter, 'scupper'));
  each('rails', model.rails, (r, at) => within(`${at}.diameter`, r.diameter, 'rail'));
  each('plates', model.plates, (p, at) => within(`${at}.height`, p.height, 'height'));
  each('handles', model.handles, (h, at) => within(`${at}.height`, h.height, 'height'));
  each('hazards', model.hazards, (h, at) => within(`${at}.radius`, h.shape === 'tube' ? h.radius : undefined, 'tube'));
  return faults;
}

/**
 * What keeps a hull from holding together: figures that no kayak has, no beam, a bow that is not at nought, stations out of order or without
 * height, areas turned inside out, two things of one name, a track that lies beside the hull.
 */
export function hullFaults(model: HullModel): HullFault[] {
  const faults: HullFault[] = [];
  const fault = (field: string, says: string): void => void faults.push({ field, says });
  const { stations } = model;
  const xs = stations.map((s) => s.x);
  const [bow, stern] = [Math.min(...xs), Math.max(...xs)];
  faults.push(...unphysical(model));
  if (Math.abs(bow) > BOW) fault('stations.0.x', 'the bow tip is at 0: measure every station from there');
  stations.forEach((s, i) => {
    if (xs.indexOf(s.x) !== i) fault(`stations.${i}.x`, 'another station stands at the same place; each needs its own');
    if (s.gunwale <= s.keel) fault(`stations.${i}.gunwale`, 'must stand over the keel');
  });
  for (const list of LISTS) {
    const all = (model as unknown as Record<string, readonly { readonly id: string }[] | undefined>)[list] ?? [];
    const ids = all.map((one) => one.id);
    const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
    if (twice >= 0) fault(`${list}.${twice}.id`, `two are called ${ids[twice] ?? ''}; each needs a name of its own`);
  }
  for (const list of ['decks', 'hatches', 'spaces', 'walls'] as const)
    (model[list] ?? []).forEach((a, i) => {
      if (a.fore >= a.aft) fault(`${list}.${i}.aft`, 'its after edge lies aft of its forward one');
      if (a.port >= a.starboard) fault(`${list}.${i}.starboard`, 'its starboard edge lies to starboard of its port one');
    });
  const hatches = new Set(model.hatches.map((h) => h.id));
  model.spaces?.forEach((space, i) => {
    const strange = space.hatches.findIndex((h) => !hatches.has(h));
    if (strange >= 0) fault(`spaces.${i}.hatches.${strange}`, `this hull has no hatch ${space.hatches[strange] ?? ''}`);
    if (space.moulded && space.floor === undefined)
      fault(`spaces.${i}.floor`, 'a moulded space has a floor of its own: measure it');
    if (space.floor !== undefined && space.top !== undefined && space.top <= space.floor)
      fault(`spaces.${i}.top`, 'its ceiling is over its floor');
  });
  const rooms = new Set(model.spaces?.map((s) => s.id));
  model.ties?.forEach((tie, i) => {
    if (tie.room !== undefined && !rooms.has(tie.room)) fault(`ties.${i}.room`, `this hull has no room ${tie.room} inside`);
  });
  model.stock?.forEach((one, i) => {
    const misplaced = placeFault(model, one.place);
    if (misplaced) fault(`stock.${i}.place.${misplaced.field}`, misplaced.says);
  });
  const moving = new Set(model.moving?.map((m) => m.id));
  for (const list of ['decks', 'tracks', 'rails'] as const)
    (model[list] ?? []).forEach((one, i) => {
      if (one.rides !== undefined && !moving.has(one.rides))
        fault(`${list}.${i}.rides`, `nothing called ${one.rides} moves on this hull`);
    });
  const beam = 2 * Math.max(...stations.map((s) => s.halfBreadth));
  model.tracks.forEach((t, i) => {
    if (t.fore >= t.aft || t.fore < bow || t.aft > stern || Math.abs(t.y) > beam)
      fault(`tracks.${i}`, `${t.name} does not lie on this hull`);
  });
  return faults.slice(0, 20);
}

/** What is wrong with a place on this hull: a track or insert it does not have; null when it is there. */
export function placeFault(hull: HullModel, place: Place): HullFault | null {
  if (place.on === 'track' && !hull.tracks.some((t) => t.id === place.track))
    return { field: 'track', says: `this hull has no track ${place.track}` };
  if (place.on === 'insert' && !hull.inserts.some((i) => i.id === place.insert))
    return { field: 'insert', says: `this hull has no insert ${place.insert}` };
  if (place.on === 'scupper' && !hull.scuppers.some((s) => s.id === place.scupper))
    return { field: 'scupper', says: `this hull has no scupper ${place.scupper}` };
  if (place.on === 'plate' && !hull.plates?.some((p) => p.id === place.plate))
    return { field: 'plate', says: `this hull has no plate ${place.plate}` };
  if (place.on === 'rail' && !hull.rails?.some((r) => r.id === place.rail))
    return { field: 'rail', says: `this hull has no rail ${place.rail}` };
  if (place.on === 'space' && !hull.spaces?.some((s) => s.id === place.space && !s.worn))
    return { field: 'space', says: `this hull has no room ${place.space} inside` };
  if (place.on === 'bulkhead' && !hull.hazards.some((h) => h.kind === 'bulkhead' && h.id === place.bulkhead))
    return { field: 'bulkhead', says: `this hull has no bulkhead ${place.bulkhead}` };
  return null;
}
