import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { type Change, type Fitting, takeOff } from '@plain-cleat/core/rig';
import { ChoiceField } from '../controls/choice-field';
import { asOne } from '../stores/as-one';
import type { RigState } from '../stores/rig.store';
import { field, liveForm } from '../controls/live-form';

/** How a thing came to be aboard, in words. */
export const CAME_WORDS: Readonly<Record<NonNullable<Fitting['aboard']>['from'], string>> = {
  maker: 'Fitted by the maker',
  'earlier rig': 'From an earlier rig',
  found: 'Found aboard',
};

/** What can be done with it. */
export const BECOMES_CHOICES = [
  { value: 'used', says: 'Used' },
  { value: 'left', says: 'Left unused' },
  { value: 'replaced', says: 'Replaced' },
  { value: 'removed', says: 'Taken off' },
] as const;
export type Fate = (typeof BECOMES_CHOICES)[number]['value'] | 'gone';

/** The change by which something is done with a fitting that came aboard; what leaves takes along what stands on it. */
export function fateOf({ plan }: Pick<RigState, 'plan'>, item: string, from: Fitting['becomes'], to: Fate): Change | null {
  if (to === 'used' || to === 'left')
    return asOne([{ kind: 'keepItem', item, from: from ?? null, to: to === 'left' ? { is: 'left' } : null }]);
  return asOne(takeOff(plan, [item], { is: to }).changes);
}

/** What came aboard, on its card: how it came, whether it stands as it did, and what is done with it. */
@Component({
  selector: 'pc-came-with',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField],
  template: `
    <p class="small">
      {{ words() }}{{ seen() }}.
      {{
        item().mounted.there
          ? 'It stands as it came: nothing to drill, buy or fasten.'
          : 'It stands elsewhere or is held otherwise now: its old holes are left open.'
      }}
    </p>
    <pc-choice-field label="What is done with it" [choices]="choices" [control]="form.controls.fate" />
  `,
})
export class CameWith {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly changed = output<Change>();
  protected readonly choices = [...BECOMES_CHOICES];
  private readonly fitting = computed(() => this.item().placed.fitting);
  protected readonly words = computed(() => CAME_WORDS[this.fitting().aboard?.from ?? 'found']);
  private readonly fate = computed((): Fate => this.fitting().becomes?.is ?? 'used');
  protected readonly form = liveForm(
    {
      fate: field(
        () => this.fate(),
        (fate) => this.decide(fate),
      ),
    },
    () => this.item().placed.id,
  );
  protected readonly seen = computed(() => {
    const seen = this.state().workup.ledger.seen.get(this.item().placed.id);
    return seen ? `, ${seen.is}${seen.says ? `: ${seen.says}` : ''}` : ', not looked at yet';
  });

  private decide(to: Fate): void {
    const { id, fitting } = this.item().placed;
    const change = fateOf(this.state(), id, fitting.becomes, to);
    if (change) this.changed.emit(change);
  }
}
