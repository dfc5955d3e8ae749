import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { DRAWN } from '@plain-cleat/core/electric/circuits';
import type { Workup } from '@plain-cleat/core/workup';
import { diagramOf, drawDiagram, type DrawnDiagram, type LaidDiagram } from '@plain-cleat/core/electric/wiring';
import ELK from 'elkjs/lib/elk-api';
import { catchError, from, map, of, startWith, switchMap } from 'rxjs';
import { type Loaded, LOADING } from '../stores/loaded';
import { wordsOf } from '../stores/problems';

/** The circuit as a diagram that draws itself, every conductor a line in its colour, in the letters of the boat view. */
@Component({
  selector: 'pc-circuit-diagram',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (shown().is) {
      @case ('loading') {
        <p class="small muted">Drawing the diagram…</p>
      }
      @case ('failed') {
        <p class="small fault" role="alert">The diagram could not be drawn. The lanes and the list say the same.</p>
      }
      @default {
        @if (drawn(); as d) {
          <div class="scroll">
            <svg
              [attr.viewBox]="'-6 -6 ' + (d.width + 12) + ' ' + (d.height + 12)"
              [style.max-width.px]="d.width + 12"
              [style.min-width.px]="d.width * 0.72"
              role="img"
              aria-label="Diagram of the circuit"
            >
              @for (s of d.shapes; track s.id) {
                @switch (s.is) {
                  @case ('line') {
                    @if (s.run === selected()) {
                      <polyline class="under" [attr.points]="pointsOf(s)" [attr.stroke-width]="s.thick + 7" />
                    }
                    <polyline class="case" [attr.points]="pointsOf(s)" [attr.stroke-width]="s.thick + 2" />
                    <polyline
                      class="line"
                      [attr.points]="pointsOf(s)"
                      [class.signal]="s.colour === null"
                      [attr.stroke]="s.colour && colourOf[s.colour]"
                      [attr.stroke-width]="s.thick"
                      (click)="picked.emit(s.run)"
                    />
                  }
                  @case ('box') {
                    <rect class="box" rx="3" [attr.x]="s.x" [attr.y]="s.y" [attr.width]="s.width" [attr.height]="s.height" />
                  }
                  @case ('text') {
                    <text
                      [class.bold]="s.bold"
                      [class.chosen]="s.run !== null && s.run === selected()"
                      [attr.x]="s.x"
                      [attr.y]="s.y"
                      [attr.text-anchor]="s.from"
                    >
                      {{ s.says }}
                    </text>
                  }
                }
              }
            </svg>
          </div>
        }
      }
    }
  `,
  styles: `
    .scroll {
      overflow-x: auto;
    }
    svg {
      display: block;
      width: 100%;
    }
    .box {
      fill: var(--card);
      stroke: var(--tide);
      stroke-width: 1.5;
    }
    .line,
    .case,
    .under {
      fill: none;
    }
    /* A dark wire on a dark ground is seen by its edge. */
    .case {
      stroke: light-dark(transparent, #aab4b6);
    }
    .line {
      cursor: pointer;
    }
    .signal {
      stroke: var(--muted);
      stroke-dasharray: 6 4;
    }
    .under {
      stroke: var(--tape);
    }
    text {
      font-size: 12px;
      fill: var(--ink);
    }
    .bold,
    .chosen {
      font-weight: 600;
    }
  `,
})
export class CircuitDiagram {
  readonly workup = input.required<Workup>();
  readonly selected = input<string | null>(null);
  readonly picked = output<string>();
  protected readonly colourOf = DRAWN;

  private readonly elk = new ELK({
    workerFactory: () => new Worker(new URL('../workers/diagram.worker', import.meta.url), { type: 'module' }),
  });
  /** Made anew only when what it shows is another. */
  private readonly diagram = computed(() => {
    const { wiring, aboard } = this.workup();
    return diagramOf(wiring, aboard.owned);
  });
  private readonly key = computed(() => JSON.stringify([this.diagram().graph, [...this.diagram().lines]]));
  protected readonly shown = toSignal(
    toObservable(this.key).pipe(
      map(() => this.diagram()),
      switchMap((diagram) =>
        from(this.elk.layout(diagram.graph as Parameters<typeof this.elk.layout>[0])).pipe(
          map((laid): Loaded<DrawnDiagram> => ({ is: 'here', value: drawDiagram(diagram, laid as unknown as LaidDiagram) })),
          catchError((error: unknown) => of<Loaded<DrawnDiagram>>({ is: 'failed', value: null, says: wordsOf(error) })),
        ),
      ),
      startWith(LOADING),
    ),
    { initialValue: LOADING as Loaded<DrawnDiagram> },
  );
  protected readonly drawn = computed(() => this.shown().value);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.elk.terminateWorker());
  }

  protected pointsOf = ({ points }: { readonly points: readonly { readonly x: number; readonly y: number }[] }): string =>
    points.map((p) => `${p.x},${p.y}`).join(' ');
}
