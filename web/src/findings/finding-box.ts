import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { Fix } from '@plain-cleat/core/proposals/fixes';
import { acceptance, type Finding } from '@plain-cleat/core/checks/findings';
import { type Acceptance, type Change, entryOf } from '@plain-cleat/core/rig';
import { capital } from '@plain-cleat/core/base/units';
import { TextField } from '../controls/text-field';
import { Words } from '../boat-view/words';
import { ManagerForm, type ManagersAct, REASON } from '../rig/manager-form';
import { RigStore } from '../stores/rig.store';
import { SessionStore } from '../stores/session.store';

/** One finding: what is wrong, by how much, because; its fixes; accepting it with a reason. */
@Component({
  selector: 'pc-finding-box',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Words, MatButtonModule, TextField, ManagerForm],
  template: `
    <div
      class="box"
      [class.stop]="finding().severity === 'stop' && !finding().accepted"
      [class.look]="finding().severity === 'look' && !finding().accepted"
    >
      <strong>{{ finding().says | words }}</strong>
      <p>{{ finding().because | words }}</p>
      @for (c of fixes(); track $index) {
        <button class="fix" type="button" [matButton]="$first ? 'filled' : 'outlined'" (click)="fix(c)">
          {{ c.says | words }}
        </button>
      }
      @if (fixes().length === 0 && !finding().accepted && finding().severity !== 'note') {
        <p class="small muted">{{ capital(finding().decides) }} decides what is done.</p>
      }
      @if (finding().lapsed; as a) {
        <p class="small">
          {{ a.by }} accepted it ({{ a.reason }});
          {{ wasKept(a) ? 'it has got worse since.' : 'how bad it was then was not kept.' }}
        </p>
      }
      @if (finding().accepted; as a) {
        <p class="small muted">
          Accepted by {{ a.by }}: {{ a.reason }}
          <button mat-button class="link" type="button" (click)="takeBack()">Take back</button>
        </p>
      } @else {
        @if (asked(); as a) {
          <p class="small">{{ a.by }} asks a manager to accept it: {{ a.why }}</p>
        }
        @if (finding().acceptable === 'nobody') {
          <p class="small muted">Nobody may accept this: it wants another place, part or hull.</p>
        } @else if (!asking()) {
          <button mat-button class="link" type="button" (click)="asking.set(true)">
            {{ finding().acceptable === 'manager' ? 'A manager accepts it' : 'Accept with a reason' }}
          </button>
        } @else if (finding().acceptable === 'manager') {
          <pc-manager-form
            act="Accept"
            [signed]="acceptAs"
            (asked)="store.save({ kind: 'acceptanceAsked', finding: finding().key, why: $event })"
            (closed)="asking.set(false)"
          />
        } @else {
          <form class="row" (submit)="$event.preventDefault(); accept()">
            <pc-text-field label="Reason" [max]="400" [control]="why" />
            <button mat-stroked-button type="submit">Accept</button>
          </form>
        }
      }
    </div>
  `,
  styles: `
    .fix {
      margin: 6px 8px 2px 0;
      height: auto;
      min-height: 40px;
    }
    form {
      margin-top: 8px;
      flex-wrap: nowrap;
      align-items: flex-start;
    }
    pc-text-field {
      flex: 1;
    }
  `,
})
export class FindingBox {
  readonly finding = input.required<Finding>();
  readonly fixes = input<readonly Fix[]>([]);
  protected readonly store = inject(RigStore);
  private readonly staff = inject(SessionStore).staff;
  protected readonly asking = signal(false);
  protected readonly asked = computed(() => this.store.state()?.workup.ledger.acceptancesAsked.get(this.finding().key));
  protected readonly why = new FormControl('', { nonNullable: true, validators: REASON });

  protected readonly capital = capital;
  protected wasKept = (a: Acceptance): boolean => a.measure !== undefined || a.size !== undefined;

  protected fix(fix: Fix): void {
    this.store.change({ ...fix.change, id: crypto.randomUUID() });
  }

  protected accept(): void {
    this.why.markAsTouched();
    if (this.why.invalid) return;
    this.store.change(this.acceptance(this.why.value, this.staff()?.name ?? ''));
    this.asking.set(false);
  }

  /** Whose name it bears the server says: theirs whose password was typed. */
  protected acceptAs: ManagersAct = (why, manager) => this.store.acceptAs(manager, this.acceptance(why, ''));

  protected takeBack(): void {
    this.store.change(this.changeTo(null));
  }

  private acceptance(reason: string, by: string): Change {
    return this.changeTo(acceptance(this.finding(), reason.trim(), by));
  }

  private changeTo(to: Extract<Change, { kind: 'acceptFinding' }>['to']): Change {
    const { key } = this.finding();
    const from = entryOf(this.store.state()?.plan.accepted, key) ?? null;
    return { id: crypto.randomUUID(), kind: 'acceptFinding', finding: key, from, to };
  }
}
