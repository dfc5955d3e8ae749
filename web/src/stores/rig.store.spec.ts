import { type HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { Change } from '@plain-cleat/core/rig';
import { TEST_LAMP, TEST_PART, testPlan } from '../testing/rig';
import { Parts } from './parts';
import { type RigStore } from './rig.store';
import { Tablet } from './tablet';

import { doc, openStore, place, send, settle } from '../testing/open-store';

describe('the open rig', () => {
  let store: RigStore;
  let http: HttpTestingController;

  beforeEach(async () => ({ store, http } = await openStore()));

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
});

function never(): never {
  throw new Error('not a placing');
}
