import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, viewChild } from '@angular/core';
import { Icons } from '../controls/icons';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { MatTooltipModule } from '@angular/material/tooltip';
import { MatMenuModule, MatMenuTrigger } from '@angular/material/menu';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatButtonModule } from '@angular/material/button';
import type { MountAdvice } from '@plain-cleat/core/advice';
import type { Cure } from '@plain-cleat/core/cures';
import type { Fitted } from '@plain-cleat/core/drilling';
import { otherSide } from '@plain-cleat/core/findings';
import { findDatum, placeOfReading, reading, RUN_NAMES } from '@plain-cleat/core/hull';
import { markedAt } from '@plain-cleat/core/layout';
import { mountMinutes } from '@plain-cleat/core/labor';
import { type Change, LIES, type Place, SUPPLIERS, type Fitting } from '@plain-cleat/core/rig';
import { printMoney, type QuantityKind, sideOf } from '@plain-cleat/core/units';
import { FindingBox } from '../findings/finding-box';
import { Mass } from '../hull-view/words';
import { standingOf } from '../hull-view/marks';
import type { RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { KeepAssembly } from './keep-assembly';
import { More } from './more';
import { Mounts } from './mounts';
import { TrackLines } from './track-lines';

/** Places a tape does not slide along. */
const FIXED: readonly Place['on'][] = ['insert', 'scupper', 'plate', 'fitting'];

type Field = 'reading' | 'off' | 'down' | 'lift' | 'heading';

/** A figure of the fitting that can be typed exactly. */
interface Row {
  readonly field: Field;
  readonly name: string;
  readonly kind: QuantityKind;
  readonly value: number;
  readonly least: number | null;
  readonly most: number | null;
  /** Where it stands says it: it is read here and changed there. */
  readonly fixed: boolean;
}

/** The tallest riser, mm. */
const TALLEST = 1500;

/** The chosen fitting: its numbers to type exactly, its findings and cures, how it is held. */
@Component({
  selector: 'pc-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    KeepAssembly,
    FindingBox,
    Mass,
    More,
    Mounts,
    TrackLines,
    MatButtonModule,
    MatExpansionModule,
    MatMenuModule,
    MatTooltipModule,
    QuantityField,
    TextField,
    ChoiceField,
    Icons,
  ],
  templateUrl: './card.html',
  styleUrl: './card.scss',
})
export class Card {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly advice = input<readonly MountAdvice[]>([]);
  readonly cures = input<Readonly<Record<string, readonly Cure[]>>>({});
  readonly closed = output<void>();
  readonly slid = output<Place>();
  readonly changed = output<Change>();
  readonly tookOff = output<void>();
  readonly copied = output<void>();
  readonly turned = output<number>();
  private readonly menu = viewChild.required(MatMenuTrigger);

  /** Everything that can be done with it. */
  openMenu(): void {
    this.menu().openMenu();
  }

  readonly picked = output<string>();
  private readonly units = inject(UnitsStore);
  protected readonly fault = signal<{ field: Field; says: string } | null>(null);
  protected readonly suppliers = choicesOf(SUPPLIERS);
  protected readonly money = printMoney;

  protected readonly fitting = computed(() => this.item().placed.fitting);
  protected readonly standing = computed(() => standingOf(this.state().workup.findings, this.item().placed.id));
  protected readonly findings = computed(() => this.state().workup.findings.filter((f) => f.where === this.item().placed.id));
  /** What the tape is read to: inside, to the place on deck over it. */
  protected readonly at = computed(() => {
    const { placed } = this.item();
    const at = markedAt(placed);
    return placed.place.on === 'space' ? { ...at, z: this.state().workup.surface.spot(at.x, at.y).z } : at;
  });
  /** Whether others stand on it: a small rig of its own. */
  protected readonly carries = computed(
    () =>
      this.fitting().of !== undefined ||
      Object.values(this.state().plan.fittings).some((f) => f.place.on === 'fitting' && f.place.fitting === this.key),
  );
  protected readonly side = computed(() => sideOf(this.at().y));
  protected readonly datum = computed(() => findDatum(this.state().workup.surface, this.state().plan.tape.datum));
  protected readonly fields = computed((): Row[] => {
    const { surface } = this.state().workup;
    const { tape } = this.state().plan;
    const { lift } = this.fitting();
    const { place } = this.item().placed;
    const run = RUN_NAMES[tape.run];
    const length = (field: Field, name: string, value: number, more: Partial<Row> = {}): Row => ({
      field,
      name,
      value,
      kind: 'length',
      least: 0,
      most: null,
      fixed: false,
      ...more,
    });
    const rows = [
      length('reading', `From ${this.datum().name}, ${run}`, reading(surface, this.datum(), tape.run, this.at()), {
        fixed: FIXED.includes(place.on),
      }),
    ];
    if (place.on === 'side') rows.push(length('down', `Down from the gunwale, ${place.side}`, place.down));
    else
      rows.push(
        length('off', `Off centre, ${this.side() === 'centre' ? 'starboard +' : this.side()}`, Math.abs(this.at().y), {
          least: null,
          fixed: place.on !== 'deck' && place.on !== 'space',
        }),
      );
    if (place.on !== 'space') rows.push(length('lift', 'Raised on a riser', lift, { most: TALLEST }));
    if ('heading' in place) rows.push(length('heading', 'Turned', place.heading, { kind: 'degrees', least: -360, most: 360 }));
    return rows;
  });
  /** How it lies, of what stands inside. */
  protected readonly lying = computed(() => {
    const { place } = this.item().placed;
    return place.on === 'space' ? (place.lies ?? 'upright') : null;
  });
  protected readonly waysToLie = choicesOf(['upright', ...LIES]);
  protected readonly top = computed(
    () => Math.max(...this.item().placed.bodies.map((b) => b.top)) - this.state().workup.surface.gunwale(this.at().x),
  );
  protected readonly minutes = computed(() =>
    Math.round(mountMinutes(this.item().mounted, this.item().holes, this.state().doc.shop.labor)),
  );

