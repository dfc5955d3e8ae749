import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { RigDocument } from '@plain-cleat/api';
import type { Change, Fact, Plan } from '@plain-cleat/core/rig';
import { newsOf } from '../testing/open-rig';
import { TEST_HULL, TEST_LAMP, TEST_PART, TEST_SHOP, testPlan } from '../testing/rig';
import { Parts } from './parts';
import { RIG, RigStore } from './rig.store';
import { Tablet } from './tablet';

const place: Change = {
  id: '00000000-0000-4000-8000-000000000001',
  kind: 'placeItem',
  item: 'g',
  to: {
    part: TEST_PART.id,
    place: { on: 'deck', x: 1500, y: 0, heading: 0 },
    lift: 0,
    mount: { hold: 'loose', plate: false, reason: '' },
    suppliedBy: 'shop',
    note: '',
  },
};

const doc = (plan: Plan = testPlan(), version = 0): RigDocument => ({
  id: 'rig-1',
  number: 'R-1',
  owner: { id: 'o', name: 'Owner', email: '' },
  serial: '',
  place: 'bench 1',
  version,
  factCount: 0,
  plan,
  hull: TEST_HULL,
  facts: [],
  others: [],
  catalog: { parts: [TEST_PART], consumables: [] },
  range: '',
  shop: TEST_SHOP,
  today: '2026-06-01',
  mine: [],
  signed: false,
});

