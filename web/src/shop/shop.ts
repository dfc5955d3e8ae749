import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  faultsOf,
  parseLength,
  parseMass,
  printFigure,
  printLength,
  printMass,
  printMoney,
  sameJson,
  shopSettings,
  type ShopSettings,
} from '@plain-cleat/core';
import { RouterLink } from '@angular/router';
import { FeatureRows } from '../hulls/feature-list';
import type { FeatureList, Row } from '../hulls/features';
import { SessionStore, wordsOf } from '../stores/session.store';
import { UnitsStore } from '../stores/units.store';
import { RULES, type RuleList, ruleOf, rowsOf } from './rule-lists';
import { type Setting, SETTINGS, valueAt, withValue } from './settings';

/** The shop's own settings: what it charges, how it works, what it deems enough, and its lists of event rules. */
@Component({
  selector: 'pc-shop',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FeatureRows, RouterLink],
  templateUrl: './shop.html',
  styleUrl: './shop.scss',
})
export default class Shop {
  private readonly http = inject(HttpClient);
  private readonly session = inject(SessionStore);
  private readonly units = inject(UnitsStore);
  protected readonly groups = SETTINGS;
  protected readonly ruleColumns = RULES as FeatureList;
  /** As the server keeps them, and as they stand on the screen. */
  private readonly kept = signal<ShopSettings | null>(null);
  protected readonly draft = signal<ShopSettings | null>(null);
  protected readonly failed = signal('');
  protected readonly says = signal('');
  protected readonly fault = signal('');
  protected readonly faults = signal<Readonly<Record<string, string>>>({});
  protected readonly mayKeep = computed(() => this.session.staff()?.role === 'manager');
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
    this.load();
  }

  protected load(): void {
    this.failed.set('');
    this.http.get<ShopSettings>('/api/shop').subscribe({
      next: (s) => this.take(s),
      error: (error: unknown) => this.failed.set(wordsOf(error)),
    });
  }

  private take(s: ShopSettings): void {
    this.kept.set(s);
    this.draft.set(s);
    this.faults.set({});
  }

  protected choices = (s: Setting): readonly string[] | null => (typeof s.kind === 'string' ? null : s.kind);
  protected value = (s: Setting): unknown => valueAt(this.draft() as ShopSettings, s.path);
  protected shown = (s: Setting): string => this.typed(s, this.value(s));

  /** A value as it stands in its field. */
  private typed(s: Setting, value: unknown): string {
    const system = this.units.system();
    if (s.kind === 'length') return printFigure(value as number, system);
    if (s.kind === 'mass') return printMass(value as number, system);
    if (s.kind === 'money') return printMoney(value as number);
    return s.share ? String(Math.round((value as number) * 1000) / 10) : String(value);
  }

  private printed(s: Setting, value: unknown): string {
    if (s.kind === 'length') return printLength(value as number, this.units.system());
    if (s.kind === 'yes') return value ? 'yes' : 'no';
    return `${this.typed(s, value)}${s.unit ? ` ${s.unit}` : ''}`;
  }

  /** What was typed as a value, or what would be right. */
  private read(s: Setting, text: string): { value: unknown } | string {
    const system = this.units.system();
    if (s.kind === 'text') return { value: text.trim() };
    if (s.kind === 'length') {
      const read = parseLength(text, system);
      return read.ok ? { value: Math.round(read.mm * 100) / 100 } : read.says;
    }
    if (s.kind === 'mass') {
      const kg = parseMass(text, system);
      return kg === undefined ? `a mass like ${printMass(20, system)}` : { value: Math.round(kg * 100) / 100 };
    }
    const number = text.trim() === '' ? NaN : Number(text.replaceAll(',', ''));
    if (!Number.isFinite(number)) return s.kind === 'money' ? 'a sum like 68' : 'a number';
    if (s.kind === 'money') return { value: Math.round(number * 100) };
    return { value: s.share ? Math.round(number * 10) / 1000 : number };
  }

  protected type(s: Setting, text: string): void {
    const read = this.read(s, text);
    if (typeof read === 'string') return this.say(s.path, `${s.name}: ${read}.`);
    this.set(s, read.value);
  }

  protected set(s: Setting, value: unknown): void {
    const draft = this.draft();
    if (!draft) return;
    const next = withValue(draft, s.path, value);
    const parsed = shopSettings.safeParse(next);
    const wrong = parsed.success ? undefined : faultsOf(parsed.error).find((f) => f.field.startsWith(s.path));
    this.say(s.path, wrong ? `${s.name}: ${wrong.says}.` : '');
    if (!wrong) this.draft.set(next);
  }

  private say(path: string, words: string): void {
    this.says.set('');
    this.faults.update(({ [path]: _, ...others }) => (words ? { ...others, [path]: words } : others));
  }

  protected rows = rowsOf;

  private setLists(rules: readonly RuleList[]): void {
    this.says.set('');
    this.draft.update((d) => d && { ...d, rules: [...rules] });
  }

  protected setRules(id: string, rows: readonly Row[]): void {
    this.setLists((this.draft()?.rules ?? []).map((l) => (l.id === id ? { ...l, rules: rows.map(ruleOf) } : l)));
  }

  protected rename(id: string, name: string): void {
    this.setLists((this.draft()?.rules ?? []).map((l) => (l.id === id ? { ...l, name: name.trim() } : l)));
  }

  protected strike(id: string): void {
    this.setLists((this.draft()?.rules ?? []).filter((l) => l.id !== id));
  }

  protected addList(): void {
    const id = `rules-${crypto.randomUUID().slice(0, 8)}`;
    const fresh = [ruleOf(RULES.fresh(1))];
    this.setLists([...(this.draft()?.rules ?? []), { id, name: 'New list', rules: fresh }]);
  }

  protected back(): void {
    const kept = this.kept();
    if (kept) this.take(kept);
    this.fault.set('');
  }

  protected keep(): void {
    const [kept, draft] = [this.kept(), this.draft()];
    if (!kept || !draft || Object.keys(this.faults()).length) return;
    const parsed = shopSettings.safeParse(draft);
    if (!parsed.success) {
      const [first] = faultsOf(parsed.error);
      return this.fault.set(this.inWords(draft, first?.field ?? '', first?.says ?? ''));
    }
    this.fault.set('');
    this.http.post<ShopSettings>('/api/shop', { settings: draft, expects: kept.revision }).subscribe({
      next: (s) => {
        this.take(s);
        this.says.set(`Kept as revision ${s.revision}. Open rigs keep theirs until somebody takes this one.`);
      },
      error: (error: unknown) => this.fault.set(wordsOf(error)),
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