  private id = (): string => crypto.randomUUID();
  private get key(): string {
    return this.item().placed.id;
  }

  protected type(field: Field, value: number): void {
    this.fault.set(null);
    const wrong = (says: string): void => this.fault.set({ field, says });
    const { lift } = this.fitting();
    const { place } = this.item().placed;
    if (field === 'heading') {
      if ('heading' in place) this.slid.emit({ ...place, heading: value });
    } else if (field === 'lift') this.changed.emit({ id: this.id(), kind: 'liftItem', item: this.key, from: lift, to: value });
    else if (field === 'off') {
      if (place.on !== 'deck' && place.on !== 'space') return;
      const y = this.side() === 'port' ? -value : value;
      if (Math.abs(y) > this.state().workup.surface.halfBreadth(place.x)) return wrong('That is off the hull here.');
      this.slid.emit({ ...place, y });
    } else if (field === 'down') {
      if (place.on === 'side') this.slid.emit({ ...place, down: value });
    } else this.toReading(value, wrong);
  }

  private toReading(mm: number, wrong: (says: string) => void): void {
    const { surface } = this.state().workup;
    const { place } = this.item().placed;
    if (FIXED.includes(place.on)) return;
    const heightAt = (x: number): number =>
      place.on === 'deck' || place.on === 'space'
        ? surface.spot(x, place.y).z
        : place.on === 'side'
          ? surface.sidePoint(x, place.side, place.down).z
          : this.at().z;
    const x = placeOfReading(surface, {
      datum: this.datum(),
      run: this.state().plan.tape.run,
      value: mm,
      y: this.at().y,
      heightAt,
      towards: this.towards(),
      near: this.at().x,
    });
    if (x === undefined) return wrong('The tape reads that nowhere on this hull.');
    const track = place.on === 'track' ? this.state().doc.hull.tracks.find((t) => t.id === place.track) : undefined;
    if (track && (x < track.fore || x > track.aft)) return wrong(`Off the end of ${track.name}.`);
    this.slid.emit({ ...place, x } as Place);
  }

  /** The tape runs from its hook towards where the fitting is now. */
  private towards(): 'aft' | 'forward' {
    const { id, at } = this.datum();
    return id === 'stern' || this.at().x < at.x - 0.5 ? 'forward' : 'aft';
  }

  protected lay(way: string): void {
    const { place } = this.item().placed;
    if (place.on !== 'space') return;
    const { lies: _, ...upright } = place;
    const lies = LIES.find((one) => one === way);
    this.slid.emit(lies ? { ...upright, lies } : upright);
  }

  /** From the deck down onto the hull's side, and back up. */
  protected overTheEdge(): void {
    const { x, y } = this.at();
    const side = y < 0 ? 'port' : 'starboard';
    if (this.item().placed.place.on === 'side') {
      const off = Math.max(0, this.state().workup.surface.halfBreadth(x) - 40);
      this.slid.emit({ on: 'deck', x, y: side === 'port' ? -off : off, heading: 0 });
    } else this.slid.emit({ on: 'side', side, x, down: 60 });
  }

  /** The other side of the boat, same place. */
  protected mirror(): void {
    const to = otherSide(this.state().workup.surface, this.item().placed.place);
    if (to) this.slid.emit(to);
  }

  protected supply(to: string): void {
    this.changed.emit({
      id: this.id(),
      kind: 'supplyItem',
      item: this.key,
      from: this.fitting().suppliedBy,
      to: to as Fitting['suppliedBy'],
    });
  }

  protected writeNote(to: string): void {
    this.changed.emit({ id: this.id(), kind: 'noteItem', item: this.key, from: this.fitting().note, to: to.slice(0, 400) });
  }
}
