import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import type { Fix } from '@plain-cleat/core/proposals/fixes';
import {
  breaksAt,
  cordFloats,
  type LedLine,
  type LineProposal,
  newBy,
  THICKNESSES,
  USES,
  USUAL_GROUND,
} from '@plain-cleat/core/lines';
import {
  BOTTOMS,
  BREAKS,
  CORDS,
  entryOf,
  LINE_PATHS,
  lineWith,
  type Ground,
  type Line,
  type LinePoint,
} from '@plain-cleat/core/rig';
import { asHung, printMass } from '@plain-cleat/core/base/units';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { DeleteButton } from '../controls/delete-button';
import { Icons } from '../controls/icons';
import { QuantityField } from '../controls/quantity';
import { ValidSubmit } from '../controls/valid-submit';
import { wordsWanted } from '../controls/zod-validator';
import { FindingBox } from '../findings/finding-box';
import { Cut, Length, Mass, Words } from '../boat-view/words';
import { RigStore } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { keyOf, pointOf, tieChoices } from './tie-choices';
import { field, liveForm } from '../controls/live-form';

/** One line: what it holds, what is cut, how it is led, how it holds in the water, and what the rigger makes of it. */
@Component({
  selector: 'pc-line-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrl: './lines.scss',
  imports: [
    ...[Cut, Length, Mass, Words, FindingBox, MatButtonModule, MatExpansionModule, ReactiveFormsModule, ChoiceField],
    ...[QuantityField, ValidSubmit, Icons, DeleteButton],
  ],
  templateUrl: './line-card.html',
})
export class LineCard {
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  readonly line = input.required<LedLine>();
  /** What would be proposed as things stand, with why. */
  readonly proposal = input<LineProposal | null>(null);
  readonly fixes = input<Readonly<Record<string, readonly Fix[]>>>({});
  readonly deleted = output();
  protected readonly asHung = asHung;
  protected readonly infinity = Infinity;
  protected readonly cords = choicesOf(CORDS);
  protected readonly ways = choicesOf(LINE_PATHS);
  protected readonly bottoms = choicesOf(BOTTOMS);
  protected readonly adding = new FormGroup({
    point: new FormControl('', { nonNullable: true, validators: wordsWanted('Choose an eye, a pulley, a cleat or a ring.') }),
  });

  protected readonly plan = computed(() => entryOf(this.store.state()?.plan.lines, this.line().id) ?? null);
  protected readonly form = liveForm(
    {
      of: field(
        () => this.line().line.of,
        (of) => this.set({ of }),
      ),
      diameter: field(
        () => this.line().line.diameter,
        (diameter) => this.set({ diameter }),
      ),
      way: field(
        () => this.line().line.way,
        (way) => this.set({ way }),
      ),
      carries: field(
        () => this.line().line.carries ?? '',
        (carries) => this.set({ carries: carries || undefined }),
      ),
      depth: field(
        () => this.ground().depth,
        (depth) => this.setGround({ depth }),
      ),
      bottom: field(
        () => this.ground().bottom,
        (bottom) => this.setGround({ bottom }),
      ),
      stream: field(
        () => this.ground().stream,
        (stream) => this.setGround({ stream }),
      ),
      wind: field(
        () => this.ground().wind,
        (wind) => this.setGround({ wind }),
      ),
      rode: field<number | null>(
        () => this.line().rode,
        (rode) => this.set({ rode: rode ?? undefined }),
      ),
      breaks: field<number>(
        () => this.line().line.breaks ?? 0,
        (newtons) => this.setBreaks(newtons),
      ),
    },
    () => this.line().id,
  );
  protected readonly traits = computed(() => USES[this.line().line.use]);
  protected readonly ground = computed((): Ground => this.plan()?.ground ?? USUAL_GROUND);
  protected readonly diameters = computed((): Choice<number>[] =>
    [...new Set([...THICKNESSES, this.line().line.diameter])]
      .sort((a, b) => a - b)
      .map((value) => ({
        value,
        says: `${value} mm, breaks at ${this.hung(breaksAt({ of: this.line().line.of, diameter: value }))}`,
      })),
  );
  protected readonly ties = computed((): Choice<number>[] => [
    { value: 0, says: 'none: it does not break away' },
    ...BREAKS.map((value) => ({ value: value as number, says: `holds ${this.hung(value)}` })),
  ]);
  protected readonly points = computed((): Choice<string>[] => {
    const state = this.store.state();
    return state ? tieChoices(state) : [];
  });
  protected readonly carried = computed((): Choice<string>[] => [
    { value: '', says: 'nothing of its own' },
    ...(this.store.state()?.workup.aboard.owned ?? []).map((i) => ({
      value: i.placed.id,
      says: `${i.letter}, ${i.placed.part.name}`,
    })),
  ]);
  /** Why the proposal made it so, while it stands as it was proposed. */
  protected readonly why = computed(() =>
    this.plan()?.proposed ? (this.proposal()?.lines.get(this.line().id)?.why ?? null) : null,
  );
  protected readonly findings = computed(
    () => this.store.state()?.workup.findings.filter((f) => !f.accepted && f.where === this.line().id) ?? [],
  );
  /** Its hardest pull as a share of what its cord bears with a knot. */
  protected readonly share = computed(() => Math.round(this.line().share * 100));
  /** How it lies to the stream, from bow to stern of the ring's way. */
  protected readonly headings = computed(() => this.line().held?.lies.map((l) => `${Math.round(l.heading)}°`) ?? []);
  protected readonly floats = computed(() => cordFloats(this.line().cord));
  protected readonly newBy = computed(() => {
    const state = this.store.state();
    return state ? newBy(this.line(), state.plan.opened) : null;
  });

  private hung = (newtons: number): string => printMass(asHung(newtons), this.units.system());

  /** What the rigger sets is the rigger's: a new proposal leaves it. */
  protected set(more: Partial<Line>): void {
    const plan = this.plan();
    if (plan) this.put(lineWith(plan, { ...more, proposed: undefined }));
  }

  private setGround(more: Partial<Ground>): void {
    this.set({ ground: { ...this.ground(), ...more } });
  }

  private setBreaks(newtons: number): void {
    this.set({ breaks: BREAKS.find((n) => n === newtons) });
  }

  protected addPoint(): void {
    const plan = this.plan();
    if (!plan) return;
    const point = pointOf(this.adding.getRawValue().point);
    // It is led there on its way to where it ends.
    this.set({ through: [...plan.through.slice(0, -1), point, ...plan.through.slice(-1)] });
    this.adding.reset();
  }

  protected earlier(index: number): void {
    const through = [...(this.plan()?.through ?? [])];
    const [moved] = through.splice(index, 1);
    if (moved) through.splice(index - 1, 0, moved);
    this.set({ through });
  }

  protected removePoint(index: number): void {
    this.set({ through: this.plan()?.through.filter((_, i) => i !== index) ?? [] });
  }

  protected nameOf = (p: LinePoint): string => this.points().find((c) => c.value === keyOf(p))?.says ?? 'no longer there';

  protected drop(): void {
    this.put(null);
    this.deleted.emit();
  }

  private put(to: Line | null): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'leadLine', line: this.line().id, from: this.plan(), to });
  }
}
