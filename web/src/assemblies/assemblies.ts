import { Icons } from '../controls/icons';
import { DeleteButton } from '../controls/delete-button';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { type Choice, ChoiceField } from '../controls/choice-field';
import { ChangeDetectionStrategy, Component, computed, HostListener, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { buildAssembly } from '@plain-cleat/core/proposals/assembly';
import type { Part } from '@plain-cleat/core/parts/parts';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import { takenBy } from '@plain-cleat/core/layout';
import { HOLD_WORDS } from '@plain-cleat/core/holding/mounting';
import { type Assembly, type Fitting, sameJson } from '@plain-cleat/core/rig';
import { Memory } from '@plain-cleat/core/base/stages';
import { printLength, printMoney, tell, type UnitSystem } from '@plain-cleat/core/base/units';
import { forkJoin, tap } from 'rxjs';
import { AssemblyView, extentOf } from '../boat-view/assembly-view';
import { Mass } from '../boat-view/words';
import { RangeStateNote } from '../controls/range-state';
import { AssemblyStore } from '../stores/assembly.store';
import { Parts } from '../stores/parts';
import { UnitsStore } from '../stores/units.store';
import { type AssemblyDraft, spotUnder, startOn, withFoot, withHold, without, withPart, withSpot } from './draft';
import { field, liveForm, liveRows, words } from '../controls/live-form';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';
import { Table, TableColumn } from '../controls/table';

/** The shop's library of assemblies and the bench they are built on: no boat needed. */
@Component({
  selector: 'pc-assemblies',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    AssemblyView,
    Said,
    WhenLoaded,
    RangeStateNote,
    Mass,
    MatButtonModule,
    ReactiveFormsModule,
    Table,
    TableColumn,
    MatFormFieldModule,
    MatInputModule,
    ChoiceField,
    TextField,
    QuantityField,
    Icons,
    DeleteButton,
  ],
  templateUrl: './assemblies.html',
  styleUrl: './assemblies.scss',
})
export default class Assemblies {
  private readonly units = inject(UnitsStore);
  protected readonly library = inject(AssemblyStore);
  protected readonly money = printMoney;
  protected readonly spots = [
    { axis: 'u', says: 'Aft of its middle', name: 'aft of its middle', kind: 'length', most: 2000 },
    { axis: 'v', says: 'To starboard', name: 'to starboard', kind: 'length', most: 2000 },
    { axis: 'heading', says: 'Turned', name: 'turned', kind: 'degrees', most: 360 },
  ] as const;
  protected readonly byId = ({ of }: { of: Fitted }): string => of.placed.id;
  protected readonly items = computed(() => [...(this.built()?.items ?? [])]);
  protected readonly rows = liveRows(
    () => this.items(),
    (item) => ({
      on: field(
        () => item().placed.below?.id ?? '',
        (on) => this.stand(item(), on),
      ),
      u: this.spot(item, 'u'),
      v: this.spot(item, 'v'),
      heading: this.spot(item, 'heading'),
      hold: field(
        () => item().mounted.hold,
        (hold) => this.hold(item(), hold),
      ),
    }),
    (item) => `${this.draft()?.assembly.id} ${item.placed.id}`,
  );
  protected readonly about = liveForm(
    {
      name: words(
        () => this.draft()?.assembly.name ?? '',
        (name) => this.rename(name),
      ),
    },
    () => this.draft()?.assembly.id,
  );
  protected feet = (item: Fitted): Choice<string>[] =>
    this.items()
      .filter((i) => i !== item)
      .map((i) => ({ value: i.placed.id, says: `${i.letter}, ${i.placed.part.name}` }));
  protected holds = (item: Fitted): Choice<Fitting['mount']['hold']>[] =>
    item.placed.part.holding.ways.map((value) => ({ value, says: HOLD_WORDS[value] }));
  protected readonly parts = inject(Parts);
  protected readonly opened = new Loader(() =>
    forkJoin([this.library.stores(), this.library.fetch()]).pipe(
      tap(([stores, [first]]) => {
        this.parts.need(stores.range);
        if (first && !this.draft()) this.open(first);
      }),
    ),
  );
  private readonly stores = computed(() => this.opened.value()?.[0] ?? null);
  protected readonly saving = new Sending();
  protected readonly typing = new FormControl('', { nonNullable: true });
  private readonly find = toSignal(this.typing.valueChanges, { initialValue: '' });
  private readonly past = signal<readonly AssemblyDraft[]>([]);
  protected readonly draft = signal<AssemblyDraft | null>(null);
  /** Under the finger, not yet put down. */
  private readonly held = signal<Assembly | null>(null);
  protected readonly chosen = signal<string | null>(null);
  private session = new Memory();

