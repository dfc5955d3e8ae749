import { computed, signal } from '@angular/core';
import { WIDTH } from './scale';

/** How close the boat is looked at, and from which corner of the drawing. */
interface Look {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

const MOST = 8;

/** The glass over a drawing: nearer and further, moved about, never off its edge. */
export class Glass {
  private readonly look = signal<Look>({ k: 1, x: 0, y: 0 });
  private held: { x: number; y: number; at: Look } | null = null;

  /** @param height of the whole drawing, in its own units */
  constructor(private readonly height: () => number) {}

  readonly k = computed(() => this.look().k);
  readonly view = computed(() => {
    const { k, x, y } = this.look();
    return { x, y, w: WIDTH / k, h: this.height() / k };
  });
  readonly viewBox = computed(() => {
    const { x, y, w, h } = this.view();
    return `${x} ${y} ${w} ${h}`;
  });

  whole(): void {
    this.look.set({ k: 1, x: 0, y: 0 });
  }

  /** Twice as close about a point; at the closest it goes back to the whole. */
  closer(px: number, py: number): void {
    this.to(this.k() >= MOST ? 1 : this.k() * 2, px, py);
  }

  /** So close, about a point of the drawing: it stays where it was seen, or comes to the middle. */
  to(k: number, px: number, py: number): void {
    const next = Math.min(MOST, Math.max(1, k));
    const now = this.view();
    const [rx, ry] = [(px - now.x) / now.w, (py - now.y) / now.h];
    const seen = rx > 0 && rx < 1 && ry > 0 && ry < 1;
    const [w, h] = [WIDTH / next, this.height() / next];
    this.look.set(this.bounded({ k: next, x: px - (seen ? rx : 0.5) * w, y: py - (seen ? ry : 0.5) * h }));
  }

  hold(event: PointerEvent): void {
    this.held = { x: event.clientX, y: event.clientY, at: this.look() };
  }

  /** Moves with the pointer that holds it; true once it has really moved. */
  move(event: PointerEvent, widthOnScreen: number): boolean {
    if (!this.held) return false;
    const { x, y, at } = this.held;
    const k = WIDTH / at.k / widthOnScreen;
    this.look.set(this.bounded({ k: at.k, x: at.x - (event.clientX - x) * k, y: at.y - (event.clientY - y) * k }));
    return Math.hypot(event.clientX - x, event.clientY - y) > 4;
  }

  letGo(): void {
    this.held = null;
  }

  private bounded({ k, x, y }: Look): Look {
    const most = { x: WIDTH - WIDTH / k, y: this.height() - this.height() / k };
    return { k, x: Math.min(most.x, Math.max(0, x)), y: Math.min(most.y, Math.max(0, y)) };
  }
}
