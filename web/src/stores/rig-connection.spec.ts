import { type HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { Change, Fact } from '@plain-cleat/core/rig';
import { newsOf } from '../testing/open-rig';
import { testPlan } from '../testing/rig';
import { type RigStore } from './rig.store';
import { Tablet } from './tablet';

import { doc, openStore, place, send, settle, since } from '../testing/open-store';

describe('the connection of an open rig', () => {
  let store: RigStore;
  let http: HttpTestingController;

  beforeEach(async () => ({ store, http } = await openStore()));

  describe('answers that come late', () => {
    const tick = (step: string) => {
      store.save({ kind: 'stepDone', step });
      const call = http.expectOne('/api/rigs/rig-1/facts');
      const [fact] = (call.request.body as { facts: Fact[] }).facts;
      return { call, kept: { ...fact, by: 'Tom', serverTime: '2026-06-01T10:00:00Z' } as Fact };
    };

    it('takes no older rig than what was acknowledged while it was asked for', async () => {
      const { call, kept } = tick('receive');
      store.reload();
      const late = http.expectOne('/api/rigs/rig-1');
      call.flush({ factCount: 1, facts: [kept] });
      await settle();
      late.flush(doc());
      await settle();
      expect(store.state()?.workup.build.steps[0]?.done).not.toBeNull();
      http.expectOne('/api/rigs/rig-1').flush({ ...doc(), facts: [kept], factCount: 1 });
      await settle();
      expect(store.state()?.facts.map((f) => f.id)).toEqual([kept.id]);
    });

    it('goes for what somebody else did when its own acknowledgement counts more than it knows', async () => {
      const { call, kept } = tick('receive');
      const other = { ...kept, id: 'theirs', kind: 'stepDone', step: 'measure' } as Fact;
      call.flush({ factCount: 2, facts: [kept] });
      await settle();
      // Meanwhile mine stays where it is seen.
      expect(store.state()?.facts.map((f) => f.id)).toEqual([kept.id]);
      since(0, 0).flush(newsOf({ facts: [other, kept], factCount: 2 }));
      await settle();
      expect(store.state()?.facts.map((f) => f.id)).toEqual(['theirs', kept.id]);
    });

    it('keeps the newer plan when its own acknowledgement comes after news of it', async () => {
      store.change(place);
      const call = send();
      store.reload();
      http.expectOne('/api/rigs/rig-1').flush(doc({ ...testPlan(), title: 'theirs, after mine' }, 2));
      await settle();
      call.flush({ version: 1, plan: { ...testPlan(), title: 'mine' }, rebased: false, repeated: false });
      await settle();
      expect([store.state()?.plan.title, store.state()?.doc.version]).toEqual(['theirs, after mine', 2]);
    });

    it('drops what another rig had asked for, and a rig left while it opened', async () => {
      store.reload();
      const late = http.expectOne('/api/rigs/rig-1');
      store.open('rig-0');
      const left = http.expectOne('/api/rigs/rig-0');
      store.open('rig-2');
      http.expectOne('/api/rigs/rig-2').flush({ ...doc(), id: 'rig-2' });
      await settle();
      // What was asked for the others is asked no more.
      expect([late.cancelled, left.cancelled]).toEqual([true, true]);
      expect(store.state()?.doc.id).toBe('rig-2');
    });
  });

  it('goes on with the tablet’s own copy while the server does not answer, and takes up the server’s when it does', async () => {
    await settle();
    store.save({ kind: 'stepDone', step: 'receive' });
    http.expectOne('/api/rigs/rig-1/facts').error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await settle();
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(null, { status: 504, statusText: 'Gateway Timeout' });
    await settle();
    expect(store.state()?.copyOf).not.toBeNull();
    // What was done before the page was left is there, and still waits.
    expect(store.state()?.workup.build.steps[0]?.done).not.toBeNull();
    expect(store.state()?.waiting).toBe(1);
    window.dispatchEvent(new Event('online'));
    http.match('/api/rigs/rig-1/facts').forEach((c) => c.flush({ factCount: 1, facts: [] }));
    // What was asked for before the acknowledgement is asked for again.
    for (let i = 0; i < 3; i++) {
      for (const call of http.match('/api/rigs/rig-1')) call.flush(doc());
      await settle();
    }
    expect([store.state()?.copyOf, store.state()?.waiting]).toEqual([null, 0]);
  });

  it('a fact the server will not take stays, to be sent again or put away', async () => {
    store.save({ kind: 'stepDone', step: 'receive' });
    const refuse = (): void =>
      http.expectOne('/api/rigs/rig-1/facts').flush({ detail: 'not that one' }, { status: 422, statusText: 'No' });
    refuse();
    await settle();
    const [one] = store.state()?.notTaken ?? [];
    expect(one?.refused).toBe('not that one');
    if (!one) return;
    store.decide(one, true);
    refuse();
    await settle();
    const [again] = store.state()?.notTaken ?? [];
    if (again) store.decide(again, false);
    expect([store.state()?.notTaken.length, store.state()?.waiting]).toEqual([0, 0]);
    // What was still being written to the tablet must not turn up in the next spec.
    const tablet = TestBed.inject(Tablet);
    while ((await tablet.waitingOf('rig-1')).length) await settle();
  });

  it('sends what it kept in its order when another rig was opened in between, and its news end with it', async () => {
    const source = { addEventListener: () => undefined, close: jasmine.createSpy('close') };
    spyOn(window, 'EventSource').and.returnValue(source as never);
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(doc());
    await settle();
    store.save({ kind: 'stepDone', step: 'receive' });
    const first = http.expectOne('/api/rigs/rig-1/facts');
    store.save({ kind: 'stepDone', step: 'measure' });
    await settle();
    store.open('rig-2');
    expect([first.cancelled, source.close.calls.count()]).toEqual([true, 1]);
    http.expectOne('/api/rigs/rig-2').flush({ ...doc(), id: 'rig-2' });
    await settle();
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(doc());
    await settle();
    expect(store.state()?.waiting).toBe(2);
    const steps: string[] = [];
    for (let i = 0; i < 2; i++) {
      const call = http.expectOne('/api/rigs/rig-1/facts');
      const [fact] = (call.request.body as { facts: (Fact & { step: string })[] }).facts;
      steps.push(fact?.step ?? '');
      call.flush({ factCount: i + 1, facts: [{ ...fact, by: 'Tom', serverTime: '2026-06-01T10:00:00Z' }] });
      await settle();
    }
    expect(steps).toEqual(['receive', 'measure']);
    expect(store.state()?.waiting).toBe(0);
  });

  it('hears what others did as changes and facts, and fetches all of the rig only where those do not follow', async () => {
    const hears = new Map<string, (event: MessageEvent<string>) => void>();
    const source = { addEventListener: (type: string, hear: never) => hears.set(type, hear), close: () => undefined };
    spyOn(window, 'EventSource').and.returnValue(source as never);
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(doc());
    await settle();
    const promised: Change = {
      id: '00000000-0000-4000-8000-000000000008',
      kind: 'promiseRig',
      from: null,
      to: '2026-07-01',
    };
    const tell = (version: number, factCount: number): void =>
      hears.get('rig')?.(new MessageEvent('rig', { data: JSON.stringify({ id: 'rig-1', version, factCount }) }));
    tell(0, 0);
    http.expectNone((r) => r.url.endsWith('/since'));
    tell(1, 0);
    since(0, 0).flush(newsOf({ version: 1, changes: [{ version: 1, change: place }] }));
    await settle();
    expect(store.state()?.workup.aboard.items.map((i) => i.placed.id)).toEqual(['g']);
    expect((await TestBed.inject(Tablet).rig('rig-1'))?.doc.version).toBe(1);
    // What waits here goes on waiting, and says so.
    store.change({ id: '00000000-0000-4000-8000-000000000007', kind: 'nameRig', from: 'test rig', to: 'mine' });
    send().error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await settle();
    tell(2, 0);
    since(1, 0).flush(newsOf({ version: 2, changes: [{ version: 2, change: promised }] }));
    await settle();
    expect([store.state()?.plan.promised, store.state()?.plan.title]).toEqual(['2026-07-01', 'mine']);
    expect([store.state()?.waiting, store.state()?.unsent]).toEqual([1, jasmine.stringContaining('does not answer') as never]);
    tell(3, 0);
    since(2, 0).flush(newsOf({ version: 3, changes: null }));
    http.expectOne('/api/rigs/rig-1').flush(doc({ ...testPlan(), title: 'theirs' }, 3));
    await settle();
    expect([store.state()?.doc.plan.title, store.state()?.doc.version]).toEqual(['theirs', 3]);
  });

  it('says why a rig does not open', async () => {
    store.open('gone');
    http.expectOne('/api/rigs/gone').flush({ detail: 'there is no rig gone' }, { status: 404, statusText: 'Not Found' });
    await settle();
    expect(store.failure()).toBe('there is no rig gone');
  });
});
