import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { cutAt, type InSection } from '@plain-cleat/core/holding/drilling';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { handSays, inHand, isInside, roomAbout, standsSays, touchedOf, wayIn, wayInSays } from '@plain-cleat/core/holding/inside';
import { cornersOfBox, markedAt, type Placed } from '@plain-cleat/core/layout';
import { waterAt } from '@plain-cleat/core/water/float';
import { findDatum, reading } from '@plain-cleat/core/boat/hull';
import type { Point } from '@plain-cleat/core/base/units';
import { polygonHull } from 'd3-polygon';
import { Length, Words } from '../boat-view/words';
import type { RigState } from '../stores/rig.store';

/** Each drawing, in its own units. */
const SIZE = { wide: 290, high: 150 } as const;
type Flat = readonly [number, number];

/** Fits points into a drawing: across and up, one scale both ways. */
function fitting(points: readonly Flat[], pad = 14): (p: Flat) => string {
  const of = (axis: 0 | 1, pick: (...all: number[]) => number): number => pick(...points.map((p) => p[axis]));
  const [x0, x1, y0, y1] = [of(0, Math.min), of(0, Math.max), of(1, Math.min), of(1, Math.max)];
  const k = Math.min((SIZE.wide - 2 * pad) / Math.max(1, x1 - x0), (SIZE.high - 2 * pad) / Math.max(1, y1 - y0));
  return ([x, y]) =>
    `${(SIZE.wide / 2 + (x - (x0 + x1) / 2) * k).toFixed(1)} ${(SIZE.high / 2 - (y - (y0 + y1) / 2) * k).toFixed(1)}`;
}
const path = (points: readonly Flat[], at: (p: Flat) => string, closed = false): string =>
  points.length ? `M${points.map(at).join('L')}${closed ? 'Z' : ''}` : '';

const flat = ({ y, z }: InSection): Flat => [y, z];
/** The shadow of something placed on a plane. */
const shadow = (placed: Placed, of: (p: Point) => Flat): Flat[] =>
  polygonHull(placed.bodies.flatMap((b) => (b.box ? cornersOfBox(b.box) : [])).map((p) => [...of(p)] as [number, number])) ?? [];

