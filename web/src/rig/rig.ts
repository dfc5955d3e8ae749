import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Icons } from '../controls/icons';
import { MatTooltipModule } from '@angular/material/tooltip';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { RouterLink, RouterOutlet } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import { FACT_WORDS, unsettled } from '@plain-cleat/core';
import { currentUrl } from '../stores/current-url';
import { RigStore } from '../stores/rig.store';
import { NewerRevisions } from './newer';
import { promiseOf } from '../floor/promise';

const STEPS = [
  { path: 'brief', name: 'Brief', findings: '' },
  { path: 'lay-out', name: 'Lay out', findings: 'lay out' },
  { path: 'drill', name: 'Drill', findings: 'drill' },
  { path: 'wire', name: 'Wire', findings: 'wire' },
  { path: 'price', name: 'Price', findings: 'price' },
  { path: 'build', name: 'Build', findings: '' },
  { path: 'hand-over', name: 'Hand over', findings: '' },
] as const;

/** One rig: its steps as stations along a keel line, each with what is still unsettled. */
@Component({
  selector: 'pc-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    RouterOutlet,
    RouterLink,
    NewerRevisions,
    MatButtonModule,
    ReactiveFormsModule,
    TextField,
    ValidSubmit,
    MatTooltipModule,
    Icons,
  ],
  providers: [RigStore],
  templateUrl: './rig.html',
  styleUrl: './rig.scss',
})
export default class Rig {
  readonly rig = input.required<string>();
  protected readonly store = inject(RigStore);
  protected readonly words = FACT_WORDS;
  private readonly url = currentUrl();
  protected readonly here = computed(() => STEPS.findIndex((s) => this.url().includes(`/${s.path}`)));
  protected readonly steps = computed(() => {
    const open = unsettled(this.store.state()?.workup.findings ?? []);
    return STEPS.map((s, i) => {
      const mine = open.filter((f) => f.step === s.findings);
      return { ...s, passed: i <= this.here(), count: mine.length, stop: mine.some((f) => f.severity === 'stop') };
    });
  });
  protected readonly says = computed(() => {
    const state = this.store.state();
    if (!state) return '';
    const kept = state.waiting ? `${state.waiting} waiting to be sent` : 'all changes saved';
    const { closing } = state.workup;
    const promise = closing.closed
      ? 'handed over'
      : closing.changed
        ? 'changed since signed'
        : promiseOf(state.plan.promised, state.doc.today).says;
    return `${state.plan.title} · ${state.doc.owner.name} · ${promise} · ${kept}`;
  });

  protected readonly naming = signal(false);

  protected readonly form = new FormGroup({
    title: new FormControl('', { nonNullable: true, validators: wordsWanted('Give the rig a name.') }),
  });

  protected startNaming(): void {
    this.form.setValue({ title: this.store.state()?.plan.title ?? '' });
    this.naming.set(true);
  }

  protected rename(): void {
    const from = this.store.state()?.plan.title;
    const to = this.form.getRawValue().title.trim();
    if (from !== undefined && to !== from) this.store.change({ id: crypto.randomUUID(), kind: 'nameRig', from, to });
    this.naming.set(false);
  }

  constructor() {
    effect(() => this.store.open(this.rig()));
  }

  protected at = (iso: string): string =>
    new Date(iso).toLocaleString('en-GB', {
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
      timeZone: this.store.state()?.doc.shop.timeZone,
    });

  /** A value of a clash, short enough to compare by eye. */
  protected show = (value: unknown): string =>
    (typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing')).slice(0, 160);
}
