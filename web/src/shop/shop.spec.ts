import { provideHttpClient } from '@angular/common/http';
import { Screen } from '../testing/screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Staff } from '@plain-cleat/api';
import { shopSettingsSchema, type ShopSettings, USUAL_SHOP } from '@plain-cleat/core/parts/shop';
import { SessionStore } from '../stores/session.store';
import { UnitsStore } from '../stores/units.store';
import { RULES, ruleOf, rowsOf } from './rule-lists';
import { SETTINGS, valueAt, withValue } from './settings';
import Shop from './shop';

describe('settings', () => {
  const all = SETTINGS.flatMap((g) => g.settings);

  it('stand where their paths say, each once', () => {
    expect(new Set(all.map((s) => s.path)).size).toBe(all.length);
    for (const s of all) expect(valueAt(USUAL_SHOP, s.path)).withContext(s.path).toBeDefined();
  });

  it('leave no figure of the shop without a field', () => {
    const leaves = (at: object, path: string): string[] =>
      Object.entries(at).flatMap(([k, v]) =>
        typeof v === 'object' && v !== null ? (Array.isArray(v) ? [] : leaves(v as object, `${path}${k}.`)) : [`${path}${k}`],
      );
    expect(leaves(USUAL_SHOP, '').filter((p) => p !== 'revision' && !all.some((s) => s.path === p))).toEqual([]);
  });

  it('are set one at a time, the others untouched', () => {
    const next = withValue(USUAL_SHOP, 'limits.rods.usual', 5);
    expect(next.limits).toEqual({ ...USUAL_SHOP.limits, rods: { ...USUAL_SHOP.limits.rods, usual: 5 } });
    expect(USUAL_SHOP.limits.rods.usual).toBe(6);
  });

  it('rules go into rows and out again', () => {
    const rules: ShopSettings['rules'][number]['rules'] = [
      { rule: 'aboard', what: 'jacket', reach: 'at hand', says: 'worn' },
      { rule: 'most rods', count: 2, says: 'two rods' },
      { rule: 'white light', says: 'a light' },
    ];
    expect(rowsOf({ id: 'l', name: 'L', rules }).map(ruleOf)).toEqual(rules);
    expect(
      shopSettingsSchema.safeParse({ ...USUAL_SHOP, rules: [{ id: 'l', name: 'L', rules: [ruleOf(RULES.fresh(1))] }] }).success,
    ).toBeTrue();
  });
});

describe('the shop', () => {
  let http: HttpTestingController;
  let f: ComponentFixture<Shop>;

  async function show(role: Staff['role'] = 'manager'): Promise<void> {
    localStorage.clear();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    TestBed.inject(SessionStore).find().subscribe();
    http
      .expectOne('/api/session')
      .flush({ staff: { id: 'i', name: 'I', role }, csrf: 't', apiVersion: 1, proof: 'p', preferences: {} });
    f = TestBed.createComponent(Shop);
    http.expectOne('/api/shop').flush(USUAL_SHOP);
    await f.whenStable();
  }
  const text = (): string => ((f.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
  const field = (path: string): HTMLInputElement => {
    const found = (f.nativeElement as HTMLElement).querySelector<HTMLInputElement>(`[id="${path}"]`);
    if (!found) throw new Error(`no ${path}`);
    return found;
  };
  const type = async (path: string, value: string): Promise<void> => {
    const input = field(path);
    input.value = value;
    for (const event of ['input', 'change', 'blur']) input.dispatchEvent(new Event(event));
    await f.whenStable();
  };
  const faultAt = (path: string): string => field(path).closest('mat-form-field')?.querySelector('mat-error')?.textContent ?? '';
  const click = async (says: string): Promise<void> => {
    const found = [...(f.nativeElement as HTMLElement).querySelectorAll('button')].find((b) => b.textContent?.includes(says));
    if (!found) throw new Error(`no ${says}: ${text().slice(0, 300)}`);
    found.click();
    await f.whenStable();
  };

  it('shows what differs, in the units of the moment, and keeps it as a new revision', async () => {
    await show();
    expect(text()).toContain('Nothing differs');
    await type('limits.standing', '21');
    await type('limits.list', '25');
    await type('labor.centsPerHour', '72.50');
    expect(text()).toContain('Clear square to stand in19 11/16 in → 21 in');
    expect(text()).toContain('20 % → 25 %');
    await click('Save as a new revision');
    const call = http.expectOne('/api/shop');
    const { settings, expects } = call.request.body as { settings: ShopSettings; expects: number };
    expect(expects).toBe(1);
    expect([settings.limits.standing, settings.limits.list, settings.labor.centsPerHour]).toEqual([533.4, 0.25, 7250]);
    call.flush({ ...settings, revision: 2 });
    await f.whenStable();
    expect(text()).toContain('Saved as revision 2');
    expect(text()).toContain('Nothing differs');
  });

  it('refuses nonsense by its field and keeps nothing', async () => {
    await show();
    await type('limits.standing', 'wide');
    expect(faultAt('limits.standing')).toContain('"wide" is not a length');
    await type('taxPercent', '90');
    expect(faultAt('taxPercent')).toContain('40');
    expect(field('taxPercent').getAttribute('aria-invalid')).toBe('true');
    expect(text()).toContain('Nothing differs');
    TestBed.inject(UnitsStore).toggle();
    await type('limits.standing', '520');
    expect(text()).toContain('500 mm → 520 mm');
  });

  it('names the list and the rule that is not whole', async () => {
    await show();
    await click('Add a list');
    await new Screen(f).click('mat-expansion-panel-header', 'Rules');
    await click('Add rule');
    await new Screen(f).enter('rule 2, in words', '');
    await click('Save as a new revision');
    expect(text()).toContain('New list, rule 2, says:');
    http.expectNone('/api/shop');
    await click('Discard');
    expect(text()).toContain('No list yet');
  });

  it('is read, not changed, by those who are no managers', async () => {
    await show('rigger');
    expect((f.nativeElement as HTMLElement).querySelectorAll('input:not([disabled]):not([type=file])').length).toBe(0);
    expect(text()).toContain('a manager changes them');
  });
});
