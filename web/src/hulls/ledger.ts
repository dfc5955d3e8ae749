import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { from, switchMap } from 'rxjs';
import { ValidSubmit } from '../controls/valid-submit';
import { FileButton } from '../controls/file-button';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import type { FoundList } from '@plain-cleat/api';
import { type HistoryHole, HOLE_STATES, holeHistory, printBit } from '@plain-cleat/core/holding/drilling';
import { fairHull } from '@plain-cleat/core/boat/hull';
import { foldLedger, type Fact, type NewFact } from '@plain-cleat/core/rig';
import { planEdges } from '../boat-view/shapes';
import { Scale } from '../boat-view/scale';
import { Length } from '../boat-view/words';
import { UnitsStore } from '../stores/units.store';
import { HullStore } from '../stores/hull.store';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';
import { Table, TableColumn } from '../controls/table';
import { momentWords } from '../controls/days';

type FoundHole = FoundList['holes'][number];
type Draft = NewFact extends infer F ? (F extends NewFact ? Omit<F, 'id' | 'rig' | 'deviceTime'> : never) : never;

/** One hull with its whole history: every hole planned, drilled, in use, open or plugged, and what a used boat brought. */
@Component({
  selector: 'pc-hull-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    RouterLink,
    Said,
    WhenLoaded,
    Length,
    MatButtonModule,
    ReactiveFormsModule,
    Table,
    TableColumn,
    ChoiceField,
    TextField,
    QuantityField,
    FileButton,
    ValidSubmit,
  ],
  templateUrl: './ledger.html',
  styleUrl: './ledger.scss',
})
export default class Ledger {
  readonly own = input.required<string>();
  private readonly store = inject(HullStore);
  private readonly units = inject(UnitsStore);
  protected readonly ledger = new Loader(() => this.store.ledger(this.own()));
  private readonly data = this.ledger.value;
  protected readonly sending = new Sending();
  protected readonly chosen = signal<string | null>(null);
  protected readonly list = signal<FoundList | null>(null);
  protected abs = Math.abs;
  protected drilledWith = (mm: number): string => printBit(mm, this.units.system());

  private readonly surface = computed(() => {
    const d = this.data();
    return d ? fairHull(d.model) : null;
  });
  protected readonly history = computed((): HistoryHole[] => {
    const [d, hull] = [this.data(), this.surface()];
    return d && hull ? holeHistory(foldLedger(hull, d.facts as Fact[], ''), d.holes) : [];
  });
  protected readonly one = computed(() => this.history().find((h) => h.key === this.chosen()) ?? null);
  private readonly scale = computed(() => new Scale(this.surface() ?? { length: 1, beam: 1 }, 150));
  protected readonly edges = computed(() => {
    const hull = this.surface();
    return hull ? planEdges(this.scale(), hull) : { port: '', starboard: '', second: '', body: '' };
  });
  protected readonly drawn = computed(() =>
    this.history().flatMap((h) => (h.at ? [{ ...h, px: this.scale().x(h.at.x), py: this.scale().y(h.at.y) }] : [])),
  );
  protected readonly says = computed(() => {
    const all = this.history();
    return `${all.length} holes: ${HOLE_STATES.map((s) => `${all.filter((h) => h.state === s).length} ${s}`).join(', ')}`;
  });
  protected readonly nextLabel = computed(() => {
    const taken = new Set(this.history().map((h) => h.label));
    let n = 1;
    while (taken.has(`O${n}`)) n++;
    return `O${n}`;
  });

  constructor() {
    effect(() => {
      this.own();
      this.ledger.load();
    });
    effect(() => {
      const { label } = this.finding.controls;
      const next = this.nextLabel();
      if (label.pristine) label.setValue(next);
    });
  }

  protected side = (off: number): string => (off < 0 ? 'P' : off > 0 ? 'S' : '');
  protected day = (iso: string): string => momentWords(iso, this.data()?.shop.timeZone, 'd MMM yyyy');

  private save(drafts: readonly Draft[], says: string): void {
    const deviceTime = new Date().toISOString();
    const facts = drafts.map((d) => ({ ...d, id: crypto.randomUUID(), rig: null, deviceTime }) as NewFact);
    this.sending.send(this.store.saveFacts(this.own(), facts), () => {
      this.list.set(null);
      this.ledger.load();
      return says;
    });
  }

  private foundFact = (h: FoundHole): Draft[] => {
    const hole = `found-${crypto.randomUUID().slice(0, 8)}`;
    const measured = {
      hullRevision: this.data()?.model.revision ?? 1,
      datum: h.datum,
      run: 'centre' as const,
      reading: h.reading,
      offCentre: h.offCentre,
      down: h.down,
      ...(h.down === null ? {} : { downBy: 'girth' as const }),
    };
    const found: Draft = { kind: 'holeFound', hole, label: h.label, bit: h.bit, says: h.says, measured };
    return h.plugged ? [found, { kind: 'holePlugged', hole, with: h.plugged }] : [found];
  };

  protected readonly byKey = (h: HistoryHole): string => h.key;
  protected readonly sides = choicesOf(['port', 'starboard'] as const);
  protected readonly length = computed(() => this.surface()?.length);
  protected readonly half = computed(() => (this.surface()?.beam ?? 2000) / 2);
  protected readonly plugging = new FormGroup({
    what: new FormControl('', { nonNullable: true, validators: wordsWanted('Say what, such as a nylon plug in sealant.') }),
  });
  protected readonly finding = new FormGroup({
    label: new FormControl('', { nonNullable: true, validators: wordsWanted('Give it a short name, such as O1.') }),
    reading: new FormControl<number | null>(null),
    off: new FormControl<number | null>(0),
    side: new FormControl<'port' | 'starboard'>('port', { nonNullable: true }),
    bit: new FormControl<number | null>(null),
    note: new FormControl('', { nonNullable: true }),
  });

  protected add(): void {
    const { label, reading, off, side, bit, note } = this.finding.getRawValue();
    if (reading === null || bit === null) return;
    const offCentre = (off ?? 0) * (side === 'port' ? -1 : 1);
    const hole = { label: label.trim(), reading, offCentre, down: null, bit, says: note.trim(), plugged: '', datum: 'bow' };
    this.save(this.foundFact(hole), `${hole.label} is in the ledger.`);
    this.finding.reset({ off: 0 });
  }

  protected read(file: File): void {
    this.list.set(null);
    if (this.sending.refuse(file.size > 200_000 ? 'A list is under 200 kB.' : '')) return;
    const read = from(file.text()).pipe(switchMap((text) => this.store.readFound(text, this.units.system())));
    this.sending.send(read, (list) => this.list.set(list));
  }

  protected takeList(): void {
    const holes = this.list()?.holes ?? [];
    this.save(holes.flatMap(this.foundFact), `${holes.length} holes are in the ledger.`);
  }

  protected plug(h: HistoryHole): void {
    const what = this.plugging.getRawValue().what.trim();
    if (h.hole) this.save([{ kind: 'holePlugged', hole: h.hole.fact, with: what }], `${h.label} is plugged.`);
    this.plugging.reset();
  }

  protected takeBack(fact: string): void {
    this.chosen.set(null);
    this.save([{ kind: 'tookBack', fact, why: 'not there' }], 'Deleted.');
  }
}
