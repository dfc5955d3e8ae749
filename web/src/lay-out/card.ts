import { addressOf, ROUTES } from '@plain-cleat/api';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChild } from '@angular/core';
import { Icons } from '../controls/icons';
import { ChoiceField, choicesOf } from '../controls/choice-field';
import { TextField } from '../controls/text-field';
import { MatTooltipModule } from '@angular/material/tooltip';
import { MatMenuModule, MatMenuTrigger } from '@angular/material/menu';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatButtonModule } from '@angular/material/button';
import type { MountAdvice } from '@plain-cleat/core/checks/advice';
import type { Fix } from '@plain-cleat/core/proposals/fixes';
import type { Fitted } from '@plain-cleat/core/holding/fitted';
import { otherSide } from '@plain-cleat/core/checks/findings';
import { markedAt } from '@plain-cleat/core/layout';
import { mountMinutes } from '@plain-cleat/core/work/labor';
import { ownPartId } from '@plain-cleat/core/parts/parts';
import { entryOf, type Change, type Place, SUPPLIERS, type Fitting } from '@plain-cleat/core/rig';
import { printMoney } from '@plain-cleat/core/base/units';
import { FindingBox } from '../findings/finding-box';
import { Mass } from '../boat-view/words';
import { standingOf } from '../boat-view/marks';
import type { RigState } from '../stores/rig.store';
import { SessionStore } from '../stores/session.store';
import { Making } from '../own-part/making';
import { CameWith } from '../receive/came-with';
import { ExactPlace } from '../place/exact-place';
import { SaveAssembly } from './save-assembly';
import { More } from './more';
import { Mounts } from './mounts';
import { Straps } from './straps';
import { TrackLines } from './track-lines';
import { field, liveForm, words } from '../controls/live-form';

/** The chosen fitting: its numbers to type exactly, its findings and fixes, how it is held. */
@Component({
  selector: 'pc-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SaveAssembly,
    FindingBox,
    Mass,
    More,
    Mounts,
    TrackLines,
    MatButtonModule,
    MatExpansionModule,
    MatMenuModule,
    MatTooltipModule,
    CameWith,
    Straps,
    ExactPlace,
    TextField,
    ChoiceField,
    Icons,
  ],
  templateUrl: './card.html',
  styleUrl: './card.scss',
})
export class Card {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly advice = input<readonly MountAdvice[]>([]);
  readonly fixes = input<Readonly<Record<string, readonly Fix[]>>>({});
  readonly closed = output<void>();
  readonly slid = output<Place>();
  readonly changed = output<Change>();
  readonly tookOff = output<void>();
  /** The same again, behind it or mirrored. */
  readonly copied = output<'behind' | 'other side'>();
  readonly turned = output<number>();
  private readonly menu = viewChild.required(MatMenuTrigger);
  private readonly exact = viewChild(ExactPlace);

  /** To the first figure of its place that can be typed. */
  focusPlace(): void {
    this.exact()?.focus();
  }

  /** Everything that can be done with it. */
  openMenu(): void {
    this.menu().openMenu();
  }

  readonly picked = output<string>();
  protected readonly making = inject(Making);
  private readonly session = inject(SessionStore);
  protected readonly manages = computed(() => this.session.staff()?.role === 'manager');
  protected readonly suppliers = choicesOf(SUPPLIERS);
  protected readonly money = printMoney;
  protected readonly form = liveForm(
    {
      supplier: field(
        () => this.fitting().suppliedBy,
        (by) => this.supply(by),
      ),
      note: words(
        () => this.fitting().note,
        (note) => this.writeNote(note),
      ),
    },
    () => this.key,
  );

  protected readonly fitting = computed(() => this.item().placed.fitting);
  protected readonly standing = computed(() => standingOf(this.state().workup.findings, this.item().placed.id));
  protected readonly findings = computed(() => this.state().workup.findings.filter((f) => f.where === this.item().placed.id));
  protected readonly at = computed(() => markedAt(this.item().placed));
  /** Whether others stand on it: a small rig of its own. */
  protected readonly carries = computed(
    () =>
      this.fitting().of !== undefined ||
      Object.values(this.state().plan.fittings).some((f) => f.place.on === 'fitting' && f.place.fitting === this.key),
  );
  protected readonly minutes = computed(() =>
    Math.round(mountMinutes(this.item().mounted, this.item().holes, this.state().doc.shop.labor)),
  );

  private id = (): string => crypto.randomUUID();
  private get key(): string {
    return this.item().placed.id;
  }

  /** From the deck down onto the hull's side, and back up. */
  protected overTheEdge(): void {
    const { x, y } = this.at();
    const side = y < 0 ? 'port' : 'starboard';
    if (this.item().placed.place.on === 'side') {
      const off = Math.max(0, this.state().workup.surface.halfBreadth(x) - 40);
      this.slid.emit({ on: 'deck', x, y: side === 'port' ? -off : off, heading: 0 });
    } else this.slid.emit({ on: 'side', side, x, down: 60 });
  }

  /** Its name among the parts of one's own, when it is one. */
  protected readonly ownKey = computed(() =>
    Object.keys(this.state().plan.own).find((key) => ownPartId(key) === this.fitting().part),
  );

  /** The photo that its sheet says shows it. */
  protected readonly ownPhoto = computed(() => {
    const { plan, doc } = this.state();
    const photo = entryOf(plan.own, this.ownKey() ?? '')?.photo;
    return photo && entryOf(plan.photos, photo) ? addressOf(ROUTES.photo, { rig: doc.id, photo }) : null;
  });

  protected changeSheet(key: string): void {
    this.making.open(key).subscribe();
  }

  protected raise(to: number): void {
    this.changed.emit({ id: this.id(), kind: 'liftItem', item: this.key, from: this.fitting().lift, to });
  }

  /** The other side of the boat, same place. */
  protected toOtherSide(): void {
    const to = otherSide(this.state().workup.surface, this.item().placed.place);
    if (to) this.slid.emit(to);
  }

  private supply(to: Fitting['suppliedBy']): void {
    this.changed.emit({
      id: this.id(),
      kind: 'supplyItem',
      item: this.key,
      from: this.fitting().suppliedBy,
      to,
    });
  }

  private writeNote(to: string): void {
    this.changed.emit({ id: this.id(), kind: 'noteItem', item: this.key, from: this.fitting().note, to: to.slice(0, 400) });
  }
}
