import { computed, type Signal } from '@angular/core';
import { fairReadings, outlineOf, type ReadingFault } from '@plain-cleat/core/boat/hull';
import { line } from 'd3-shape';
import type { HullDraft } from './hull-draft';

/** Left of the bow, in units of the drawing. */
const LEFT = 34;

/** A hull that is measured, drawn from above by its readings: its outline, what it has, and what is traced on it. */
export class HullOutline {
  constructor(
    private readonly draft: Signal<HullDraft>,
    private readonly faults: Signal<readonly ReadingFault[]>,
    private readonly traced: Signal<readonly (readonly [number, number])[]>,
  ) {}

  readonly faired = computed(() => (this.faults().length ? null : fairReadings(this.draft().readings, this.draft().section)));
  readonly length = computed(() => Math.max(...this.draft().readings.map((r) => r.x), 1000));
  readonly beam = computed(() => 2 * Math.max(...this.draft().readings.map((r) => Math.max(r.port, r.starboard)), 150));
  private readonly k = computed(() => 838 / this.length());
  readonly height = computed(() => this.beam() * this.k() + 50);
  x = (mm: number): number => LEFT + mm * this.k();
  y = (mm: number): number => this.height() / 2 - mm * this.k();
  readonly outline = computed(() => {
    const faired = this.faired();
    if (!faired) return '';
    const curve = outlineOf(faired);
    // The curve runs by chord length; its x follows the stations the same way.
    const t = Array.from({ length: 121 }, (_, i) => curve.from + ((curve.to - curve.from) * i) / 120);
    const across = (p: number): number => this.alongOf(p, curve.knots);
    const side = (sign: 1 | -1): [number, number][] => t.map((p) => [this.x(across(p)), this.y(sign * curve.value(p))]);
    return `${line()([...side(1), ...side(-1).reverse()]) ?? ''}Z`;
  });
  readonly dots = computed(() =>
    this.draft().readings.flatMap((r, row) =>
      (['port', 'starboard'] as const).map((side) => ({
        row,
        side,
        x: this.x(r.x),
        y: this.y(side === 'port' ? -r.port : r.starboard),
        wrong: this.suspectRows().has(row),
      })),
    ),
  );
  readonly suspectRows = computed(() => new Set(this.faired()?.suspects.map((s) => s.row)));
  readonly shapes = computed(() => {
    const { decks, hatches, tracks, scuppers } = this.draft().rest;
    const box = (a: { fore: number; aft: number; port: number; starboard: number }) => ({
      x: this.x(a.fore),
      y: this.y(a.starboard),
      w: Math.max(1, (a.aft - a.fore) * this.k()),
      h: Math.max(1, (a.starboard - a.port) * this.k()),
    });
    return {
      areas: [
        ...decks.map((d) => ({ id: d.id, name: d.name, hatch: false, ...box(d) })),
        ...hatches.map((h) => ({ id: h.id, name: h.name, hatch: true, ...box(h) })),
      ],
      tracks: tracks.map((t) => ({ id: t.id, name: t.name, ...box({ ...t, port: t.y - 8, starboard: t.y + 8 }) })),
      scuppers: scuppers.map((s) => ({ id: s.id, x: this.x(s.x), y: this.y(s.y), r: Math.max(2, (s.diameter / 2) * this.k()) })),
    };
  });

  /** The x of a chord parameter: straight between the stations is near enough for a drawing. */
  private alongOf(t: number, knots: readonly number[]): number {
    const readings = this.draft().readings;
    let i = 0;
    while (i < knots.length - 2 && (knots[i + 1] ?? 0) < t) i++;
    const [a, b] = [knots[i] ?? 0, knots[i + 1] ?? 1];
    const [xa, xb] = [readings[i]?.x ?? 0, readings[i + 1]?.x ?? 0];
    return xa + ((t - a) / (b - a)) * (xb - xa);
  }

  readonly tracedPath = computed(() => {
    const points = this.traced().map(([x, y]): [number, number] => [this.x(x), this.y(y)]);
    return points.length ? (line()(points) ?? '') : '';
  });

  /** A point of the drawing on the boat, mm aft of the bow and to starboard. */
  millimetres(x: number, y: number): [number, number] {
    return [(x - LEFT) / this.k(), (this.height() / 2 - y) / this.k()];
  }
}
