import { BehaviorSubject, distinctUntilChanged, finalize, map, Observable, of, Subject, switchMap } from 'rxjs';

/** What a stream of news says. */
export type Streamed =
  | { readonly is: 'rig'; readonly id: string; readonly version: number; readonly factCount: number }
  | { readonly is: 'open' }
  | { readonly is: 'broken' };

/** What the tabs of one browser say to each other. */
type Between =
  | { readonly of: 'heard'; readonly said: Streamed }
  | { readonly of: 'wanted'; readonly tab: string; readonly rigs: readonly string[] }
  | { readonly of: 'who' };

/** News of rigs, from one stream for all tabs. */
export interface OneStream {
  /** What is heard while this rig is watched: of all rigs, and of the line. */
  watch(rig: string): Observable<Streamed>;
}

/**
 * One stream for all tabs of a browser: the tab that holds the lock listens for all of them and tells the others; when it
 * is closed, another takes over. A browser opens six lines to a server at once; streams of seven tabs would take them all.
 * Where there are no locks, as over plain HTTP, each tab listens for itself.
 *
 * @param listen what a stream says of some rigs
 * @param name what the tabs find each other by
 */
export function oneStream(
  listen: (rigs: readonly string[]) => Observable<Streamed>,
  tab: string = crypto.randomUUID(),
  name = 'plain-cleat.news',
): OneStream {
  const heard = new Subject<Streamed>();
  const mine = new Map<string, number>();
  /** What each tab wants, in the tab that listens. */
  const wanted = new BehaviorSubject<ReadonlyMap<string, readonly string[]>>(new Map());
  let channel: BroadcastChannel | null = null;
  let listens = false;

  const tell = (said: Between): void => channel?.postMessage(said);
  const wants = (of: string, rigs: readonly string[]): void => {
    const all = new Map(wanted.value);
    if (rigs.length) all.set(of, rigs);
    else all.delete(of);
    wanted.next(all);
  };
  const sayWanted = (): void => {
    const rigs = [...mine.keys()];
    if (listens) wants(tab, rigs);
    else tell({ of: 'wanted', tab, rigs });
  };
  const takeOver = (): void => {
    listens = true;
    wants(tab, [...mine.keys()]);
    tell({ of: 'who' });
    wanted
      .pipe(
        map((all) => [...new Set([...all.values()].flat())].sort()),
        distinctUntilChanged((a, b) => a.join() === b.join()),
        switchMap((rigs) => (rigs.length ? listen(rigs) : of())),
      )
      .subscribe((said) => {
        heard.next(said);
        tell({ of: 'heard', said });
      });
  };
  const begin = (): void => {
    if (channel || listens) return;
    if (!('locks' in navigator) || typeof BroadcastChannel === 'undefined') return takeOver();
    channel = new BroadcastChannel(name);
    channel.addEventListener('message', ({ data }: MessageEvent<Between>) => {
      if (data.of === 'heard') heard.next(data.said);
      else if (data.of === 'wanted' && listens) wants(data.tab, data.rigs);
      else if (data.of === 'who') sayWanted();
    });
    // Held until this tab is closed.
    void navigator.locks.request(name, () => {
      takeOver();
      return new Promise(() => undefined);
    });
    window.addEventListener('pagehide', () => tell({ of: 'wanted', tab, rigs: [] }));
    window.addEventListener('pageshow', (event) => event.persisted && sayWanted());
  };

  return {
    watch: (rig) =>
      new Observable<Streamed>((to) => {
        begin();
        const listening = heard.subscribe(to);
        mine.set(rig, (mine.get(rig) ?? 0) + 1);
        sayWanted();
        return listening;
      }).pipe(
        finalize(() => {
          const left = (mine.get(rig) ?? 1) - 1;
          if (left > 0) mine.set(rig, left);
          else mine.delete(rig);
          sayWanted();
        }),
      ),
  };
}
