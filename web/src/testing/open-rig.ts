import { provideHttpClient } from '@angular/common/http';
import { filter, firstValueFrom } from 'rxjs';
import { Screen } from './screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { RigDocument, RigSince, Session } from '@plain-cleat/api';
import type { Change, NewFact, Plan } from '@plain-cleat/core/rig';
import { Tablet } from '../stores/tablet';
import { RIG, RigStore } from '../stores/rig.store';
import { SessionStore } from '../stores/session.store';
import { TEST_HULL, TEST_PARTS, TEST_SHOP, testPlan } from './rig';

/** A rig as the server describes it. */
export const rigDocument = (plan: Plan = testPlan(), more: Partial<RigDocument> = {}): RigDocument => ({
  id: 'rig-1',
  number: 'R-1',
  owner: { id: 'o', name: 'Owner', email: '' },
  serial: '',
  place: 'bench 1',
  version: 0,
  factCount: 0,
  plan,
  hull: TEST_HULL,
  facts: [],
  others: [],
  catalog: { parts: TEST_PARTS, consumables: [] },
  range: '',
  shop: TEST_SHOP,
  today: '2026-06-01',
  mine: [],
  signed: false,
  ...more,
});

/** What happened to a rig since, as the server tells it. */
export const newsOf = (more: Partial<RigSince>): RigSince => ({
  version: 0,
  changes: [],
  mine: [],
  facts: [],
  factCount: 0,
  others: [],
  place: 'bench 1',
  signed: false,
  ...more,
});

/** A screen of one open rig, with a server that only listens. */
export class OpenRig<T> extends Screen<T> {
  readonly store = TestBed.inject(RigStore);
  readonly http = TestBed.inject(HttpTestingController);

  static async show<T>(
    screen: Type<T>,
    plan: Plan = testPlan(),
    more: Partial<RigDocument> = {},
    role: 'rigger' | 'manager' = 'rigger',
  ): Promise<OpenRig<T>> {
    localStorage.clear();
    await new Tablet().empty();
    spyOn(window, 'EventSource').and.returnValue({ addEventListener: () => undefined, close: () => undefined } as never);
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting(), ...RIG],
    });
    const http = TestBed.inject(HttpTestingController);
    TestBed.inject(SessionStore).find().subscribe();
    const session: Session = {
      staff: { id: 'tom', name: 'Tom Hale', role },
      csrf: 'token',
      apiVersion: 1,
      proof: 'proof',
      preferences: {},
    };
    http.expectOne('/api/session').flush(session);
    const store = TestBed.inject(RigStore);
    store.open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(rigDocument(plan, more));
    await firstValueFrom(store.state$.pipe(filter((state) => state !== null)));
    const shown = new OpenRig(TestBed.createComponent(screen));
    await shown.fixture.whenStable();
    return shown;
  }

  /** The changes on their way to the server. */
  sentChanges = (): Change[] => this.store.unsent().flatMap((w) => (w.what === 'change' ? [w.change] : []));
  sentFacts = (): NewFact[] => this.store.unsent().flatMap((w) => (w.what === 'fact' ? [w.fact] : []));
}
