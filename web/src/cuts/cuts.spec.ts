import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Cuts as CutsNow, SaveCuts } from '@plain-cleat/api';
import type { BoardCut } from '@plain-cleat/core/work/cutting';
import DxfParser from 'dxf-parser';
import Cuts from './cuts';
import { alongBar, boardDxf, boardSvg, holesOn, outlineOn, type PlateShape } from './drawing';

const holes = [
  { u: -20, v: -10, bore: 6 },
  { u: 20, v: 10, bore: 6 },
];
const board: BoardCut = {
  remnant: null,
  long: 400,
  wide: 300,
  offcut: null,
  plates: [
    { plate: { id: 'a', long: 80, wide: 60 }, x: 0, y: 0, turned: false },
    { plate: { id: 'b', long: 80, wide: 60 }, x: 83, y: 0, turned: true },
  ],
};
// The second is cut clear of something at one corner.
const all = new Map<string, PlateShape>([
  [
    'a',
    {
      holes,
      outline: [
        [-40, -30],
        [40, -30],
        [40, 30],
        [-40, 30],
        [-40, -30],
      ],
    },
  ],
  [
    'b',
    {
      holes,
      outline: [
        [-40, -30],
        [40, -30],
        [40, 20],
        [30, 20],
        [30, 30],
        [-40, 30],
      ],
    },
  ],
]);

describe('drawings of a cut', () => {
  it('holes turn with their plate', () => {
    const [a, b] = board.plates.map((l) => holesOn(l, all));
    expect(a).toEqual([
      { x: 20, y: 20, r: 3 },
      { x: 60, y: 40, r: 3 },
    ]);
    expect(b).toEqual([
      { x: 83 + 30 + 10, y: 40 - 20, r: 3 },
      { x: 83 + 30 - 10, y: 40 + 20, r: 3 },
    ]);
  });

  it('DXF read back by another reader: outlines and holes where they lie, in millimetres', () => {
    const dxf = new DxfParser().parseSync(boardDxf(board, all));
    expect(dxf?.header['$INSUNITS']).toBe(4);
    const circles = (dxf?.entities ?? []).filter((e) => e.type === 'CIRCLE') as unknown as {
      center: { x: number; y: number };
      radius: number;
    }[];
    const drawn = board.plates.flatMap((l) => holesOn(l, all));
    expect(circles.map((c) => [c.center.x, c.center.y, c.radius])).toEqual(drawn.map((c) => [c.x, c.y, c.r]));
    const outlines = (dxf?.entities ?? []).filter((e) => e.type === 'LWPOLYLINE') as unknown as {
      vertices: { x: number; y: number }[];
    }[];
    expect(outlines.map((o) => o.vertices.map((v) => [v.x, v.y]))).toEqual(
      board.plates.map((l) => outlineOn(l, all).map((p) => [p.x, p.y])),
    );
    expect(outlines.map((o) => o.vertices.length)).toEqual([4, 6]);
  });

  it('SVG is one to one', () => {
    const svg = new DOMParser().parseFromString(boardSvg(board, all, 'Board <1>'), 'image/svg+xml').documentElement;
    expect([svg.getAttribute('width'), svg.getAttribute('viewBox')]).toEqual(['400mm', '0 0 400 300']);
    expect(svg.querySelectorAll('circle').length).toBe(4);
    expect(svg.querySelector('title')?.textContent).toBe('Board <1>');
  });

  it('pieces stand a saw cut apart along their bar', () => {
    const bar = {
      remnant: null,
      length: 1000,
      left: 0,
      pieces: [
        { id: 'a', length: 300 },
        { id: 'b', length: 200 },
      ],
    };
    expect(alongBar(bar, 3).map((p) => p.x)).toEqual([0, 303]);
  });
});

