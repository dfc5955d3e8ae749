import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatSliderModule } from '@angular/material/slider';
import { printAmps } from '@plain-cleat/core/electric/circuits';
import { type BatteryDay, type Charging, type OwnBatteryDay, type ByGuess, usualDuty } from '@plain-cleat/core/electric/day';
import { type Day, DOINGS, type Leg } from '@plain-cleat/core/rig';
import { printClock } from '@plain-cleat/core/base/units';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { DeleteButton } from '../controls/delete-button';
import { Icons } from '../controls/icons';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import type { RigState } from '../stores/rig.state';
import { RigStore } from '../stores/rig.store';
import { DayChart } from './day-chart';
import { ReactiveFormsModule, type ValidatorFn } from '@angular/forms';
import { byForm, field, liveForm, liveRows, words } from '../controls/live-form';
import { Table, TableColumn } from '../controls/table';

interface LegRow extends Leg {
  readonly at: number;
  readonly amps: string;
  readonly reached: boolean;
}

/** A day on the water: its legs and who is on when, what each battery has left on its own clock, how far the motor goes. */
@Component({
  selector: 'pc-day-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[ChoiceField, DayChart, DeleteButton, Icons, MatButtonModule, MatCheckboxModule, MatSliderModule, Table, TableColumn],
    ...[QuantityField, ReactiveFormsModule, TextField],
  ],
  templateUrl: './day-card.html',
  styleUrl: './day-card.scss',
})
export class DayCard {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  protected readonly doings = choicesOf(DOINGS);
  /** What comes from ahead, and the most of it, km/h. */
  protected readonly against = [
    { what: 'wind', says: 'Wind against', most: 60 },
    { what: 'stream', says: 'Stream against', most: 15 },
  ] as const;
  protected readonly batteryOf = (b: BatteryDay): string => b.fitting;
  protected readonly worked = computed(() => this.state().workup.day);
  protected readonly day = computed(() => this.worked().day);
  protected readonly planned = computed(() => this.state().plan.day !== null);
  protected readonly charge = computed(() => ({ is: 'charge' as const, day: this.worked(), starts: this.day().starts }));
  protected readonly range = computed(() => ({ is: 'range' as const, range: this.worked().range }));
  protected readonly legs = computed((): LegRow[] =>
    this.day().legs.map((leg, i) => {
      const { amps, reached = true } = this.worked().legs[i] ?? {};
      return { ...leg, at: i, amps: amps && amps.hard > 0 ? ampsWords(amps) : '–', reached };
    }),
  );
  /** What draws and is fed, but for motors: their legs say when they run. */
  protected readonly loads = computed(() => {
    const { wiring, aboard } = this.state().workup;
    const own = this.worked().own.map(({ fitting, letter, name }) => ({
      ...{ id: fitting, name: `${letter} ${name}`, inTheDark: false },
      share: Math.round(100 * (this.day().duty[fitting] ?? 1)),
    }));
    const fed = wiring.flows.flatMap(({ fitting, draw, charging }) => {
      const item = aboard.owned.find((i) => i.placed.id === fitting);
      if (!draw || charging || draw.of === 'motor' || !item) return [];
      return [
        {
          ...{ id: fitting, name: `${item.letter} ${item.placed.part.name}`, inTheDark: draw.of === 'lights' },
          share: Math.round(100 * (this.day().duty[fitting] ?? usualDuty(draw, item.placed.part.light))),
        },
      ];
    });
    return [...fed, ...own];
  });

  protected readonly form = liveForm({
    starts: this.clock(
      () => this.day().starts,
      (starts) => this.put({ starts }),
    ),
    from: this.clock(
      () => this.day().dark.from,
      (from) => this.put({ dark: { ...this.day().dark, from } }),
    ),
    to: this.clock(
      () => this.day().dark.to,
      (to) => this.put({ dark: { ...this.day().dark, to } }),
    ),
    cold: field(
      () => this.day().cold ?? false,
      (cold) => this.freeze(cold),
    ),
  });
  protected readonly rows = liveRows(
    () => this.legs(),
    (leg) => ({
      does: field(
        () => leg().does,
        (does) => this.setLeg(leg().at, { does }),
      ),
      minutes: field<number | null>(
        () => leg().minutes,
        (minutes) => this.setLeg(leg().at, { minutes: minutes ?? 1 }),
      ),
      kmh: field<number | null>(
        () => leg().kmh,
        (kmh) => this.setLeg(leg().at, { kmh: kmh ?? 0 }),
      ),
      wind: this.from(leg, 'wind'),
      stream: this.from(leg, 'stream'),
    }),
  );
  protected readonly readings = liveRows(
    () => this.day().readings,
    (reading, at) => ({
      kmh: field<number | null>(
        () => reading().kmh,
        (kmh) => this.setReading(at(), { kmh: kmh ?? reading().kmh }),
      ),
      amps: field<number | null>(
        () => reading().amps,
        (amps) => this.setReading(at(), { amps: amps ?? reading().amps }),
      ),
    }),
  );
  protected readonly byForm = byForm;

