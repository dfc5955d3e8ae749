import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { cordWords, type LedLine, type LineProposal, TETHER, tethersOf, usualLine } from '@plain-cleat/core/lines';
import { LINE_USES, type LineUse } from '@plain-cleat/core/rig';
import { asHung } from '@plain-cleat/core/base/units';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { Icons } from '../controls/icons';
import { ValidSubmit } from '../controls/valid-submit';
import { wordsWanted } from '../controls/zod-validator';
import { Cut, Mass, Words } from '../boat-view/words';
import { Print } from '../rig/print';
import { asOne } from '../stores/as-one';
import { documentUrl } from '../stores/document-url';
import { RigStore, type RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { pointOf, tieChoices } from './tie-choices';
import { Table, TableColumn } from '../controls/table';

/** Every line of the rig: proposed, listed with what is cut of which cord, and added. */
@Component({
  selector: 'pc-lines-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[Cut, Mass, Words, Print, MatButtonModule, Table, TableColumn, ReactiveFormsModule, ChoiceField, ValidSubmit, Icons],
  ],
  templateUrl: './lines-card.html',
  styleUrl: '../rows/listed.scss',
})
export class LinesCard {
  private readonly store = inject(RigStore);
  private readonly units = inject(UnitsStore);
  readonly state = input.required<RigState>();
  /** Null while it is worked out. */
  readonly proposal = input.required<LineProposal | null>();
  readonly selected = input<string | null>(null);
  readonly picked = output<string>();
  protected readonly uses = choicesOf(LINE_USES);
  protected readonly asHung = asHung;
  protected readonly cordWords = cordWords;
  protected readonly byId = (l: LedLine): string => l.id;
  protected readonly adding = new FormGroup({
    use: new FormControl<LineUse>('anchor line', { nonNullable: true }),
    from: new FormControl('', { nonNullable: true, validators: wordsWanted('Say where it begins: an eye, a pulley, a ring.') }),
    to: new FormControl('', {
      nonNullable: true,
      validators: [wordsWanted('Say where it ends: a cleat, an eye, a pulley.'), ({ value }) => this.another(String(value))],
    }),
  });

  protected readonly lines = computed(() => this.state().workup.lines);
  protected readonly points = computed((): Choice<string>[] => tieChoices(this.state()));
  protected readonly tethers = computed(() => tethersOf(this.state().workup.aboard.owned));
  protected readonly tetherCord = cordWords(TETHER);
  protected readonly sheet = computed(() => documentUrl(this.state().doc.id, 'lineSheet', this.units.system()));

  protected led = (l: LedLine): string => l.led.map((p) => p.letter || p.name).join(' – ');

  protected propose(): void {
    const change = asOne(this.proposal()?.changes ?? []);
    if (change) this.store.change(change);
  }

  private another(to: string): { says: string } | null {
    return to && to === this.adding?.getRawValue().from ? { says: 'A line goes from one place to another.' } : null;
  }

  protected add(): void {
    const { use, from, to } = this.adding.getRawValue();
    const id = `line-${crypto.randomUUID().slice(0, 8)}`;
    const through = [from, to].map(pointOf);
    this.store.change({ id: crypto.randomUUID(), kind: 'leadLine', line: id, from: null, to: { ...usualLine(use), through } });
    this.picked.emit(id);
    this.adding.controls.from.reset();
    this.adding.controls.to.reset();
  }
}
