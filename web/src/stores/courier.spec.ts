import { provideHttpClient } from '@angular/common/http';
import { firstValueFrom, lastValueFrom } from 'rxjs';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { SendFacts } from '@plain-cleat/api';
import type { NewFact } from '@plain-cleat/core/rig';
import { Courier } from './courier';
import { SessionStore } from './session.store';
import { Tablet, type WaitingFact } from './tablet';

const fact = (id: string, name = 'Mara Voss', more: object = {}): WaitingFact => ({
  what: 'fact',
  fact: { id, kind: 'stepDone', rig: 'p', deviceTime: '2026-06-01T10:00:00Z', step: 's', ...more } as NewFact,
  rigger: { name, proof: `proof of ${name}` },
});
const kept = { factCount: 1, facts: [] };

describe('the courier', () => {
  let courier: Courier;
  let tablet: Tablet;
  let http: HttpTestingController;
  /** The next call to an address, once it is made. */
  const call = async (url: string) => {
    for (let i = 0; i < 200; i++) {
      const [found] = http.match(url);
      if (found) return found;
      await new Promise((r) => setTimeout(r, 5));
    }
    throw new Error(`no call to ${url}`);
  };

  beforeEach(async () => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting()],
    });
    courier = TestBed.inject(Courier);
    tablet = TestBed.inject(Tablet);
    await tablet.empty();
    http = TestBed.inject(HttpTestingController);
    TestBed.inject(SessionStore).find().subscribe();
    http.expectOne('/api/session').flush({
      staff: { id: 'tom', name: 'Tom Hale', role: 'rigger' },
      csrf: 't',
      apiVersion: 1,
      proof: 'p',
    });
  });

  it('sends the facts of rigs that are not open, each rig’s in order, under who kept them', async () => {
    await tablet.addWaiting('a', fact('1'));
    await tablet.addWaiting('b', fact('2', 'Tom Hale'));
    await tablet.addWaiting('a', fact('3'));
    await tablet.addWaiting('open', fact('4'));
    courier.openRig = 'open';
    const sweeping = lastValueFrom(courier.sweep(), { defaultValue: null });
    const sent: [string, string | undefined][] = [];
    for (const url of ['/api/rigs/a/facts', '/api/rigs/a/facts', '/api/rigs/b/facts']) {
      const asked = await call(url);
      const { facts, keptBy } = asked.request.body as SendFacts;
      sent.push([facts[0]?.id ?? '', keptBy?.proof]);
      asked.flush(kept);
    }
    await sweeping;
    expect(sent).toEqual([
      ['1', 'proof of Mara Voss'],
      ['3', 'proof of Mara Voss'],
      ['2', undefined],
    ]);
    expect(await tablet.rigsWaiting()).toEqual(['open']);
  });

  it('stops where the server does not answer, and keeps what it refuses', async () => {
    await tablet.addWaiting('a', fact('1'));
    await tablet.addWaiting('a', fact('2'));
    let sweeping = lastValueFrom(courier.sweep(), { defaultValue: null });
    (await call('/api/rigs/a/facts')).error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await sweeping;
    expect((await tablet.waitingOf('a')).length).toBe(2);
    sweeping = lastValueFrom(courier.sweep(), { defaultValue: null });
    (await call('/api/rigs/a/facts')).flush({ detail: 'there is no rig a' }, { status: 404, statusText: 'Not Found' });
    (await call('/api/rigs/a/facts')).flush(kept);
    await sweeping;
    const left = await tablet.waitingOf('a');
    expect(left.map((w) => (w.one as WaitingFact).refused)).toEqual(['there is no rig a']);
  });

  it('sends a photo before the fact that shows it', async () => {
    const one = { ...fact('1', 'Tom Hale', { photo: 'ph-1' }), photo: new Blob(['x'], { type: 'image/jpeg' }) };
    const carried = firstValueFrom(courier.carry('a', one));
    const photo = await call('/api/rigs/a/photos');
    expect((photo.request.body as FormData).get('id')).toBe('ph-1');
    photo.flush({ id: 'ph-1', name: 'photo', width: 1, height: 1 });
    (await call('/api/rigs/a/facts')).flush(kept);
    expect((await carried).factCount).toBe(1);
  });
});
