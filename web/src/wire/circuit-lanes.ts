import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { DRAWN, fuseWithin, printAmps } from '@plain-cleat/core/circuits';
import { capital, printLong, printLength } from '@plain-cleat/core/units';
import type { Workup } from '@plain-cleat/core/workup';
import type { WiredRun } from '@plain-cleat/core/wiring';
import { wireThickness } from '../hull-view/lanes';
import { Scale, WIDTH } from '../hull-view/scale';
import { UnitsStore } from '../stores/units.store';

const ROW = 66;
const BOX = { width: 92, height: 42, gap: 6 } as const;
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
        <g [attr.transform]="'translate(' + (b.x - 46) + ' ' + b.y + ')'">
          <rect class="part" rx="3" [attr.width]="box.width" [attr.height]="box.height" />
          <text text-anchor="middle" x="46" y="18" class="name">{{ b.title }}</text>
          <text class="more" text-anchor="middle" x="46" y="34">{{ b.more }}</text>
        </g>
      }
      @if (told(); as t) {
        <g class="told" [attr.transform]="'translate(' + t.x + ' ' + t.y + ')'">
          <rect rx="3" [attr.x]="-t.width / 2" y="-11" [attr.width]="t.width" height="22" />
          <text text-anchor="middle" y="5">{{ t.says }}</text>
        </g>
      }
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
    .told rect {
      fill: var(--ink);
    }
    .told text {
      fill: var(--card);
      font-size: 13px;
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
  protected readonly height = ROWS.length * ROW;
  protected readonly box = BOX;

  protected readonly lanes = computed(() => {
    const more: Readonly<Record<RowName, string>> = {
      loads: 'draw, at full',
      channels: 'switched by',
      fuses: `within ${printLength(fuseWithin(this.workup().wiring.rules.standard), this.units.system(), 'down')}`,
      batteries: 'stored',
    };
    return ROWS.map((row, i) => ({ name: capital(row), more: more[row], y: i * ROW }));
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
    const boxes = ROWS.flatMap((row, i) =>
      spread(this.boxes().filter((b) => b.row === row)).map((b) => ({ ...b, y: i * ROW + 14 })),
    );
    const where = new Map(boxes.map((b) => [b.id, b]));
    const joins = this.workup().wiring.runs.flatMap((r, n) => {
      const steps = [where.get(r.from), where.get(`fuse ${r.id}`), where.get(r.to)].filter((b) => b !== undefined);
      return steps.length < 2 ? [] : [{ id: r.id, thick: wireThickness(r.awg), colour: DRAWN[r.colour], d: stepped(steps, n) }];
    });
    return { boxes, joins };
  });

  /** The chosen run in words, where its line starts. */
  protected readonly told = computed(() => {
    const run = this.workup().wiring.runs.find((r) => r.id === this.selected());
    const box = this.drawn().boxes.find((b) => b.id === run?.to);
    if (!run || !box) return null;
    const says = toldRun(run, printLong(run.cut, this.units.system()));
    const width = says.length * 6.4 + 24;
    return { says, width, x: Math.min(WIDTH - width / 2 - 4, Math.max(width / 2 + 90, box.x)), y: box.y + BOX.height + 12 };
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

/** A line from box to box, up and across; each run a little beside the last. */
function stepped(steps: readonly { readonly x: number; readonly y: number }[], n: number): string {
  const aside = ((n % 7) - 3) * 4;
  return steps
    .slice(1)
    .map((to, i) => {
      const from = steps[i] ?? to;
      const up = to.y < from.y;
      const [start, end] = up ? [from.y, to.y + BOX.height] : [from.y + BOX.height, to.y];
      // In one lane the line goes round above it.
      if (to.y === from.y) return `M${from.x + aside} ${from.y}V${from.y - 8 + aside / 4}H${to.x + aside}V${to.y}`;
      return `M${from.x + aside} ${start}V${(up ? end + 11 : start + 11) + aside / 2}H${to.x + aside}V${end}`;
    })
    .join('');
}

/** Pushes boxes of one lane apart from bow to stern, then back inside the right edge. */
function spread(boxes: readonly Box[]): Box[] {
  const gap = BOX.width + BOX.gap;
  const out: Box[] = [];
  for (const b of [...boxes].sort((p, q) => p.x - q.x)) out.push({ ...b, x: Math.max(b.x, (out.at(-1)?.x ?? 60) + gap, 142) });
  for (let i = out.length - 1, most = WIDTH - 50; i >= 0; i--, most -= gap) {
    const b = out[i];
    if (b && b.x > most) out[i] = { ...b, x: most };
  }
  return out;
}
