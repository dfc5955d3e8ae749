import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { RigDocument } from '@plain-cleat/api';
import type { Change, Plan } from '@plain-cleat/core/rig';
import { TEST_HULL, TEST_PART, TEST_SHOP, testPlan } from './rig';
import { RIG, RigStore } from '../stores/rig.store';
import { Tablet } from '../stores/tablet';

/** A part comes aboard. */
export const place: Change = {
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

/** A rig as the server answers with it. */
export const doc = (plan: Plan = testPlan(), version = 0): RigDocument => ({
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

/** Until the tablet has done all it was asked for: what it is asked now comes after that. */
export const settle = async (): Promise<void> => {
  const tablet = TestBed.inject(Tablet);
  for (let i = 0; i < 4; i++) await Promise.all([tablet.waitingOf('rig-1'), tablet.rig('rig-1'), tablet.session()]);
};

/** A rig that was opened, on an empty tablet. */
export async function openStore(): Promise<{ store: RigStore; http: HttpTestingController }> {
  await new Tablet().empty();
  TestBed.configureTestingModule({
    providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting(), ...RIG],
  });
  const store = TestBed.inject(RigStore);
  const http = TestBed.inject(HttpTestingController);
  store.open('rig-1');
  http.expectOne('/api/rigs/rig-1').flush(doc());
  await settle();
  return { store, http };
}

/** The change that is on its way. */
export const send = (): TestRequest => TestBed.inject(HttpTestingController).expectOne('/api/rigs/rig-1/changes');
/** What happened since, asked for. */
export const since = (version: number, facts: number): TestRequest =>
  TestBed.inject(HttpTestingController).expectOne(`/api/rigs/rig-1/since?version=${version}&facts=${facts}`);
