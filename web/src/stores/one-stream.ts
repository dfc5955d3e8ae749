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

/** What tabs find each other by. */
const NAME = 'plain-cleat.news';

/**
 * One stream for all tabs of a browser: the tab that holds the lock listens for all of them and tells the others; when it
 * is closed, another takes over. A browser opens six lines to a server at once; streams of seven tabs would take them all.
 * Where there are no locks, as over plain HTTP, each tab listens for itself.
 */
export class OneStream {
  private readonly heard = new Subject<Streamed>();
  private readonly mine = new Map<string, number>();
  /** What each tab wants, in the tab that listens. */
  private readonly wanted = new BehaviorSubject<ReadonlyMap<string, readonly string[]>>(new Map());
  private channel: BroadcastChannel | null = null;
  private listens = false;

  /**
   * @param listen what a stream says of some rigs
   * @param name what the tabs find each other by
   */
  constructor(
    private readonly listen: (rigs: readonly string[]) => Observable<Streamed>,
    private readonly tab: string = crypto.randomUUID(),
    private readonly name = NAME,
  ) {}

  /** What is heard while this rig is watched: of all rigs, and of the line. */
  watch(rig: string): Observable<Streamed> {
    return new Observable<Streamed>((to) => {
      this.begin();
      const listening = this.heard.subscribe(to);
      this.mine.set(rig, (this.mine.get(rig) ?? 0) + 1);
      this.sayWanted();
      return listening;
    }).pipe(
      finalize(() => {
        const left = (this.mine.get(rig) ?? 1) - 1;
        if (left > 0) this.mine.set(rig, left);
        else this.mine.delete(rig);
        this.sayWanted();
      }),
    );
  }

  /** Joins the other tabs, once: hears what they say, and waits for its turn to listen. */
  private begin(): void {
    if (this.channel || this.listens) return;
    if (!('locks' in navigator) || typeof BroadcastChannel === 'undefined') return this.takeOver();
    this.channel = new BroadcastChannel(this.name);
    this.channel.addEventListener('message', ({ data }: MessageEvent<Between>) => {
      if (data.of === 'heard') this.heard.next(data.said);
      else if (data.of === 'wanted' && this.listens) this.wants(data.tab, data.rigs);
      else if (data.of === 'who') this.sayWanted();
    });
    // Held until this tab is closed.
    void navigator.locks.request(this.name, () => {
      this.takeOver();
      return new Promise(() => undefined);
    });
    window.addEventListener('pagehide', () => this.tell({ of: 'wanted', tab: this.tab, rigs: [] }));
    window.addEventListener('pageshow', (event) => event.persisted && this.sayWanted());
  }

  /** From now on this tab listens for all. */
  private takeOver(): void {
    this.listens = true;
    this.wants(this.tab, [...this.mine.keys()]);
    this.tell({ of: 'who' });
    this.wanted
      .pipe(
        map((all) => [...new Set([...all.values()].flat())].sort()),
        distinctUntilChanged((a, b) => a.join() === b.join()),
        switchMap((rigs) => (rigs.length ? this.listen(rigs) : of())),
      )
      .subscribe((said) => {
        this.heard.next(said);
        this.tell({ of: 'heard', said });
      });
  }

  private tell(said: Between): void {
    this.channel?.postMessage(said);
  }

  private wants(of: string, rigs: readonly string[]): void {
    const all = new Map(this.wanted.value);
    if (rigs.length) all.set(of, rigs);
    else all.delete(of);
    this.wanted.next(all);
  }

  private sayWanted(): void {
    const rigs = [...this.mine.keys()];
    if (this.listens) this.wants(this.tab, rigs);
    else this.tell({ of: 'wanted', tab: this.tab, rigs });
  }
}
