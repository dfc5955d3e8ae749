import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink, RouterOutlet } from '@angular/router';
import { unsettled } from '@plain-cleat/core';
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
  imports: [RouterOutlet, RouterLink, NewerRevisions],
  providers: [RigStore],
  templateUrl: './rig.html',
  styleUrl: './rig.scss',
})
export default class Rig {
  readonly rig = input.required<string>();
  protected readonly store = inject(RigStore);
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
    const kept = state.waiting ? `${state.waiting} waiting to send` : 'all kept';
    const { closing } = state.workup;
    const promise = closing.closed
      ? 'handed over'
      : closing.changed
        ? 'changed since signed'
        : promiseOf(state.plan.promised, state.doc.today).says;
    return `${state.plan.title} · ${state.doc.owner.name} · ${promise} · ${kept}`;
  });

  protected readonly naming = signal(false);

  protected rename(to: string): void {
    const from = this.store.state()?.plan.title;
    if (from === undefined || !to.trim()) return;
    if (to.trim() !== from) this.store.change({ id: crypto.randomUUID(), kind: 'nameRig', from, to: to.trim() });
    this.naming.set(false);
  }

  constructor() {
    effect(() => void this.store.open(this.rig()));
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
