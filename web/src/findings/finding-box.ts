import { entryOf } from '@plain-cleat/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Cure, Finding } from '@plain-cleat/core';
import { Words } from '../hull-view/words';
import { RigStore } from '../stores/rig.store';
import { SessionStore } from '../stores/session.store';

/** One finding: what is wrong, by how much, because; its cures; accepting it with a reason. */
@Component({
  selector: 'pc-finding-box',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Words],
  template: `
    <div
      class="box"
      [class.stop]="finding().severity === 'stop' && !finding().accepted"
      [class.look]="finding().severity === 'look' && !finding().accepted"
    >
      <strong>{{ finding().says | words }}</strong>
      <p>{{ finding().because | words }}</p>
      @for (c of cures(); track $index) {
        <button [class.act]="$first" [class.way]="!$first" type="button" (click)="cure(c)">{{ c.says | words }}</button>
      }
      @if (finding().lapsed; as a) {
        <p class="small">{{ a.by }} accepted it ({{ a.reason }}); it has got worse since.</p>
      }
      @if (finding().accepted; as a) {
        <p class="small muted">
          Accepted by {{ a.by }}: {{ a.reason }} <button class="link" type="button" (click)="accept(null)">Take back</button>
        </p>
      } @else if (asking()) {
        <form class="row" (submit)="$event.preventDefault(); accept(why.value)">
          <input #why class="line" aria-label="Why it may stay" placeholder="why it may stay" maxlength="400" /><button
            class="way"
            type="submit"
          >
            Accept
          </button>
        </form>
        @if (fault()) {
          <p class="fault" role="alert">Reason: a few words, three letters at least.</p>
        }
      } @else if (mayAccept()) {
        <button class="link" type="button" (click)="asking.set(true)">Accept with a reason</button>
      } @else {
        <p class="small muted">
          {{
            finding().acceptable === 'manager'
              ? 'Only a manager may accept this.'
              : 'Nobody may accept this: it wants another place, part or hull.'
          }}
        </p>
      }
    </div>
  `,
  styles: `
    .act,
    .way {
      margin: 6px 8px 2px 0;
    }
    form {
      margin-top: 6px;
      flex-wrap: nowrap;
    }
    form .way {
      margin: 0;
    }
  `,
})
export class FindingBox {
  readonly finding = input.required<Finding>();
  readonly cures = input<readonly Cure[]>([]);
  private readonly store = inject(RigStore);
  private readonly staff = inject(SessionStore).staff;
  protected readonly asking = signal(false);
  protected readonly fault = signal(false);
  protected readonly mayAccept = computed(() => {
    const { acceptable } = this.finding();
    return acceptable === 'anyone' || (acceptable === 'manager' && this.staff()?.role === 'manager');
  });

  protected cure(cure: Cure): void {
    this.store.change({ ...cure.change, id: crypto.randomUUID() });
  }

  /** Accepts with a reason, or with null takes the acceptance back. */
  protected accept(reason: string | null): void {
    const { key, size } = this.finding();
    this.fault.set(reason !== null && reason.trim().length < 3);
    if (this.fault()) return;
    const from = entryOf(this.store.state()?.plan.accepted, key) ?? null;
    const to =
      reason === null
        ? null
        : {
            reason: reason.trim(),
            by: this.staff()?.name ?? '',
            severity: this.finding().severity,
            ...(size === null ? {} : { size }),
          };
    this.store.change({ id: crypto.randomUUID(), kind: 'acceptFinding', finding: key, from, to });
    this.asking.set(false);
  }
}
