import { MatChipsModule } from '@angular/material/chips';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type Cuts as CutsNow, type SaveCuts } from '@plain-cleat/api';
import { type BarPlan, type BoardCut, type BoardPlan, KEEP } from '@plain-cleat/core/work/cutting';
import { printMoney } from '@plain-cleat/core/base/units';
import { proxy } from 'comlink';
import { EMPTY, type Observable, Subject, switchMap, toArray, tap } from 'rxjs';
import { Length } from '../boat-view/words';
import type { CutWorker } from '../workers/cut.worker';
import { WorkerCalls } from '../workers/worker-calls';
import { alongBar, boardDxf, boardSvg, holesOn, outlineOn, pointsOf } from './drawing';
import { Said } from '../controls/said';
import { WhenLoaded } from '../controls/when-loaded';
import { CutStore } from '../stores/cut.store';
import { Loader } from '../stores/loaded';
import { Sending } from '../stores/sending';

type Stock = CutsNow['stocks'][number];

interface Planned {
  readonly stock: Stock;
  readonly bars: BarPlan | null;
  readonly boards: BoardPlan | null;
}

/** Everything somebody wants cut. */
const wantedOf = (now: CutsNow | null): readonly { id: string; rig: string; says: string }[] =>
  now ? [...now.bars, ...now.reels, ...now.plates] : [];
/** What a cut takes: nothing of a wire or cord. */
const kerfOf = ({ kind }: Stock, now: CutsNow | null): number => (kind === 'reel' ? 0 : (now?.kerf ?? 0));

const BUDGET = { bars: 6000, boards: 400 } as const;

/** Cut plans: tracks, tubes, plates, wires and cords of the rigs in the shop, from offcuts first, then from as little new stock as can be found. */
@Component({
  selector: 'pc-cuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, Said, WhenLoaded, MatButtonModule, MatProgressBarModule, MatChipsModule],
  templateUrl: './cuts.html',
  styleUrl: './cuts.scss',
})
export default class Cuts {
  private readonly store = inject(CutStore);
  protected readonly wanted = new Loader(() => this.store.now().pipe(tap((now) => this.asking.next(now))));
  protected readonly now = this.wanted.value;
  protected readonly sending = new Sending();
  /** Rigs left out of this plan. */
  protected readonly out = signal<ReadonlySet<string>>(new Set());
  protected readonly planned = signal<readonly Planned[]>([]);
  protected readonly share = signal<number | null>(null);
  private readonly calls = new WorkerCalls<CutWorker>(
    () => new Worker(new URL('../workers/cut.worker', import.meta.url), { type: 'module' }),
  );
  /** What to plan; null stops it. */
  private readonly asking = new Subject<CutsNow | null>();
  protected readonly money = printMoney;
  protected readonly holesOn = holesOn;
  protected outline = (laid: BoardCut['plates'][number]): string => pointsOf(outlineOn(laid, this.shapes()));

