import { newestById, type PartRef, revisionOf } from '../parts/parts';
import { entryOf } from './entry-of';
import { z } from 'zod';
import { ofShop } from '../base/stored';
import type { DraftChange } from './change';
import { withoutBoat } from './aboard';
import { linesWithout, runsWithout } from './left-led';
import { keySchema, type Place, type Plan } from './plan';
import { fittingSchema, type Fitting } from './fitting';

/**
 * A small rig of its own, built once and kept in the shop's library: a crate with its tubes, a lift-out
 * pod, a console, a battery box, a camera pole. Everything in it stands on its base.
 */
export const assemblySchema = z.strictObject({
  id: keySchema,
  name: ofShop(z.string().trim().min(1, 'call it something').max(80)),
  version: z.int().min(1),
  base: keySchema.describe('the fitting all others stand on'),
  fittings: z.record(keySchema, fittingSchema),
});
export type Assembly = z.infer<typeof assemblySchema>;

/** An assembly of the newest of these parts: it names parts, and takes them as they are sold when it is placed. */
export function ofNewest(a: Assembly, parts: readonly PartRef[]): Assembly {
  const newest = newestById(parts);
  const renewed = (f: Fitting): Fitting => {
    const { revision: _, ...rest } = f;
    const revision = revisionOf(newest.get(f.part) ?? {});
    return revision === 1 ? rest : { ...rest, revision };
  };
  return { ...a, fittings: Object.fromEntries(Object.entries(a.fittings).map(([id, f]) => [id, renewed(f)])) };
}

/** The fittings that stand on one, and on those, nearest first; itself leading. */
export function standingOn(plan: Pick<Plan, 'fittings'>, base: string): string[] {
  const out = [base];
  for (const id of out)
    for (const [other, f] of Object.entries(plan.fittings))
      if (f.place.on === 'fitting' && f.place.fitting === id && !out.includes(other)) out.push(other);
  return out;
}

/** A fitting and all that stands on it, as an assembly; without what belongs to this one rig. */
export function takeAssembly(
  plan: Pick<Plan, 'fittings'>,
  base: string,
  as: Pick<Assembly, 'id' | 'name' | 'version'>,
): Assembly {
  const ids = standingOn(plan, base);
  const kept = ids.flatMap((id): [string, Fitting][] => {
    const f = entryOf(plan.fittings, id);
    if (!f) return [];
    const {
      revision: _,
      sets: __,
      elsewhere: ___,
      group: ____,
      locked: _____,
      swap: ______,
      of: _______,
      tether,
      ...own
    } = withoutBoat(f);
    const place: Place = id === base ? { on: 'deck', x: 0, y: 0, heading: 0 } : f.place;
    const tied = tether && (tether.to === null || ids.includes(tether.to)) ? { tether } : {};
    return [[id, { ...own, ...tied, place }]];
  });
  return { ...as, base, fittings: Object.fromEntries(kept) };
}

/**
 * Puts an assembly aboard as a copy that knows where it came from: its base at a place, the rest on it.
 *
 * @param newId gives the name of each new fitting
 */
export function placeAssembly(
  a: Assembly,
  at: Place,
  newId: (id: string) => string,
  more: Partial<Pick<Fitting, 'sets' | 'mount'>> = {},
): { changes: DraftChange[]; base: string } {
  const names = new Map(Object.keys(a.fittings).map((id) => [id, newId(id)]));
  const named = (id: string): string => names.get(id) ?? id;
  const inOrder = standingOn(a, a.base);
  const changes = inOrder.flatMap((id): DraftChange[] => {
    const f = entryOf(a.fittings, id);
    if (!f) return [];
    const own: Fitting = {
      ...f,
      ...(more.sets ? { sets: more.sets } : {}),
      place: f.place.on === 'fitting' ? { ...f.place, fitting: named(f.place.fitting) } : at,
      ...(f.tether?.to ? { tether: { ...f.tether, to: named(f.tether.to) } } : {}),
    };
    const to =
      id === a.base ? { ...own, ...(more.mount ? { mount: more.mount } : {}), of: { assembly: a.id, version: a.version } } : own;
    return [{ kind: 'placeItem', item: named(id), to }];
  });
  return { changes, base: named(a.base) };
}

/**
 * Brings a placed copy to the library's newer version: what stood on its base comes off, what the newer one
 * has goes on. The base stays where it is.
 */
export function renewAssembly(plan: Plan, base: string, newer: Assembly, newId: (id: string) => string): DraftChange[] {
  const own = entryOf(plan.fittings, base);
  if (!own) return [];
  const off = standingOn(plan, base).slice(1).reverse();
  const fresh = placeAssembly(newer, own.place, newId, own.sets ? { sets: own.sets } : {});
  const [top, ...rest] = fresh.changes;
  if (top?.kind !== 'placeItem') return [];
  const onBase = rest.map((c): DraftChange => {
    if (c.kind !== 'placeItem' || c.to.place.on !== 'fitting' || c.to.place.fitting !== fresh.base) return c;
    return { ...c, to: { ...c.to, place: { ...c.to.place, fitting: base } } };
  });
  return [
    ...runsWithout(plan, (fitting) => off.includes(fitting)),
    ...linesWithout(plan, (fitting) => off.includes(fitting)),
    ...off.flatMap((item): DraftChange[] => {
      const from = entryOf(plan.fittings, item);
      return from ? [{ kind: 'takeOffItem', item, from }] : [];
    }),
    ...onBase,
    { kind: 'renewItem', item: base, from: own.of ?? null, to: { assembly: newer.id, version: newer.version } },
  ];
}
