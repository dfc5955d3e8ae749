import { Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { HarnessLoader } from '@angular/cdk/testing';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { MatInputHarness } from '@angular/material/input/testing';
import { field, liveForm, liveRows, words } from './live-form';
import { QuantityField } from './quantity';
import { TextField } from './text-field';
import { zodValidator } from './zod-validator';
import { z } from 'zod';

interface Line {
  readonly id: string;
  readonly minutes: number;
}

@Component({
  imports: [QuantityField, TextField],
  template: `
    <pc-text-field name="Note" [control]="form.controls.note" />
    <pc-text-field name="Booked" [control]="form.controls.booked" />
    @for (r of rows(); track r.controls) {
      <pc-quantity kind="minutes" [name]="r.of.id" [control]="r.controls.minutes" />
    }
  `,
})
class Host {
  readonly about = signal('A');
  readonly note = signal('as told');
  readonly off = signal(false);
  readonly booked: string[] = [];
  readonly lines = signal<readonly Line[]>([
    { id: 'first', minutes: 10 },
    { id: 'second', minutes: 20 },
  ]);
  readonly form = liveForm(
    {
      note: words(
        () => this.note(),
        (note) => (note === 'no' ? 'Say more than no.' : this.note.set(note.trim())),
        { right: zodValidator(z.string().max(10), 'Ten letters at the most.'), off: () => this.off() },
      ),
      booked: words(
        () => '',
        (what) => void this.booked.push(what),
        { clears: true },
      ),
    },
    () => this.about(),
  );
  readonly rows = liveRows(
    () => this.lines(),
    (line, at) => ({
      minutes: field<number | null>(
        () => line().minutes,
        (minutes) => this.lines.update((all) => all.map((l, i) => (i === at() ? { ...l, minutes: minutes ?? 0 } : l))),
      ),
    }),
    (line) => line.id,
  );
}

describe('a live form', () => {
  let shown: ComponentFixture<Host>;
  let host: Host;
  let loader: HarnessLoader;
  const input = (name: string): Promise<MatInputHarness> =>
    loader.getHarness(MatInputHarness.with({ selector: `[aria-label="${name}"]` }));
  const enter = async (name: string, text: string): Promise<void> => {
    const one = await input(name);
    await one.setValue(text);
    await (await one.host()).dispatchEvent('change');
    await one.blur();
  };
  const value = async (name: string): Promise<string> => (await input(name)).getValue();
  const faults = (): string[] =>
    [...(shown.nativeElement as HTMLElement).querySelectorAll('mat-error')].map((e) => e.textContent?.trim() ?? '');

  beforeEach(async () => {
    localStorage.clear();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    shown = TestBed.createComponent(Host);
    host = shown.componentInstance;
    loader = TestbedHarnessEnvironment.loader(shown);
    await shown.whenStable();
  });

  it('shows what stands there, as it changes, and takes words when they are left', async () => {
    expect(await value('Note')).toBe('as told');
    const note = await input('Note');
    await note.setValue('anew ');
    expect(host.note()).toBe('as told');
    await note.blur();
    expect(host.note()).toBe('anew');
    expect(await value('Note')).toBe('anew');
    host.note.set('undone');
    await shown.whenStable();
    expect(await value('Note')).toBe('undone');
  });

  it('keeps what is wrong in the field, with why, and takes none of it', async () => {
    await enter('Note', 'eleven letters');
    expect([host.note(), await value('Note'), faults()]).toEqual(['as told', 'eleven letters', ['Ten letters at the most.']]);
    await enter('Note', 'no');
    expect([host.note(), await value('Note'), faults()]).toEqual(['as told', 'no', ['Say more than no.']]);
    await enter('Note', 'as told');
    expect(faults()).toEqual([]);
    // Of another thing nothing typed before is left.
    await enter('Note', 'no');
    host.about.set('B');
    await shown.whenStable();
    expect([await value('Note'), faults()]).toEqual(['as told', []]);
  });

  it('is left empty for the next where it adds', async () => {
    await enter('Booked', 'cable');
    await enter('Booked', 'cable');
    expect([host.booked, await value('Booked'), faults()]).toEqual([['cable', 'cable'], '', []]);
  });

  it('takes nothing while it is off', async () => {
    host.off.set(true);
    await shown.whenStable();
    expect(await (await input('Note')).isDisabled()).toBeTrue();
    host.off.set(false);
    await shown.whenStable();
    expect(await (await input('Note')).isDisabled()).toBeFalse();
  });

  it('has a form a row, which stays with its row when others come and go', async () => {
    const second = host.rows()[1]?.controls;
    host.lines.update(([, b]) => [{ id: 'new', minutes: 5 }, ...(b ? [b] : [])]);
    await shown.whenStable();
    expect(host.rows()[1]?.controls).toBe(second);
    host.lines.update(([, b]) => (b ? [b] : []));
    await shown.whenStable();
    expect(host.rows().map((r) => r.of.id)).toEqual(['second']);
    await enter('second', '25');
    expect(host.lines()).toEqual([{ id: 'second', minutes: 25 }]);
  });
});
