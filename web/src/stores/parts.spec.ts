import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Part } from '@plain-cleat/core/parts/parts';
import { TEST_LAMP, TEST_PART, TEST_PARTS } from '../testing/rig';
import { newestOf, Parts } from './parts';
import { Tablet } from './tablet';

describe('the parts a device knows', () => {
  let parts: Parts;
  let http: HttpTestingController;
  beforeEach(async () => {
    await new Tablet().empty();
    begin();
  });
  /** As after a reload of the page. */
  function begin(): void {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    parts = TestBed.inject(Parts);
    http = TestBed.inject(HttpTestingController);
  }
  const soon = (): Promise<unknown> => new Promise((done) => setTimeout(done, 5));
  /** Until the device was asked and the server is. */
  async function asked(hash: string): Promise<TestRequest> {
    for (;;) {
      const [call] = http.match(`/api/range/${hash}`);
      if (call) return call;
      await soon();
    }
  }
  const settled = async (): Promise<void> => {
    while (parts.range().loading) await soon();
  };
  const names = (): string[] => parts.newest().map((p) => p.id);

  it('come once for an address, and are kept across reloads', async () => {
    parts.need('r1');
    expect(parts.range().loading).toBeTrue();
    (await asked('r1')).flush(TEST_PARTS);
    await settled();
    expect(parts.range()).toEqual({ parts: TEST_PARTS, loading: false, failure: null });
    parts.need('r1');
    await soon();
    http.expectNone('/api/range/r1');
    begin();
    parts.need('r1');
    await settled();
    expect(names().sort()).toEqual(TEST_PARTS.map((p) => p.id).sort());
    http.expectNone('/api/range/r1');
  });

  it('of another address are asked for; without the network the last ones stay, and it says so', async () => {
    parts.need('r1');
    (await asked('r1')).flush([TEST_PART]);
    await settled();
    parts.need('r2');
    (await asked('r2')).error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await settled();
    expect(parts.range().parts).toEqual([TEST_PART]);
    expect(parts.range().failure).toContain('does not answer');
    parts.retry();
    (await asked('r2')).flush(TEST_PARTS);
    await settled();
    expect([parts.range().parts.length, parts.range().failure]).toEqual([TEST_PARTS.length, null]);
  });

  it('found beside the range are known from then on, and again after a reload', async () => {
    parts.need('');
    await settled();
    parts.take(TEST_LAMP, TEST_LAMP);
    parts.take(TEST_LAMP);
    expect(names()).toEqual(['lamp']);
    // The device has put it away once it answers what it is asked after that.
    await TestBed.inject(Tablet).parts('found');
    begin();
    while (names().length === 0) await soon();
    expect(names()).toEqual(['lamp']);
  });

  it('are shown each in its newest revision, by name', () => {
    const second: Part = { ...TEST_PART, revision: 2, name: 'A better box' };
    expect(newestOf([TEST_LAMP, TEST_PART, second]).map((p) => [p.name, p.revision])).toEqual([
      ['A better box', 2],
      ['Lamp', undefined],
    ]);
    expect(newestOf([second, TEST_PART]).length).toBe(1);
  });
});