describe('the open rig', () => {
  let store: RigStore;
  let http: HttpTestingController;
  /** Until the tablet has done all it was asked for: what it is asked now comes after that. */
  const settle = async (): Promise<void> => {
    const tablet = TestBed.inject(Tablet);
    for (let i = 0; i < 4; i++) await Promise.all([tablet.waitingOf('rig-1'), tablet.rig('rig-1'), tablet.session()]);
  };

  beforeEach(async () => {
    await new Tablet().empty();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting(), ...RIG],
    });
    store = TestBed.inject(RigStore);
    http = TestBed.inject(HttpTestingController);
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(doc());
    await settle();
  });

  const send = () => http.expectOne('/api/rigs/rig-1/changes');
  const since = (version: number, facts: number) => http.expectOne(`/api/rigs/rig-1/since?version=${version}&facts=${facts}`);

  it('shows a change at once and counts it as waiting until it is kept', async () => {
    store.change(place);
    expect(store.state()?.workup.aboard.items.length).toBe(1);
    expect(store.state()?.waiting).toBe(1);
    send().flush({
      version: 1,
      plan: { ...testPlan(), fittings: { g: place.kind === 'placeItem' ? place.to : never() } },
      rebased: false,
      repeated: false,
    });
    await settle();
    expect(store.state()?.waiting).toBe(0);
    expect(store.state()?.doc.version).toBe(1);
    expect(store.canUndo()).toBeTrue();
  });

  it('works up a part of the range that did not come with the rig, and asks for one that this device does not know', async () => {
    const lamp = { ...TEST_LAMP, revision: 4 };
    const placed = (item: string, revision: number): Change & { kind: 'placeItem' } => ({
      ...(place as Change & { kind: 'placeItem' }),
      id: crypto.randomUUID(),
      item,
      to: { ...(place as Change & { kind: 'placeItem' }).to, part: lamp.id, revision },
    });
    TestBed.inject(Parts).take(lamp);
    expect(store.state()?.parts.map((p) => p.id)).toEqual(['box', 'lamp']);
    const [first, second] = [placed('l', 4), placed('m', 5)];
    store.change(first);
    expect(store.state()?.workup.aboard.items.map((i) => i.placed.part)).toEqual([lamp]);
    const plan = { ...testPlan(), fittings: { l: first.to } };
    send().flush({ version: 1, plan, rebased: false, repeated: false });
    await settle();
    http.expectNone('/api/rigs/rig-1');
    store.change(second);
    expect(store.state()?.workup.aboard.items.length).toBe(1);
    const both = { ...plan, fittings: { ...plan.fittings, m: second.to } };
    send().flush({ version: 2, plan: both, rebased: false, repeated: false });
    await settle();
    const parts = [TEST_PART, lamp, { ...lamp, revision: 5 }];
    http.expectOne('/api/rigs/rig-1').flush({ ...doc(both, 2), catalog: { parts, consumables: [] } });
    await settle();
    expect(store.state()?.workup.aboard.items.length).toBe(2);
  });

  it('keeps a change the server did not answer, and says so', async () => {
    store.change(place);
    send().error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await settle();
    expect(store.state()?.waiting).toBe(1);
    expect(store.state()?.unsent).toContain('does not answer');
    expect(store.unsent()[0]).toEqual(jasmine.objectContaining({ change: place }));
    store.retry();
    send().flush({ version: 1, plan: testPlan(), rebased: false, repeated: true });
    await settle();
    expect([store.state()?.waiting, store.state()?.unsent]).toEqual([0, null]);
  });

  it('shows a clash with both values; mine goes again over what is there now', async () => {
    const rename: Change = { id: '00000000-0000-4000-8000-000000000002', kind: 'nameRig', from: 'test rig', to: 'mine' };
    store.change(rename);
    send().flush(
      {
        title: 'Changed meanwhile',
        detail: 'x',
        status: 409,
        type: 'about:blank',
        clash: { field: 'title', found: 'theirs', wanted: 'mine', version: 1 },
      },
      { status: 409, statusText: 'Conflict' },
    );
    await settle();
    http.expectOne('/api/rigs/rig-1').flush(doc({ ...testPlan(), title: 'theirs' }, 1));
    await settle();
    expect(store.state()?.clashes).toEqual([jasmine.objectContaining({ field: 'title', found: 'theirs', wanted: 'mine' })]);
    const [clash] = store.state()?.clashes ?? [];
    if (!clash) return fail('no clash');
    store.settle(clash, true);
    const again = send();
    expect((again.request.body as { change: Change }).change).toEqual(
      jasmine.objectContaining({ kind: 'nameRig', from: 'theirs', to: 'mine' }),
    );
    again.flush({ version: 2, plan: { ...testPlan(), title: 'mine' }, rebased: false, repeated: false });
    await settle();
    expect(store.state()?.plan.title).toBe('mine');
  });

  it('keeps every clash until it is chosen from, over a reload too, and none is sent or shown as taken meanwhile', async () => {
    const ids = [1, 2, 3].map((n) => `00000000-0000-4000-8000-00000000005${n}`);
    for (const id of ids) {
      const mine = (await TestBed.inject(Tablet).waitingOf('rig-1')).length;
      store.change({ id, kind: 'promiseRig', from: null, to: `2026-0${mine + 5}-01` });
      send().flush(
        {
          ...{ title: 'Changed meanwhile', detail: 'x', status: 409, type: 'about:blank' },
          clash: { field: 'promised', found: '2026-12-01', wanted: `2026-0${mine + 5}-01`, version: 1 },
        },
        { status: 409, statusText: 'Conflict' },
      );
      await settle();
      http.expectOne('/api/rigs/rig-1').flush(doc({ ...testPlan(), promised: null }, 1));
      await settle();
    }
    const says = () => [
      store.state()?.clashes.map((c) => c.mine.change.id),
      store.state()?.waiting,
      store.state()?.plan.promised,
    ];
    expect(says()).toEqual([ids, 0, null]);
    // The page goes, and comes back.
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(doc({ ...testPlan(), promised: '2027-01-01' }, 2));
    await settle();
    http.expectNone('/api/rigs/rig-1/changes');
    expect(says()).toEqual([ids, 0, '2027-01-01']);
    // What stands there now is what is shown as theirs.
    expect(store.state()?.clashes[0]?.found).toBe('2027-01-01');
    const [first, second] = store.state()?.clashes ?? [];
    if (!first || !second) return fail('no clash');
    store.settle(first, false);
    expect(store.state()?.clashes.map((c) => c.mine.change.id)).toEqual(ids.slice(1));
    store.settle(second, true);
    expect((send().request.body as { change: Change }).change).toEqual(
      jasmine.objectContaining({ kind: 'promiseRig', from: '2027-01-01' }),
    );
    expect(store.state()?.clashes.length).toBe(1);
  });

  it('does not send again what is not mine to do, and goes on with the rest', async () => {
    const accept: Change = {
      id: '00000000-0000-4000-8000-000000000004',
      kind: 'acceptFinding',
      finding: 'hole-under-water:g:g.1',
      from: null,
      to: { reason: 'it is a drain', by: 'Tom' },
    };
    store.change(accept);
    const problem = { type: 'about:blank', title: 'Not yours to do', status: 403, field: 'change.finding' };
    send().flush({ ...problem, detail: 'only a manager may accept this one' }, { status: 403, statusText: 'Forbidden' });
    await settle();
    http.expectOne('/api/rigs/rig-1').flush(doc());
    await settle();
    expect(store.state()?.waiting).toBe(0);
    expect(store.state()?.refused).toBe('only a manager may accept this one');
  });

  it('keeps what a stale page could not send', async () => {
    store.change(place);
    const problem = {
      type: 'about:blank',
      title: 'Stale page',
      status: 403,
      field: 'x-csrf-token',
      detail: 'reload the page and try again',
    };
    send().flush(problem, { status: 403, statusText: 'Forbidden' });
    await settle();
    expect([store.state()?.waiting, store.state()?.unsent]).toEqual([1, 'reload the page and try again']);
    // Its token is asked for anew meanwhile.
    http.expectOne('/api/session').flush({ staff: null, csrf: null, apiVersion: 1, proof: null, preferences: {} });
  });

  it('previews without sending', () => {
    store.preview(place);
    expect(store.state()?.workup.aboard.items.length).toBe(1);
    http.expectNone('/api/rigs/rig-1/changes');
    store.preview(null);
    expect(store.state()?.workup.aboard.items.length).toBe(0);
  });

  it('refuses here what cannot hold together', () => {
    store.change({
      id: '00000000-0000-4000-8000-000000000003',
      kind: 'routeRun',
      run: 'r',
      from: null,
      to: { from: 'a', to: 'b', lane: 'inside port', via: [], awg: null },
    });
    expect(store.state()?.refused).toContain('no fitting a');
    http.expectNone('/api/rigs/rig-1/changes');
  });

  it('keeps facts with its rig and this device’s time', async () => {
    store.save({ kind: 'stepDone', step: 'receive' });
    expect(store.state()?.workup.build.steps[0]?.done).not.toBeNull();
    const call = http.expectOne('/api/rigs/rig-1/facts');
    const [fact] = (call.request.body as { facts: { rig: string; kind: string; id: string }[] }).facts;
    expect(fact).toEqual(jasmine.objectContaining({ rig: 'plan-1', kind: 'stepDone' }));
    call.flush({ factCount: 1, facts: [{ ...fact, by: 'Tom', serverTime: '2026-06-01T10:00:00Z' }] });
    await settle();
    expect(store.state()?.doc.factCount).toBe(1);
    expect(store.state()?.facts.length).toBe(1);
  });

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

function never(): never {
  throw new Error('not a placing');
}
