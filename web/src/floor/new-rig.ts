import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import type { OwnHull } from '@plain-cleat/api';
import { wordsOf } from '../stores/session.store';
import { Length } from '../hull-view/words';
import { FloorStore } from './floor.store';

/** Opens a rig: for whom, on which hull, for when. The rest is asked in the brief. */
@Component({
  selector: 'pc-new-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatDialogModule, Length],
  template: `
    <form (ngSubmit)="send()">
      <h2 mat-dialog-title>New rig</h2>
      <mat-dialog-content>
        <div class="two">
          <label class="field"
            ><span>For</span>
            <select name="owner" [(ngModel)]="owner">
              <option value="">somebody new</option>
              @for (o of owners(); track o.id) {
                <option [value]="o.id">{{ o.name }}</option>
              }
            </select>
          </label>
          @if (owner === '') {
            <label class="field"><span>Owner's name</span><input name="name" [(ngModel)]="name" maxlength="120" /></label>
            <label class="field"><span>E-mail, if any</span><input name="email" type="email" [(ngModel)]="email" /></label>
          }
          <label class="field"
            ><span>What the rig is for</span
            ><input name="title" [(ngModel)]="title" maxlength="120" placeholder="river survey rig"
          /></label>
          <label class="field"><span>Hull serial</span><input name="serial" [(ngModel)]="serial" maxlength="60" /></label>
          <label class="field"><span>Promised for</span><input name="promised" type="date" [(ngModel)]="promised" /></label>
        </div>
        <fieldset>
          <legend>Hull</legend>
          @for (h of theirs(); track h.id) {
            <label class="hull" [class.chosen]="own() === h.id">
              <input
                type="radio"
                name="hull"
                [value]="h.id"
                [ngModel]="own() || hull()"
                (ngModelChange)="takeOwn(h.id, h.model)"
              />
              <strong>their {{ nameOf(h.model) }}</strong
              ><span class="small muted"
                >{{ h.serial || 'no serial' }} {{ h.colour }} · {{ h.facts ? 'its ledger goes on' : 'no holes yet' }}</span
              >
            </label>
          }
          @for (h of hulls(); track h.id) {
            <label class="hull" [class.chosen]="!own() && hull() === h.id">
              <input
                type="radio"
                name="hull"
                [value]="h.id"
                [ngModel]="own() || hull()"
                (ngModelChange)="hull.set($event); own.set('')"
              />
              <strong>{{ h.maker }} {{ h.name }}</strong
              ><span class="small muted">{{ h.kind }} · {{ h.length | length }} × {{ h.beam | length }}</span>
            </label>
          } @empty {
            <p class="muted">Asking for the hulls</p>
          }
        </fieldset>
        @if (fault()) {
          <p class="fault" role="alert">{{ fault() }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions>
        <button class="way" type="button" mat-dialog-close>Not now</button>
        <button class="act" type="submit" [disabled]="busy()">Open the rig</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
    }
    fieldset {
      border: 0;
      padding: 0;
      margin: 14px 0 8px;
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    legend {
      font-size: 13px;
      color: var(--muted);
      padding: 0;
    }
    .hull {
      border: 1px solid var(--edge);
      border-radius: 4px;
      padding: 8px 12px;
      min-height: 52px;
      display: grid;
      grid-template-columns: auto 1fr;
      column-gap: 10px;
      cursor: pointer;
    }
    .hull.chosen {
      border: 2px solid var(--tide);
      background: var(--tide-soft);
    }
    .hull span {
      grid-column: 2;
    }
    mat-dialog-actions {
      gap: 10px;
      padding: 12px 24px 20px;
      justify-content: flex-end;
    }
  `,
})
export class NewRig {
  private readonly store = inject(FloorStore);
  private readonly ref = inject<MatDialogRef<NewRig, string>>(MatDialogRef);
  protected readonly owners = toSignal(this.store.owners(), { initialValue: [] });
  protected readonly hulls = toSignal(this.store.hulls(), { initialValue: [] });
  private readonly ownHulls = toSignal(this.store.ownHulls(), { initialValue: [] });
  protected readonly hull = signal('');
  /** A hull of the owner's that was here before. */
  protected readonly own = signal('');
  protected readonly fault = signal('');
  protected readonly busy = signal(false);
  protected owner = '';
  protected name = '';
  protected email = '';
  protected title = '';
  protected serial = '';
  protected promised = '';

  protected theirs = (): OwnHull[] => (this.owner ? this.ownHulls().filter((h) => h.owner.id === this.owner) : []);
  protected nameOf = (model: string): string => this.hulls().find((h) => h.id === model)?.name ?? model;

  protected takeOwn(id: string, model: string): void {
    this.own.set(id);
    this.hull.set(model);
  }

  protected send(): void {
    const missing =
      !this.owner && !this.name.trim()
        ? 'Owner’s name: who is the rig for?'
        : !this.title.trim()
          ? 'What the rig is for: a few words.'
          : !this.hull()
            ? 'Hull: choose one.'
            : '';
    this.fault.set(missing);
    if (missing) return;
    this.busy.set(true);
    const owner = this.owner ? { id: this.owner } : { name: this.name, email: this.email };
    this.store
      .open({
        title: this.title,
        owner,
        hull: this.hull(),
        ownHull: this.own() || null,
        serial: this.serial,
        promised: this.promised || null,
      })
      .subscribe({
        next: ({ id }) => this.ref.close(id),
        error: (error: unknown) => {
          this.fault.set(wordsOf(error));
          this.busy.set(false);
        },
      });
  }
}
