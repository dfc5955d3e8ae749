import { Icons } from '../controls/icons';
import { DeleteButton } from '../controls/delete-button';
import { QuantityField } from '../controls/quantity';
import { TextField } from '../controls/text-field';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { type Choice, ChoiceField, choicesOf } from '../controls/choice-field';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { shopSettingsSchema, type ShopSettings } from '@plain-cleat/core/parts/shop';
import { faultsOf, sameJson } from '@plain-cleat/core/rig';
import { capital, printQuantity, type QuantityKind } from '@plain-cleat/core/base/units';
import { RouterLink } from '@angular/router';
import { MatButtonModule } from '@angular/material/button';
import { FeatureRows } from '../rows/feature-list';
import type { FeatureList, Row } from '../rows/feature-rows';
import { SessionStore } from '../stores/session.store';
import { UnitsStore } from '../stores/units.store';
import { RULES, type RuleList, ruleOf, rowsOf } from './rule-lists';
import { type Setting, SETTINGS, valueAt, withValue } from './settings';
import { type FormControl, ReactiveFormsModule } from '@angular/forms';
import { field, fieldsOf, type LiveField, liveForm, liveRows, words } from '../controls/live-form';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';
import { ShopStore } from '../stores/shop.store';

/** Its key in the form, which takes no dots. */
const keyOf = ({ path }: Setting): string => path.replaceAll('.', ' ');
const BY_KEY = new Map(SETTINGS.flatMap((g) => g.settings).map((s) => [keyOf(s), s]));
const isTyped = ({ kind }: Setting): boolean => kind === 'text' || kind === 'names';

/** Settings that are quantities with units of their own. */
const OWN_KINDS = ['length', 'mass', 'money', 'force', 'carry', 'fine', 'warmth'] as const;

/** The shop's own settings: what it charges, how it works, what it deems enough, and its lists of event rules. */
@Component({
  selector: 'pc-shop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FeatureRows,
    Said,
    WhenLoaded,
    RouterLink,
    ReactiveFormsModule,
    MatButtonModule,
    MatCheckboxModule,
    ChoiceField,
    TextField,
    QuantityField,
    Icons,
    DeleteButton,
  ],
  templateUrl: './shop.html',
  styleUrl: './shop.scss',
})
export default class Shop {
  private readonly store = inject(ShopStore);
  private readonly session = inject(SessionStore);
  private readonly units = inject(UnitsStore);
  protected readonly groups = SETTINGS;
  protected readonly ruleColumns = RULES as FeatureList;
  /** As the server keeps them, and as they stand on the screen. */
  protected readonly settings = new Loader(() => this.store.settings());
  private readonly kept = this.settings.value;
  protected readonly draft = linkedSignal(() => this.kept());
  /** So often what was typed was discarded. */
  private readonly discarded = signal(0);
  protected readonly saving = new Sending();
  protected readonly maySave = computed(() => this.session.staff()?.role === 'manager');
  /** The names of what differs from what is kept. */
  protected readonly changed = computed(() => {
    const [kept, draft] = [this.kept(), this.draft()];
    if (!kept || !draft) return [];
    const set = SETTINGS.flatMap((g) =>
      g.settings
        .filter((s) => !sameJson(valueAt(kept, s.path), valueAt(draft, s.path)))
        .map((s) => ({
          name: `${g.name}, ${s.name}`,
          was: this.printed(s, valueAt(kept, s.path)),
          is: this.printed(s, valueAt(draft, s.path)),
        })),
    );
    const lists = sameJson(kept.rules, draft.rules)
      ? []
      : [{ name: 'Event rules', was: `${kept.rules.length} lists`, is: `${draft.rules.length} lists` }];
    return [...set, ...lists];
  });

  constructor() {
    this.settings.load();
  }

  protected choices = (s: Setting): Choice<string>[] | null => (typeof s.kind === 'string' ? null : choicesOf(s.kind));
  protected kindOf = (s: Setting): QuantityKind => (s.share ? 'share' : (OWN_KINDS.find((kind) => kind === s.kind) ?? 'number'));

  /** What stands in a text field: a text, or names with commas between. */
  private textOf = ({ kind }: Setting, value: unknown): string =>
    kind === 'names' ? (value as readonly string[]).join(', ') : String(value);
  private fromText = ({ kind }: Setting, typed: string): string | string[] =>
    kind === 'names'
      ? typed
          .split(',')
          .map((n) => n.trim())
          .filter(Boolean)
      : typed.trim();

