import { inject, Injectable, signal } from '@angular/core';
import type { RoomOffer } from '@plain-cleat/core/holding/inside';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Assembly } from '@plain-cleat/core/rig';
import { Making } from '../own-part/making';
import { RigStore } from '../stores/rig.store';
import { Choice } from './choice';
import { Moves } from './moves';

/** What is in the hand, on its way to a place on the boat: a part, or an assembly. */
@Injectable()
export class Placing {
  private readonly store = inject(RigStore);
  private readonly choice = inject(Choice);
  private readonly moves = inject(Moves);
  private readonly making = inject(Making);
  readonly part = signal<Part | null>(null);
  readonly assembly = signal<Assembly | null>(null);
  /** The rooms that take the part. */
  readonly offers = signal<readonly RoomOffer[]>([]);

  isInHand(): boolean {
    return !!this.part() || !!this.assembly();
  }

  /** Nothing is placed, and nowhere. */
  cancel(): void {
    this.part.set(null);
    this.assembly.set(null);
    this.choice.spot.set(null);
  }

  place(part: Part, at: { x: number; y: number }): void {
    const set = this.store.state()?.set ?? null;
    const item =
      this.choice.lifted() || (part.inside?.usual && this.moves.overAHatch(at))
        ? this.moves.placeInside(part, at, set)
        : this.moves.place(part, at, set);
    // It stays in the hand until it is tapped where a room is.
    if (!item) return this.choice.spoken.set('No room there: tap one of the rooms inside');
    this.part.set(null);
    this.choice.spot.set(null);
    this.choice.pick(item);
  }

  /** Into a room, at the place that was offered. */
  putInside(part: Part, { place }: RoomOffer): void {
    const item = this.moves.add(part, place, this.store.state()?.set ?? null);
    this.part.set(null);
    this.choice.pick(item);
  }

  /** A tap on the boat: puts down what was chosen, or asks what suits the place. */
  dropped(at: { x: number; y: number; part: string }): void {
    const part = this.store.state()?.parts.find((p) => p.id === at.part) ?? this.part();
    const assembly = this.assembly();
    if (part) this.place(part, at);
    else if (assembly) this.placeAssembly(assembly, at);
    else if (this.choice.lifted()) this.choice.pick(null);
    else {
      this.choice.pick(null);
      this.choice.spot.set(at);
      this.choice.spoken.set('Parts that suit this place come first');
    }
  }

  private placeAssembly(assembly: Assembly, at: { x: number; y: number }): void {
    const base = this.moves.placeAssembly(assembly, at, this.store.state()?.set ?? null);
    this.assembly.set(null);
    this.choice.spot.set(null);
    this.choice.pick(base);
  }

  /** By a tap it waits for its place; by Enter it goes into the well, or where was pointed at. */
  chooseAssembly({ assembly, now }: { assembly: Assembly; now: boolean }): void {
    const spot = this.choice.spot();
    const hull = this.store.state()?.doc.hull;
    const well = hull?.decks.find((d) => d.kind === 'tank well');
    const usual = well ? { x: (well.fore + well.aft) / 2, y: 0 } : { x: (hull?.seat.x ?? 1500) + 600, y: 0 };
    if (spot || now) this.placeAssembly(assembly, spot ?? usual);
    else this.assembly.set(assembly);
  }

  /** A part of one's own: told in its sheet, then in the hand like any other. */
  make(): void {
    this.making.open(null).subscribe((id) => {
      const part = this.store.state()?.parts.find((p) => p.id === id);
      if (part) this.choosePart(part);
    });
  }

  choosePart(part: Part): void {
    const spot = this.choice.spot();
    if (spot) return this.place(part, spot);
    this.part.set(part);
    this.offers.set(part.inside ? this.moves.roomsFor(part) : []);
    const inside = part.inside?.usual === true && this.offers().length > 0;
    this.choice.liftFor({ inside, loose: part.holding.ways.includes('loose') });
  }

  /** By keyboard a part comes aboard aft of the seat, on the first track it can ride; its exact place is asked for next. */
  placeFromKeyboard(part: Part): void {
    const hull = this.store.state()?.doc.hull;
    if (!hull) return;
    const [offer] = part.inside?.usual || this.choice.lifted() ? this.moves.roomsFor(part) : [];
    const track = part.holding.ways.includes('track') ? hull.tracks.find((t) => t.fore > hull.seat.x) : undefined;
    if (offer) return this.putInside(part, offer);
    this.choice.lifted.set(false);
    const spot = this.choice.spot() ?? (track ? { x: track.fore + 60, y: track.y } : { x: hull.seat.x + 500, y: 0 });
    this.place(part, spot);
  }
}
