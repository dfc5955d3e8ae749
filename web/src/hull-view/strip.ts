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
import {
  type Body,
  findDatum,
  MM_PER_INCH,
  type PlannedHole,
  type Point,
  printFigure,
  type Rod,
  type Tape,
  type Workup,
} from '@plain-cleat/core';
import { curveLinearClosed, line } from 'd3-shape';
import { UnitsStore } from '../stores/units.store';
import { Scale, WIDTH } from './scale';

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
}

/** The side view is cut off at so much over the keel, mm. */
const SIGHT = 900;
/** How much of a rod the side view shows. */
const cutAt = (r: Rod): number => Math.min(1, Math.max(0, (SIGHT - r.butt.z) / Math.max(1, r.tip.z - r.butt.z)));

const HOW = { taut: 'pulled taut', centre: 'along the centre line', gunwale: 'laid along the gunwale' } as const;
const OUTLINE = Array.from({ length: 81 }, (_, i) => i / 80);

/**
 * The boat as a line from bow to stern: the tape, the plan view, the side view under it with true
 * heights. Marks can be picked, dragged and dropped; every gesture has its key elsewhere.
 */
@Component({
  selector: 'pc-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
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
  readonly flipped = input(false);
  readonly placing = input(false);
  /** Another set, drawn faint behind this one. */
  readonly ghosts = input<readonly StripMark[]>([]);
  /** Poses of what turns on the chosen fitting, from rest to its other end. */
  readonly sweeps = input<readonly Body[]>([]);
  readonly several = input<ReadonlySet<string>>(new Set());
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

  protected readonly zoom = signal<Glass>({ k: 1, x: 0, y: 0 });
  protected readonly view = computed(() => {
    const { k, x, y } = this.zoom();
    return { x, y, w: WIDTH / k, h: this.height() / k };
  });
  protected readonly viewBox = computed(() => {
    const { x, y, w, h } = this.view();
    return `${x} ${y} ${w} ${h}`;
  });
  /** Where the magnified view looks while a fitting is under the finger. */
  protected readonly loupe = signal<{ x: number; y: number } | null>(null);
  protected readonly frameFrom = signal<{ from: { x: number; y: number }; to: { x: number; y: number } } | null>(null);
  protected readonly framing = signal(false);
  private pan: { x: number; y: number; at: Glass } | null = null;
  protected readonly frameRect = computed(() => {
    const f = this.frameFrom();
    return f ? this.rect(f.from.x, f.to.x, f.from.y, f.to.y) : null;
  });
  protected readonly loupeBox = computed(() => {
    const at = this.loupe();
    const { x, w } = this.view();
    // Away from the finger: on the other half of what is seen.
    return at
      ? { x: at.x < x + w / 2 ? x + w - 236 / this.zoom().k : x + 16 / this.zoom().k, y: this.view().y + 60 / this.zoom().k }
      : null;
  });
  protected readonly rodLines = computed(() =>
    this.marks().flatMap((m) =>
      (m.rods ?? []).map((r) => ({
        id: m.id,
        plan: {
          x1: this.scale().x(r.butt.x),
          y1: this.scale().y(r.butt.y),
          x2: this.scale().x(r.tip.x),
          y2: this.scale().y(r.tip.y),
        },
        side: {
          x1: this.scale().x(r.butt.x),
          y1: this.sideY(r.butt.z),
          x2: this.scale().x(r.butt.x + (r.tip.x - r.butt.x) * cutAt(r)),
          y2: this.sideY(r.butt.z + (r.tip.z - r.butt.z) * cutAt(r)),
        },
      })),
    ),
  );
  protected readonly sweepBodies = computed(() =>
    this.sweeps().map((b) => ({
      plan: this.planOf(b),
      x: Math.min(...b.outline.map(([x]) => this.scale().x(x))),
      w: Math.max(...b.outline.map(([x]) => this.scale().x(x))) - Math.min(...b.outline.map(([x]) => this.scale().x(x))),
      top: this.sideY(Math.min(b.top, SIGHT)),
      h: Math.max(1, this.sideY(b.bottom) - this.sideY(Math.min(b.top, SIGHT))),
    })),
  );
  private planOf = (b: Body): string =>
    line().curve(curveLinearClosed)(b.outline.map(([x, y]): [number, number] => [this.scale().x(x), this.scale().y(y)])) ?? '';
  protected readonly ghostBodies = computed(() =>
    this.ghosts().flatMap((m) =>
      m.bodies.map(
        (b) =>
          line().curve(curveLinearClosed)(b.outline.map(([x, y]): [number, number] => [this.scale().x(x), this.scale().y(y)])) ??
          '',
      ),
    ),
  );
  protected readonly width = WIDTH;
  protected readonly hull = computed(() => this.workup().surface);
  protected readonly half = computed(() => (this.hull().beam / 2) * ((WIDTH - 130) / this.hull().length));
  protected readonly middle = computed(() => 62 + this.half() + 10);
  protected readonly scale = computed(() => new Scale(this.hull(), this.middle(), this.flipped()));
  /** Foot of the side view. */
  protected readonly ground = computed(() => this.middle() + this.half() + (this.side() ? 16 + 430 * this.scale().perMm : 16));
  protected readonly height = computed(() => this.ground() + (this.side() ? 8 : 0));

  protected readonly edges = computed(() => {
    const s = this.scale();
    const hull = this.hull();
    const edge = (sign: 1 | -1, out: number): string =>
      line()(
        OUTLINE.map((t) => [
          s.x(t * hull.length),
          s.y(sign * hull.halfBreadth(t * hull.length)) + out * (s.flipped ? sign : -sign),
        ]),
      ) ?? '';
    return {
      port: edge(-1, 0),
      starboard: edge(1, 0),
      second: edge(1, 4),
      body: `${edge(1, 0)}L${edge(-1, 0).split('L').reverse().join('L').replace('M', '')}Z`,
    };
  });
  protected readonly profile = computed(() => {
    const hull = this.hull();
    const top = OUTLINE.map((t): [number, number] => [
      this.scale().x(t * hull.length),
      this.sideY(hull.gunwale(t * hull.length)),
    ]);
    const keel = OUTLINE.map((t): [number, number] => [
      this.scale().x(t * hull.length),
      this.sideY(hull.keel(t * hull.length)),
    ]).reverse();
    return line().curve(curveLinearClosed)([...top, ...keel]) ?? '';
  });
  protected readonly waterY = computed(() => this.sideY(this.workup().float.waterline));
  protected readonly decks = computed(() =>
    this.hull().model.decks.map((d) => ({ ...d, rect: this.rect(d.fore, d.aft, d.port, d.starboard) })),
  );
  protected readonly hatches = computed(() =>
    this.hull().model.hatches.map((h) => ({ ...h, rect: this.rect(h.fore, h.aft, h.port, h.starboard) })),
  );
  protected readonly tracks = computed(() =>
    this.hull().model.tracks.map((t) => ({ ...t, rect: this.rect(t.fore, t.aft, t.y - 10, t.y + 10) })),
  );
  protected readonly seatX = computed(() => this.scale().x(this.hull().model.seat.x));
  protected readonly bandPaths = computed(() => {
    const band = this.band();
    if (!band) return [];
    return ([1, -1] as const).map((sign) => {
      const hull = this.hull();
      const xs = Array.from({ length: 13 }, (_, i) => band.fore + ((band.aft - band.fore) * i) / 12);
      const out = xs.map((x): [number, number] => [this.scale().x(x), this.scale().y(sign * (hull.halfBreadth(x) + 70))]);
      const back = xs
        .map((x): [number, number] => [this.scale().x(x), this.scale().y(sign * Math.max(0, hull.halfBreadth(x) - band.inboard))])
        .reverse();
      return line().curve(curveLinearClosed)([...out, ...back]) ?? '';
    });
  });
  protected readonly runPaths = computed(() =>
    this.runs().map((r) => ({
      ...r,
      d: line()(r.path.map((p): [number, number] => [this.scale().x(p.x), this.scale().y(p.y)])) ?? '',
    })),
  );
  protected readonly bodies = computed(() =>
    this.marks().flatMap((m) =>
      m.bodies.map((b) => ({
        id: m.id,
        standing: m.standing,
        d:
          line().curve(curveLinearClosed)(b.outline.map(([x, y]): [number, number] => [this.scale().x(x), this.scale().y(y)])) ??
          '',
        sideX: this.scale().x(m.at.x),
        top: this.sideY(Math.min(b.top, SIGHT)),
        cut: b.top > SIGHT,
        bottom: this.sideY(b.bottom),
      })),
    ),
  );
  protected readonly datum = computed(() => findDatum(this.hull(), this.tape().datum));
  protected readonly how = computed(() => `hooked on ${this.datum().name.toUpperCase()} · ${HOW[this.tape().run]}`);
  protected readonly ticks = computed(() => {
    const imperial = this.units.system() === 'imperial';
    const minor = imperial ? MM_PER_INCH : 20;
    const from = this.datum().at.x;
    // A figure that would run off the end of the tape is left out.
    const last = WIDTH - 70;
    const out: { x: number; tall: number; label: string }[] = [];
    for (const sign of [1, -1])
      for (let i = sign > 0 ? 0 : 1; ; i++) {
        const mm = from + sign * i * minor;
        if (mm < -1 || mm > this.hull().length + 60) break;
        const isMajor = i % (imperial ? 12 : 10) === 0;
        const half = imperial ? i % 6 === 0 : i % 5 === 0;
        out.push({
          x: this.scale().x(mm),
          tall: isMajor ? 18 : half ? 11 : 7,
          label: isMajor && i > 0 && this.scale().x(mm) < last ? printFigure(i * minor, this.units.system()) : '',
        });
      }
    return out;
  });
  protected readonly hookX = computed(() => this.scale().x(this.datum().at.x));
  /** Old holes stay drawn like scars. */
  protected readonly scars = computed(() =>
    this.workup().oldHoles.flatMap((h) =>
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

  private rect(fore: number, aft: number, port: number, starboard: number): { x: number; y: number; w: number; h: number } {
    const s = this.scale();
    const [x0, x1, y0, y1] = [s.x(fore), s.x(aft), s.y(port), s.y(starboard)];
    return { x: Math.min(x0, x1), y: Math.min(y0, y1), w: Math.abs(x1 - x0), h: Math.abs(y1 - y0) };
  }

  /** Pointer to hull millimetres. */
  private place(event: MouseEvent): { x: number; y: number } {
    const svg = this.svg().nativeElement;
    const box = svg.getBoundingClientRect();
    const view = this.view();
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

  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.dropped.emit({ ...this.place(event), part: event.dataTransfer?.getData('text/plain') ?? '' });
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
    else if (this.zoom().k > 1) this.pan = { x: event.clientX, y: event.clientY, at: this.zoom() };
    else return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  protected stretch(event: PointerEvent): void {
    const frame = this.frameFrom();
    if (frame) this.frameFrom.set({ ...frame, to: this.place(event) });
    if (!this.pan) return;
    const k = WIDTH / this.zoom().k / this.svg().nativeElement.getBoundingClientRect().width;
    const { x, y, at } = this.pan;
    this.zoom.set(this.bounded({ k: at.k, x: at.x - (event.clientX - x) * k, y: at.y - (event.clientY - y) * k }));
    if (Math.hypot(event.clientX - x, event.clientY - y) > 4) this.framing.set(true);
  }

  protected letGo(): void {
    const frame = this.frameFrom();
    this.frameFrom.set(null);
    this.pan = null;
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
    this.zoomTo(this.zoom().k * Math.exp(-event.deltaY / 300), this.place(event));
  }

  /** Twice as close, about what is chosen or the middle of the boat. */
  closer(): void {
    const at = this.marks().find((m) => m.id === this.selected())?.at ?? { x: this.hull().length / 2, y: 0 };
    this.zoomTo(this.zoom().k >= MOST ? 1 : this.zoom().k * 2, at);
  }

  whole(): void {
    this.zoom.set({ k: 1, x: 0, y: 0 });
  }

  private zoomTo(k: number, at: { x: number; y: number }): void {
    const next = Math.min(MOST, Math.max(1, k));
    const [px, py] = [this.scale().x(at.x), this.scale().y(at.y)];
    const now = this.view();
    const [rx, ry] = [(px - now.x) / now.w, (py - now.y) / now.h];
    // What is pointed at stays under the pointer; what was out of sight comes to the middle.
    const seen = rx > 0 && rx < 1 && ry > 0 && ry < 1;
    const [w, h] = [WIDTH / next, this.height() / next];
    this.zoom.set(this.bounded({ k: next, x: px - (seen ? rx : 0.5) * w, y: py - (seen ? ry : 0.5) * h }));
  }

  private bounded({ k, x, y }: Glass): Glass {
    const most = { x: WIDTH - WIDTH / k, y: this.height() - this.height() / k };
    return { k, x: Math.min(most.x, Math.max(0, x)), y: Math.min(most.y, Math.max(0, y)) };
  }
}

/** How close the boat is looked at, and from which corner of the drawing. */
interface Glass {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

const MOST = 8;
