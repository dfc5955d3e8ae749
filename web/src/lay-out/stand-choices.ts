import type { Fitted } from '@plain-cleat/core/holding/fitted';
import type { RoomOffer } from '@plain-cleat/core/holding/inside';
import type { Part } from '@plain-cleat/core/parts/parts';
import { type Place } from '@plain-cleat/core/rig';
import { scupperName } from '@plain-cleat/core/boat/hull';
import type { Choice } from '../controls/choice-field';
import type { RigState } from '../stores/rig.store';

/** Something that a fitting could stand on, and where it then would. */
interface StandChoice extends Choice<string> {
  readonly place: () => Place;
}

/** What other things go on. */
const carries = ({ placed: { part } }: Fitted): boolean => (part.joins?.heads.length ?? 0) > 0 || part.body.carries === true;

/** What a place is on, as one word of a choice: `track starboard-rail`, `deck`. */
export function standOf(place: Place): string {
  const on: Readonly<Record<string, unknown>> = place;
  return place.on in on ? `${place.on} ${String(on[place.on])}` : place.on;
}

/** Everything on this boat that a fitting could stand on, its own kind of hold first. */
export function standChoices(
  item: Fitted,
  { doc: { hull }, workup }: Pick<RigState, 'doc' | 'workup'>,
  roomsFor: (part: Part) => readonly RoomOffer[],
): readonly StandChoice[] {
  const { part, id, place, frame } = item.placed;
  const { x, y } = frame.origin;
  const heading = 'heading' in place ? place.heading : 0;
  const held = (...ways: readonly Part['holding']['ways'][number][]): boolean => ways.some((w) => part.holding.ways.includes(w));
  const of = (says: string, to: Place): StandChoice => ({ value: standOf(to), says, place: () => to });

  /** Where a room takes it, else the middle of the room. */
  const rooms = [...workup.surface.rooms.values()].flatMap(({ space }): StandChoice[] => {
    if (space.worn) return [];
    const middle = { x: (space.fore + space.aft) / 2, y: (space.port + space.starboard) / 2 };
    const inside: Place = { on: 'space', space: space.id, ...middle, heading };
    const taken = (): Place => roomsFor(part).find((o) => o.room.space.id === space.id)?.place ?? inside;
    return [{ ...of(`inside, ${space.name}`, inside), place: taken }];
  });
  const tracks = hull.tracks.map((t) => {
    const along = Math.min(t.aft, Math.max(t.fore, x));
    return of(t.name, { on: 'track', track: t.id, x: along, heading });
  });
  const carriers = workup.aboard.items.filter((i) => i.placed.id !== id && carries(i));
  const all = [
    of('the deck', { on: 'deck', x, y, heading }),
    ...(held('loose') ? rooms : []),
    ...(held('track') ? tracks : []),
    ...(held('insert') ? hull.inserts.map((i) => of(i.name, { on: 'insert', insert: i.id, heading })) : []),
    ...(held('scupper')
      ? hull.scuppers.map((s) => of(scupperName(hull.scuppers, s.id), { on: 'scupper', scupper: s.id, heading }))
      : []),
    ...(held('through')
      ? (['port', 'starboard'] as const).map((side) => of(`the ${side} side`, { on: 'side', side, x, down: 60 }))
      : []),
    ...(part.gland
      ? hull.hazards.flatMap((h) => (h.kind === 'bulkhead' ? [of(h.name, { on: 'bulkhead', bulkhead: h.id, y, up: 150 })] : []))
      : []),
    ...carriers.map(({ letter, placed }) =>
      of(`${letter}, ${placed.part.name}`, { on: 'fitting', fitting: placed.id, u: 0, v: 0, heading: 0 }),
    ),
  ];
  return all.some((c) => c.value === standOf(place)) ? all : [...all, of(frame.surface, place)];
}
