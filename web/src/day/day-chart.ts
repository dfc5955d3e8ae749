import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { BatteryDay, DayWorked, Reach } from '@plain-cleat/core/electric/day';
import { figureOf, printClock, printQuantity, unitOf, type UnitSystem } from '@plain-cleat/core/base/units';
import {
  CategoryScale,
  Chart,
  type ChartConfiguration,
  type ChartDataset,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { UnitsStore } from '../stores/units.store';

Chart.register(CategoryScale, Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip);

/** A line of a chart in its colours: the band under it, and what is likely. */
const TONES = ['#1f5d5a', '#8a4a0c', '#1f3f8f', '#7a2a5a'];

type Shown =
  | { readonly is: 'charge'; readonly day: DayWorked; readonly starts: number }
  | { readonly is: 'range'; readonly range: readonly Reach[] };

/** A chart of a day: what each battery has left on its own clock, or how far the motor goes at each speed; the band is what wind and load may do. */
@Component({
  selector: 'pc-day-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="chart"><canvas #canvas role="img" [attr.aria-label]="says()"></canvas></div>`,
  styles: `
    .chart {
      position: relative;
      height: 220px;
    }
  `,
})
export class DayChart {
  readonly shown = input.required<Shown>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly units = inject(UnitsStore);
  private chart?: Chart;
  /** The same for who does not see it. */
  protected readonly says = computed(() => {
    const [shown, system] = [this.shown(), this.units.system()];
    return shown.is === 'charge'
      ? `What is left at the end: ${shown.day.batteries.map(leftWords).join('; ')}`
      : `How far the motor goes: ${shown.range.map((r) => `${printQuantity('speed', r.kmh, system)} ${printQuantity('distance', r.km.likely, system)}`).join(', ')}`;
  });

  constructor() {
    effect(() => {
      const config =
        this.shown().is === 'charge'
          ? chargeChart(this.shown() as Charge)
          : rangeChart(this.shown() as Range, this.units.system());
      this.chart?.destroy();
      // In the colour of the words about it, light or dark.
      Chart.defaults.font.family = 'Barlow';
      Chart.defaults.color = getComputedStyle(this.canvas().nativeElement).color;
      this.chart = new Chart(this.canvas().nativeElement, config);
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }
}

type Charge = Extract<Shown, { is: 'charge' }>;
type Range = Extract<Shown, { is: 'range' }>;

const leftWords = ({ letter, name, moments }: BatteryDay): string =>
  `${letter} ${name} ${Math.round(100 * (moments.at(-1)?.left.likely ?? 0))} %`;

/** A line with the band about it: three lines, of which the outer two are filled between. */
function banded(
  label: string,
  tone: string,
  of: readonly { readonly easy: number; readonly likely: number; readonly hard: number }[],
): ChartDataset<'line'>[] {
  const edge = { borderWidth: 0, pointRadius: 0, pointHitRadius: 0, backgroundColor: `${tone}2e` };
  return [
    { ...edge, label: '', data: of.map((o) => o.easy), fill: '+2' },
    { label, data: of.map((o) => o.likely), borderColor: tone, backgroundColor: tone, borderWidth: 2, pointRadius: 0 },
    { ...edge, label: '', data: of.map((o) => o.hard), fill: false },
  ];
}

const framed = (x: string, y: string, most?: number): ChartConfiguration<'line'>['options'] => ({
  animation: false,
  maintainAspectRatio: false,
  interaction: { mode: 'index', intersect: false },
  plugins: {
    legend: { labels: { filter: (item) => item.text !== '', boxHeight: 2, font: { family: 'Barlow' } } },
    tooltip: { filter: (item) => item.dataset.label !== '' },
  },
  scales: {
    x: { title: { display: true, text: x }, ticks: { maxTicksLimit: 12, maxRotation: 0 } },
    y: { title: { display: true, text: y }, min: 0, ...(most === undefined ? {} : { max: most }) },
  },
});

function chargeChart({ day, starts }: Charge): ChartConfiguration<'line'> {
  const [first] = day.batteries;
  return {
    type: 'line',
    data: {
      labels: first?.moments.map((m) => printClock(starts + m.minute)) ?? [],
      datasets: day.batteries.flatMap((b, i) => {
        const tone = TONES[i % TONES.length] ?? '#1f5d5a';
        const kept: ChartDataset<'line'> = {
          ...{
            label: '',
            data: b.moments.map(() => 100 * b.reserve),
            borderColor: tone,
            borderDash: [5, 4],
            borderWidth: 1,
            pointRadius: 0,
          },
        };
        const percent = b.moments.map(({ left }) => ({
          easy: 100 * left.easy,
          likely: 100 * left.likely,
          hard: 100 * left.hard,
        }));
        return [...banded(`${b.letter} ${b.name}`, tone, percent), kept];
      }),
    },
    options: framed('on the clock; dashed: kept back for home', '% left', 100),
  };
}

/** Speeds and ways in the reader's units. */
function rangeChart({ range }: Range, system: UnitSystem): ChartConfiguration<'line'> {
  const far = (km: number): number => Number(figureOf('distance', km, system));
  return {
    type: 'line',
    data: {
      labels: range.map((r) => figureOf('speed', r.kmh, system)),
      datasets: banded(
        'how far until the reserve is touched',
        TONES[0] ?? '',
        range.map(({ km }) => ({ easy: far(km.easy), likely: far(km.likely), hard: far(km.hard) })),
      ),
    },
    options: framed(`${unitOf('speed', system)} through still water`, unitOf('distance', system)),
  };
}