  private clock(stands: () => number, put: (minutes: number) => void) {
    return words(
      () => printClock(stands()),
      (text) => put(minutesOf(text) ?? stands()),
      { right: isClock },
    );
  }

  private from(leg: () => LegRow, what: 'wind' | 'stream') {
    return field<number | null>(
      () => leg()[what] ?? 0,
      (kmh) => this.setAgainst(leg().at, what, kmh),
    );
  }

  protected percent = (share: number): string => `${Math.round(100 * share)} %`;
  protected leftOf = ({ moments }: BatteryDay): string => {
    const left = moments.at(-1)?.left;
    if (!left) return '–';
    const [hard, easy] = [Math.round(100 * left.hard), Math.round(100 * left.easy)];
    return hard === easy ? `${hard} %` : `${hard} to ${easy} %`;
  };
  protected touchedOf = ({ touched }: BatteryDay): string =>
    touched.likely !== null
      ? `at ${printClock(this.day().starts + touched.likely)}`
      : touched.hard !== null
        ? `at ${printClock(this.day().starts + touched.hard)} on a hard day`
        : 'no';
  protected chargeOf = ({ by, amps, hours, anHour }: Charging): string =>
    by === 'the towing car'
      ? `${hours.toFixed(1)} h at ${printAmps(amps)} A by the towing car, ${Math.round(100 * anHour)} % an hour`
      : by === 'the sun'
        ? `${hours.toFixed(0)} h of daylight at ${printAmps(amps)} A by the sun`
        : `${hours.toFixed(1)} h at ${printAmps(amps)} A by ${by}`;
  protected ownOf = (o: OwnBatteryDay): string => o.fitting;
  protected hours = (h: number | null): string => (h === null ? '–' : `${(Math.floor(10 * h) / 10).toFixed(1)} h`);
  /** What charges by USB aboard, and whether it is enough. */
  protected readonly usb = computed(() => {
    const { banks, socket, asked } = this.worked().usb;
    const has = socket
      ? 'A fed USB socket charges them.'
      : banks > 0
        ? `Power banks give ${Math.floor(banks)} Wh.`
        : 'Nothing aboard gives USB.';
    return asked > 0 ? `${Math.ceil(asked)} Wh are asked from USB. ${has}` : has;
  });

  private put(more: Partial<Day>): void {
    const from = this.state().plan.day;
    this.store.change({ id: crypto.randomUUID(), kind: 'planDay', from, to: { ...this.day(), ...more } });
  }

  private freeze(cold: boolean): void {
    const { cold: _, ...bare } = this.day();
    const from = this.state().plan.day;
    this.store.change({ id: crypto.randomUUID(), kind: 'planDay', from, to: cold ? { ...bare, cold } : bare });
  }

  private setLeg(at: number, more: Partial<Leg>): void {
    this.put({ legs: this.day().legs.map((leg, i) => (i === at ? { ...leg, ...more } : leg)) });
  }

  /** A current or wind of nought is none. */
  private setAgainst(at: number, what: 'wind' | 'stream', value: number | null): void {
    const legs = this.day().legs.map((leg, i): Leg => {
      const { [what]: _, ...bare } = leg;
      return i !== at ? leg : value ? { ...bare, [what]: value } : bare;
    });
    this.put({ legs });
  }

  protected addLeg(): void {
    const last = this.day().legs.at(-1);
    this.put({ legs: [...this.day().legs, last ?? { does: 'paddle', minutes: 60, kmh: 4 }] });
  }

  protected deleteLeg(at: number): void {
    this.put({ legs: this.day().legs.filter((_, i) => i !== at) });
  }

  protected setDuty(fitting: string, percent: number): void {
    this.put({ duty: { ...this.day().duty, [fitting]: percent / 100 } });
  }

  protected addReading(): void {
    const last = this.day().readings.at(-1);
    this.put({ readings: [...this.day().readings, last ? { kmh: last.kmh + 1, amps: last.amps } : { kmh: 4, amps: 8 }] });
  }

  private setReading(at: number, more: Partial<Day['readings'][number]>): void {
    this.put({ readings: this.day().readings.map((r, i) => (i === at ? { ...r, ...more } : r)) });
  }

  protected deleteReading(at: number): void {
    this.put({ readings: this.day().readings.filter((_, i) => i !== at) });
  }

  /** Back to the day that the brief asks for. */
  protected forget(): void {
    const from = this.state().plan.day;
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'planDay', from, to: null });
  }
}

const ampsWords = ({ easy, hard }: ByGuess<number>): string => {
  const [least, most] = [easy.toFixed(1), hard.toFixed(1)];
  return least === most ? `${least} A` : `${least} to ${most} A`;
};

/** Minutes after midnight of a clock time, or null. */
function minutesOf(text: string): number | null {
  const [, hours, minutes = '0'] = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(text.trim()) ?? [];
  const sum = Number(hours) * 60 + Number(minutes);
  return hours !== undefined && Number(hours) < 24 && Number(minutes) < 60 ? sum : null;
}

const isClock: ValidatorFn = ({ value }) => (minutesOf(String(value)) === null ? { says: 'Write it like 7:00 or 21:30.' } : null);
