import { provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { Component, provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { SwUpdate } from '@angular/service-worker';
import { API_VERSION, type Session } from '@plain-cleat/api';
import { Subject } from 'rxjs';
import { App } from './app';
import { withConnection } from './stores/connection';
import { PreferencesStore } from './stores/preferences.store';
import { SessionStore, withSession } from './stores/session.store';
import { Tablet } from './stores/tablet';
import { UnitsStore } from './stores/units.store';
import { Screen } from './testing/screen';

@Component({ template: 'the floor' })
class Floor {}

const session = (more: Partial<Session> = {}): Session => ({
  staff: { id: 'mara', name: 'Mara Voss', role: 'rigger' },
  csrf: 't',
  apiVersion: API_VERSION,
  proof: 'p',
  preferences: {},
  ...more,
});

describe('the shell', () => {
  let http: HttpTestingController;
  const updates = new Subject<unknown>();
  const theme = (): string | undefined => document.documentElement.dataset['theme'];

  beforeEach(async () => {
    localStorage.clear();
    await new Tablet().empty();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([{ path: 'floor', component: Floor }]),
        provideHttpClient(withInterceptors([withConnection, withSession])),
        provideHttpClientTesting(),
        { provide: SwUpdate, useValue: { versionUpdates: updates } },
      ],
    });
    http = TestBed.inject(HttpTestingController);
  });
  afterEach(() => {
    localStorage.clear();
    delete document.documentElement.dataset['theme'];
  });

  async function show(of: Session = session()): Promise<Screen<App>> {
    const shown = new Screen(TestBed.createComponent(App));
    await TestBed.inject(Router).navigateByUrl('/floor');
    TestBed.inject(SessionStore).signIn('mara', 'x').subscribe();
    http.expectOne('/api/sign-in').flush(of);
    await shown.fixture.whenStable();
    return shown;
  }

  it('goes by the preferences of whoever is here, and remembers what they say of them', async () => {
    const shown = await show(session({ preferences: { units: 'metric', theme: 'dark' } }));
    expect([shown.find('button[aria-label^=Units]').textContent?.trim(), theme()]).toEqual(['mm', 'dark']);
    await shown.click('button', 'Units: mm. Change');
    const call = http.expectOne('/api/preferences');
    expect(call.request.body).toEqual({ units: 'imperial' });
    call.flush({ units: 'imperial', theme: 'dark' });

    // Another, who said nothing yet, has the usual; the page after a restart what was here last.
    TestBed.inject(SessionStore).signIn('tom', 'x').subscribe();
    http.expectOne('/api/sign-in').flush(session({ staff: { id: 'tom', name: 'Tom Hale', role: 'rigger' } }));
    await shown.fixture.whenStable();
    expect([TestBed.inject(UnitsStore).system(), theme()]).toEqual(['imperial', undefined]);
    TestBed.inject(PreferencesStore).say({ theme: 'light', papers: 'fr' });
    expect(theme()).toBe('light');
    TestBed.resetTestingModule();
    expect(TestBed.inject(PreferencesStore).now()).toEqual({
      units: 'imperial',
      theme: 'light',
      papers: 'fr',
      numbers: 'ask',
      dates: 'ask',
    });
  });

  it('holds to what was said while the server is silent, and says that it is', async () => {
    const shown = await show();
    await shown.click('button', 'Units: ft · in. Change');
    http.expectOne('/api/preferences').error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await shown.fixture.whenStable();
    expect(shown.find('button[aria-label^=Units]').textContent?.trim()).toBe('mm');
    expect(shown.text).toContain('working on, not sent yet');
    // The next thing said is sent all the same.
    await shown.click('button', 'Units: mm. Change');
    http.expectOne('/api/preferences').flush({ units: 'imperial' });
    await shown.fixture.whenStable();
    expect(shown.text).not.toContain('working on, not sent yet');
  });

  it('asks to reload a page that a newer server does not go with', async () => {
    expect((await show()).text).not.toContain('A newer Plain Cleat is here');
    TestBed.inject(SessionStore).renew().subscribe();
    http.expectOne('/api/session').flush(session({ apiVersion: API_VERSION + 1 }));
    const shown = new Screen(TestBed.createComponent(App));
    await shown.fixture.whenStable();
    expect(shown.text).toContain('A newer Plain Cleat is here. Reload this page; what is not sent yet is kept.');
  });

  it('offers a newer build once it lies ready on the tablet', async () => {
    const shown = await show();
    updates.next({ type: 'VERSION_DETECTED' });
    await shown.fixture.whenStable();
    expect(shown.text).not.toContain('A newer Plain Cleat is here');
    updates.next({ type: 'VERSION_READY' });
    await shown.fixture.whenStable();
    expect(shown.text).toContain('A newer Plain Cleat is here');
  });
});
