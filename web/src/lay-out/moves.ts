import { inject, Injectable } from '@angular/core';
import { bestHeld } from '@plain-cleat/core/checks/advice';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { slideTo } from '@plain-cleat/core/checks/findings';
import { liesIn } from '@plain-cleat/core/boat/hull';
import { offTrack, seated, onFittedTrack, placeFitting, snapPlace, turn } from '@plain-cleat/core/layout';
import {
  entryOf,
  type Assembly,
  type Change,
  type DraftChange,
  type Fitting,
  fittingOf,
  type Place,
  ofNewest,
  placeAssembly,
} from '@plain-cleat/core/rig';
import { MM_PER_INCH } from '@plain-cleat/core/base/units';
import { roomAt, type RoomOffer, roomsFor } from '@plain-cleat/core/holding/inside';
import { RigStore, type RigState } from '../stores/rig.store';
import { Parts } from '../stores/parts';
import { UnitsStore } from '../stores/units.store';
import { asOne } from '../stores/as-one';
import { moveAll } from './arrange';

type Inside = Extract<Place, { on: 'space' }>;

const newId = (): string => crypto.randomUUID();

/** What a hand does to the layout: brings aboard, slides, turns; each one gesture, one change. */
@Injectable()
export class Moves {
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly parts = inject(Parts);

  /** A fitting as it stood before what is under the finger. */
  private settled(state: RigState, id: string): Fitted | undefined {
    const item = state.workup.aboard.items.find((i) => i.placed.id === id);
    const fitting = entryOf(state.settled.fittings, id);
    if (!item || !fitting) return undefined;
    const place = (item.elsewhere && entryOf(fitting.elsewhere, item.elsewhere)) || fitting.place;
    return { ...item, placed: { ...item.placed, fitting, place } };
  }

  /** All that moves with a fitting: itself, the others chosen, the others of its group. */
  movesWith(state: RigState, id: string, chosen: ReadonlySet<string>): Fitted[] {
    const group = entryOf(state.settled.fittings, id)?.group;
    const ids = state.workup.aboard.items
      .map((i) => i.placed.id)
      .filter(
        (one) =>
          one === id || (chosen.has(id) && chosen.has(one)) || (group && entryOf(state.settled.fittings, one)?.group === group),
      );
    return ids.flatMap((one) => this.settled(state, one) ?? []);
  }

  slide(item: string, to: Place): void {
    const state = this.store.state();
    const settled = state && this.settled(state, item);
    if (!settled || settled.placed.fitting.locked) return;
    const { place, part } = settled.placed;
    // What is typed lies on a track when it comes to one.
    const moved = to.on !== 'deck' || place.on !== 'deck' || to.x !== place.x || to.y !== place.y;
    const seat = moved ? seated(state.workup.surface, part, to) : to;
    // Off its track it is held otherwise.
    const held = seat === to && !(place.on === 'track' && to.on === 'deck');
    const change = held ? asOne([slideTo(settled, to)]) : this.heldAt(settled, seat);
    if (change) this.store.change(change);
  }

  /** A drag under the finger, or let go; false when the fitting is locked. */
  drag(at: { id: string; x: number; y: number; done: boolean }, chosen: ReadonlySet<string>): boolean {
    const state = this.store.state();
    const item = state && this.settled(state, at.id);
    if (!state || !item) return true;
    if (item.placed.fitting.locked) return false;
    const many = this.movesWith(state, at.id, chosen);
    const change = many.length > 1 ? this.together(state, many, item, at) : this.alone(state, item, at);
    if (!change) return true;
    if (at.done) this.store.change(change);
    else this.store.preview(change);
    return true;
  }

  private together(state: RigState, many: readonly Fitted[], lead: Fitted, at: { x: number; y: number }): Change | null {
    const { origin } = this.frameOf(state, lead);
    return asOne(moveAll(state.workup.surface, many, this.marked(at.x - origin.x), this.marked(at.y - origin.y)));
  }

  private frameOf(state: RigState, item: Fitted): { origin: { x: number; y: number } } {
    const { placed } = item;
    return (
      placeFitting(state.workup.surface, placed.id, placed.fitting, placed.part, { place: placed.place, below: placed.below })
        ?.frame ?? placed.frame
    );
  }

  private marked(mm: number): number {
    const step = this.units.system() === 'imperial' ? MM_PER_INCH / 16 : 1;
    return Math.round(mm / step) * step;
  }

  private alone(state: RigState, item: Fitted, at: { x: number; y: number }): Change | null {
    const { place, part } = item.placed;
    const { surface } = state.workup;
    if (place.on === 'space') return this.heldAt(item, this.inRoom(state, at, place));
    const track = this.trackAt(state, part, at, item.placed.id);
    if (track) return this.heldAt(item, track);
    if (place.on === 'fitting' && item.mounted.hold !== 'track') {
      const { origin } = this.frameOf(state, item);
      return asOne(moveAll(surface, [item], this.marked(at.x - origin.x), this.marked(at.y - origin.y)));
    }
    const heading = 'heading' in place ? place.heading : 0;
    const to = snapPlace(
      surface,
      part,
      { ...at, heading, partners: this.partners(state, part, item.placed.id) },
      this.units.system(),
    );
    return this.heldAt(item, to);
  }

  /** A place on the floor of the room at a point; where there is none, of the room it was in. */
  private inRoom(state: RigState, at: { x: number; y: number }, now: Inside): Inside {
    const space = roomAt(state.workup.surface, at)?.space.id ?? now.space;
    return { ...now, space, x: this.marked(at.x), y: this.marked(at.y) };
  }