describe('cut plans', () => {
  const now: CutsNow = {
    stocks: [
      { id: 'track', name: 'Track bar', kind: 'bar', length: 1000, width: 0, thickness: 0, priceCents: 4000 },
      { id: 'board', name: 'Board', kind: 'board', length: 600, width: 300, thickness: 12, priceCents: 6000 },
    ],
    bars: [
      { id: 'R-1.t.600', rig: 'R-1', stock: 'track', says: 'R-1 C, Track', length: 600 },
      { id: 'R-2.t.300', rig: 'R-2', stock: 'track', says: 'R-2 D, Track', length: 300 },
    ],
    reels: [],
    plates: [{ id: 'R-1.p.80x60', rig: 'R-1', says: 'R-1 F, plate', long: 80, wide: 60, holes, outline: [] }],
    remnants: [{ id: 'left-1', stock: 'track', length: 320, width: 0 }],
    kerf: 3,
  };
  let http: HttpTestingController;
  let f: ComponentFixture<Cuts>;
  const element = (): HTMLElement => f.nativeElement as HTMLElement;
  const text = (): string => (element().textContent ?? '').replace(/\s+/g, ' ');
  const planned = async (): Promise<void> => {
    for (let i = 0; i < 400 && f.componentInstance['share']() !== null; i++) await new Promise((r) => setTimeout(r, 10));
    await f.whenStable();
  };
  const click = async (says: string): Promise<void> => {
    [...element().querySelectorAll('button')].find((b) => b.textContent?.includes(says))?.click();
    await f.whenStable();
  };
  const show = async (from: CutsNow): Promise<void> => {
    localStorage.setItem('plain-cleat.preferences', '{"units":"metric"}');
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    f = TestBed.createComponent(Cuts);
    http.expectOne('/api/cuts').flush(from);
    await planned();
  };
  afterEach(() => localStorage.clear());

  it('plan all rigs, from the shelf first, and say how far from the best they may be', async () => {
    await show(now);
    expect(text()).toContain('1 new bar: no plan does with fewer');
    expect(text()).toContain('Offcut of 320 mm: R-2 D, Track 300 mm');
    expect(text()).toContain('3 pieces · 100.00 to buy');
    expect(element().querySelectorAll('svg.board circle').length).toBe(2);
    await click('Mark cut');
    const call = http.expectOne('/api/cuts');
    const sent = call.request.body as SaveCuts;
    expect(sent.used).toEqual(['left-1']);
    expect([...sent.pieces].sort()).toEqual(['R-1.p.80x60', 'R-1.t.600', 'R-2.t.300']);
    expect(sent.left).toContain({ stock: 'track', length: 397, width: 0 });
    call.flush({ ...now, bars: [], plates: [] });
    await f.whenStable();
    expect(text()).toContain('3 pieces cut');
  });

  it('take wires off what lies open first, with nothing lost to a saw', async () => {
    await show({
      ...now,
      stocks: [{ id: 'wire-16-red', name: 'Wire, red', kind: 'reel', length: 30_000, width: 0, thickness: 0, priceCents: 3000 }],
      bars: [],
      plates: [],
      reels: [2000, 1500].map((length, i) => ({
        ...{ id: `R-1.r${i}.16.red.${length}`, rig: 'R-1', stock: 'wire-16-red', says: `R-1 A–B ${i}, red`, length },
      })),
      remnants: [{ id: 'open', stock: 'wire-16-red', length: 3500, width: 0 }],
    });
    expect(text()).toContain('all from the shelf');
    expect(text()).toContain('Offcut of 3500 mm');
    await click('Mark cut');
    const sent = http.expectOne('/api/cuts').request.body as SaveCuts;
    expect([sent.used, sent.pieces.length, sent.left]).toEqual([['open'], 2, []]);
  });

  it('leave a rig out on a tap', async () => {
    await show(now);
    await click('R-1');
    await planned();
    expect(text()).toContain('all from the shelf');
    expect(text()).not.toContain('R-1 F, plate');
  });

  it('say when nothing is to be cut, and when somebody else cut it first', async () => {
    await show({ ...now, bars: [], plates: [] });
    expect(text()).toContain('No rig in the shop wants');
    f.componentInstance['wanted'].put(now);
    f.componentInstance['plan']();
    await planned();
    await click('Mark cut');
    http
      .expectOne('/api/cuts')
      .flush({ detail: 'a remnant of this plan is no longer on the shelf: plan again' }, { status: 422, statusText: 'x' });
    await f.whenStable();
    expect(text()).toContain('no longer on the shelf');
  });
});
