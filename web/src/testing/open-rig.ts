import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { RigDocument, Session } from '@plain-cleat/api';
import type { Change, NewFact, Plan } from '@plain-cleat/core';
import { Tablet } from '../stores/tablet';
import { RigStore } from '../stores/rig.store';
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
  shop: TEST_SHOP,
  today: '2026-06-01',
  mine: [],
  signed: false,
  ...more,
});

/** A screen of one open rig, with a server that only listens. */
export class OpenRig<T> {
  readonly store = TestBed.inject(RigStore);
  readonly http = TestBed.inject(HttpTestingController);

  private constructor(readonly fixture: ComponentFixture<T>) {}

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
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting(), RigStore],
    });
    const http = TestBed.inject(HttpTestingController);
    TestBed.inject(SessionStore).find().subscribe();
    const session: Session = { staff: { id: 'tom', name: 'Tom Hale', role }, csrf: 'token', apiVersion: 1, proof: 'proof' };
    http.expectOne('/api/session').flush(session);
    const opening = TestBed.inject(RigStore).open('rig-1');
    http.expectOne('/api/rigs/rig-1').flush(rigDocument(plan, more));
    await opening;
    const shown = new OpenRig(TestBed.createComponent(screen));
    await shown.fixture.whenStable();
    return shown;
  }

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ');
  }

  /** The first element of a selector that says so, or of the selector alone. */
  find<E extends Element = HTMLElement>(selector: string, says?: string): E {
    const all = [...this.element.querySelectorAll<E>(selector)];
    const found =
      says === undefined
        ? all[0]
        : all.find((e) => (e.textContent ?? '').replace(/\s+/g, ' ').includes(says) || e.getAttribute('aria-label') === says);
    if (!found) throw new Error(`no ${selector} that says ${says}: ${this.text.slice(0, 400)}`);
    return found;
  }

  async click(selector: string, says?: string): Promise<void> {
    this.find(selector, says).dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await this.fixture.whenStable();
  }

  /** Types into a field and leaves it. */
  async type(selector: string, value: string, says?: string): Promise<void> {
    const input = this.find<HTMLInputElement>(selector, says);
    input.value = value;
    input.dispatchEvent(new Event('input', { bubbles: true }));
    input.dispatchEvent(new Event('change', { bubbles: true }));
    await this.fixture.whenStable();
  }

  /** The changes on their way to the server. */
  sentChanges = (): Change[] => this.store.unsent().flatMap((w) => (w.what === 'change' ? [w.change] : []));
  sentFacts = (): NewFact[] => this.store.unsent().flatMap((w) => (w.what === 'fact' ? [w.fact] : []));
}
