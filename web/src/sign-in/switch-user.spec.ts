import { provideHttpClient } from '@angular/common/http';
import { MatDialogRef } from '@angular/material/dialog';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { SessionStore } from '../stores/session.store';
import { Tablet } from '../stores/tablet';
import { SwitchUser } from './switch-user';

describe('swapping riggers', () => {
  it('by a tap on who goes on and the PIN; a wrong one is said and nothing changes', async () => {
    await new Tablet().empty();
    let closed = false;
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: MatDialogRef, useValue: { close: () => (closed = true) } },
      ],
    });
    const http = TestBed.inject(HttpTestingController);
    const session = TestBed.inject(SessionStore);
    session.find().subscribe();
    const mara = { id: 'mara', name: 'Mara Voss', role: 'rigger' };
    const tom = { id: 'tom', name: 'Tom Hale', role: 'rigger' };
    http.expectOne('/api/session').flush({ staff: mara, csrf: 't', apiVersion: 1, proof: 'p', preferences: {} });
    const fixture = TestBed.createComponent(SwitchUser);
    const element = fixture.nativeElement as HTMLElement;
    http.expectOne('/api/crew').flush([
      { ...tom, hasPin: true },
      { ...mara, hasPin: false },
    ]);
    await fixture.whenStable();
    const tap = async (selector: string, says: string): Promise<void> => {
      const all = [...element.querySelectorAll<HTMLElement>(selector)];
      all.find((b) => (b.textContent ?? '').trim().startsWith(says))?.click();
      await fixture.whenStable();
    };
    // Only who has a PIN can take over.
    expect(element.querySelectorAll('mat-radio-button').length).toBe(1);
    await tap('.keys button', 'Switch');
    expect(element.querySelector('.fault')?.textContent).toContain('choose who goes on');
    element.querySelector<HTMLInputElement>('mat-radio-button input')?.click();
    await fixture.whenStable();
    await tap('.keys button', '1');
    await tap('.keys button', 'Switch');
    expect(element.querySelector('.fault')?.textContent).toContain('our to eight digits');
    for (const digit of ['2', '5', '9']) await tap('.keys button', digit);
    await tap('.keys button', 'Switch');
    const wrong = http.expectOne('/api/switch-user');
    expect(wrong.request.body).toEqual({ staff: 'tom', pin: '1259' });
    wrong.flush({ detail: 'the PIN is not right', field: 'pin' }, { status: 422, statusText: 'No' });
    await fixture.whenStable();
    await new Promise((r) => setTimeout(r));
    await fixture.whenStable();
    expect(element.querySelector('.fault')?.textContent).toContain('not right');
    expect([closed, session.staff()?.name]).toEqual([false, 'Mara Voss']);
  });
});
