import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { FACT_WORDS } from '@plain-cleat/core/rig';
import { RigStore, type RigState } from '../stores/rig.store';

/** The most facts one fact vouches for. */
const AT_ONCE = 1000;

/** What nobody of the shop saw done counts for nothing; somebody here makes it count, or does not. */
@Component({
  selector: 'pc-unproven',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @for (of of lots(); track of.from) {
      <div class="note box look" role="status">
        <span
          >{{ of.says }} Holes are shown in any case.
          @if (of.passes) {
            A step that was overridden is overridden again on Build, by a manager.
          }
        </span>
        <span class="row">
          @if (of.facts.length) {
            <button mat-stroked-button type="button" (click)="count(of.facts)">It is so: count it</button>
          }
          <button mat-button class="link" type="button" (click)="drop(of.all)">Do not count it</button>
        </span>
      </div>
    }
  `,
  styles: `
    .note {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 14px;
      margin: 8px 18px 0;
    }
    .row {
      flex: none;
    }
  `,
})
export class Unproven {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);

  protected readonly lots = computed(() => {
    const all = this.state().workup.ledger.unproven.filter((f) => f.rig === this.state().plan.id && f.kind !== 'vouched');
    return [...new Set(all.map((f) => f.unproven ?? 'from a file'))].map((from) => {
      const mine = all.filter((f) => f.unproven === from);
      const kinds = [...new Set(mine.map((f) => FACT_WORDS[f.kind]))];
      const named = kinds.slice(0, 3).join(', ') + (kinds.length > 3 ? ' and more' : '');
      const whose = [...new Set(mine.map((f) => f.by))].slice(0, 2).join(' and ');
      return {
        from,
        all: mine.map((f) => f.id),
        facts: mine.filter((f) => f.kind !== 'gatePassed').map((f) => f.id),
        passes: mine.some((f) => f.kind === 'gatePassed'),
        says:
          from === 'from a file'
            ? `What this rig’s file says was done counts for nothing yet: ${named}.`
            : `Sent after ${whose} left, and not counted yet: ${named}.`,
      };
    });
  });

  protected count(facts: readonly string[]): void {
    for (let i = 0; i < facts.length; i += AT_ONCE) this.store.save({ kind: 'vouched', facts: [...facts.slice(i, i + AT_ONCE)] });
  }

  protected drop(facts: readonly string[]): void {
    for (const fact of facts) this.store.save({ kind: 'tookBack', fact, why: 'nobody here saw it done' });
  }
}
