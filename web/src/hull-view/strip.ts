import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { clearOf, spreadApart } from './spread';
import { type CdkDragDrop, DragDropModule } from '@angular/cdk/drag-drop';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { trimDegrees, waterAt } from '@plain-cleat/core/water/float';
import { findDatum, RUN_WORDS } from '@plain-cleat/core/boat/hull';
import type { Body, Rod } from '@plain-cleat/core/layout';
import type { Tape } from '@plain-cleat/core/rig';
import type { Point } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import { line } from 'd3-shape';
import { UnitsStore } from '../stores/units.store';
import { Glass } from './glass';
import { Scale, WIDTH } from './scale';
import {
  bandPaths,
  boxPath,
  pathThrough,
  planEdges,
  planPath,
  roomPath,
  sidePath,
  planRect,
  profilePath,
  type Rect,
  rodLines,
  SIGHT,
  tapeTicks,
} from './shapes';

/** How a fitting stands: nothing to settle, look, stop. */
export type Standing = 'ok' | 'look' | 'stop';
export interface StripMark {
  readonly id: string;
  readonly label: string;
  readonly name: string;
  readonly at: Point;
  readonly standing: Standing;
  readonly bodies: readonly Body[];
  readonly rods?: readonly Rod[];
  /** It stands inside the hull. */
  readonly inside?: boolean;
}
export interface StripBand {
  readonly fore: number;
  readonly aft: number;
  readonly inboard: number;
}
export interface StripRun {
  readonly id: string;
  readonly path: readonly Point[];
  readonly thick: number;
  /** A strap or a line, not a wire. */
  readonly strap?: true;
  readonly cord?: true;
}

/** Between the middles of two marks, in drawing units: they do not touch. */
const MARK = 29;
/** How long the name of an end is, in drawing units. */
const END_WORD = 36;

/**
 * The boat as a line from bow to stern: the tape, the plan view, the side view under it with true
 * heights. Marks can be picked, dragged and dropped; every gesture has its key elsewhere.
 */
@Component({
  selector: 'pc-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DragDropModule],
  templateUrl: './strip.html',
  styleUrl: './strip.scss',
})
export class Strip {
  readonly workup = input.required<Workup>();
  readonly tape = input.required<Tape>();
  readonly marks = input<readonly StripMark[]>([]);
  readonly holes = input<readonly PlannedHole[]>([]);
  readonly hole = input<string | null>(null);
  readonly runs = input<readonly StripRun[]>([]);
  readonly band = input<StripBand | null>(null);
  readonly selected = input<string | null>(null);
  readonly side = input(true);
  /** Which fittings are to hand: all, or those on deck, or with the deck lifted off those inside; the rest is drawn faint. */
  readonly shows = input<'all' | 'deck' | 'inside'>('all');
  readonly flipped = input(false);
  readonly placing = input(false);
  /** Another set, drawn faint behind this one. */
  readonly ghosts = input<readonly StripMark[]>([]);
  /** Poses of what turns on the chosen fitting, from rest to its other end. */
  readonly sweeps = input<readonly Body[]>([]);
  readonly several = input<ReadonlySet<string>>(new Set());
  /** The chosen fitting is being moved by keys: it is shown magnified. */
  readonly carrying = input(false);
  /** A place that was pointed at. */
  readonly spot = input<{ x: number; y: number } | null>(null);
  /** Whether one arranges here: taps ask for a place, frames choose several, the tape can be hooked. */
  readonly arranging = input(false);
  readonly picked = output<{ id: string; more: boolean }>();
  readonly framed = output<readonly string[]>();
  readonly hooked = output<number>();
  readonly moved = output<{ id: string; x: number; y: number; done: boolean }>();
  readonly dropped = output<{ x: number; y: number; part: string }>();

  private readonly units = inject(UnitsStore);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private readonly dragging = signal<{ id: string; dx: number; dy: number; moved: boolean } | null>(null);

