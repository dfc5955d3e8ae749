import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { findDatum, placeOfReading, reading, RUN_NAMES } from '@plain-cleat/core/boat/hull';
import { markedAt } from '@plain-cleat/core/layout';
import { LIES, type Place } from '@plain-cleat/core/rig';
import { type QuantityKind, sideOf } from '@plain-cleat/core/base/units';
import type { RigState } from '../stores/rig.store';

/** Places a tape does not slide along. */
const FIXED: readonly Place['on'][] = ['insert', 'scupper', 'plate', 'fitting', 'bulkhead'];

type Field = 'reading' | 'off' | 'down' | 'up' | 'lift' | 'heading';

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

/** Where a fitting stands, by the tape as the plan has it hooked: each figure to be typed exactly. */
@Component({
  selector: 'pc-exact-place',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField, ChoiceField],
  template: `
    @for (f of fields(); track f.field) {
      <pc-quantity
        [label]="f.name"
        [kind]="f.kind"
        [inputId]="'f-' + f.field"
        [value]="f.value"
        [least]="f.least"
        [most]="f.most"
        [disabled]="f.fixed"
        [refused]="fault()?.field === f.field ? (fault()?.says ?? '') : ''"
        (entered)="type(f.field, $event ?? 0)"
      />
    }
    @if (lying(); as lies) {
      <pc-choice-field label="Lies" [choices]="waysToLie" [value]="lies" (entered)="lay($event)" />
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
  `,
})
export class ExactPlace {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly slid = output<Place>();
  readonly lifted = output<number>();
  protected readonly fault = signal<{ field: Field; says: string } | null>(null);
  /** What the tape is read to: inside, to the place on deck over it. */
  protected readonly at = computed(() => {
    const { placed } = this.item();
    const at = markedAt(placed);
    return placed.place.on === 'space' ? { ...at, z: this.state().workup.surface.spot(at.x, at.y).z } : at;
  });
  protected readonly side = computed(() => sideOf(this.at().y));
  protected readonly datum = computed(() => findDatum(this.state().workup.surface, this.state().plan.tape.datum));
  protected readonly fields = computed((): Row[] => {
    const { surface } = this.state().workup;
    const { tape } = this.state().plan;
    const { lift } = this.item().placed.fitting;
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
    if (place.on === 'bulkhead') rows.push(length('up', 'Up from the inside of the bottom', place.up));
    if (place.on === 'side') rows.push(length('down', `Down from the gunwale, ${place.side}`, place.down));
    else
      rows.push(
        length('off', `Off centre, ${this.side() === 'centre' ? 'starboard +' : this.side()}`, Math.abs(this.at().y), {
          least: null,
          fixed: place.on !== 'deck' && place.on !== 'space' && place.on !== 'bulkhead',
        }),
      );
    if (place.on !== 'space' && place.on !== 'bulkhead') rows.push(length('lift', 'Raised on a riser', lift, { most: TALLEST }));
    if ('heading' in place) rows.push(length('heading', 'Turned', place.heading, { kind: 'degrees', least: -360, most: 360 }));
    return rows;
  });
  /** How it lies, of what stands inside. */
  protected readonly lying = computed(() => {
    const { place } = this.item().placed;
    return place.on === 'space' ? (place.lies ?? 'upright') : null;
  });
  protected readonly waysToLie = choicesOf(['upright', ...LIES]);
  protected type(field: Field, value: number): void {
    this.fault.set(null);
    const wrong = (says: string): void => this.fault.set({ field, says });
    const { place } = this.item().placed;
    if (field === 'heading') {
      if ('heading' in place) this.slid.emit({ ...place, heading: value });
    } else if (field === 'lift') this.lifted.emit(value);
    else if (field === 'off') {
      if (place.on !== 'deck' && place.on !== 'space' && place.on !== 'bulkhead') return;
      const y = this.side() === 'port' ? -value : value;
      if (Math.abs(y) > this.state().workup.surface.halfBreadth(this.at().x)) return wrong('That is off the hull here.');
      this.slid.emit({ ...place, y });
    } else if (field === 'up') {
      if (place.on === 'bulkhead') this.slid.emit({ ...place, up: value });
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
}