  protected readonly built = computed(() => {
    const stores = this.stores();
    const a = this.held() ?? this.draft()?.assembly;
    return stores && a ? buildAssembly(a, this.parts.newest(), stores.shop, this.session) : null;
  });
  protected readonly item = computed(() => this.built()?.items.find((i) => i.placed.id === this.chosen()) ?? null);
  protected readonly findings = computed(() =>
    (this.built()?.findings ?? []).map((f) => ({ ...f, words: tell(f.says, this.units.system()) })),
  );
  protected readonly found = computed(() => {
    const wanted = this.find().trim().toLowerCase();
    return wanted
      ? this.parts
          .newest()
          .filter((p) => `${p.name} ${p.kind}`.toLowerCase().includes(wanted))
          .slice(0, 12)
      : [];
  });
  /** How much room it takes, in words. */
  protected readonly size = computed(() => {
    const e = extentOf(this.built()?.items ?? []);
    const print = (mm: number): string => printLength(mm, this.units.system(), 'up');
    return `${print(e.x1 - e.x0)} long, ${print(e.y1 - e.y0)} wide, ${print(e.z1 - e.z0)} high. Bow to the left, starboard above.`;
  });
  /** Which hulls its base would stand on. */
  protected readonly hulls = computed(() => {
    const base = this.built()?.items[0]?.placed.part;
    return base ? (this.stores()?.hulls ?? []).map((hull) => ({ hull, ...whereOn(base, hull, this.units.system()) })) : [];
  });
  protected readonly differs = computed(() => {
    const draft = this.draft();
    const kept = this.library.assemblies().find((a) => a.id === draft?.assembly.id);
    return draft !== null && !sameJson(draft.assembly, kept);
  });

  constructor() {
    this.opened.load();
  }

  protected open(a: Assembly): void {
    this.begin({ assembly: a, expects: a.version });
  }

  private begin(draft: AssemblyDraft): void {
    this.draft.set(draft);
    this.past.set([]);
    this.held.set(null);
    this.chosen.set(draft.assembly.base);
    this.saving.clear();
    this.session = new Memory();
  }

  /** One gesture: the draft as it was can be taken back. */
  private change(assembly: Assembly): void {
    const draft = this.draft();
    this.held.set(null);
    this.saving.clear();
    if (!draft || assembly === draft.assembly) return;
    this.past.update((p) => [...p.slice(-99), draft]);
    this.draft.set({ ...draft, assembly });
  }

  protected canUndo = (): boolean => this.past().length > 0;
  protected undo(): void {
    const last = this.past().at(-1);
    if (!last) return;
    this.past.update((p) => p.slice(0, -1));
    this.draft.set(last);
    if (!Object.hasOwn(last.assembly.fittings, this.chosen() ?? '')) this.chosen.set(last.assembly.base);
  }

  /** A part put on what is chosen, or a new assembly on it. */
  protected add(part: Part, fresh = false): void {
    const draft = this.draft();
    if (fresh || !draft) return this.begin(startOn(part));
    const { assembly, id } = withPart(draft.assembly, part, this.chosen() ?? draft.assembly.base);
    this.change(assembly);
    this.chosen.set(id);
    this.typing.reset();
  }

