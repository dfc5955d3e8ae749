import { Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { PreferencesStore } from '../stores/preferences.store';
import { UnitsStore } from '../stores/units.store';
import { field, liveForm } from './live-form';
import { QuantityField } from './quantity';
import { ValidSubmit } from './valid-submit';

@Component({
  imports: [MatButtonModule, QuantityField, ReactiveFormsModule, ValidSubmit],
  template: `
    <form [formGroup]="form" (pcSubmit)="sent.push(form.getRawValue())">
      <pc-quantity label="Weight" kind="mass" [control]="form.controls.weight" [least]="20" [most]="250" />
      <pc-quantity label="Off centre" kind="length" [control]="place.controls.off" />
      <button mat-button type="submit">Save</button>
    </form>
  `,
})
class Host {
  readonly form = new FormGroup({ weight: new FormControl<number | null>(82) });
  readonly off = signal<number | null>(1560.5125);
  readonly sent: object[] = [];
  readonly entered: (number | null)[] = [];
  readonly place = liveForm({
    off: field(
      () => this.off(),
      (mm) => this.enter(mm),
    ),
  });
  private enter(mm: number | null): string | void {
    this.entered.push(mm);
    if ((mm ?? 0) > 2000) return 'That is off the hull here.';
    this.off.set(mm);
  }
}

describe('a quantity’s field', () => {
  let shown: ComponentFixture<Host>;
  const field = (n: number): HTMLElement =>
    (shown.nativeElement as HTMLElement).querySelectorAll<HTMLElement>('pc-quantity')[n] as HTMLElement;
  const typed = (n: number): HTMLInputElement => field(n).querySelector('input') as HTMLInputElement;
  const type = async (n: number, text: string): Promise<void> => {
    typed(n).value = text;
    typed(n).dispatchEvent(new Event('input'));
    typed(n).dispatchEvent(new Event('change'));
    await shown.whenStable();
  };
  const says = (n: number): string => field(n).querySelector('mat-error')?.textContent?.trim() ?? '';

  beforeEach(async () => {
    localStorage.clear();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    shown = TestBed.createComponent(Host);
    await shown.whenStable();
  });

  it('is printed in the reader’s units, and again when they change', async () => {
    expect([typed(0).value, typed(1).value]).toEqual(['181', '61 7/16']);
    expect(field(0).textContent).toContain('lb');
    TestBed.inject(UnitsStore).toggle();
    await shown.whenStable();
    expect([typed(0).value, typed(1).value]).toEqual(['82', '1561']);
    expect(field(1).textContent).toContain('mm');
    // Shown to the mark, kept as it was.
    await type(1, '1561');
    expect(shown.componentInstance.entered).toEqual([]);
    expect(shown.componentInstance.off()).toBe(1560.5125);
  });

  it('shows what is read while it is typed, of either school, and asks about what may be two', async () => {
    const typing = async (n: number, text: string): Promise<string> => {
      typed(n).value = text;
      typed(n).dispatchEvent(new Event('input'));
      await shown.whenStable();
      return field(n).querySelector('[role=status]')?.textContent?.trim() ?? '';
    };
    expect(await typing(1, '12,5')).toBe('= 12 1/2 in');
    expect(await typing(1, '1700 mm')).toBe('= 66 15/16 in');
    expect(await typing(1, '66 15/16')).toBe('');
    await type(1, '60,5');
    expect(shown.componentInstance.entered.at(-1)).toBeCloseTo(1536.7, 9);
    expect([typed(1).value, await typing(1, '60 1/2')]).toEqual(['60 1/2', '']);
    await type(1, '1,234');
    expect(says(1)).toBe('"1,234" can be read two ways: write 1234 or 1.234.');
    TestBed.inject(PreferencesStore).say({ numbers: 'comma' });
    await type(1, '1,234');
    expect(shown.componentInstance.entered.at(-1)).toBeCloseTo(1.234 * 25.4, 9);
  });

  it('says what would be right, keeps what was typed, and has the focus when it is sent so', async () => {
    const { form, sent } = shown.componentInstance;
    await type(0, 'twelve');
    expect(says(0)).toContain('"twelve" is not a weight: write it like 181 lb or 82 kg.');
    expect(typed(0).value).toBe('twelve');
    (shown.nativeElement as HTMLElement).querySelector('button')?.click();
    await shown.whenStable();
    expect(sent).toEqual([]);
    expect(document.activeElement === typed(0) || !document.hasFocus()).toBeTrue();
    await type(0, '19 kg');
    expect(says(0)).toBe('From 45 lb to 551 lb.');
    await type(0, '');
    expect(says(0)).toContain('Write it like');
    // While it is put right it is not nagged about: nothing moves from under the pointer.
    typed(0).value = '90';
    typed(0).dispatchEvent(new Event('input'));
    await shown.whenStable();
    expect(field(0).querySelector('mat-error')).toBeNull();
    // Left as it was, it is wrong again.
    typed(0).value = '';
    typed(0).dispatchEvent(new Event('input'));
    typed(0).dispatchEvent(new Event('blur'));
    await shown.whenStable();
    expect(form.valid).toBeFalse();
    await type(0, '90 kg');
    expect(form.valid).toBeTrue();
    (shown.nativeElement as HTMLElement).querySelector('button')?.click();
    expect(sent).toEqual([{ weight: 90 }]);
    // Emptied for the next one it is not wrong.
    form.reset();
    await shown.whenStable();
    expect(field(0).querySelector('mat-error')).toBeNull();
  });

  it('whose value is kept elsewhere tells what was entered, and shows why it was not taken', async () => {
    const host = shown.componentInstance;
    await type(1, '100');
    expect([host.entered.at(-1), says(1)]).toEqual([2540, 'That is off the hull here.']);
    expect(typed(1).value).toBe('100');
    await type(1, '90');
    expect(says(1)).toBe('That is off the hull here.');
    await type(1, 'so so');
    expect(host.entered.length).toBe(2);
    await type(1, '60 1/2');
    expect(host.off()).toBeCloseTo(1536.7, 9);
    expect([says(1), typed(1).value]).toEqual(['', '60 1/2']);
    // Back to what it was.
    await type(1, '100');
    await type(1, '60 1/2');
    expect(says(1)).toBe('');
  });
});