/** What one asks of a thing inside: does it pass the opening, does a hand get to it, and how it stands. */
@Component({
  selector: 'pc-inside-answers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Words, Length],
  template: `
    @if (room()) {
      <figure [class.stop]="(passes()?.margin ?? 0) < 0">
        <figcaption>Through the opening</figcaption>
        <p>{{ passesSays() | words }}</p>
        <svg viewBox="0 0 290 150" role="img" aria-label="The opening, and what it needs of it">
          @if (opening(); as o) {
            <path class="opening" [attr.d]="o.clear" />
            <path class="thing" [attr.d]="o.thing" />
          }
        </svg>
      </figure>
      <figure [class.look]="!hand()?.access">
        <figcaption>In the hand</figcaption>
        <p>{{ handSays() | words }}</p>
        <svg viewBox="0 0 290 150" role="img" aria-label="The arm from the opening, from the side">
          @if (arm(); as a) {
            <path class="deck" [attr.d]="a.deck" />
            <path class="deck" [attr.d]="a.keel" />
            <path class="thing" [attr.d]="a.thing" />
            <path class="opening" [attr.d]="a.mouth" />
            <path class="arm" [attr.d]="a.way" />
            <path class="short" [attr.d]="a.left" />
          }
        </svg>
      </figure>
      <figure>
        <figcaption>Section {{ at() | length }} aft, looking forward</figcaption>
        <p>{{ stands() | words }}</p>
        <svg viewBox="0 0 290 150" role="img" aria-label="A cut through the boat there">
          @if (section(); as s) {
            <path class="skin" [attr.d]="s.skin" />
            <path class="deck" [attr.d]="s.deck" />
            @for (f of s.filled; track $index) {
              <path class="filled" [attr.d]="f" />
            }
            @for (o of s.others; track $index) {
              <path class="other" [attr.d]="o" />
            }
            <path class="thing" [attr.d]="s.thing" />
          }
        </svg>
      </figure>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 12px;
      padding: 6px 18px;
    }
    figure {
      margin: 0;
      padding: 8px 10px;
      border: 1px solid var(--line);
      border-top: 3px solid var(--tide);
      background: var(--card);
    }
    figure.stop {
      border-top-color: var(--port);
    }
    figure.look {
      border-top-color: var(--look);
    }
    figcaption {
      font-weight: 600;
    }
    svg {
      width: 100%;
      max-height: 130px;
    }
    p {
      font-size: 14px;
      min-height: 38px;
    }
    .opening,
    .deck {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
    }
    .skin {
      fill: var(--hull);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .thing {
      fill: var(--tape);
      fill-opacity: 0.7;
      stroke: var(--tape-ink);
      stroke-width: 1.5;
    }
    .stop .thing {
      fill: none;
      stroke: var(--port);
    }
    .other {
      fill: none;
      stroke: var(--tide);
    }
    .filled {
      fill: none;
      stroke: var(--muted);
      stroke-dasharray: 4 3;
    }
    .arm {
      fill: none;
      stroke: var(--tide);
      stroke-width: 6;
      stroke-linecap: round;
      stroke-linejoin: round;
      opacity: 0.8;
    }
    .short {
      fill: none;
      stroke: var(--look);
      stroke-width: 3;
      stroke-dasharray: 3 4;
    }
    @media (max-width: 1100px) {
      :host {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class InsideAnswers {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  private readonly hull = computed(() => this.state().workup.surface);
  private readonly placed = computed(() => this.item().placed);
  protected readonly room = computed(() => roomAbout(this.hull(), this.placed()));
  private readonly middle = computed(() => markedAt(this.placed()));

  protected readonly passes = computed(() => {
    const room = this.room();
    return room ? wayIn(this.hull(), room, this.placed().part.body) : null;
  });
  protected readonly passesSays = computed(() => wayInSays(this.passes()));
  protected readonly opening = computed(() => {
    const way = this.passes();
    if (!way) return null;
    const { shape, long, wide } = way.clear;
    const [c, s] = [Math.cos((way.turn * Math.PI) / 180), Math.sin((way.turn * Math.PI) / 180)];
    const [p, q] = way.needs;
    const thing = [
      [1, 1],
      [-1, 1],
      [-1, -1],
      [1, -1],
    ].map(([a = 0, b = 0]): Flat => [(c * a * p - s * b * q) / 2, (s * a * p + c * b * q) / 2]);
    const clear = outlineOf(shape, long, wide);
    const at = fitting([...thing, ...clear]);
    return { clear: path(clear, at, true), thing: path(thing, at, true) };
  });

  protected readonly hand = computed(() => {
    const room = this.room();
    return room ? inHand(this.hull(), room, this.placed(), this.state().plan.brief.stature) : null;
  });
  protected readonly handSays = computed(() => {
    const hand = this.hand();
    return hand ? handSays(hand) : [];
  });
  /** From the side: deck and keel, the mouth of the room, the arm to what it touches. */
  protected readonly arm = computed(() => {
    const [hand, room] = [this.hand(), this.room()];
    if (!hand || !room) return null;
    const hull = this.hull();
    const { fore, aft } = room.space;
    const xs = Array.from({ length: 13 }, (_, i) => fore + ((aft - fore) * i) / 12);
    const deck = xs.map((x): Flat => [x, hull.spot(x, this.middle().y).z]);
    const keel = xs.map((x): Flat => [x, hull.keel(x)]);
    const mouth = room.hatches.map((h): Flat[] => [
      [h.fore, h.height + 6],
      [h.aft, h.height + 6],
    ]);
    const { at: touched } = touchedOf(this.placed());
    const side = (p: Point): Flat => [p.x, p.z];
    const near = room.hatches.map((h) => ({ x: Math.min(h.aft, Math.max(h.fore, touched.x)), y: 0, z: h.height }))[0];
    const at = fitting([...deck, ...keel]);
    return {
      deck: path(deck, at),
      keel: path(keel, at),
      thing: path(shadow(this.placed(), side), at, true),
      mouth: mouth.map((m) => path(m, at)).join(''),
      way: hand.access && hand.access.path.length > 1 ? path(hand.access.path.map(side), at) : '',
      left: !hand.access && near ? path([side(near), side(touched)], at) : '',
    };
  });

  protected readonly at = computed(() => {
    const { tape } = this.state().plan;
    const { x, y } = this.middle();
    return reading(this.hull(), findDatum(this.hull(), tape.datum), tape.run, { x, y, z: this.hull().spot(x, y).z });
  });
  protected readonly stands = computed(() => {
    const room = this.room();
    const { weight } = this.state().workup;
    return room ? standsSays(room, this.placed(), waterAt(weight.float, this.middle().x)) : [];
  });
  /** A cut at its middle: the hull, what fills it, what else stands there, and it. */
  protected readonly section = computed(() => {
    const { x } = this.middle();
    const cut = cutAt(this.hull(), x);
    const across = (p: Point): Flat => [p.y, p.z];
    const here = this.state().workup.aboard.items.filter((i) => {
      const xs = i.placed.bodies.flatMap((b) => b.outline.map(([bx]) => bx));
      return (
        i !== this.item() && (isInside(i.placed) || i.placed.place.on === 'deck') && Math.min(...xs) < x && Math.max(...xs) > x
      );
    });
    const others = here.map((i) => shadow(i.placed, across));
    const thing = shadow(this.placed(), across);
    const [skin, deck] = [cut.skin.map(flat), cut.deck.map(flat)];
    const at = fitting([...skin, ...deck, ...thing, ...others.flat()]);
    const filled = cut.things.map((t): Flat[] => [
      [t.y - t.wide / 2, t.z - t.high / 2],
      [t.y + t.wide / 2, t.z - t.high / 2],
      [t.y + t.wide / 2, t.z + t.high / 2],
      [t.y - t.wide / 2, t.z + t.high / 2],
    ]);
    return {
      skin: path(skin, at, true),
      deck: path(deck, at),
      thing: path(thing, at, true),
      others: others.map((o) => path(o, at, true)),
      filled: filled.map((f) => path(f, at, true)),
    };
  });
}

/** The outline of an opening about its middle. */
function outlineOf(shape: 'rectangle' | 'circle' | 'stadium', long: number, wide: number): Flat[] {
  const [l, w] = [long / 2, wide / 2];
  if (shape === 'rectangle')
    return [
      [l, w],
      [-l, w],
      [-l, -w],
      [l, -w],
    ];
  const r = Math.min(l, w);
  return Array.from({ length: 72 }, (_, i): Flat => {
    const a = (i * Math.PI) / 36;
    return [Math.cos(a) * r + Math.sign(Math.cos(a)) * (l - r), Math.sin(a) * r + Math.sign(Math.sin(a)) * (w - r)];
  });
}