  protected round = (share: number): number => Math.round(share * 100);
  protected stockName = (id: string): string => this.now()?.stocks.find((s) => s.id === id)?.name ?? id;
  protected readonly rigs = computed(() => {
    const now = this.now();
    return [...new Set(wantedOf(now).map((p) => p.rig))];
  });
  protected readonly names = computed(() => {
    const now = this.now();
    return new Map(wantedOf(now).map((p) => [p.id, p.says]));
  });
  protected readonly shapes = computed(() => new Map((this.now()?.plates ?? []).map((p) => [p.id, p])));
  protected readonly cost = computed(() =>
    this.planned().reduce((sum, p) => sum + p.stock.priceCents * (p.bars?.newBars ?? p.boards?.newBoards ?? 0), 0),
  );
  private readonly pieces = computed(() =>
    this.planned().flatMap((p) => [
      ...(p.bars?.bars.flatMap((b) => b.pieces.map((one) => one.id)) ?? []),
      ...(p.boards?.boards.flatMap((b) => b.plates.map((l) => l.plate.id)) ?? []),
    ]),
  );
  protected readonly count = computed(() => this.pieces().length);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.calls.close());
    // A plan that is asked for anew ends the search before it.
    this.asking
      .pipe(
        switchMap((now) => (now ? this.planning(now) : EMPTY)),
        takeUntilDestroyed(),
      )
      .subscribe((done) => {
        this.planned.set(done);
        this.share.set(null);
      });
    this.wanted.load();
  }

  protected readonly taken = computed(() => this.rigs().filter((r) => !this.out().has(r)));

  protected choose(rigs: readonly string[]): void {
    this.out.set(new Set(this.rigs().filter((r) => !rigs.includes(r))));
    this.plan();
  }

  /** Ends a search that takes too long; what was planned before stays. */
  protected stop(): void {
    this.asking.next(null);
    this.share.set(null);
    this.sending.say('Stopped. Plan again when you like.');
  }

  protected plan(): void {
    this.asking.next(this.now());
  }

  private planning(now: CutsNow): Observable<readonly Planned[]> {
    const wanted = ({ rig }: { rig: string }): boolean => !this.out().has(rig);
    const lengths = [...now.bars, ...now.reels];
    const jobs = now.stocks.filter((s) =>
      (s.kind === 'board' ? now.plates : lengths.filter((b) => b.stock === s.id)).some((p) => wanted(p)),
    );
    this.sending.clear();
    this.share.set(0);
    return this.calls
      .run<Planned>(async (remote, tell) => {
        for (const [i, stock] of jobs.entries()) {
          const progress = proxy((share: number): void => this.share.set((i + share) / jobs.length));
          const own = now.remnants.filter((r) => r.stock === stock.id);
          const kerf = kerfOf(stock, now);
          if (stock.kind !== 'board') {
            const pieces = lengths.filter((b) => b.stock === stock.id && wanted(b)).map(({ id, length }) => ({ id, length }));
            const bars = await remote.bars(pieces, { length: stock.length, kerf, remnants: own }, BUDGET.bars, progress);
            tell({ stock, bars, boards: null });
          } else {
            const plates = now.plates.filter((p) => wanted(p)).map(({ id, long, wide }) => ({ id, long, wide }));
            const remnants = own.map((r) => ({ id: r.id, long: r.length, wide: r.width }));
            const sheet = { long: stock.length, wide: stock.width, kerf, remnants };
            tell({ stock, bars: null, boards: await remote.boards(plates, sheet, BUDGET.boards, progress) });
          }
        }
      })
      .pipe(toArray());
  }

  /** What the plan is worth, and how far from the best it may be. */
  protected verdict({ stock, bars, boards }: Planned): string {
    const [count, least] = [bars?.newBars ?? boards?.newBoards ?? 0, bars?.least ?? boards?.least ?? 0];
    const what = `${stock.kind}${count === 1 ? '' : 's'}`;
    if (count === 0) return 'all from the shelf';
    return count === least ? `${count} new ${what}: no plan does with fewer` : `${count} new ${what}; ${least} might do`;
  }

  protected along = (bar: BarPlan['bars'][number], stock: Stock) => alongBar(bar, kerfOf(stock, this.now()));
  /** A new one fills the width of the drawing. */
  protected scaleOf = ({ length }: Stock): number => 2440 / length;
  protected wasteOf = (p: Planned): number =>
    Math.round(
      100 *
        (p.boards?.waste ??
          (p.bars
            ? p.bars.waste /
              Math.max(
                1,
                p.bars.bars.reduce((s, b) => s + b.length, 0),
              )
            : 0)),
    );

  /** What goes back on the shelf. */
  private left(): SaveCuts['left'] {
    return this.planned().flatMap(({ stock, bars, boards }) => [
      ...(bars?.bars ?? [])
        .filter((b) => b.left >= (stock.kind === 'reel' ? KEEP.reel : KEEP.bar))
        .map((b) => ({ stock: stock.id, length: Math.floor(b.left), width: 0 })),
      ...(boards?.boards ?? []).flatMap(({ offcut: o }) =>
        o && Math.min(o.long, o.wide) >= KEEP.board
          ? [{ stock: stock.id, length: Math.floor(o.long), width: Math.floor(o.wide) }]
          : [],
      ),
    ]);
  }

  protected save(): void {
    const used = this.planned().flatMap((p) =>
      [...(p.bars?.bars ?? []), ...(p.boards?.boards ?? [])].flatMap((b) => b.remnant ?? []),
    );
    const body: SaveCuts = { pieces: this.pieces(), used, left: this.left() };
    this.sending.send(this.store.cut(body), (now) => {
      this.wanted.put(now);
      this.planned.set([]);
      return `${body.pieces.length} pieces cut; ${body.left.length} offcuts on the shelf.`;
    });
  }

  protected exportBoard(board: BoardCut, n: number, kind: 'svg' | 'dxf'): void {
    const text = kind === 'svg' ? boardSvg(board, this.shapes(), `Board ${n}`) : boardDxf(board, this.shapes());
    const url = URL.createObjectURL(new Blob([text], { type: kind === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `board-${n}.${kind}`;
    link.click();
    URL.revokeObjectURL(url);
  }
}
