import { MatChipsModule } from '@angular/material/chips';
import { Api } from '../stores/api';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type Cuts as CutsNow, type KeepCuts, ROUTES } from '@plain-cleat/api';
import { type BarPlan, type BoardCut, type BoardPlan, KEEP, printMoney } from '@plain-cleat/core';
import { proxy, type Remote, wrap } from 'comlink';
import { Length } from '../hull-view/words';
import { wordsOf } from '../stores/problems';
import type { CutWorker } from '../workers/cut.worker';
import { alongBar, boardDxf, boardSvg, holesOn, outlineOn, pointsOf } from './drawing';

type Stock = CutsNow['stocks'][number];

interface Planned {
  readonly stock: Stock;
  readonly bars: BarPlan | null;
  readonly boards: BoardPlan | null;
}

const BUDGET = { bars: 6000, boards: 400 } as const;

/** Cut plans: tracks, tubes and plates of the rigs in the shop, from remnants first, then from as little new stock as can be found. */
@Component({
  selector: 'pc-cuts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Length, MatButtonModule, MatProgressBarModule, MatChipsModule],
  templateUrl: './cuts.html',
  styleUrl: './cuts.scss',
})
export default class Cuts {
  private readonly api = inject(Api);
  protected readonly now = signal<CutsNow | null>(null);
  protected readonly failed = signal('');
  protected readonly fault = signal('');
  protected readonly says = signal('');
  /** Rigs left out of this plan. */
  protected readonly out = signal<ReadonlySet<string>>(new Set());
  protected readonly planned = signal<readonly Planned[]>([]);
  protected readonly share = signal<number | null>(null);
  private worker?: Worker;
  private asked = 0;
  protected readonly money = printMoney;
  protected readonly holesOn = holesOn;
  protected outline = (laid: BoardCut['plates'][number]): string => pointsOf(outlineOn(laid, this.shapes()));

  protected round = (share: number): number => Math.round(share * 100);
  protected stockName = (id: string): string => this.now()?.stocks.find((s) => s.id === id)?.name ?? id;
  private readonly rigOf = (id: string): string => id.split('.')[0] ?? '';
  protected readonly rigs = computed(() => {
    const now = this.now();
    return [...new Set([...(now?.bars ?? []), ...(now?.plates ?? [])].map((p) => this.rigOf(p.id)))];
  });
  protected readonly names = computed(() => {
    const now = this.now();
    return new Map([...(now?.bars ?? []), ...(now?.plates ?? [])].map((p) => [p.id, p.says]));
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
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
    this.load();
  }

  protected load(): void {
    this.failed.set('');
    this.api.call(ROUTES.cuts).subscribe({
      next: (now) => {
        this.now.set(now);
        void this.plan();
      },
      error: (error: unknown) => this.failed.set(wordsOf(error)),
    });
  }

  protected readonly taken = computed(() => this.rigs().filter((r) => !this.out().has(r)));

  protected choose(rigs: readonly string[]): void {
    this.out.set(new Set(this.rigs().filter((r) => !rigs.includes(r))));
    void this.plan();
  }

  /** Ends a search that takes too long; what was planned before stays. */
  protected stop(): void {
    this.asked++;
    this.worker?.terminate();
    this.worker = undefined;
    this.share.set(null);
    this.says.set('Stopped. Plan again when you like.');
  }

  protected async plan(): Promise<void> {
    const now = this.now();
    if (!now) return;
    const stamp = ++this.asked;
    this.worker?.terminate();
    this.worker = new Worker(new URL('../workers/cut.worker', import.meta.url), { type: 'module' });
    const remote: Remote<CutWorker> = wrap<CutWorker>(this.worker);
    const wanted = (id: string): boolean => !this.out().has(this.rigOf(id));
    const jobs = now.stocks.filter((s) =>
      (s.kind === 'board' ? now.plates : now.bars.filter((b) => b.stock === s.id)).some((p) => wanted(p.id)),
    );
    const done: Planned[] = [];
    this.fault.set('');
    this.says.set('');
    this.share.set(0);
    for (const [i, stock] of jobs.entries()) {
      const progress = proxy((share: number): void => {
        if (stamp === this.asked) this.share.set((i + share) / jobs.length);
      });
      const own = now.remnants.filter((r) => r.stock === stock.id);
      const { kerf } = now;
      if (stock.kind === 'bar') {
        const pieces = now.bars.filter((b) => b.stock === stock.id && wanted(b.id)).map(({ id, length }) => ({ id, length }));
        const bars = await remote.bars(pieces, { length: stock.length, kerf, remnants: own }, BUDGET.bars, progress);
        done.push({ stock, bars, boards: null });
      } else {
        const plates = now.plates.filter((p) => wanted(p.id)).map(({ id, long, wide }) => ({ id, long, wide }));
        const remnants = own.map((r) => ({ id: r.id, long: r.length, wide: r.width }));
        const boards = await remote.boards(
          plates,
          { long: stock.length, wide: stock.width, kerf, remnants },
          BUDGET.boards,
          progress,
        );
        done.push({ stock, bars: null, boards });
      }
      if (stamp !== this.asked) return;
    }
    this.planned.set(done);
    this.share.set(null);
  }

  /** What the plan is worth, and how far from the best it may be. */
  protected verdict({ stock, bars, boards }: Planned): string {
    const [count, least] = [bars?.newBars ?? boards?.newBoards ?? 0, bars?.least ?? boards?.least ?? 0];
    const what = stock.kind === 'bar' ? (count === 1 ? 'bar' : 'bars') : count === 1 ? 'board' : 'boards';
    if (count === 0) return 'all from the shelf';
    return count === least ? `${count} new ${what}: no plan does with fewer` : `${count} new ${what}; ${least} might do`;
  }

  protected along = (bar: BarPlan['bars'][number]) => alongBar(bar, this.now()?.kerf ?? 0);
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
  private left(): KeepCuts['left'] {
    return this.planned().flatMap(({ stock, bars, boards }) => [
      ...(bars?.bars ?? [])
        .filter((b) => b.left >= KEEP.bar)
        .map((b) => ({ stock: stock.id, length: Math.floor(b.left), width: 0 })),
      ...(boards?.boards ?? []).flatMap(({ offcut: o }) =>
        o && Math.min(o.long, o.wide) >= KEEP.board
          ? [{ stock: stock.id, length: Math.floor(o.long), width: Math.floor(o.wide) }]
          : [],
      ),
    ]);
  }

  protected keep(): void {
    const used = this.planned().flatMap((p) =>
      [...(p.bars?.bars ?? []), ...(p.boards?.boards ?? [])].flatMap((b) => b.remnant ?? []),
    );
    const body: KeepCuts = { pieces: this.pieces(), used, left: this.left() };
    this.api.call(ROUTES.keepCuts, { body }).subscribe({
      next: (now) => {
        this.now.set(now);
        this.planned.set([]);
        this.says.set(`${body.pieces.length} pieces cut; ${body.left.length} remnants on the shelf.`);
      },
      error: (error: unknown) => this.fault.set(wordsOf(error)),
    });
  }

  protected save(board: BoardCut, n: number, kind: 'svg' | 'dxf'): void {
    const text = kind === 'svg' ? boardSvg(board, this.shapes(), `Board ${n}`) : boardDxf(board, this.shapes());
    const url = URL.createObjectURL(new Blob([text], { type: kind === 'svg' ? 'image/svg+xml' : 'image/vnd.dxf' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = `board-${n}.${kind}`;
    link.click();
    URL.revokeObjectURL(url);
  }
}
