import { addressOf, ROUTES } from '@plain-cleat/api';
import { defer, filter, map, Observable, of, retry, switchMap, timer } from 'rxjs';
import { OneStream, type Streamed } from './one-stream';

/** How long to wait before trying again, ms. */
export const RETRY = 3000;
/** The longest wait of a line that stays broken, ms. */
const LONGEST = 30_000;
/** A stream says every quarter of a minute that it is there; one that says nothing for so long is dead, ms. */
export const SILENT = 45_000;

/**
 * How far a rig got; that the line is broken; or that it is back, and anything may have happened meanwhile.
 */
export type RigNews = { readonly version: number; readonly factCount: number } | 'broken' | 'back';

/** Waits longer from try to try, up to half a minute. */
export const backOff = (tries: number): number => Math.min(LONGEST, RETRY * 2 ** (tries - 1));

/** The browser's own stream of events; an error when it was refused or says nothing any more: to be opened anew. */
const streamOf = (rigs: readonly string[]): Observable<Streamed> =>
  new Observable((to) => {
    // Streams go past the service worker.
    const source = new EventSource(addressOf(ROUTES.events, {}, { rigs: rigs.join(), 'ngsw-bypass': '' }));
    const gone = (why: string): void => to.error(new Error(why));
    let silence = setTimeout(() => undefined);
    const alive = (): void => {
      clearTimeout(silence);
      silence = setTimeout(() => gone('the stream fell silent'), SILENT);
    };
    alive();
    source.addEventListener('rig', (event) => {
      alive();
      to.next({
        is: 'rig',
        ...(JSON.parse((event as MessageEvent<string>).data) as { id: string; version: number; factCount: number }),
      });
    });
    source.addEventListener('beat', alive);
    source.addEventListener('open', () => {
      alive();
      to.next({ is: 'open' });
    });
    source.addEventListener('error', () => {
      // The browser takes up a broken line by itself, but not one that was refused.
      if (source.readyState === EventSource.CLOSED) gone('the stream was refused');
      else to.next({ is: 'broken' });
    });
    return () => {
      clearTimeout(silence);
      source.close();
    };
  });

/** What a stream says of some rigs, taken up again with growing waits when it is gone. */
export const heardOf = (rigs: readonly string[]): Observable<Streamed> =>
  new Observable((to) => {
    const delay = (_: unknown, tries: number): Observable<unknown> => {
      to.next({ is: 'broken' });
      return timer(backOff(tries));
    };
    return streamOf(rigs)
      .pipe(retry({ delay, resetOnSuccess: true }))
      .subscribe(to);
  });

/** News may be away for so long before anybody is told, ms. */
const MISSED = 5000;

const browser = new OneStream(heardOf);

/**
 * News of one rig for as long as somebody listens: by the one stream that all tabs of this browser share. A line that
 * is broken for a while says so; one that is back says that, however short it was away.
 */
export const rigNews = (rig: string): Observable<RigNews> =>
  defer(() => {
    let broken = false;
    return browser.watch(rig).pipe(
      map((said): RigNews | null => {
        if (said.is === 'rig') return said.id === rig ? { version: said.version, factCount: said.factCount } : null;
        if ((said.is === 'broken') === broken) return null;
        broken = said.is === 'broken';
        return broken ? 'broken' : 'back';
      }),
      filter((news) => news !== null),
      // A stream that is back within moments was never missed.
      switchMap((news) => (news === 'broken' ? timer(MISSED).pipe(map(() => news)) : of(news))),
    );
  });