  /** The rooms that take a part, each with a place in it, the one that suits it first. */
  roomsFor(part: Part): readonly RoomOffer[] {
    const state = this.store.state();
    if (!state) return [];
    const { plan, workup, doc } = state;
    return roomsFor(workup.surface, part, { plan, shop: doc.shop, others: workup.aboard.items.map((i) => i.placed) });
  }

  /** A screwed-on track near a point, for a part with T-bolts. */
  private trackAt(state: RigState, part: Part, at: { x: number; y: number }, but = ''): Place | null {
    if (!part.holding.ways.includes('track')) return null;
    const tracks = state.workup.aboard.items.map((i) => i.placed).filter((p) => p.part.holding.slot && p.id !== but);
    const place = onFittedTrack(tracks, at, 60);
    return place && { ...place, u: this.marked(place.u) };
  }

  /** Where others of the same part stand: opposite one of them a place is mirrored. */
  private partners = (state: RigState, part: Part, but = ''): { x: number; y: number }[] =>
    state.workup.aboard.items
      .filter((i) => i.placed.part.id === part.id && i.placed.id !== but)
      .map((i) => i.placed.frame.origin);

  /** A fitting put at a place, held as suits it there. */
  private heldAt(item: Fitted, to: Place): Change | null {
    const { fitting, part, id } = item.placed;
    const mount = this.mountFor(part, to, fitting);
    const drafts: DraftChange[] = [slideTo(item, to)];
    if (mount !== fitting.mount) drafts.push({ kind: 'chooseMount', item: id, from: fitting.mount, to: mount });
    return asOne(drafts);
  }

  /** The best way to hold a part at a place; kept as it is when it still fits there. */
  private mountFor(part: Part, place: Place, now?: Fitting): Fitting['mount'] {
    const state = this.store.state();
    if (!state) return (now ?? fittingOf(part, place)).mount;
    return bestHeld({ plan: state.plan, shop: state.doc.shop, workup: state.workup }, part, place, now).mount;
  }

  /** Puts a fitting somewhere else altogether, held as suits it there. */
  standOn(item: Fitted, to: Place): void {
    const change = this.heldAt(item, to);
    if (change) this.store.change(change);
  }

  /** Brings a part aboard; in a set that is shown it belongs to that set alone when asked. Returns its name. */
  place(part: Part, at: { x: number; y: number }, only: string | null = null): string | null {
    const state = this.store.state();
    if (!state) return null;
    return this.add(
      part,
      this.trackAt(state, part, at) ??
        snapPlace(state.workup.surface, part, { ...at, partners: this.partners(state, part) }, this.units.system()),
      only,
    );
  }

  /** Whether a point lies over an opening of a room: what usually stands inside goes in there, not on the lid. */
  overAHatch({ x, y }: { x: number; y: number }): boolean {
    const surface = this.store.state()?.workup.surface;
    const room = surface && roomAt(surface, { x, y });
    return !!room?.hatches.some((h) => liesIn(h, x, y));
  }

  /** Brings a part aboard in the room at a point. Returns its name; null where there is no room. */
  placeInside(part: Part, at: { x: number; y: number }, only: string | null = null): string | null {
    const state = this.store.state();
    const room = state && roomAt(state.workup.surface, at);
    if (!room) return null;
    return this.add(part, { on: 'space', space: room.space.id, x: this.marked(at.x), y: this.marked(at.y), heading: 0 }, only);
  }

  /** Brings a part aboard at a place, held as suits it there. */
  add(part: Part, to: Place, only: string | null = null): string | null {
    const state = this.store.state();
    if (!state) return null;
    this.parts.take(part);
    const item = `${part.id.slice(0, 40)}-${newId().slice(0, 6)}`;
    const wished = Object.values(state.plan.wishes).some((w) => w.part === part.id);
    const fitting = { ...fittingOf(part, to), mount: this.mountFor(part, to), note: wished ? 'from the wish list' : '' };
    this.store.change({ id: newId(), kind: 'placeItem', item, to: only ? { ...fitting, sets: [only] } : fitting });
    return item;
  }

  /** Brings an assembly aboard as one. Returns the name of its base. */
  placeAssembly(a: Assembly, at: { x: number; y: number }, only: string | null = null): string | null {
    const state = this.store.state();
    const part = state?.parts.find((p) => p.id === entryOf(a.fittings, a.base)?.part);
    if (!state || !part) return null;
    const to = snapPlace(state.workup.surface, part, at, this.units.system());
    const { changes, base } = placeAssembly(ofNewest(a, state.parts), to, (id) => `${id.slice(0, 40)}-${newId().slice(0, 6)}`, {
      mount: this.mountFor(part, to),
      ...(only ? { sets: [only] } : {}),
    });
    const change = asOne(changes);
    if (change) this.store.change(change);
    return base;
  }

  turn(item: string, degrees: number): void {
    const state = this.store.state();
    const settled = state && this.settled(state, item);
    if (settled) this.slide(item, turn(settled.placed.place, degrees));
  }

  /** Nudges a fitting and all that moves with it. */
  nudge(item: string, dx: number, dy: number, chosen: ReadonlySet<string>): void {
    const state = this.store.state();
    if (!state) return;
    const { surface } = state.workup;
    const moved = this.movesWith(state, item, chosen);
    const [only] = moved;
    const place = moved.length === 1 && only ? offTrack(surface, only.placed.place, dx, dy) : null;
    const to = only && place && seated(surface, only.placed.part, place);
    // By the arrows too a thing seats on the track it comes to, and leaves the one it is pushed off.
    const change = only && to && to.on !== only.placed.place.on ? this.heldAt(only, to) : asOne(moveAll(surface, moved, dx, dy));
    if (change) this.store.change(change);
  }
}
