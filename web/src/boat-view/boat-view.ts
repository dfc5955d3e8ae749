import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  afterNextRender,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { type CdkDragDrop, DragDropModule } from '@angular/cdk/drag-drop';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import type { Body } from '@plain-cleat/core/layout';
import type { Plan } from '@plain-cleat/core/rig';
import type { Workup } from '@plain-cleat/core/workup';
import { BodiesLayer } from './bodies-layer';
import { CablesLayer, type BoatRun } from './cables-layer';
import { BoatDrawing, tallOf, type BoatMark } from './drawing';
import { HolesLayer } from './holes-layer';
import { HullLayer, type BoatBand } from './hull-layer';
import { lettersOf } from './letters';
import { MarksLayer } from './marks-layer';
import { PlacesLayer, type OfferedPlace } from './places-layer';
import { pointIn } from './pointer';
import { TapeLayer } from './tape-layer';
import { Zoomed } from './zoomed';

/** Two corners of a frame, mm. */
interface Frame {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
}

/**
 * The boat as a line from bow to stern, in layers: the tape, the plan view, the side view under it with true heights. Marks can
 * be picked, dragged and dropped; every gesture has its key elsewhere.
 */
@Component({
  selector: 'pc-boat-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DragDropModule, TapeLayer, HullLayer, CablesLayer, BodiesLayer, HolesLayer, MarksLayer, PlacesLayer],
  templateUrl: './boat-view.html',
  styleUrl: './boat-view.scss',
})
export class BoatView {
  readonly rig = input.required<{ readonly workup: Workup; readonly plan: Pick<Plan, 'tape'> }>();
  protected readonly workup = computed(() => this.rig().workup);
  protected readonly tape = computed(() => this.rig().plan.tape);
  readonly marks = input<readonly BoatMark[]>([]);
  readonly holes = input<readonly PlannedHole[]>([]);
  readonly hole = input<string | null>(null);
  readonly runs = input<readonly BoatRun[]>([]);
  readonly band = input<BoatBand | null>(null);
  readonly selected = input<string | null>(null);
  readonly side = input(true);
  /** Which fittings are to hand: all, or those on deck, or with the deck lifted off those inside; the rest is drawn faint. */
  readonly shows = input<'all' | 'deck' | 'inside'>('all');
  readonly flipped = input(false);
  readonly placing = input(false);
  /** Another set, drawn faint behind this one. */
  readonly ghosts = input<readonly BoatMark[]>([]);
  /** Poses of what turns on the chosen fitting, from rest to its other end. */
  readonly sweeps = input<readonly Body[]>([]);
  readonly selection = input<ReadonlySet<string>>(new Set());
  /** The chosen fitting is being moved by keys: it is shown magnified. */
  readonly carrying = input(false);
  /** A place that was pointed at. */
  readonly spot = input<{ x: number; y: number } | null>(null);
  /** Places that are offered for what is in the hand, the best first. */
  readonly places = input<readonly OfferedPlace[]>([]);
  readonly placeTaken = output<number>();
  /** Whether one arranges here: taps ask for a place, frames choose several, the tape can be hooked. */
  readonly arranging = input(false);
  readonly picked = output<{ id: string; more: boolean }>();
  readonly framed = output<readonly string[]>();
  readonly hooked = output<number>();
  readonly moved = output<{ id: string; x: number; y: number; done: boolean }>();
  readonly dropped = output<{ x: number; y: number; part: string }>();

  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  private readonly seen = viewChild.required<ElementRef<SVGGElement>>('seen');
  private readonly layer = viewChild.required(MarksLayer);
  /** The mark under the finger. */
  protected readonly held = signal<string | null>(null);
  private readonly frame = signal<Frame | null>(null);
  /** A frame was drawn: the click that ends it is not a tap. */
  private readonly framing = signal(false);

