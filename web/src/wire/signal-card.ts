import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Fix } from '@plain-cleat/core/proposals/fixes';
import { entryOf } from '@plain-cleat/core/rig';
import type { Proposal, SignalRun } from '@plain-cleat/core/electric/wiring';
import { Icons } from '../controls/icons';
import { FindingBox } from '../findings/finding-box';
import { Cut, Words } from '../boat-view/words';
import { RigStore } from '../stores/rig.store';
import { putRun } from './plan-run';
import { RunPath } from './run-path';

/** One signal cable: its plugs, how long it comes, where it lies. */
@Component({
  selector: 'pc-signal-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Cut, Words, FindingBox, MatButtonModule, Icons, RunPath],
  template: `
    @let s = run();
    <header class="row">
      <span class="mark here">{{ end(s.from).letter }}</span>
      <div>
        <h2>{{ end(s.from).name }} to {{ end(s.to).letter }}</h2>
        <p class="small muted">signal cable to {{ end(s.to).name }}, {{ s.lane }}</p>
      </div>
    </header>
    @if (why(); as w) {
      <p class="small">As proposed. {{ w | words }}</p>
    }
    <dl class="facts">
      <div>
        <dt>Plugs</dt>
        <dd class="figure">{{ s.family ?? 'none that fits both' }}</dd>
      </div>
      <div>
        <dt>{{ comes() }}</dt>
        <dd class="figure">{{ s.cut | cut }}</dd>
      </div>
      <div>
        <dt>Its way takes, with loops</dt>
        <dd class="figure">{{ s.wanted | cut }}</dd>
      </div>
      @if (s.cut > s.wanted) {
        <div>
          <dt>Coiled and tied up at {{ end(s.to).letter }}</dt>
          <dd class="figure">{{ s.cut - s.wanted | cut }}</dd>
        </div>
      }
    </dl>
    @for (f of findings(); track f.key) {
      <pc-finding-box [finding]="f" [fixes]="fixes()[f.key] ?? []" />
    }
    <pc-run-path [run]="s">
      <button mat-stroked-button type="button" (click)="drop()"><mat-icon svgIcon="delete" />Delete this run</button>
    </pc-run-path>
  `,
  styles: `
    header {
      flex-wrap: nowrap;
      align-items: flex-start;
    }
  `,
})
export class SignalCard {
  private readonly store = inject(RigStore);
  readonly run = input.required<SignalRun>();
  /** What would be proposed as things stand, with why. */
  readonly proposal = input<Proposal | null>(null);
  readonly fixes = input<Readonly<Record<string, readonly Fix[]>>>({});
  readonly deleted = output();
  private readonly plan = computed(() => entryOf(this.store.state()?.plan.runs, this.run().id) ?? null);
  protected readonly why = computed(() =>
    this.plan()?.proposed ? (this.proposal()?.runs.get(this.run().id)?.why ?? null) : null,
  );
  protected readonly comes = computed(() => {
    const { given } = this.run();
    if (given === 'aboard') return 'In the boat';
    return given === 'with its part' ? 'Comes with it, not cut' : given === 'ready made' ? 'Sold so long' : 'Sold in no length';
  });
  protected readonly findings = computed(
    () =>
      this.store
        .state()
        ?.workup.findings.filter(
          (f) => !f.accepted && f.step === 'wire' && [this.run().id, this.run().from, this.run().to].includes(f.where),
        ) ?? [],
  );

  protected end(fitting: string): { letter: string; name: string } {
    const item = this.store.state()?.workup.aboard.owned.find((i) => i.placed.id === fitting);
    return { letter: item?.letter ?? '?', name: item?.placed.part.name ?? fitting };
  }

  protected drop(): void {
    putRun(this.store, this.run().id, this.plan(), null);
    this.deleted.emit();
  }
}