  protected readonly glass = new Glass(() => this.height());
  /** Where the magnified view looks while a fitting is under the finger. */
  protected readonly loupe = signal<{ x: number; y: number } | null>(null);
  protected readonly frameFrom = signal<{ from: { x: number; y: number }; to: { x: number; y: number } } | null>(null);
  protected readonly framing = signal(false);
  protected readonly frameRect = computed(() => {
    const f = this.frameFrom();
    return f ? this.rect(f.from.x, f.to.x, f.from.y, f.to.y) : null;
  });
  /** The magnified view: under the finger, or over what is moved by keys. */
  protected readonly looked = computed(() => this.loupe() ?? (this.carrying() ? this.here() : null));
  protected readonly loupeBox = computed(() => {
    const at = this.looked();
    const { x, y, w } = this.glass.view();
    const k = this.glass.k();
    // Away from the finger: on the other half of what is seen.
    return at ? { x: at.x < x + w / 2 ? x + w - 236 / k : x + 16 / k, y: y + 60 / k } : null;
  });
  protected readonly lifted = computed(() => this.shows() === 'inside');
  /** The marks that are to hand, and the others. */
  private readonly toHand = computed(() =>
    this.marks().filter((m) => this.shows() === 'all' || (m.inside ?? false) === this.lifted()),
  );
  protected readonly faint = computed(() =>
    this.marks()
      .filter((m) => !this.toHand().includes(m))
      .flatMap((m) => m.bodies.map((b) => planPath(this.scale(), b))),
  );
  /** What the deck covers: rooms, foam and tubes. */
  protected readonly rooms = computed(() =>
    [...this.hull().rooms.values()]
      .filter(({ space }) => !space.worn)
      .map(({ space: s }) => ({
        ...s,
        rect: this.rect(s.fore, s.aft, s.port, s.starboard),
        d: roomPath(this.scale(), this.hull(), s),
      })),
  );
  protected readonly fillings = computed(() =>
    this.hull().hazards.map(({ hazard: h, from, to }) => ({
      id: h.id,
      name: h.name,
      tube: h.shape === 'tube',
      d: h.shape === 'tube' ? pathThrough(this.scale(), h.path) : boxPath(this.scale(), from, to),
      wide: h.shape === 'tube' ? 2 * h.radius * this.scale().perMm : 0,
      x: this.scale().x((from.x + to.x) / 2),
      y: this.scale().y((from.y + to.y) / 2),
      long: (to.x - from.x) * this.scale().perMm,
    })),
  );
  protected readonly ties = computed(() =>
    (this.hull().model.ties ?? [])
      .filter((t) => (t.room !== undefined) === this.lifted())
      .map((t) => ({ id: t.id, name: t.name, x: this.scale().x(t.x), y: this.scale().y(t.y) })),
  );
  protected readonly rodLines = computed(() =>
    this.toHand().flatMap((m) => (m.rods ?? []).map((r) => rodLines(this.scale(), r, this.sideY))),
  );
  protected readonly sweepBodies = computed(() =>
    this.sweeps().map((b) => ({ plan: planPath(this.scale(), b), side: sidePath(this.scale(), b, this.sideY) })),
  );
  protected readonly ghostBodies = computed(() => this.ghosts().flatMap((m) => m.bodies.map((b) => planPath(this.scale(), b))));
  protected readonly width = WIDTH;
  protected readonly hull = computed(() => this.workup().surface);
  protected readonly half = computed(() => (this.hull().beam / 2) * ((WIDTH - 130) / this.hull().length));
  protected readonly middle = computed(() => 62 + this.half() + 10);
  protected readonly scale = computed(() => new Scale(this.hull(), this.middle(), this.flipped()));
  /** Foot of the side view. */
  protected readonly ground = computed(
    () => this.middle() + this.half() + 16 + (this.side() ? this.tall() * this.scale().perMm + 14 : 0),
  );
  /** How high the side view goes over the keel, mm: all that stands, as far as it is shown. */
  private readonly tall = computed(() => {
    const stands = this.toHand().flatMap((m) => m.bodies.map((b) => b.top));
    return Math.min(SIGHT, Math.max(this.hull().gunwale(0), this.hull().gunwale(this.hull().length), ...stands));
  });
  protected readonly height = computed(() => this.ground() + (this.side() ? 20 : 0));