  protected dragged(at: { id: string; x: number; y: number; done: boolean }): void {
    const draft = this.draft();
    const item = this.built()?.items.find((i) => i.placed.id === at.id);
    if (!draft || !item) return;
    const next = withSpot(draft.assembly, at.id, spotUnder(item, at, this.units.system()));
    if (at.done) this.change(sameJson(next, draft.assembly) ? draft.assembly : next);
    else this.held.set(next);
  }

  private spot(item: () => Fitted, axis: 'u' | 'v' | 'heading') {
    return field(
      () => {
        const { place } = item().placed;
        return place.on === 'fitting' ? place[axis] : null;
      },
      (value) => this.type(item(), axis, value ?? 0),
    );
  }

  private type(item: Fitted, axis: 'u' | 'v' | 'heading', value: number): void {
    const draft = this.draft();
    if (draft) this.change(withSpot(draft.assembly, item.placed.id, { [axis]: value }));
  }

  private hold(item: Fitted, hold: Fitting['mount']['hold']): void {
    const draft = this.draft();
    if (draft) this.change(withHold(draft.assembly, item.placed.id, hold));
  }

  private stand(item: Fitted, on: string): string | undefined {
    const draft = this.draft();
    if (!draft) return undefined;
    const next = withFoot(draft.assembly, item.placed.id, on);
    this.change(next);
    return next === draft.assembly ? 'That one stands on this.' : undefined;
  }

  protected remove(id: string): void {
    const draft = this.draft();
    if (!draft) return;
    this.change(without(draft.assembly, id));
    this.chosen.set(draft.assembly.base);
  }

  private rename(name: string): void {
    const draft = this.draft();
    if (draft && name.trim() !== draft.assembly.name) this.change({ ...draft.assembly, name: name.trim() });
  }

  protected save(): void {
    const draft = this.draft();
    if (!draft) return;
    if (this.saving.refuse(draft.assembly.name ? '' : 'Name: call it something, such as crate with two tubes.')) return;
    this.saving.send(this.library.save({ ...draft.assembly, version: draft.expects + 1 }, draft.expects), (kept) => {
      this.draft.set({ assembly: kept, expects: kept.version });
      this.past.set([]);
      return `Saved as version ${kept.version}. Boats that carry an older one are offered this.`;
    });
  }

  @HostListener('window:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    if (event.altKey || target.closest('input, textarea, [role=combobox], [role=listbox]')) return;
    const step = (event.shiftKey ? 10 : 1) * (this.units.system() === 'imperial' ? 25.4 / 16 : 1);
    const nudge = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
    const item = this.item();
    const draft = this.draft();
    if ((event.ctrlKey || event.metaKey) && event.key === 'z') this.undo();
    else if (event.ctrlKey || event.metaKey) return;
    else if (event.key === 'Delete' && item) this.remove(item.placed.id);
    else if (nudge && item && draft && item.placed.place.on === 'fitting') {
      const { u, v } = item.placed.place;
      this.change(withSpot(draft.assembly, item.placed.id, { u: u + (nudge[0] ?? 0), v: v + (nudge[1] ?? 0) }));
    } else return;
    event.preventDefault();
  }
}

/** Where a base stands on a hull, or why nowhere; where it need not be held, on any level deck. */
function whereOn(base: Part, hull: HullModel, system: UnitSystem): { fits: boolean; says: string } {
  const all = takenBy(base, hull);
  const good = all.filter((t) => t.fits);
  if (good.length) return { fits: true, says: good.map((t) => t.place).join(', ') };
  const [why] = all;
  if (why) return { fits: false, says: `${why.place}: ${tell(why.why, system)}` };
  return base.holding.ways.includes('loose')
    ? { fits: true, says: 'set on a level deck' }
    : {
        fits: hull.material !== 'pvc fabric',
        says: hull.material === 'pvc fabric' ? 'it would have to be drilled for' : 'drilled for',
      };
}
