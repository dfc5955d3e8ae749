import type { PlannedHole } from '@plain-cleat/core/holding/fitted';
import { toldHands } from '@plain-cleat/core/holding/hands';
import { launchWords } from '@plain-cleat/core/water/to-water';
import { areasInWords, toldHole, type ToldHole } from '@plain-cleat/core/work/handover';
import { entryOf, placedWords } from '@plain-cleat/core/rig';
import { addressOf, ROUTES } from '@plain-cleat/api';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { marksOf } from '../boat-view/marks';
import { BoatView } from '../boat-view/boat-view';
import { Length, Words } from '../boat-view/words';
import { documentUrl } from '../stores/document-url';
import { PreferencesStore } from '../stores/preferences.store';
import { Print } from '../rig/print';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { Signing } from './signing';
import { Said } from '../controls/said';
import { OwnerStore } from '../stores/owner.store';
import { Sending } from '../stores/sending';
import { DayIn } from '../controls/days';

/** The handover: the walk stop by stop, the owner's book and page, what was left undone, the signature. */
@Component({
  selector: 'pc-hand-over',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayIn, Print, Said, BoatView, Length, Words, Signing, MatButtonModule, ReactiveFormsModule, TextField, ValidSubmit],
  templateUrl: './hand-over.html',
  styleUrl: './hand-over.scss',
})
export default class HandOver {
  protected readonly placed = placedWords;
  protected readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  private readonly owners = inject(OwnerStore);
  protected readonly papers = inject(PreferencesStore).papers;
  private readonly picked = signal<string | null>(null);
  protected readonly noting = signal(false);
  protected readonly link = signal<{ url: string; expires: string } | null>(null);
  protected readonly linking = new Sending();
  protected readonly stops = computed(() => this.store.state()?.workup.handover.walk ?? []);
  protected readonly stop = computed(
    () => this.stops().find((s) => s.fitting === this.picked()) ?? this.stops().find((s) => !s.shown) ?? this.stops()[0] ?? null,
  );
  protected readonly after = computed(() => this.stops()[this.stops().findIndex((s) => s.fitting === this.stop()?.fitting) + 1]);
  protected readonly shown = computed(() => this.stops().filter((s) => s.shown).length);
  protected readonly marks = computed(() => {
    const state = this.store.state();
    return state ? marksOf(state.workup).map((m) => ({ ...m, standing: 'ok' as const, bodies: [] })) : [];
  });
  /** What is not any more as it was signed for, in words. */
  protected readonly changes = computed(() => areasInWords(this.closing()?.changed ?? []));
  protected readonly closing = computed(() => this.store.state()?.workup.handover.closing ?? null);
  protected readonly openSteps = computed(() => this.store.state()?.workup.build.steps.filter((s) => !s.done) ?? []);
  protected readonly undone = computed(() => {
    const w = this.store.state()?.workup;
    return {
      accepted: w?.findings.filter((f) => f.accepted) ?? [],
      open: w?.findings.filter((f) => !f.accepted && f.severity === 'stop') ?? [],
      snags: w?.ledger.snags.flatMap((s) => (s.kind === 'snagNoted' ? [s.says] : [])) ?? [],
    };
  });
  protected readonly contents = computed(() => this.store.state()?.workup.handover.contents ?? []);
  protected readonly roof = computed(() => {
    const roof = this.store.state()?.workup.ashore.roof;
    return roof && { straps: roof.straps, lines: roof.lines.map((l) => l.name).join(' and ') };
  });
  /** What goes on at the water, in its order. */
  protected readonly launch = computed(() => {
    const ashore = this.store.state()?.workup.ashore;
    const steps = ashore?.launch.map((s) => ({ ...s, says: launchWords(s, 'en') })) ?? [];
    return { minutes: ashore?.rigUpMinutes ?? 0, steps };
  });
  protected readonly bases = computed(() => {
    const state = this.store.state();
    const named = (sets: readonly string[] | null): string =>
      sets === null ? '' : ` (${sets.map((s) => entryOf(state?.plan.sets, s)?.name ?? s).join(', ') || 'ashore'})`;
    return (state?.workup.handover.bases ?? []).map((b) => ({
      ...b,
      tops: b.tops.map((t) => `${t.letter}, ${t.name}${named(t.sets)}`).join('; '),
    }));
  });
  protected readonly controls = computed(() =>
    (this.store.state()?.workup.handover.controls ?? []).map((c) => ({ ...c, told: toldHands(c, 'en') })),
  );
  protected readonly bag = computed(() => this.store.state()?.workup.handover.givenBack ?? []);
  protected readonly signed = computed(() => this.store.state()?.workup.ledger.signed ?? null);
  /** Why the owner cannot sign yet, or nothing. */
  protected readonly notYet = computed(() =>
    this.stops().length === 0
      ? 'Nothing is aboard yet.'
      : this.shown() < this.stops().length
        ? this.toShow(this.stops().length - this.shown())
        : '',
  );

  private toShow = (left: number): string => `${left} ${left === 1 ? 'stop' : 'stops'} still to show.`;

  /** A hole as the owner is told of it. */
  protected tell(h: PlannedHole): ToldHole {
    const state = this.store.state();
    if (!state) throw new Error('no rig is open');
    return toldHole(state.workup.surface, state.plan, h);
  }

  protected pick(id: string): void {
    this.picked.set(id);
    this.noting.set(false);
  }

  protected show(): void {
    const stop = this.stop();
    if (!stop) return;
    const after = this.after();
    if (!stop.shown) this.store.save({ kind: 'stopShown', stop: stop.fitting });
    this.pick(after?.fitting ?? stop.fitting);
  }

  protected readonly noteForm = new FormGroup({
    says: new FormControl('', { nonNullable: true, validators: wordsWanted('Say what is not right.') }),
  });

  protected note(): void {
    const stop = this.stop();
    const says = this.noteForm.getRawValue().says.trim();
    if (!stop) return;
    this.store.save({ kind: 'snagNoted', stop: stop.fitting, says: `${stop.letter}: ${says}`.slice(0, 400) });
    this.noteForm.reset();
    this.noting.set(false);
  }

  protected sign({ name, drawing }: { name: string; drawing: string }): void {
    const state = this.store.state();
    if (!state) return;
    const open = this.openSteps().map((s) => s.id);
    this.store.save({
      kind: 'signed',
      name,
      drawing,
      areas: state.workup.handover.closing.signs(),
      ...(open.length ? { open } : {}),
    });
  }

  protected makeLink(): void {
    this.linking.send(this.owners.makeLink(this.store.state()?.doc.id ?? ''), (link) => this.link.set(link));
  }

  protected revoke(): void {
    this.linking.send(this.owners.revokeLink(this.store.state()?.doc.id ?? ''), () => this.link.set(null));
  }

  protected book = (language: 'en' | 'fr'): string =>
    documentUrl(this.store.state()?.doc.id ?? '', 'ownersBook', this.units.system(), { language });
  protected file = (): string => addressOf(ROUTES.exportRig, { rig: this.store.state()?.doc.id ?? '' });
}