  protected readonly edges = computed(() => planEdges(this.scale(), this.hull()));
  protected readonly profile = computed(() => profilePath(this.scale(), this.hull(), this.sideY));
  /** The water on the side view, bow and stern, and how it is said. */
  protected readonly water = computed(() => {
    const {
      weight: { float },
    } = this.workup();
    const degrees = Math.round(10 * trimDegrees(float)) / 10;
    return {
      bow: this.sideY(waterAt(float, 0)),
      stern: this.sideY(waterAt(float, this.hull().length)),
      says: degrees === 0 ? 'floats level' : `floats ${Math.abs(degrees)}° deeper at the ${degrees > 0 ? 'stern' : 'bow'}`,
    };
  });
  protected readonly decks = computed(() =>
    this.hull().model.decks.map((d) => ({ ...d, rect: this.rect(d.fore, d.aft, d.port, d.starboard) })),
  );
  protected readonly hatches = computed(() =>
    this.hull().model.hatches.map((h) => ({ ...h, rect: this.rect(h.fore, h.aft, h.port, h.starboard) })),
  );
  protected readonly tracks = computed(() =>
    this.hull().model.tracks.map((t) => ({ ...t, rect: this.rect(t.fore, t.aft, t.y - 10, t.y + 10) })),
  );
  protected readonly bandPaths = computed(() => {
    const band = this.band();
    return band ? bandPaths(this.scale(), this.hull(), band) : [];
  });
  protected readonly runPaths = computed(() => {
    const scale = this.scale();
    const drawn = (path: readonly Point[], down: (p: Point) => number): string =>
      line()(path.map((p): [number, number] => [scale.x(p.x), down(p)])) ?? '';
    return this.runs().map((r) => ({
      ...r,
      d: drawn(r.path, (p) => scale.y(p.y)),
      side: r.cord ? drawn(r.path, (p) => this.sideY(p.z)) : '',
    }));
  });
  protected readonly bodies = computed(() =>
    this.toHand().flatMap((m) =>
      m.bodies.map((b) => ({
        id: m.id,
        standing: m.standing,
        d: planPath(this.scale(), b),
        side: sidePath(this.scale(), b, this.sideY),
        sideX: this.scale().x(m.at.x),
        top: this.sideY(Math.min(b.top, SIGHT)),
        cut: b.top > SIGHT,
      })),
    ),
  );
  /** The marks, spread where they would lie over each other, each with a leader to where its fitting stands. */
  protected readonly letters = computed(() => {
    const at = this.toHand().map((m) => ({ x: this.scale().x(m.at.x), y: this.scale().y(m.at.y) }));
    const within = { x0: 16, x1: WIDTH - 16, y0: 74, y1: this.middle() + this.half() + 8 };
    const held = this.toHand().findIndex((m) => m.id === this.dragging()?.id);
    const spots = spreadApart(at, MARK, within, held);
    return this.toHand().map((m, i) => {
      const [own, spot] = [at[i] ?? { x: 0, y: 0 }, spots[i] ?? { x: 0, y: 0 }];
      const far = Math.hypot(spot.x - own.x, spot.y - own.y);
      return { ...m, ...spot, leader: far > 4 ? `M${own.x} ${own.y}L${spot.x} ${spot.y}` : '' };
    });
  });
  /** What the ends are called, beside the tips or above or under them where a mark stands there. */
  protected readonly ends = computed(() => {
    const scale = this.scale();
    const marks = this.letters();
    const end = (says: 'BOW' | 'STERN', at: number, out: 1 | -1) => {
      const from = scale.x(at) + out * 8;
      const middle = from + (out * END_WORD) / 2;
      const y = clearOf(marks, { x: middle, y: this.middle() }, { x: END_WORD / 2 + MARK / 2, y: 5 + MARK / 2 });
      return { says, x: from, y: y + 4, anchor: out < 0 ? 'end' : 'start' };
    };
    const out = this.flipped() ? -1 : 1;
    return [end('BOW', 0, out === 1 ? -1 : 1), end('STERN', this.hull().length, out)];
  });
  protected readonly datum = computed(() => findDatum(this.hull(), this.tape().datum));
  protected readonly how = computed(() => `hooked on ${this.datum().name.toUpperCase()} · ${RUN_WORDS[this.tape().run]}`);
  protected readonly ticks = computed(() => tapeTicks(this.scale(), this.datum().at.x, this.hull().length, this.units.system()));
  protected readonly hookX = computed(() => this.scale().x(this.datum().at.x));
  /** Old holes stay drawn like scars. */
  protected readonly scars = computed(() =>
    this.workup().drilling.oldHoles.flatMap((h) =>
      h.at
        ? [
            {
              id: h.id,
              name: `${h.label}, ${h.plugged ? `plugged with ${h.plugged}` : 'open'}`,
              plugged: h.plugged !== null,
              x: this.scale().x(h.at.x),
              y: this.scale().y(h.at.y),
            },
          ]
        : [],
    ),
  );
  protected readonly here = computed(() => {
    const at = this.holes().find((h) => h.id === this.hole())?.at ?? this.marks().find((m) => m.id === this.selected())?.at;
    return at ? { x: this.scale().x(at.x), y: this.scale().y(at.y) } : null;
  });

  protected sideY = (z: number): number => this.ground() - z * this.scale().perMm;

  private rect = (fore: number, aft: number, port: number, starboard: number): Rect =>
    planRect(this.scale(), fore, aft, port, starboard);

  /** Pointer to hull millimetres. */
  private place(event: { readonly clientX: number; readonly clientY: number }): { x: number; y: number } {
    const svg = this.svg().nativeElement;
    const box = svg.getBoundingClientRect();
    const view = this.glass.view();
    const k = view.w / box.width;
    return {
      x: this.scale().mmX(view.x + (event.clientX - box.left) * k),
      y: this.scale().mmY(view.y + (event.clientY - box.top) * k),
    };
  }

