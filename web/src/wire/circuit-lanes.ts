import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { DRAWN, fuseWithin, printAmps } from '@plain-cleat/core/electric/circuits';
import { capital, printLong, printLength } from '@plain-cleat/core/base/units';
import type { Workup } from '@plain-cleat/core/workup';
import type { WiredRun } from '@plain-cleat/core/electric/wiring';
import { line } from 'd3-shape';
import { wireThickness } from '../boat-view/lanes';
import { Scale, WIDTH } from '../boat-view/scale';
import { UnitsStore } from '../stores/units.store';
import { boxTop, circuitLine, LANE, spreadAlong } from './circuit-lines';

/** The line under the lanes that tells the chosen cable. */
const TOLD = 28;
const ROWS = ['loads', 'channels', 'fuses', 'batteries'] as const;
type RowName = (typeof ROWS)[number];

interface Box {
  readonly id: string;
  readonly row: RowName;
  readonly x: number;
  readonly title: string;
  readonly more: string;
}

/** The circuit along the boat, every part at its own x, from batteries up to loads; thickness is gauge. */
@Component({
  selector: 'pc-circuit-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width + ' ' + height"
      role="img"
      aria-label="The circuit along the boat: loads, channels, fuses, batteries"
    >
      @for (l of lanes(); track l.name) {
        <line class="rule" x1="0" [attr.x2]="width" [attr.y1]="l.y" [attr.y2]="l.y" />
        <text class="name" x="8" [attr.y]="l.y + 20">{{ l.name }}</text>
        <text class="more" x="8" [attr.y]="l.y + 37">{{ l.more }}</text>
      }
      @for (j of drawn().joins; track j.id) {
        @if (j.id === selected()) {
          <path class="under" [attr.d]="j.d" [attr.stroke-width]="j.thick + 7" />
        }
        <path class="case" [attr.d]="j.d" [attr.stroke-width]="j.thick + 2" />
        <path class="join" [attr.d]="j.d" [attr.stroke]="j.colour" [attr.stroke-width]="j.thick" (click)="picked.emit(j.id)" />
      }
      @for (b of drawn().boxes; track b.id) {
        <g [attr.transform]="'translate(' + (b.x - lane.boxWide / 2) + ' ' + b.y + ')'">
          <rect class="part" rx="3" [attr.width]="lane.boxWide" [attr.height]="lane.boxTall" />
          <text text-anchor="middle" [attr.x]="lane.boxWide / 2" y="18" class="name">{{ b.title }}</text>
          <text class="more" text-anchor="middle" [attr.x]="lane.boxWide / 2" y="34">{{ b.more }}</text>
        </g>
      }
      <line class="rule" x1="0" [attr.x2]="width" [attr.y1]="foot" [attr.y2]="foot" />
      <text class="told" x="96" [attr.y]="height - 9" [class.none]="!told()">
        {{ told() || 'Touch a cable to see what it is.' }}
      </text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      border-bottom: 1.5px solid var(--edge);
    }
    .part {
      fill: var(--card);
      stroke: var(--tide);
      stroke-width: 2;
    }
    .join,
    .case,
    .under {
      fill: none;
    }
    /* A dark wire on a dark ground is seen by its edge. */
    .case {
      stroke: light-dark(transparent, #aab4b6);
    }
    .join {
      cursor: pointer;
    }
    .under {
      stroke: var(--tape);
    }
    .told {
      font-size: 14px;
      font-weight: 600;
    }
    .told.none {
      fill: var(--muted);
      font-weight: 400;
    }
  `,
})
export class CircuitLanes {
  readonly workup = input.required<Workup>();
  readonly selected = input<string | null>(null);
  /** The run whose line was pointed at. */
  readonly picked = output<string>();
  private readonly units = inject(UnitsStore);
  protected readonly width = WIDTH;
  /** Where the lanes end. */
  protected readonly foot = ROWS.length * LANE.height;
  protected readonly height = this.foot + TOLD;
  protected readonly lane = LANE;

  protected readonly lanes = computed(() => {
    const more: Readonly<Record<RowName, string>> = {
      loads: 'draw, at full',
      channels: 'switched by',
      fuses: `within ${printLength(fuseWithin(this.workup().wiring.rules.standard), this.units.system(), 'down')}`,
      batteries: 'stored',
    };
    return ROWS.map((row, i) => ({ name: capital(row), more: more[row], y: i * LANE.height }));
  });

  private readonly items = computed(() => new Map(this.workup().aboard.owned.map((i) => [i.placed.id, i])));

  /** What stands in the lanes, at its own x. */
  private readonly boxes = computed((): readonly Box[] => {
    const w = this.workup();
    const scale = new Scale(w.surface, 0);
    const { runs, guards } = w.wiring;
    const at = (id: string): number => scale.x(this.items().get(id)?.placed.frame.origin.x ?? 0);
    const parts = w.aboard.owned.flatMap(({ placed: { id, part }, letter }): Box[] => {
      const { draw, battery, passes, charges } = part.power ?? {};
      const box = (row: RowName, title: string, more: string): Box => ({ id, row, x: at(id), title: `${letter} ${title}`, more });
      if (battery) return [box('batteries', `${battery.ampHours} Ah`, `${battery.volts} V, ${battery.chemistry}`)];
      if (passes) {
        const used = [...new Set(runs.filter((r) => r.from === id).map((r) => r.way ?? 1))].sort((a, b) => a - b);
        const free = passes.ways - used.length;
        if (passes.ways === 1) return [box('channels', shortOf(part.name), passes.kills ? 'lanyard' : `${passes.amps} A`)];
        return [box('channels', used.join(' · ') || 'empty', free > 0 ? `${free} of ${passes.ways} free` : 'all taken')];
      }
      if (draw) return [box('loads', shortOf(part.name), `${printAmps(draw.amps)} A`)];
      return charges ? [box('loads', shortOf(part.name), `${printAmps(charges.amps)} A in`)] : [];
    });
    const fuses = guards.flatMap((g): Box[] =>
      g.cable === null
        ? []
        : [
            {
              ...{
                id: `fuse ${g.cable}`,
                row: 'fuses',
                x: at(g.fitting),
                title: g.rating === null ? 'none sold' : `${g.rating} A`,
              },
              more: g.kind,
            },
          ],
    );
    return [...parts, ...fuses];
  });

  protected readonly drawn = computed(() => {
    const boxes = ROWS.flatMap((row, lane) =>
      spreadAlong(this.boxes().filter((b) => b.row === row)).map((b) => ({ ...b, lane, y: boxTop(lane) })),
    );
    const where = new Map(boxes.map((b) => [b.id, b]));
    const joins = this.workup().wiring.runs.flatMap((r, n) => {
      const steps = [where.get(r.from), where.get(`fuse ${r.id}`), where.get(r.to)].filter((b) => b !== undefined);
      if (steps.length < 2) return [];
      const thick = wireThickness(r.awg);
      const lines = circuitLine(steps, boxes, thick + 2, ((n % 7) - 3) * 4);
      return [
        { id: r.id, thick, colour: DRAWN[r.colour], d: lines.map((corners) => line()(corners.map(([x, y]) => [x, y]))).join('') },
      ];
    });
    return { boxes, joins };
  });

  /** The chosen run in words. */
  protected readonly told = computed(() => {
    const run = this.workup().wiring.runs.find((r) => r.id === this.selected());
    return run ? toldRun(run, printLong(run.cut, this.units.system())) : '';
  });
}

const toldRun = ({ gauge, conductors, drop }: WiredRun, cut: string): string =>
  [`${gauge}${conductors === 2 ? ' pair' : ''}`, cut, ...(drop ? [`${drop.volts.toFixed(2)} V lost on the way`] : [])].join(
    ' · ',
  );

/** The first words of a name, as many as a box takes. */
function shortOf(name: string): string {
  const [first = '', ...rest] = (name.split(',')[0] ?? name).split(' ');
  return rest.reduce((said, word) => (said.length + word.length < 12 ? `${said} ${word}` : said), first);
}
