import { pointIn } from '../boat-view/pointer';
import { addressOf, ROUTES } from '@plain-cleat/api';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { Toggle } from '../controls/toggle';
import { from, switchMap, map, of, type Observable } from 'rxjs';
import { DeleteButton } from '../controls/delete-button';
import { Icons } from '../controls/icons';
import { FileButton } from '../controls/file-button';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { MatTooltipModule } from '@angular/material/tooltip';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import {
  HULL_KINDS,
  HULL_TRAITS,
  type TapeReading,
  type HullModel,
  outlineFault,
  readingFaults,
  readingsFromOutline,
  type ReadingFault,
} from '@plain-cleat/core/boat/hull';
import { tell } from '@plain-cleat/core/base/units';
import { Length, Words } from '../boat-view/words';
import { UnitsStore } from '../stores/units.store';
import { FeatureRows } from '../rows/feature-list';
import type { FeatureList, Row } from '../rows/feature-rows';
import { FEATURES } from './features';
import {
  draftFault,
  draftOf,
  type Figure,
  FIGURES,
  type HullDraft,
  modelOf,
  newDraft,
  withFigure,
  figureOf,
  weighs,
} from './hull-draft';
import { HullOutline } from './hull-outline';
import { Parts } from '../stores/parts';
import { HullStore } from '../stores/hull.store';
import { type FlatPhoto, PhotoMarking } from '../photo-marking/photo-marking';
import { field, fieldsOf, liveForm, liveRows, words } from '../controls/live-form';
import { ReactiveFormsModule } from '@angular/forms';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';
import { Table, TableColumn } from '../controls/table';

const COLUMNS: readonly (readonly [keyof TapeReading, string])[] = [
  ['x', 'aft of bow'],
  ['port', 'port half-breadth'],
  ['starboard', 'starboard half-breadth'],
  ['gunwale', 'gunwale height'],
  ['keel', 'keel height'],
];
const MATERIALS: readonly HullModel['material'][] = ['polyethylene', 'abs', 'composite', 'wood', 'pvc fabric'];
const TRACED = ['gunwale', 'tank well', 'hatch', 'track'] as const;

/** A hull measured: stations off the tape, faired and judged; its decks, tracks and hatches; a photo under it. */
@Component({
  selector: 'pc-hull-measure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Said,
    WhenLoaded,
    FeatureRows,
    PhotoMarking,
    Length,
    Words,
    MatButtonModule,
    ReactiveFormsModule,
    Table,
    TableColumn,
    MatTooltipModule,
    Toggle,
    MatFormFieldModule,
    MatSelectModule,
    ChoiceField,
    TextField,
    QuantityField,
    FileButton,
    Icons,
    DeleteButton,
  ],
  templateUrl: './hull-measure.html',
  styleUrl: './hull-measure.scss',
})
export default class HullMeasure {
  private readonly store = inject(HullStore);
  private readonly router = inject(Router);
  protected readonly units = inject(UnitsStore);
  private readonly params = toSignal(inject(ActivatedRoute).paramMap);
  protected readonly columns = COLUMNS;
  protected readonly kinds = choicesOf(HULL_KINDS);
  protected readonly materials = choicesOf(MATERIALS);
  protected readonly features = FEATURES;
  protected readonly traceable = choicesOf(TRACED);
  protected readonly fileOf = (file: 'offsetsCsv' | 'outlineSvg' | 'outlineDxf', hull: string): string =>
    addressOf(ROUTES[file], { hull });
  /** The hull as it was saved last; of a new one there is none. */
  protected readonly opened = new Loader((): Observable<{ readonly model: HullModel | null }> =>
    this.id() === 'new' ? of({ model: null }) : this.store.model(this.id()).pipe(map((model) => ({ model }))),
  );
  protected readonly before = computed((): HullModel | undefined => this.opened.value()?.model ?? undefined);
  protected readonly draft = linkedSignal((): HullDraft => {
    const model = this.before();
    return model ? draftOf(model) : newDraft();
  });
  protected readonly saving = new Sending();
  protected readonly photo = signal<FlatPhoto | null>(null);
  protected readonly tracing = signal<(typeof TRACED)[number] | null>(null);
  protected readonly traced = signal<readonly (readonly [number, number])[]>([]);

  protected readonly id = computed(() => this.params()?.get('hull') ?? 'new');
  protected readonly faults = computed((): readonly ReadingFault[] => readingFaults(this.draft().readings));
  protected readonly drawing = new HullOutline(this.draft, this.faults, this.traced);

  constructor() {
    this.opened.load();
  }

  protected readonly readings = liveRows(
    () => this.draft().readings,
    (reading, at) =>
      fieldsOf(
        COLUMNS.map(([column]) => column),
        (column) =>
          field<number | null>(
            () => reading()[column],
            (mm) => this.type(at(), column, mm),
          ),
      ),
  );

  protected readonly form = liveForm({
    maker: words(
      () => this.draft().rest.maker,
      (maker) => this.about({ maker: maker.slice(0, 60) }),
    ),
    name: words(
      () => this.draft().rest.name,
      (name) => this.about({ name: name.slice(0, 60) }),
    ),
    kind: field(
      () => this.draft().rest.kind,
      (kind) => this.about({ kind }),
    ),
    material: field(
      () => this.draft().rest.material,
      (material) => this.about({ material }),
    ),
    traits: field(
      () => this.draft().rest.traits ?? [],
      (traits) => this.about({ traits }),
    ),
  });
  protected readonly figures = liveForm(
    fieldsOf(Object.keys(FIGURES) as Figure[], (key) =>
      field(
        () => figureOf(this.draft().rest, key),
        (value) => this.about(withFigure(this.draft().rest, key, value ?? 0)),
      ),
    ),
  );
  protected readonly isSuspect = ({ at }: { at: number }): boolean => this.drawing.suspectRows().has(at);

