import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import type { OwnPart } from '@plain-cleat/core/parts/parts';
import { Screen } from '../testing/screen';
import { OwnPartSheet } from './own-part';

describe('the sheet of a part of one’s own', () => {
  async function open(sheet: OwnPart | null = null): Promise<{ shown: Screen<OwnPartSheet>; kept: OwnPart[] }> {
    localStorage.clear();
    const kept: OwnPart[] = [];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: MatDialogRef, useValue: { close: (to: OwnPart) => kept.push(to) } },
        { provide: MAT_DIALOG_DATA, useValue: { sheet, name: 'a rack' } },
      ],
    });
    const fixture = TestBed.createComponent(OwnPartSheet);
    await fixture.whenStable();
    return { shown: new Screen(fixture), kept };
  }

  it('keeps what is filled in, in base units; what it costs follows from what it is made of', async () => {
    const { shown, kept } = await open();
    expect(shown.field('Name').value).toBe('a rack');
    await shown.enter('Kind', 'rod rack');
    await shown.enter('Length', '300 mm');
    await shown.click('button', 'Add material');
    await shown.enter('Material 1', 'pipe');
    await shown.enter('How many', '1.5');
    await shown.enter('Each', '6.40');
    await shown.enter('Minutes to make', '45');
    expect(shown.text).toContain('Counts 9.60');
    await shown.click('button', 'Save');
    expect(kept).toEqual([
      jasmine.objectContaining({
        ...{ name: 'a rack', kind: 'rod rack', shape: { is: 'box', length: 300, width: 200 }, bolts: null, cents: null },
        made: { minutes: 45, of: [{ what: 'pipe', count: 1.5, cents: 640 }] },
      }),
    ]);
  });

  it('keeps the rods that stand in it, what it is put on, and what it offers', async () => {
    const { shown, kept } = await open();
    await shown.enter('Kind', 'rod rack');
    await shown.enter('Rods it holds', '3');
    await shown.enter('They lean', '20');
    await shown.choose('It is put on', 'a screw-in pipe socket');
    await shown.click('button', 'Save');
    expect(kept).toEqual([jasmine.objectContaining({ rods: { count: 3, lean: 20, out: 0 }, foot: '1 in pipe' }) as never]);
  });

  it('says what is wrong by the name of its field, and keeps nothing', async () => {
    const { shown, kept } = await open();
    await shown.click('button', 'Save');
    expect(shown.text).toContain('Kind: say what kind of thing it is.');
    await shown.enter('Kind', 'rack');
    await shown.click('mat-button-toggle button', 'Traced on a photo');
    await shown.click('button', 'Save');
    expect(shown.text).toContain('Size: three points or more.');
    expect(kept).toEqual([]);
  });

  it('opens on a part that there is as it is', async () => {
    const rack: OwnPart = {
      ...{ name: 'Rack', kind: 'rack', shape: { is: 'cylinder', diameter: 254 }, height: 127, massKg: 1, ways: ['through'] },
      ...{ bolts: { count: 2, along: 100, across: 0, thread: 'M6' }, offers: ['25 mm'], ports: 1, carries: true, sinks: false },
      ...{ cents: 2500, made: { minutes: 0, of: [] }, photo: null },
    };
    const { shown, kept } = await open(rack);
    expect(['Diameter', 'Height', 'Price, if it has one'].map((l) => shown.field(l).value)).toEqual(['10', '5', '25.00']);
    await shown.click('button', 'Save');
    expect(kept).toEqual([rack]);
  });
});