  protected readonly lifted = computed(() => this.shows() === 'inside');
  /** The marks that are to hand, and the others. */
  protected readonly toHand = computed(() =>
    this.marks().filter((m) => this.shows() === 'all' || (m.inside ?? false) === this.lifted()),
  );
  protected readonly others = computed(() => this.marks().filter((m) => !this.toHand().includes(m)));
  private readonly hull = computed(() => this.workup().surface);
  private readonly tall = computed(() => tallOf(this.hull(), this.toHand()));
  /** The same while a fitting is dragged, unless the side view grows: what does not move is not drawn anew. */
  readonly boat = computed(() => new BoatDrawing(this.hull(), { flipped: this.flipped(), side: this.side(), tall: this.tall() }));
  protected readonly letters = computed(() => lettersOf(this.boat(), this.toHand(), this.held()));
  protected readonly zoomed = new Zoomed();
  protected readonly frameRect = computed(() => {
    const f = this.frame();
    return f ? this.boat().rect(f.from.x, f.to.x, f.from.y, f.to.y) : null;
  });
  protected readonly here = computed(() => {
    const at = this.holes().find((h) => h.id === this.hole())?.at ?? this.chosen()?.at;
    return at ? this.boat().at(at) : null;
  });
  private readonly chosen = computed(() => this.marks().find((m) => m.id === this.selected()));
  /** Where the magnified view looks: under the finger, or over what is moved by keys. */
  protected readonly looked = computed(() => {
    const held = this.marks().find((m) => m.id === this.held());
    return held ? this.boat().at(held.at) : this.carrying() ? this.here() : null;
  });
  protected readonly magnified = computed(() => {
    const at = this.looked();
    const k = this.zoomed.k();
    const { x, y } = this.zoomed.view();
    const w = this.boat().width / k;
    // Away from the finger: on the other half of what is seen.
    return at ? { x: at.x < x + w / 2 ? x + w - 236 / k : x + 16 / k, y: y + 60 / k } : null;
  });

  constructor() {
    afterNextRender(() =>
      this.zoomed.hold(
        this.svg().nativeElement,
        () => [this.boat().width, this.boat().height],
        (event) => this.arranging() && !(event as MouseEvent).shiftKey,
      ),
    );
  }

  /** Pointer to hull millimetres. */
  private place(event: MouseEvent | Touch): { x: number; y: number } {
    return this.boat().place(pointIn(event, this.seen().nativeElement));
  }

  /** What is under the finger goes back to where it was; whether anything is. */
  putBack(): boolean {
    return this.layer().putBack();
  }

  protected putDown({ event, item }: CdkDragDrop<unknown, unknown, { readonly id: string }>): void {
    const at = 'changedTouches' in event ? event.changedTouches[0] : event;
    if (at) this.dropped.emit({ ...this.place(at), part: item.data.id });
  }

  protected tap(event: MouseEvent): void {
    if (this.framing()) return;
    if (this.placing() || this.arranging()) this.dropped.emit({ ...this.place(event), part: '' });
  }

  /** With Shift a frame is drawn round what to choose. */
  protected press(event: PointerEvent): void {
    if (!this.arranging() || event.button !== 0 || !event.shiftKey) return;
    const at = this.place(event);
    this.frame.set({ from: at, to: at });
    this.svg().nativeElement.setPointerCapture(event.pointerId);
  }

  protected stretch(event: PointerEvent): void {
    const frame = this.frame();
    if (frame) this.frame.set({ ...frame, to: this.place(event) });
  }

  protected letGo(): void {
    const frame = this.frame();
    this.frame.set(null);
    if (!frame) return;
    const [x0, x1] = [Math.min(frame.from.x, frame.to.x), Math.max(frame.from.x, frame.to.x)];
    const [y0, y1] = [Math.min(frame.from.y, frame.to.y), Math.max(frame.from.y, frame.to.y)];
    const inside = this.marks().filter((m) => m.at.x >= x0 && m.at.x <= x1 && m.at.y >= y0 && m.at.y <= y1);
    if (inside.length) this.framed.emit(inside.map((m) => m.id));
    // The click that ends a frame is not a tap.
    this.framing.set(true);
    setTimeout(() => this.framing.set(false));
  }

  /** Twice as close, about what is chosen or the middle of the boat. */
  closer(): void {
    const { x, y } = this.boat().at(this.chosen()?.at ?? { x: this.boat().hull.length / 2, y: 0 });
    this.zoomed.closer([x, y]);
  }

  whole(): void {
    this.zoomed.whole();
  }
}
