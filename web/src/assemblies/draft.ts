import type { Part } from '@plain-cleat/core/parts/parts';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { entryOf, type Assembly, type Fitting, fittingOf, standingOn } from '@plain-cleat/core/rig';
import { MM_PER_INCH, type UnitSystem } from '@plain-cleat/core/base/units';

/** An assembly being built, and the version it was taken from; nought for a new one. */
export interface AssemblyDraft {
  readonly assembly: Assembly;
  readonly expects: number;
}

const named = (part: Part, taken: Assembly['fittings']): string => {
  const stem = part.id.slice(0, 40);
  for (let n = 1; ; n++) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (!Object.hasOwn(taken, id)) return id;
  }
};

/** A new assembly on a part. */
export function startOn(part: Part): AssemblyDraft {
  const id = named(part, {});
  const assembly = {
    id: `a-${crypto.randomUUID().slice(0, 12)}`,
    name: '',
    version: 1,
    base: id,
    fittings: { [id]: fittingOf(part, { on: 'deck', x: 0, y: 0, heading: 0 }) },
  };
  return { assembly, expects: 0 };
}

/** With one more part, standing in the middle of another. */
export function withPart(a: Assembly, part: Part, on: string): { assembly: Assembly; id: string } {
  const id = named(part, a.fittings);
  const place = { on: 'fitting' as const, fitting: on, u: 0, v: 0, heading: 0 };
  return { assembly: { ...a, fittings: { ...a.fittings, [id]: fittingOf(part, place) } }, id };
}

const changed = (a: Assembly, id: string, change: (f: Fitting) => Fitting): Assembly => {
  const f = entryOf(a.fittings, id);
  return f ? { ...a, fittings: { ...a.fittings, [id]: change(f) } } : a;
};

/** With one part standing elsewhere on what carries it; the base stays where it is. */
export const withSpot = (a: Assembly, id: string, spot: Partial<{ u: number; v: number; heading: number }>): Assembly =>
  changed(a, id, (f) => (f.place.on === 'fitting' ? { ...f, place: { ...f.place, ...spot } } : f));

export const withHold = (a: Assembly, id: string, hold: Fitting['mount']['hold']): Assembly =>
  changed(a, id, (f) => ({ ...f, mount: { ...f.mount, hold } }));

/** Standing on another part, in its middle; unchanged when that one stands on it. */
export const withFoot = (a: Assembly, id: string, on: string): Assembly =>
  id === a.base || standingOn(a, id).includes(on)
    ? a
    : changed(a, id, (f) => ({ ...f, place: { on: 'fitting', fitting: on, u: 0, v: 0, heading: 0 } }));

/** Without a part and what stands on it; the base cannot go. */
export function without(a: Assembly, id: string): Assembly {
  if (id === a.base) return a;
  const off = new Set(standingOn(a, id));
  return { ...a, fittings: Object.fromEntries(Object.entries(a.fittings).filter(([other]) => !off.has(other))) };
}

/** Where a hull point lies in the frame of what carries a part, to the mark of the tape. */
export function spotUnder(item: Fitted, at: { x: number; y: number }, system: UnitSystem): { u: number; v: number } {
  const below = item.placed.below?.frame;
  if (!below) return { u: 0, v: 0 };
  const [dx, dy] = [at.x - below.origin.x, at.y - below.origin.y];
  const step = system === 'imperial' ? MM_PER_INCH / 16 : 1;
  const marked = (mm: number): number => Math.round(mm / step) * step;
  return { u: marked(dx * below.u.x + dy * below.u.y), v: marked(dx * below.v.x + dy * below.v.y) };
}
