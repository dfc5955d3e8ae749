import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import type { Session } from '@plain-cleat/api';
import { SessionStore, withSession, wordsOf } from './session.store';

const signedIn = (apiVersion = 1): Session => ({
  staff: { id: 'tom', name: 'Tom Hale', role: 'rigger' },
  csrf: 'token-1',
  apiVersion,
});

describe('the session', () => {
  let http: HttpTestingController;
  let store: SessionStore;

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        provideHttpClient(withInterceptors([withSession])),
        provideHttpClientTesting(),
      ],
    });
    http = TestBed.inject(HttpTestingController);
    store = TestBed.inject(SessionStore);
  });

  const open = (session = signedIn()): void => {
    store.signIn('tom', 'x').subscribe();
    http.expectOne('/api/sign-in').flush(session);
  };

  it('puts its token on every writing call, and on no other', () => {
    open();
    const client = TestBed.inject(HttpClient);
    client.post('/api/rigs', {}).subscribe();
    expect(http.expectOne('/api/rigs').request.headers.get('X-CSRF-Token')).toBe('token-1');
    client.get('/api/floor').subscribe();
    expect(http.expectOne('/api/floor').request.headers.has('X-CSRF-Token')).toBeFalse();
  });

  it('that ran out leads to sign-in and back', () => {
    open();
    const router = TestBed.inject(Router);
    const went = spyOn(router, 'navigate').and.resolveTo(true);
    TestBed.inject(HttpClient)
      .get('/api/floor')
      .subscribe({ error: () => undefined });
    http.expectOne('/api/floor').flush({ detail: 'sign in first' }, { status: 401, statusText: 'Unauthorized' });
    expect(store.staff()).toBeNull();
    expect(went).toHaveBeenCalledWith(['/sign-in'], { queryParams: { back: router.url } });
  });

  it('tells when the server speaks another version', () => {
    open();
    expect(store.outdated()).toBeFalse();
    open(signedIn(2));
    expect(store.outdated()).toBeTrue();
  });

  it('says what went wrong in words for a person', () => {
    expect(wordsOf({ status: 0 })).toContain('does not answer');
    expect(
      wordsOf({
        status: 422,
        error: {
          detail: 'x',
          faults: [
            { field: 'a', says: 'b' },
            { field: 'c', says: 'd' },
          ],
        },
      }),
    ).toBe('a: b\nc: d');
    expect(wordsOf({ status: 404, error: { detail: 'there is no rig' } })).toBe('there is no rig');
    expect(wordsOf(new Error('boom'))).toContain('Nothing was changed');
  });
});
