import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { ValidSubmit } from '../controls/valid-submit';
import { TextField } from '../controls/text-field';
import { zodValidator } from '../controls/zod-validator';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { takenBy } from '@plain-cleat/core/layout';
import { ofNewest, renewAssembly, standingOn, takeAssembly, assemblySchema } from '@plain-cleat/core/rig';
import { printMoney, tell } from '@plain-cleat/core/base/units';
import { asOne } from '../stores/as-one';
import { AssemblyView } from '../boat-view/assembly-view';
import { Mass } from '../boat-view/words';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { AssemblyStore } from '../stores/assembly.store';
import { OtherHulls } from './other-hulls';
import { Said } from '../controls/said';
import { Sending } from '../stores/sending';

/** A small rig of its own: what stands on the chosen fitting, from above, kept and renewed as one. */
@Component({
  selector: 'pc-save-assembly',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Said, Mass, AssemblyView, MatButtonModule, ReactiveFormsModule, TextField, ValidSubmit],
  template: `
    <h3>{{ known()?.name ?? 'Built on ' + item().placed.part.name }}</h3>
    <pc-assembly-view [parts]="parts()" [base]="item().placed.id" (picked)="picked.emit($event)" />
    <ul aria-label="What it is made of">
      @for (p of parts(); track p.placed.id) {
        <li>
          <button mat-button class="link" type="button" (click)="picked.emit(p.placed.id)">
            {{ p.letter }}, {{ p.placed.part.name }}
          </button>
        </li>
      }
    </ul>
    <p class="figure">{{ money(cents()) }} · {{ kg() | mass }} · {{ holes() }} holes in the boat</p>
    <p class="small muted">On this hull: {{ fits() }}</p>
    @for (o of others(); track o.hull) {
      <p class="small">{{ o.fits ? '✓ fits the' : '– not the' }} {{ o.hull }}. {{ o.says }}</p>
    }
    @if (item().placed.fitting.of; as of) {
      <p class="small">
        From the library, version {{ of.version }}.
        @if (newer(); as n) {
          <button mat-stroked-button type="button" (click)="renew()">Update to version {{ n.version }}</button>
        }
      </p>
    }
    <form class="row" [formGroup]="form" (pcSubmit)="save()">
      <pc-text-field class="grow" label="Name in the library" [max]="80" [control]="form.controls.name" />
      <button mat-stroked-button type="submit">{{ known() ? 'Save as a newer version' : 'Save to the library' }}</button>
    </form>
    <pc-said [of]="saving" />
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid var(--line);
      padding-top: 10px;
    }
    pc-assembly-view {
      display: block;
      margin: 6px 0;
    }
  `,
})
export class SaveAssembly {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly picked = output<string>();
  private readonly store = inject(RigStore);
  private readonly library = inject(AssemblyStore);
  private readonly hulls = inject(OtherHulls);
  private readonly units = inject(UnitsStore);
  protected readonly money = printMoney;
  protected readonly form = new FormGroup({
    name: new FormControl('', {
      nonNullable: true,
      validators: zodValidator(assemblySchema.shape.name, 'Call it something, such as crate with two tubes.'),
    }),
  });
  protected readonly saving = new Sending();

  private readonly ids = computed(() => standingOn(this.state().plan, this.item().placed.id));
  protected readonly parts = computed(() =>
    this.ids().flatMap((id) => this.state().workup.aboard.items.find((i) => i.placed.id === id) ?? []),
  );
  protected readonly cents = computed(() =>
    this.parts().reduce((sum, p) => sum + (p.placed.fitting.suppliedBy === 'shop' ? p.placed.part.sold.priceCents : 0), 0),
  );
  protected readonly kg = computed(() => this.parts().reduce((sum, p) => sum + p.placed.part.body.massKg, 0));
  protected readonly holes = computed(() => this.parts().reduce((sum, p) => sum + p.holes.length, 0));
  protected readonly known = computed(() => {
    const { of } = this.item().placed.fitting;
    return of && this.library.assemblies().find((a) => a.id === of.assembly);
  });
  protected readonly newer = computed(() => {
    const known = this.known();
    return known && known.version > (this.item().placed.fitting.of?.version ?? 0) ? known : null;
  });
  protected readonly fits = computed(() => {
    const all = takenBy(this.item().placed.part, this.state().doc.hull);
    return all.length
      ? all.map((t) => `${t.place}: ${tell(t.why, this.units.system())}`).join('; ')
      : 'it stands where it is put';
  });
  protected readonly others = computed(() => this.hulls.taking(this.item().placed.part, this.state().doc.hull.id) ?? []);
  constructor() {
    const name = computed(() => this.known()?.name ?? '');
    effect(() => this.form.reset({ name: name() }));
  }

  protected save(): void {
    const name = this.form.getRawValue().name.trim();
    const known = this.known();
    const id = known?.id ?? `a-${crypto.randomUUID().slice(0, 12)}`;
    const assembly = takeAssembly(this.state().plan, this.item().placed.id, { id, name, version: (known?.version ?? 0) + 1 });
    this.saving.send(this.library.save(assembly, known?.version ?? 0), (kept) => {
      const { of } = this.item().placed.fitting;
      this.store.change({
        id: crypto.randomUUID(),
        kind: 'renewItem',
        item: this.item().placed.id,
        from: of ?? null,
        to: { assembly: kept.id, version: kept.version },
      });
      return `Saved in the library as version ${kept.version}.`;
    });
  }

  protected renew(): void {
    const newer = this.newer();
    if (!newer) return;
    const change = asOne(
      renewAssembly(
        this.state().plan,
        this.item().placed.id,
        ofNewest(newer, this.state().parts),
        (id) => `${id.slice(0, 40)}-${crypto.randomUUID().slice(0, 6)}`,
      ),
    );
    if (change) this.store.change(change);
  }
}
