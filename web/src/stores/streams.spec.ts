import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ROUTES } from '@plain-cleat/api';
import { EMPTY, NEVER, Observable, of, Subject, throwError } from 'rxjs';
import { TestScheduler } from 'rxjs/testing';
import { Api } from './api';
import { inOrder } from './in-order';
import { backOff, heardOf, SILENT } from './news';
import { OneStream, type Streamed } from './one-stream';
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

describe('a stream of news', () => {
  interface Fake {
    readyState: number;
    readonly url: string;
    readonly heard: Record<string, (event: unknown) => void>;
    close: jasmine.Spy;
  }
  let lines: Fake[];
  beforeEach(() => {
    jasmine.clock().install();
    lines = [];
    spyOn(window, 'EventSource').and.callFake(function (url: string) {
      const line: Fake = { readyState: 1, url, heard: {}, close: jasmine.createSpy('close') };
      lines.push(line);
      return Object.assign(line, {
        addEventListener: (name: string, hears: (event: unknown) => void) => (line.heard[name] = hears),
      }) as never;
    } as never);
    (window.EventSource as unknown as { CLOSED: number }).CLOSED = 2;
  });
  afterEach(() => jasmine.clock().uninstall());
  const tell = (n: number, name: string, event: unknown = {}): void => lines[n]?.heard[name]?.(event);

  it('says when it is broken and open, is taken up anew with growing waits when refused, and ends with its listener', () => {
    const heard: Streamed[] = [];
    const listening = heardOf(['r', 's']).subscribe((said) => heard.push(said));
    expect(lines[0]?.url).toContain('rigs=r%2Cs&');
    tell(0, 'open');
    tell(0, 'rig', { data: '{"id":"r","version":1,"factCount":0}' });
    tell(0, 'error');
    tell(0, 'open');
    expect(heard.map((h) => h.is)).toEqual(['open', 'rig', 'broken', 'open']);
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
    listening.unsubscribe();
    expect(lines.every((l) => l.close.calls.count() === 1)).toBeTrue();
  });

  it('that falls silent is broken within a minute and joined again; a beat keeps it', () => {
    const heard: Streamed[] = [];
    const listening = heardOf(['r']).subscribe((said) => heard.push(said));
    tell(0, 'open');
    for (let i = 0; i < 6; i++) {
      jasmine.clock().tick(15_000);
      tell(0, 'beat');
    }
    expect(heard).toEqual([{ is: 'open' }]);
    jasmine.clock().tick(SILENT);
    expect(SILENT).toBeLessThan(60_000);
    expect([heard.at(-1), lines[0]?.close.calls.count()]).toEqual([{ is: 'broken' }, 1]);
    jasmine.clock().tick(backOff(1));
    expect(lines.length).toBe(2);
    listening.unsubscribe();
  });

  it('never waits longer than half a minute', () => {
    expect([1, 2, 3, 4, 5, 50].map(backOff)).toEqual([3000, 6000, 12_000, 24_000, 30_000, 30_000]);
  });
});

describe('the tabs of one browser', () => {
  /** So many tabs, and the rigs that each stream of theirs listens to. */
  const tabs = (n: number) => {
    const streams: { rigs: readonly string[]; says: Subject<Streamed>; open: boolean }[] = [];
    const listen = (rigs: readonly string[]): Observable<Streamed> =>
      new Observable((to) => {
        const stream = { rigs, says: new Subject<Streamed>(), open: true };
        streams.push(stream);
        const listening = stream.says.subscribe(to);
        return () => {
          stream.open = false;
          listening.unsubscribe();
        };
      });
    const channel = `news-${Math.random()}`;
    return { streams, all: Array.from({ length: n }, (_, i) => new OneStream(listen, `tab-${i}`, channel)) };
  };
  const until = async (is: () => boolean): Promise<void> => {
    while (!is()) await new Promise((done) => setTimeout(done, 5));
  };

  it('share one stream of all that any of them watches, and all hear what it says', async () => {
    const { streams, all } = tabs(7);
    const heard = all.map(() => [] as Streamed[]);
    const watching = all.map((t, i) => t.watch(`rig-${i % 3}`).subscribe((said) => heard[i]?.push(said)));
    const open = () => streams.filter((s) => s.open);
    await until(() => open().length === 1 && open()[0]?.rigs.length === 3);
    const news: Streamed = { is: 'rig', id: 'rig-1', version: 4, factCount: 2 };
    open()[0]?.says.next(news);
    await until(() => heard.every((h) => h.length === 1));
    expect(heard.every((h) => h[0] && JSON.stringify(h[0]) === JSON.stringify(news))).toBeTrue();
    // What nobody watches any more is let go.
    [1, 4].forEach((i) => watching[i]?.unsubscribe());
    await until(() => open()[0]?.rigs.join() === 'rig-0,rig-2');
    expect(open().length).toBe(1);
    watching.forEach((w) => w.unsubscribe());
    await until(() => open().length === 0);
  });
});
