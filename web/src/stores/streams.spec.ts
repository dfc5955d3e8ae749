import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ROUTES } from '@plain-cleat/api';
import { EMPTY, NEVER, type Observable, of, throwError } from 'rxjs';
import { TestScheduler } from 'rxjs/testing';
import { Api } from './api';
import { inOrder } from './in-order';
import { backOff, type RigNews, rigNews } from './news';
import { wordsOf } from './problems';

const scheduler = (): TestScheduler => new TestScheduler((actual, expected) => expect(actual).toEqual(expected));

describe('sending in order', () => {
  /** What each one's tries end with: `ok`, `away` or `no`. */
  const sends = (ends: Record<string, string[]>, again$: Observable<unknown>, log: string[]) =>
    inOrder<string, string>({
      send: (one) => {
        const end = ends[one]?.shift() ?? 'ok';
        return end === 'ok' ? of(`${one} kept`) : throwError(() => end);
      },
      mayPass: (error) => error === 'away',
      waits: (one) => (log.push(`${one} waits`), EMPTY),
      refused: (one) => of(`${one} refused`),
      again$,
    });

  it('lets nothing overtake what waits, and goes on after what is refused', () => {
    const log: string[] = [];
    scheduler().run(({ cold, expectObservable }) => {
      const ones$ = cold('abc|');
      const out$ = ones$.pipe(sends({ a: ['away', 'away'], b: ['no'] }, NEVER, log));
      // Two waits of three seconds, then the rest at once.
      expectObservable(out$).toBe('6s (xyz|)', { x: 'a kept', y: 'b refused', z: 'c kept' });
    });
    expect(log).toEqual(['a waits', 'a waits']);
  });

  it('tries at once when somebody asks, or the network is back', () => {
    scheduler().run(({ cold, hot, expectObservable }) => {
      const out$ = cold('a|').pipe(sends({ a: ['away'] }, hot('-- 500ms t'), []));
      expectObservable(out$).toBe('-- 500ms (x|)', { x: 'a kept' });
    });
  });
});

describe('an answer', () => {
  let http: HttpTestingController;
  let api: Api;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    api = TestBed.inject(Api);
  });

  it('is read by its route’s schema: what the route does not promise goes no further', () => {
    const heard: unknown[] = [];
    api.call(ROUTES.move, { rig: 'r', body: { place: 'yard' } }).subscribe({
      next: (answer) => heard.push(answer),
      error: (error: unknown) => heard.push(wordsOf(error)),
    });
    http.expectOne('/api/rigs/r/place').flush({ place: 'yard' });
    api.call(ROUTES.move, { rig: 'r', body: { place: 'yard' } }).subscribe({ error: (e: unknown) => heard.push(wordsOf(e)) });
    http.expectOne('/api/rigs/r/place').flush({ place: 'the moon' });
    expect(heard).toEqual([
      { place: 'yard' },
      'The server and this page do not understand each other. Reload the page; what is not sent yet is kept.',
    ]);
  });

  it('that is a plan is taken as the same code wrote it', () => {
    const heard: unknown[] = [];
    api.call(ROUTES.rig, { rig: 'r' }).subscribe((doc) => heard.push(doc));
    http.expectOne('/api/rigs/r').flush({ id: 'r' });
    expect(heard).toEqual([{ id: 'r' }]);
  });
});

describe('news of a rig', () => {
  interface Fake {
    readyState: number;
    readonly heard: Record<string, (event: unknown) => void>;
    close: jasmine.Spy;
  }
  let lines: Fake[];
  beforeEach(() => {
    jasmine.clock().install();
    lines = [];
    spyOn(window, 'EventSource').and.callFake(function () {
      const line: Fake = { readyState: 1, heard: {}, close: jasmine.createSpy('close') };
      lines.push(line);
      return Object.assign(line, {
        addEventListener: (name: string, hears: (event: unknown) => void) => (line.heard[name] = hears),
      }) as never;
    } as never);
    (window.EventSource as unknown as { CLOSED: number }).CLOSED = 2;
  });
  afterEach(() => jasmine.clock().uninstall());

  it('says when a broken line is back, takes up one that was refused with growing waits, and ends with its listener', () => {
    const heard: RigNews[] = [];
    const listening = rigNews('r').subscribe((news) => heard.push(news));
    const tell = (n: number, name: string, event: unknown = {}): void => lines[n]?.heard[name]?.(event);
    tell(0, 'open');
    tell(0, 'rig', { data: '{"version":1,"factCount":0}' });
    tell(0, 'error');
    tell(0, 'open');
    expect(heard).toEqual([{ version: 1, factCount: 0 }, 'back']);
    for (let i = 0; i < 3; i++) {
      const line = lines.at(-1);
      if (line) line.readyState = 2;
      tell(lines.length - 1, 'error');
      expect(lines.length).toBe(i + 1);
      jasmine.clock().tick(backOff(i + 1) - 1);
      expect(lines.length).toBe(i + 1);
      jasmine.clock().tick(1);
      expect(lines.length).toBe(i + 2);
    }
    tell(3, 'open');
    expect(heard.length).toBe(3);
    listening.unsubscribe();
    expect(lines.at(-1)?.close).toHaveBeenCalledTimes(1);
    expect(lines.slice(0, -1).every((l) => l.close.calls.count() === 1)).toBeTrue();
  });

  it('never waits longer than half a minute', () => {
    expect([1, 2, 3, 4, 5, 50].map(backOff)).toEqual([3000, 6000, 12_000, 24_000, 30_000, 30_000]);
  });
});
