import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { adviceSetting, mountAdvice, type MountAdvice } from '@plain-cleat/core/checks/advice';
import { unsettled } from '@plain-cleat/core/checks/findings';
import { mayHelp } from '@plain-cleat/core/proposals/fixes';
import { Fixes } from '../findings/fixes';
import { inputOf, RigStore } from '../stores/rig.store';
import { Choice } from './choice';

/** What of the layout is to be settled, and how it could be: findings, fixes, other ways to hold what is chosen. */
@Injectable()
export class Settling {
  private readonly store = inject(RigStore);
  private readonly choice = inject(Choice);
  private readonly fixes = inject(Fixes);
  readonly open = computed(() =>
    unsettled(this.store.state()?.workup.findings ?? []).filter((f) => f.step === 'lay out' && this.inShownSet(f.sets)),
  );
  readonly accepted = computed(() =>
    (this.store.state()?.workup.findings ?? []).filter((f) => f.accepted && f.step === 'lay out'),
  );
  readonly notes = computed(() =>
    (this.store.state()?.workup.findings ?? []).filter((f) => f.severity === 'note' && f.step === 'lay out'),
  );
  private advised: MountAdvice[] = [];
  readonly advice = computed(() => {
    const state = this.store.state();
    const item = this.choice.item();
    if (!state || !item) return [];
    // Under the finger the last advice stands: it is asked again when the fitting is let go.
    if (state.plan === state.settled)
      this.advised = mountAdvice(
        state.workup.surface,
        item.placed,
        adviceSetting(item, state.plan, state.doc.shop, state.workup),
      );
    return this.advised;
  });

  private readonly parts = computed(() => this.store.state()?.parts ?? []);
  /** What a fix may bring aboard: the same through a drag. */
  readonly helpful = computed(() => this.parts().filter(mayHelp));

  constructor() {
    effect(() => {
      const state = this.store.state();
      if (!state) return;
      const { plan, facts, set } = state;
      const input = { ...inputOf(state), plan, facts, set };
      const range = this.helpful();
      untracked(() =>
        this.fixes.ask(
          input,
          range,
          this.open()
            .filter((f) => f.fixable)
            .map((f) => f.key),
        ),
      );
    });
  }

  private inShownSet(sets: readonly string[] | null): boolean {
    const set = this.store.state()?.set ?? null;
    return set === null || sets === null || sets.includes(set);
  }
}
