import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { otherSide, slideTo } from '@plain-cleat/core/checks/findings';
import type { HullSurface } from '@plain-cleat/core/boat/hull';
import { frameOf, nudge } from '@plain-cleat/core/layout';
import { type Change, type DraftChange, type Place, withoutBoat, sameJson } from '@plain-cleat/core/rig';
import { asOne } from '../stores/as-one';

const newId = (): string => crypto.randomUUID();

const movable = (items: readonly Fitted[]): Fitted[] => items.filter((i) => !i.placed.fitting.locked);

function slides(items: readonly Fitted[], to: (item: Fitted, i: number) => Place | null): Change | null {
  return asOne(
    movable(items).flatMap((item, i) => {
      const place = to(item, i);
      return place && !sameJson(place, item.placed.place) ? [slideTo(item, place)] : [];
    }),
  );
}

const shifted = (hull: HullSurface, item: Fitted, dx: number, dy: number): Place => nudge(hull, item.placed.place, dx, dy);

/** All at the same distance aft as the first. */
export const alignAcross = (hull: HullSurface, items: readonly Fitted[]): Change | null => {
  const [first] = items;
  return slides(items, (i) => (first ? shifted(hull, i, first.placed.frame.origin.x - i.placed.frame.origin.x, 0) : null));
};

/** All as far off the centre line as the first, each on its own side. */
export const alignAlong = (hull: HullSurface, items: readonly Fitted[]): Change | null => {
  const [first] = items;
  return slides(items, (i) => {
    const y = i.placed.frame.origin.y;
    const off = Math.abs(first?.placed.frame.origin.y ?? 0);
    return shifted(hull, i, 0, (y < 0 ? -off : off) - y);
  });
};

/** Evenly between the first and the last, bow to stern. */
export const distribute = (hull: HullSurface, items: readonly Fitted[]): Change | null => {
  const inOrder = [...items].sort((a, b) => a.placed.frame.origin.x - b.placed.frame.origin.x);
  const [from, to] = [inOrder[0]?.placed.frame.origin.x ?? 0, inOrder.at(-1)?.placed.frame.origin.x ?? 0];
  return asOne(
    inOrder.flatMap((item, i) => {
      const x = from + ((to - from) * i) / Math.max(1, inOrder.length - 1);
      const place = shifted(hull, item, x - item.placed.frame.origin.x, 0);
      const stays = Math.abs(x - item.placed.frame.origin.x) < 0.05 || item.placed.fitting.locked;
      return stays ? [] : [slideTo(item, place)];
    }),
  );
};

/** Each to the same place on the other side. */
export const toOtherSide = (hull: HullSurface, items: readonly Fitted[]): Change | null =>
  slides(items, (i) => otherSide(hull, i.placed.place));

/** So far from what it is a copy of, mm. */
const BESIDE = 20;

/** The same again: right behind, or before where there is no room; or mirrored on the other side. Returns the new names too. */
export function copies(
  hull: HullSurface,
  items: readonly Fitted[],
  where: 'behind' | 'other side',
): { change: Change | null; ids: string[] } {
  const ids = items.map((i) => `${i.placed.part.id.slice(0, 40)}-${newId().slice(0, 6)}`);
  const renamed = new Map(items.map((i, n) => [i.placed.id, ids[n] ?? '']));
  const ends = items.flatMap(({ placed: { frame, part } }) => {
    const half = part.body.base.length / 2;
    return [frame.origin.x - half, frame.origin.x + half];
  });
  const far = Math.max(...ends) - Math.min(...ends) + BESIDE;
  const drafts = items.map((i, n): DraftChange => {
    const { fitting, place } = i.placed;
    const { elsewhere: _, locked: __, group: ___, ...rest } = withoutBoat(fitting);
    const moved =
      place.on === 'fitting' && renamed.has(place.fitting)
        ? { ...place, fitting: renamed.get(place.fitting) ?? '' }
        : ((where === 'other side' ? otherSide(hull, place) : null) ?? behind(hull, i, far));
    return { kind: 'placeItem', item: ids[n] ?? '', to: { ...rest, place: moved } };
  });
  return { change: asOne(drafts), ids };
}

/** So far behind it, or before it where its track ends. */
function behind(hull: HullSurface, { placed: { place, frame } }: Fitted, far: number): Place {
  const aft = nudge(hull, place, far, 0);
  const there = frameOf(hull, aft)?.origin;
  return there && there.x - frame.origin.x < far - 1 ? nudge(hull, place, -far, 0) : aft;
}

/** Moves some fittings together. What stands on another of them goes with it by itself. */
export function moveAll(hull: HullSurface, items: readonly Fitted[], dx: number, dy: number): DraftChange[] {
  const ids = new Set(items.map((i) => i.placed.id));
  return movable(items).flatMap((i) => {
    const { place } = i.placed;
    if (place.on === 'fitting' && ids.has(place.fitting)) return [];
    return [slideTo(i, nudge(hull, place, dx, dy))];
  });
}

/** One field of several fittings set to the same, where it differs. */
export function setAll<K extends 'group' | 'locked'>(
  items: readonly Fitted[],
  field: K,
  to: K extends 'group' ? string | null : true | null,
): Change | null {
  return asOne(
    items.flatMap((i): DraftChange[] => {
      const from = i.placed.fitting[field] ?? null;
      if (from === to) return [];
      return field === 'group'
        ? [{ kind: 'groupItem', item: i.placed.id, from: from as string | null, to: to as string | null }]
        : [{ kind: 'lockItem', item: i.placed.id, from: from ? true : null, to: to as true | null }];
    }),
  );
}
