import { keyFor } from '../controls/key-for';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  signal,
  HostListener,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatDialog } from '@angular/material/dialog';
import { MatSnackBar } from '@angular/material/snack-bar';
import { concatMap, EMPTY, map, type Observable, of, switchMap, tap } from 'rxjs';
import { Icons } from '../controls/icons';
import { MatTabsModule } from '@angular/material/tabs';
import { MatTooltipModule } from '@angular/material/tooltip';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { wordsWanted } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { RouterLink, RouterOutlet } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { FACT_WORDS } from '@plain-cleat/core/rig';
import { deletedBy } from '@plain-cleat/core/workup';
import { currentUrl } from '../stores/current-url';
import { type ClashShown, RIG, RigStore } from '../stores/rig.store';
import { Clash, type ClashToSettle } from './clash';
import { NewerRevisions } from './newer';
import { Unproven } from './unproven';
import { promiseOf } from '../rigs/promise';
import { momentWords } from '../controls/days';

const STEPS = [
  { path: 'brief', name: 'Brief', findings: '' },
  { path: 'receive', name: 'Receive', findings: '' },
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
    Unproven,
    MatButtonModule,
    ReactiveFormsModule,
    TextField,
    ValidSubmit,
    MatTooltipModule,
    MatTabsModule,
    Icons,
  ],
  providers: RIG,
  templateUrl: './rig.html',
  styleUrl: './rig.scss',
})
export default class Rig {
  readonly rig = input.required<string>();
  protected readonly store = inject(RigStore);
  protected readonly words = FACT_WORDS;
  private readonly dialog = inject(MatDialog);
  private readonly snacks = inject(MatSnackBar);
  private readonly url = currentUrl();
  protected readonly here = computed(() => STEPS.findIndex((s) => this.url().includes(`/${s.path}`)));
  protected readonly steps = computed(() => {
    const open = unsettled(this.store.state()?.workup.findings ?? []);
    const unseen = this.store.state()?.workup.reception.unseen.length ?? 0;
    return STEPS.map((s, i) => {
      const mine = open.filter((f) => f.step === s.findings);
      if (s.path === 'receive') return { ...s, passed: i <= this.here(), count: unseen, stop: false };
      return { ...s, passed: i <= this.here(), count: mine.length, stop: mine.some((f) => f.severity === 'stop') };
    });
  });
  /** What of this tablet the server does not have yet. */
  protected readonly kept = computed(() => {
    const state = this.store.state();
    const chooses = state?.clashes.length ?? 0;
    const kept = [
      ...(chooses ? [`${chooses} of yours to choose from`] : []),
      ...(state?.waiting ? [`${state.waiting} waiting to be sent`] : []),
    ].join(', ');
    return kept || 'all changes saved';
  });
  /** What rig it is, whose, and how it stands with its promise. */
  protected readonly says = computed(() => {
    const state = this.store.state();
    if (!state) return '';
    const {
      handover: { closing },
    } = state.workup;
    const promise = closing.closed
      ? 'handed over'
      : closing.changed.length > 0
        ? 'changed since signed'
        : promiseOf(state.plan.promised, state.doc.today).says;
    return `${state.plan.title} · ${state.doc.owner.name} · ${promise}`;
  });

  protected readonly naming = signal(false);

  /** What undoes and redoes on every step; letters typed keep their own. */
  private readonly keys: Readonly<Record<string, () => void>> = {
    'Ctrl+z': () => this.store.undo(),
    'Ctrl+Z': () => this.store.redo(),
    'Ctrl+y': () => this.store.redo(),
  };

  @HostListener('window:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    const key = keyFor(event);
    if (key === null || !Object.hasOwn(this.keys, key)) return;
    this.keys[key]?.();
    event.preventDefault();
  }

  protected readonly form = new FormGroup({
    title: new FormControl('', { nonNullable: true, validators: wordsWanted('Give the rig a name.') }),
  });

  /** Pressed by a pointer, a step gives the arrow keys back to the boat; by keys, they go on from step to step. */
  protected toTheBoat(event: MouseEvent): void {
    if (event.detail > 0) (event.currentTarget as HTMLElement).blur();
  }

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
    this.store.clash$
      .pipe(
        concatMap((clash) => this.asked(clash).pipe(tap((mine) => this.store.settle(clash, mine)))),
        takeUntilDestroyed(),
      )
      .subscribe();
    // What was deleted is said, and can be had back at once.
    this.store.changed$
      .pipe(
        switchMap(({ change, undoes, before }) => {
          const gone = undoes === null ? deletedBy(change, before) : null;
          if (gone === null) this.snacks.dismiss();
          return gone === null
            ? EMPTY
            : this.snacks
                .open(`Deleted ${gone}.`, 'Undo', { duration: 10_000 })
                .onAction()
                .pipe(map(() => change.id));
        }),
        takeUntilDestroyed(),
      )
      .subscribe((id) => this.store.undo(id));
    inject(DestroyRef).onDestroy(() => this.snacks.dismiss());
  }

  /** Mine or theirs: both are shown until the person has chosen. */
  private asked(clash: ClashShown): Observable<boolean> {
    const state = this.store.state();
    if (!state) return of(false);
    const data: ClashToSettle = { state, clash, mayUseMine: this.store.mineAnew(clash) !== null };
    return this.dialog
      .open<Clash, ClashToSettle, boolean>(Clash, {
        data,
        role: 'alertdialog',
        ariaLabel: 'Changed meanwhile',
        disableClose: true,
        width: '560px',
      })
      .afterClosed()
      .pipe(map((mine) => mine === true));
  }

  protected at = (iso: string): string => momentWords(iso, this.store.state()?.doc.shop.timeZone, 'd MMM, HH:mm');
}