  private type(row: number, column: keyof TapeReading, value: number | null): void {
    if (value === null) return;
    this.draft.update((d) => ({ ...d, readings: d.readings.map((r, i) => (i === row ? { ...r, [column]: value } : r)) }));
  }

  /** A station between this one and the next, read off the curve as it is. */
  protected addAfter(row: number): void {
    const readings = this.draft().readings;
    const [a, b] = [readings[row], readings[row + 1]];
    if (!a || !b) return;
    const half = (key: keyof TapeReading): number => Math.round(((a[key] + b[key]) / 2) * 10) / 10;
    const between = {
      x: half('x'),
      port: half('port'),
      starboard: half('starboard'),
      gunwale: half('gunwale'),
      keel: half('keel'),
    };
    this.draft.update((d) => ({ ...d, readings: [...readings.slice(0, row + 1), between, ...readings.slice(row + 1)] }));
  }

  protected remove(row: number): void {
    this.draft.update((d) => ({ ...d, readings: d.readings.filter((_, i) => i !== row) }));
  }

  private about(more: Partial<HullDraft['rest']>): void {
    this.saving.clear();
    this.draft.update((d) => ({ ...d, rest: { ...d.rest, ...more } }));
  }

  protected readonly weighs = weighs;
  protected readonly traits = HULL_TRAITS;
  /** The parts that a maker may have fitted. */
  protected readonly parts = toSignal(inject(Parts).everything(), { initialValue: [] });

  protected readonly named = Object.entries(FIGURES) as [Figure, string][];

  protected rows = (list: FeatureList): readonly Row[] => list.rows(this.draft().rest);

  protected setRows(list: FeatureList, rows: readonly Row[]): void {
    this.draft.update((d) => {
      const { stations: _, ...rest } = list.into({ ...d.rest, stations: [] }, rows);
      return { ...d, rest };
    });
  }

  protected importFile(file: File): void {
    const kind = file.name.toLowerCase().split('.').pop();
    if (kind !== 'csv' && kind !== 'svg' && kind !== 'dxf') {
      this.saving.refuse('File: offsets as .csv, or an outline as .svg or .dxf.');
      return;
    }
    const middle = this.draft().readings[Math.floor(this.draft().readings.length / 2)];
    const heights = { gunwale: middle?.gunwale ?? 300, keel: 0 };
    const read = from(file.text()).pipe(switchMap((text) => this.store.read(kind, text, heights)));
    this.saving.send(read, ({ readings }) => this.draft.update((d) => ({ ...d, readings })));
  }

  /** A tap on the drawing while tracing: a point of the gunwale, or a corner of what is traced. */
  protected trace(event: MouseEvent): void {
    const what = this.tracing();
    if (!what) return;
    const [x, y] = pointIn(event);
    this.traced.update((all) => [...all, this.drawing.millimetres(x, y)]);
    const points = this.traced();
    if (what !== 'gunwale' && points.length === 2) this.addTraced(what, points);
  }

  private addTraced(what: 'tank well' | 'hatch' | 'track', points: readonly (readonly [number, number])[]): void {
    const xs = points.map((p) => Math.round(p[0]));
    const ys = points.map((p) => Math.round(p[1]));
    const area = { fore: Math.min(...xs), aft: Math.max(...xs), port: Math.min(...ys), starboard: Math.max(...ys) };
    const key = what === 'tank well' ? 'decks' : what === 'hatch' ? 'hatches' : 'tracks';
    const list = FEATURES.find((f) => f.key === key);
    if (!list) return;
    const rows = this.rows(list);
    const y = (area.port + area.starboard) / 2;
    const own =
      what === 'track'
        ? {
            fore: area.fore,
            aft: area.aft,
            y,
            side: y < 0 ? 'port' : 'starboard',
            name: `track, ${y < 0 ? 'port' : 'starboard'}`,
          }
        : { ...area, name: what, ...(what === 'tank well' ? { kind: 'tank well', height: 200 } : {}) };
    this.setRows(list, [...rows, { ...list.fresh(rows.length + 1), ...own }]);
    this.traced.set([]);
    this.tracing.set(null);
  }

  protected finishTrace(): void {
    const points = this.traced();
    const fault = outlineFault(points);
    if (this.saving.refuse(fault ? `Outline: ${tell(fault, this.units.system())}.` : '')) return;
    const heights = this.draft().readings[Math.floor(this.draft().readings.length / 2)];
    const readings = readingsFromOutline(points, { gunwale: heights?.gunwale ?? 300, keel: 0 });
    this.draft.update((d) => ({ ...d, readings }));
    this.traced.set([]);
    this.tracing.set(null);
  }

  protected save(): void {
    const fault = draftFault(this.draft());
    if (this.saving.refuse(fault ? tell(fault, this.units.system()) : '')) return;
    const model = modelOf(this.draft(), this.before());
    this.saving.send(this.store.save(model, this.draft().expects), (saved) => {
      this.opened.put({ model: saved });
      if (this.id() === 'new') void this.router.navigate(['/hulls', saved.id], { replaceUrl: true });
      return `Saved as revision ${saved.revision}.`;
    });
  }
}
