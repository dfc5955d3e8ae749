import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { API_VERSION, type Session } from '@plain-cleat/api';
import { wordsOf } from './problems';
import { SessionStore, withSession } from './session.store';
import { Tablet } from './tablet';

const signedIn = (apiVersion = API_VERSION): Session => ({
  staff: { id: 'tom', name: 'Tom Hale', role: 'rigger' },
  csrf: 'token-1',
  apiVersion,
  proof: 'proof-1',
  preferences: {},
});

describe('the session', () => {
  let http: HttpTestingController;
  let store: SessionStore;

  beforeEach(async () => {
    await new Tablet().empty();
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

  it('renews a token that is not the session’s any more, and sends the call once more', () => {
    open();
    let answer: unknown;
    TestBed.inject(HttpClient)
      .post('/api/rigs', { title: 'x' })
      .subscribe((a) => (answer = a));
    const stale = { type: 'about:blank', title: 'Stale page', status: 403, field: 'x-csrf-token', detail: 'reload' };
    http.expectOne('/api/rigs').flush(stale, { status: 403, statusText: 'Forbidden' });
    http.expectOne('/api/session').flush({ ...signedIn(), csrf: 'token-2' });
    const again = http.expectOne('/api/rigs');
    expect([again.request.headers.get('X-CSRF-Token'), again.request.body]).toEqual(['token-2', { title: 'x' }]);
    again.flush({ id: 'r' });
    expect(answer).toEqual({ id: 'r' });
  });

  it('asks for a token once: one that is stale again is told', () => {
    open();
    let told: unknown;
    TestBed.inject(HttpClient)
      .post('/api/rigs', {})
      .subscribe({ error: (e: { status: number }) => (told = e.status) });
    const stale = { type: 'about:blank', title: 'Stale page', status: 403, field: 'x-csrf-token', detail: 'reload' };
    http.expectOne('/api/rigs').flush(stale, { status: 403, statusText: 'Forbidden' });
    http.expectOne('/api/session').flush(signedIn());
    http.expectOne('/api/rigs').flush(stale, { status: 403, statusText: 'Forbidden' });
    expect(told).toBe(403);
    http.verify();
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

  /** Waits for what the tablet or the browser's own sums make asynchronous. */
  const call = async (url: string) => {
    for (let i = 0; i < 400; i++) {
      const [found] = http.match(url);
      if (found) return found;
      await new Promise((r) => setTimeout(r, 5));
    }
    throw new Error(`no call to ${url}`);
  };
  const gone = { status: 0, statusText: '' };
  const noAnswer = new ProgressEvent('error');

  it('is known from the tablet while the server does not answer', async () => {
    open();
    const before = TestBed.inject(SessionStore).rigger();
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting()],
    });
    const later = TestBed.inject(SessionStore);
    const found = firstValueFrom(later.find());
    TestBed.inject(HttpTestingController).expectOne('/api/session').error(noAnswer, gone);
    expect((await found).staff?.name).toBe('Tom Hale');
    expect([later.alone(), later.csrf, later.rigger()]).toEqual([true, null, before]);
  });

  it('goes over to another by PIN, and without the network to one who was here before', async () => {
    open();
    const mara = { id: 'mara', name: 'Mara Voss', role: 'rigger' };
    const switching = firstValueFrom(store.switchUser('mara', '7312'));
    (await call('/api/switch-user')).flush({
      staff: mara,
      csrf: 'token-2',
      apiVersion: API_VERSION,
      proof: 'proof-2',
      preferences: {},
    });
    await switching;
    expect([store.staff()?.name, store.csrf]).toEqual(['Mara Voss', 'token-2']);
    const back = firstValueFrom(store.switchUser('tom', '2590'));
    (await call('/api/switch-user')).flush({ ...signedIn(), csrf: 'token-3' });
    await back;
    const switchAlone = async (pin: string): Promise<string> => {
      const trying = firstValueFrom(store.switchUser('mara', pin), { defaultValue: null }).then(
        () => '',
        (error: Error) => error.message,
      );
      (await call('/api/switch-user')).error(noAnswer, gone);
      return trying;
    };
    expect(await switchAlone('0000')).toBe('The PIN is not right.');
    expect(await switchAlone('7312')).toBe('');
    expect([store.staff()?.name, store.alone(), store.rigger().proof]).toEqual(['Mara Voss', true, 'proof-2']);
    // The server still has Tom signed in: what is sent goes under Mara's name by her proof.
    expect(store.signedInAs()).toBe('Tom Hale');
    const renewed = firstValueFrom(store.renew());
    (await call('/api/session')).flush({ ...signedIn(), csrf: 'token-4' });
    await renewed;
    expect([store.staff()?.name, store.alone(), store.csrf]).toEqual(['Mara Voss', true, 'token-4']);
  }, 20_000);

  it('five wrong PINs without the network are enough; one who never was here waits for it', async () => {
    open();
    const switching = firstValueFrom(store.switchUser('tom', '2590'));
    (await call('/api/switch-user')).flush(signedIn());
    await switching;
    const words = async (id: string): Promise<string> => {
      const trying = firstValueFrom(store.switchUser(id, '1111')).catch((error: Error) => error.message);
      (await call('/api/switch-user')).error(noAnswer, gone);
      return String(await trying);
    };
    for (let i = 0; i < 5; i++) expect(await words('tom')).toBe('The PIN is not right.');
    expect(await words('tom')).toContain('Too many wrong PINs');
    expect(await words('idris')).toContain('have not been on this tablet');
  }, 30_000);

  it('tells when the server speaks another version', () => {
    open();
    expect(store.outdated()).toBeFalse();
    open(signedIn(API_VERSION + 1));
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
