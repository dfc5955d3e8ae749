import { defer, Observable, retry, timer } from 'rxjs';

/** How long to wait before trying again, ms. */
export const RETRY = 3000;
/** The longest wait of a line that stays broken, ms. */
const LONGEST = 30_000;

/** How far a rig got; or the line was broken and is back, and anything may have happened meanwhile. */
export type RigNews = { readonly version: number; readonly factCount: number } | 'back';

/** Waits longer from try to try, up to half a minute. */
export const backOff = (tries: number): number => Math.min(LONGEST, RETRY * 2 ** (tries - 1));

/** The browser's own stream of events, refused or broken for good: to be opened anew. */
const streamOf = (rig: string, hears: (event: 'open' | 'broken') => void): Observable<RigNews> =>
  new Observable((to) => {
    // Streams go past the service worker.
    const source = new EventSource(`/api/events?rigs=${encodeURIComponent(rig)}&ngsw-bypass`);
    source.addEventListener('rig', (event) => to.next(JSON.parse((event as MessageEvent<string>).data) as RigNews));
    source.addEventListener('open', () => hears('open'));
    source.addEventListener('error', () => {
      hears('broken');
      // The browser takes up a broken line by itself, but not one that was refused.
      if (source.readyState === EventSource.CLOSED) to.error(new Error('the stream was refused'));
    });
    return () => source.close();
  });

/**
 * News of one rig for as long as somebody listens. A line that breaks is taken up again with growing waits, and says so
 * when it is back.
 */
export const rigNews = (rig: string): Observable<RigNews> =>
  defer(() => {
    let broken = false;
    return new Observable<RigNews>((to) =>
      streamOf(rig, (event) => {
        if (event === 'open' && broken) to.next('back');
        broken = event === 'broken';
      }).subscribe(to),
    ).pipe(retry({ delay: (_, tries) => timer(backOff(tries)), resetOnSuccess: true }));
  });
