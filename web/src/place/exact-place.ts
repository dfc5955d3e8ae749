import { ChangeDetectionStrategy, Component, computed, input, output, viewChildren } from '@angular/core';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { QuantityField } from '../controls/quantity';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { findDatum, placeOfReading, reading, RUN_NAMES } from '@plain-cleat/core/boat/hull';
import { markedAt } from '@plain-cleat/core/layout';
import { LIES, type Place } from '@plain-cleat/core/rig';
import { type QuantityKind, sideOf } from '@plain-cleat/core/base/units';
import type { RigState } from '../stores/rig.store';
import { field, liveForm, liveRows } from '../controls/live-form';

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
    @for (f of rows(); track f.controls) {
      <pc-quantity
        [label]="f.of.name"
        [kind]="f.of.kind"
        [inputId]="'f-' + f.of.field"
        [least]="f.of.least"
        [most]="f.of.most"
        [control]="f.controls.value"
      />
    }
    @if (item().placed.place.on === 'space') {
      <pc-choice-field label="Lies" [choices]="waysToLie" [control]="lying.controls.lies" />
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
  private readonly fields = viewChildren(QuantityField);

  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly slid = output<Place>();
  readonly lifted = output<number>();

  /** To the first figure that can be typed. */
  focus(): void {
    this.fields()
      .find((f) => f.control().enabled)
      ?.focus();
  }

  /** What the tape is read to: inside, to the place on deck over it. */
  protected readonly at = computed(() => {
    const { placed } = this.item();
    const at = markedAt(placed);
    return placed.place.on === 'space' ? { ...at, z: this.state().workup.surface.spot(at.x, at.y).z } : at;
  });
  protected readonly side = computed(() => sideOf(this.at().y));
  protected readonly datum = computed(() => findDatum(this.state().workup.surface, this.state().plan.tape.datum));
  private readonly figures = computed((): Row[] => {
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
  protected readonly rows = liveRows(
    () => this.figures(),
    (row) => ({
      value: field(
        () => row().value,
        (value) => this.type(row().field, value),
        { off: () => row().fixed },
      ),
    }),
    (row) => `${this.item().placed.id} ${row.field}`,
  );
  /** How it lies, of what stands inside. */
  protected readonly lying = liveForm({
    lies: field(
      () => {
        const { place } = this.item().placed;
        return place.on === 'space' ? (place.lies ?? 'upright') : 'upright';
      },
      (way) => this.lay(way),
    ),
  });
  protected readonly waysToLie = choicesOf(['upright', ...LIES]);
  /** Why it cannot stand so; nothing when it stands there now. */
  private type(figure: Field, value: number): string | void {
    const { place } = this.item().placed;
    if (figure === 'heading') {
      if ('heading' in place) this.slid.emit({ ...place, heading: value });
    } else if (figure === 'lift') this.lifted.emit(value);
    else if (figure === 'off') {
      if (place.on !== 'deck' && place.on !== 'space' && place.on !== 'bulkhead') return;
      const y = this.side() === 'port' ? -value : value;
      if (Math.abs(y) > this.state().workup.surface.halfBreadth(this.at().x)) return 'That is off the hull here.';
      this.slid.emit({ ...place, y });
    } else if (figure === 'up') {
      if (place.on === 'bulkhead') this.slid.emit({ ...place, up: value });
    } else if (figure === 'down') {
      if (place.on === 'side') this.slid.emit({ ...place, down: value });
    } else return this.toReading(value);
  }

  private toReading(mm: number): string | void {
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
    if (x === undefined) return 'The tape reads that nowhere on this hull.';
    const track = place.on === 'track' ? this.state().doc.hull.tracks.find((t) => t.id === place.track) : undefined;
    // Off the end of its track it stands on deck there: what is typed is what is meant.
    const leaves = track && place.on === 'track' && (x < track.fore || x > track.aft);
    this.slid.emit(leaves ? { on: 'deck', x, y: track.y, heading: place.heading } : ({ ...place, x } as Place));
  }

  /** The tape runs from its hook towards where the fitting is now. */
  private towards(): 'aft' | 'forward' {
    const { id, at } = this.datum();
    return id === 'stern' || this.at().x < at.x - 0.5 ? 'forward' : 'aft';
  }

  private lay(way: string): void {
    const { place } = this.item().placed;
    if (place.on !== 'space') return;
    const { lies: _, ...upright } = place;
    const lies = LIES.find((one) => one === way);
    this.slid.emit(lies ? { ...upright, lies } : upright);
  }
}
