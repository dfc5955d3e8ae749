import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { insideView, type InSection } from '@plain-cleat/core/holding/drilling';
import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import type { HullSurface } from '@plain-cleat/core/boat/hull';
import { Length, Words } from '../boat-view/words';

const SIZE = { wide: 284, high: 290 } as const;

/** A cut through the hull at one hole, looking forward: skin, deck, what lies inside, the nut, and the way of the hand. */
@Component({
  selector: 'pc-inside-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, Words],
  template: `
    <svg [attr.viewBox]="'0 0 ' + size.wide + ' ' + size.high" role="img" [attr.aria-label]="'Inside at hole ' + hole().label">
      <rect class="ground" [attr.width]="size.wide" [attr.height]="size.high" />
      <path class="hull" [attr.d]="line(view().skin) + 'Z'" />
      <path class="deck" [attr.d]="line(view().deck)" />
      @for (t of view().things; track t.name) {
        <rect
          class="thing"
          [attr.x]="x(t.y - t.wide / 2)"
          [attr.y]="z(t.z + t.high / 2)"
          [attr.width]="t.wide * k()"
          [attr.height]="t.high * k()"
          [attr.rx]="t.round ? (t.wide * k()) / 2 : 0"
        />
      }
      @if (view().way; as way) {
        <path class="way" [attr.d]="line(way)" />
        @if (way[0]; as from) {
          <circle class="from" [attr.cx]="x(from.y)" [attr.cy]="z(from.z)" r="5" />
        }
      }
      <path class="bolt" [attr.d]="line([view().hole, view().end])" />
      <circle class="nut" [attr.cx]="x(view().end.y)" [attr.cy]="z(view().end.z)" r="5" />
      <text [attr.x]="x(view().hole.y) + 8" [attr.y]="z(view().hole.z) - 8">{{ hole().label }}</text>
      <text class="foot" x="8" y="18">P</text>
      <text class="foot" [attr.x]="size.wide - 16" y="18">S</text>
      <text class="foot" x="8" [attr.y]="size.high - 8">looking forward</text>
    </svg>
    <p class="small">
      @if (view().way) {
        Hand from the {{ hole().behind.access?.hatch }}: {{ hole().behind.access?.away ?? 0 | length: 'up' }}, the opening
        {{ abs(view().openingAft) | length }} {{ view().openingAft > 0 ? 'aft' : 'forward' }} of here.
      } @else if (hole().behind.blocked; as why) {
        No hand: {{ why | words }}.
      } @else {
        Nothing is put on from inside.
      }
    </p>
  `,
  styles: `
    svg {
      width: 100%;
      border: 1px solid var(--edge);
    }
    .ground {
      fill: var(--ground);
    }
    .hull {
      fill: var(--hull);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .deck {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2.5;
    }
    .thing {
      fill: var(--tape);
      stroke: var(--look);
      stroke-dasharray: 5 3;
    }
    .way {
      fill: none;
      stroke: var(--tide);
      stroke-width: 7;
      stroke-linecap: round;
      stroke-linejoin: round;
      opacity: 0.75;
    }
    .from {
      fill: var(--card);
      stroke: var(--tide);
      stroke-width: 2;
    }
    .bolt {
      stroke: var(--ink);
      stroke-width: 4;
    }
    .nut {
      fill: var(--card);
      stroke: var(--ink);
      stroke-width: 2;
    }
    text {
      font-size: 15px;
      font-weight: 600;
    }
    .foot {
      font-size: 13px;
      font-weight: 400;
      fill: var(--muted);
    }
  `,
})
export class InsideSection {
  readonly hole = input.required<PlannedHole>();
  readonly surface = input.required<HullSurface>();
  /** How far bolt and nut stand out behind, mm. */
  readonly deep = input(35);
  protected readonly size = SIZE;
  protected abs = Math.abs;
  protected readonly view = computed(() => insideView(this.surface(), this.hole(), this.deep()));
  private readonly spread = computed(() => {
    const all = [...this.view().skin, ...this.view().deck, ...(this.view().way ?? [])];
    const [ys, zs] = [all.map((p) => p.y), all.map((p) => p.z)];
    return { half: Math.max(...ys.map(Math.abs)), low: Math.min(...zs), high: Math.max(...zs) };
  });
  protected readonly k = computed(() => {
    const { half, low, high } = this.spread();
    return Math.min((SIZE.wide - 28) / (2 * half), (SIZE.high - 90) / Math.max(1, high - low));
  });
  protected x = (y: number): number => SIZE.wide / 2 + y * this.k();
  protected z = (z: number): number => {
    const { low, high } = this.spread();
    return SIZE.high / 2 - (z - (low + high) / 2) * this.k();
  };
  protected line = (points: readonly InSection[]): string =>
    `M${points.map((p) => `${this.x(p.y).toFixed(1)} ${this.z(p.z).toFixed(1)}`).join('L')}`;
}