  protected grab(event: PointerEvent, mark: StripMark): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const at = this.place(event);
    this.dragging.set({ id: mark.id, dx: mark.at.x - at.x, dy: mark.at.y - at.y, moved: false });
    this.picked.emit({ id: mark.id, more: event.shiftKey });
  }

  protected drag(event: PointerEvent): void {
    const d = this.dragging();
    if (!d) return;
    const at = this.place(event);
    if (!d.moved) {
      const mark = this.marks().find((m) => m.id === d.id);
      if (!mark || Math.hypot(at.x + d.dx - mark.at.x, at.y + d.dy - mark.at.y) * this.scale().perMm < 4) return;
    }
    this.dragging.set({ ...d, moved: true });
    this.loupe.set({ x: this.scale().x(at.x + d.dx), y: this.scale().y(at.y + d.dy) });
    this.moved.emit({ id: d.id, x: at.x + d.dx, y: at.y + d.dy, done: false });
  }

  protected release(event: PointerEvent): void {
    const d = this.dragging();
    this.dragging.set(null);
    this.loupe.set(null);
    if (!d?.moved) return;
    const at = this.place(event);
    this.moved.emit({ id: d.id, x: at.x + d.dx, y: at.y + d.dy, done: true });
  }

  /** What is under the finger goes back to where it was; whether anything is. */
  putBack(): boolean {
    if (!this.dragging()) return false;
    this.dragging.set(null);
    this.loupe.set(null);
    return true;
  }

  protected putDown({ event, item }: CdkDragDrop<unknown, unknown, { readonly id: string }>): void {
    const at = 'changedTouches' in event ? event.changedTouches[0] : event;
    if (at) this.dropped.emit({ ...this.place(at), part: item.data.id });
  }

  /** By key a mark is chosen first; of the chosen one the key is for whoever arranges here. */
  protected pickByKey(event: Event, id: string): void {
    if (id === this.selected()) return;
    event.preventDefault();
    event.stopPropagation();
    this.picked.emit({ id, more: (event as KeyboardEvent).shiftKey });
  }

  protected tap(event: MouseEvent): void {
    if (this.framing()) return;
    if (this.placing() || this.arranging()) this.dropped.emit({ ...this.place(event), part: '' });
  }

  protected hookHere(event: MouseEvent): void {
    if (!this.arranging()) return;
    event.stopPropagation();
    this.hooked.emit(Math.min(this.hull().length, Math.max(0, this.place(event).x)));
  }

  /** With Shift a frame is drawn round what to choose; else a boat seen closer is moved under the glass. */
  protected press(event: PointerEvent): void {
    if (!this.arranging() || event.button !== 0) return;
    const at = this.place(event);
    if (event.shiftKey) this.frameFrom.set({ from: at, to: at });
    else if (this.glass.k() > 1) this.glass.hold(event);
    else return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  protected stretch(event: PointerEvent): void {
    const frame = this.frameFrom();
    if (frame) this.frameFrom.set({ ...frame, to: this.place(event) });
    if (this.glass.move(event, this.svg().nativeElement.getBoundingClientRect().width)) this.framing.set(true);
  }

  protected letGo(): void {
    const frame = this.frameFrom();
    this.frameFrom.set(null);
    this.glass.letGo();
    if (frame) {
      const [x0, x1] = [Math.min(frame.from.x, frame.to.x), Math.max(frame.from.x, frame.to.x)];
      const [y0, y1] = [Math.min(frame.from.y, frame.to.y), Math.max(frame.from.y, frame.to.y)];
      const inside = this.marks().filter((m) => m.at.x >= x0 && m.at.x <= x1 && m.at.y >= y0 && m.at.y <= y1);
      this.framing.set(true);
      if (inside.length) this.framed.emit(inside.map((m) => m.id));
    }
    // The click that ends a frame or a move is not a tap.
    if (this.framing()) setTimeout(() => this.framing.set(false));
  }

  protected wheel(event: WheelEvent): void {
    if (!event.ctrlKey && !event.metaKey) return;
    event.preventDefault();
    const at = this.place(event);
    this.glass.to(this.glass.k() * Math.exp(-event.deltaY / 300), this.scale().x(at.x), this.scale().y(at.y));
  }

  /** Twice as close, about what is chosen or the middle of the boat. */
  closer(): void {
    const at = this.marks().find((m) => m.id === this.selected())?.at ?? { x: this.hull().length / 2, y: 0 };
    this.glass.closer(this.scale().x(at.x), this.scale().y(at.y));
  }

  whole(): void {
    this.glass.whole();
  }
}
