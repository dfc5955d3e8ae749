import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { entryOf, parseMass, printMass, sideOf, type Stowed } from '@plain-cleat/core';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';

/** What goes inside the boat and on the paddler, and what each scupper is planned to be. */
@Component({
  selector: 'pc-stowing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Stowed away</h2>
    @for (c of compartments(); track c.id) {
      <div>
        <h3>{{ c.name }}</h3>
        <p class="small muted">
          {{ c.dry ? 'dry' : 'damp' }}{{ c.worn ? ', worn' : '' }} · {{ c.used }} of {{ c.litres }} litres
        </p>
        <ul>
          @for (s of c.things; track s.id) {
            <li>
              {{ s.what }}{{ s.later ? ' (a place kept for later)' : '' }} <span class="small muted">{{ s.kg }}</span>
              <button class="link" type="button" [attr.aria-label]="'Take out ' + s.what" (click)="takeOut(s.id)">
                take out
              </button>
            </li>
          }
        </ul>
      </div>
    } @empty {
      <p class="muted">This hull has no compartments on record. Add them under Hulls.</p>
    }
    @if (compartments().length) {
      <form (submit)="$event.preventDefault(); put(what, where.value, litres.value, weight.value, dry.checked, later.checked)">
        <label class="field"
          ><span>Put</span><input #what maxlength="120" placeholder="spare line" [attr.aria-invalid]="!!fault()"
        /></label>
        <label class="field"
          ><span>into</span>
          <select #where>
            @for (c of compartments(); track c.id) {
              <option [value]="c.id">{{ c.name }}</option>
            }
          </select></label
        >
        <div class="row">
          <label class="field grow"><span>litres</span><input #litres value="1" inputmode="decimal" /></label>
          <label class="field grow"><span>weight</span><input #weight [value]="half()" /></label>
        </div>
        <div class="row small">
          <label class="row"><input #dry type="checkbox" /> wants to be dry</label>
          <label class="row"><input #later type="checkbox" /> a place for later</label>
        </div>
        @if (fault()) {
          <p class="fault" role="alert">{{ fault() }}</p>
        }
        <button class="way" type="submit">Stow it</button>
      </form>
    }
    @if (scuppers().length) {
      <h2>Scuppers</h2>
      <ul>
        @for (s of scuppers(); track s.id) {
          <li class="spread">
            <span>{{ s.name }}</span>
            @if (s.taken) {
              <span>taken by {{ s.taken }}</span>
            } @else {
              <button class="link" type="button" [attr.aria-pressed]="s.plugged" (click)="plug(s.id, !s.plugged)">
                {{ s.plugged ? 'plugged' : 'open' }}
              </button>
            }
          </li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 10px;
    }
    form {
      display: grid;
      gap: 8px;
    }
    input[type='checkbox'] {
      width: 20px;
      height: 20px;
    }
  `,
})
export class Stowing {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  protected readonly fault = signal('');
  protected readonly half = computed(() => printMass(0.5, this.units.system()));
  protected readonly compartments = computed(() => {
    const all = Object.entries(this.state().plan.stowage);
    return (this.state().doc.hull.compartments ?? []).map((c) => {
      const here = all.filter(([, s]) => s.in === c.id);
      return {
        ...c,
        used: Math.round(here.reduce((sum, [, s]) => sum + s.litres, 0) * 10) / 10,
        things: here.map(([id, s]) => ({ id, what: s.what, later: s.later, kg: printMass(s.kg, this.units.system()) })),
      };
    });
  });
  protected readonly scuppers = computed(() => {
    const { plan, workup } = this.state();
    return this.state().doc.hull.scuppers.map((s) => ({
      id: s.id,
      name: `${sideOf(s.y)}, in the ${workup.surface.spot(s.x, s.y).name}`,
      plugged: entryOf(plan.scuppers, s.id) === 'plugged',
      taken: workup.items.find((i) => i.placed.place.on === 'scupper' && i.placed.place.scupper === s.id)?.placed.part.name,
    }));
  });

  protected put(
    what: HTMLInputElement,
    into: string,
    litresText: string,
    weight: string,
    wantsDry: boolean,
    later: boolean,
  ): void {
    const litres = Number(litresText.replace(',', '.'));
    const kg = parseMass(weight, this.units.system());
    this.fault.set(
      !what.value.trim()
        ? 'Put: say what goes in there.'
        : !(litres >= 0 && litres <= 500)
          ? 'Litres: a number up to 500, like 2.'
          : kg === undefined || kg < 0 || kg > 100
            ? `Weight: write it like ${this.half()}.`
            : '',
    );
    if (this.fault() || kg === undefined) return;
    const to: Stowed = { in: into, what: what.value.trim(), kg, litres, wantsDry, use: 'stopped', later };
    this.store.change({
      id: crypto.randomUUID(),
      kind: 'stowThing',
      thing: `s${crypto.randomUUID().slice(0, 8)}`,
      from: null,
      to,
    });
    what.value = '';
  }

  protected takeOut(thing: string): void {
    const from = entryOf(this.state().plan.stowage, thing);
    if (from) this.store.change({ id: crypto.randomUUID(), kind: 'stowThing', thing, from, to: null });
  }

  protected plug(scupper: string, plugged: boolean): void {
    const from = entryOf(this.state().plan.scuppers, scupper) ?? null;
    this.store.change({ id: crypto.randomUUID(), kind: 'planScupper', scupper, from, to: plugged ? 'plugged' : null });
  }
}