  private printed(s: Setting, value: unknown): string {
    if (s.kind === 'yes') return value ? 'yes' : 'no';
    if (s.kind === 'names') return this.textOf(s, value) || 'none';
    if (typeof value !== 'number') return String(value);
    const kind = this.kindOf(s);
    const print = printQuantity(kind, value, this.units.system());
    return kind === 'number' && s.unit ? `${print} ${s.unit}` : print;
  }

  /** Every setting, by where it stands. */
  private readonly form = liveForm(
    fieldsOf([...BY_KEY.keys()], (key): LiveField<unknown> => {
      const s = BY_KEY.get(key) as Setting;
      return (isTyped(s) ? words : field)(
        () => this.standsIn(s) as never,
        (entered: unknown) => this.set(s, this.entered(s, entered)),
        { off: () => !this.maySave() },
      );
    }),
    () => `${this.kept()?.revision} ${this.discarded()}`,
  );
  /** The control of a setting, as its field takes it. */
  protected control = (s: Setting): FormControl => this.form.controls[keyOf(s)] as FormControl;

  private standsIn(s: Setting): unknown {
    const draft = this.draft();
    if (!draft) return null;
    const value = valueAt(draft, s.path);
    return isTyped(s) ? this.textOf(s, value) : value;
  }

  private entered(s: Setting, value: unknown): unknown {
    if (isTyped(s)) return this.fromText(s, String(value));
    // To the hundredth, a share to the thousandth: as fine as anybody measures.
    const steps = s.share ? 1000 : 100;
    return typeof value === 'number' ? Math.round(value * steps) / steps : value;
  }

  /** Why it cannot be so, by the schema that the server goes by. */
  private set(s: Setting, value: unknown): string | undefined {
    const draft = this.draft();
    if (!draft) return undefined;
    this.saving.clear();
    const next = withValue(draft, s.path, value);
    const parsed = shopSettingsSchema.safeParse(next);
    const wrong = parsed.success ? undefined : faultsOf(parsed.error).find((f) => f.field.startsWith(s.path));
    if (wrong) return `${capital(wrong.says)}.`;
    this.draft.set(next);
    return undefined;
  }

  protected readonly lists = liveRows(
    () => this.draft()?.rules ?? [],
    (list) => ({
      name: words(
        () => list().name,
        (name) => this.rename(list().id, name),
        { off: () => !this.maySave() },
      ),
    }),
    (list) => list.id,
  );

  protected rows = rowsOf;

  private setLists(rules: readonly RuleList[]): void {
    this.saving.clear();
    this.draft.update((d) => d && { ...d, rules: [...rules] });
  }

  protected setRules(id: string, rows: readonly Row[]): void {
    this.setLists((this.draft()?.rules ?? []).map((l) => (l.id === id ? { ...l, rules: rows.map(ruleOf) } : l)));
  }

  private rename(id: string, name: string): void {
    this.setLists((this.draft()?.rules ?? []).map((l) => (l.id === id ? { ...l, name: name.trim() } : l)));
  }

  protected remove(id: string): void {
    this.setLists((this.draft()?.rules ?? []).filter((l) => l.id !== id));
  }

  protected addList(): void {
    const id = `rules-${crypto.randomUUID().slice(0, 8)}`;
    const fresh = [ruleOf(RULES.fresh(1))];
    this.setLists([...(this.draft()?.rules ?? []), { id, name: 'New list', rules: fresh }]);
  }

  protected back(): void {
    this.draft.set(this.kept());
    this.discarded.update((n) => n + 1);
    this.saving.clear();
  }

  protected save(): void {
    const [kept, draft] = [this.kept(), this.draft()];
    if (!kept || !draft || this.form.invalid) return;
    const parsed = shopSettingsSchema.safeParse(draft);
    const [first] = parsed.success ? [] : faultsOf(parsed.error);
    if (this.saving.refuse(first ? this.inWords(draft, first.field, first.says) : '')) return;
    this.saving.send(this.store.save(draft, kept.revision), (saved) => {
      this.settings.put(saved);
      return `Saved as revision ${saved.revision}. Open rigs keep theirs until somebody updates them.`;
    });
  }

  /** `rules.1.rules.0.what` as the list and the rule a person sees. */
  private inWords(draft: ShopSettings, field: string, says: string): string {
    const [head, list, , rule, what] = field.split('.');
    if (head !== 'rules') return `${field}: ${says}.`;
    const name = draft.rules[Number(list)]?.name || `List ${Number(list) + 1}`;
    return rule === undefined ? `${name}: ${says}.` : `${name}, rule ${Number(rule) + 1}, ${what ?? 'rule'}: ${says}.`;
  }
}
