import { provideZonelessChangeDetection } from '@angular/core';
import { Screen } from '../testing/screen';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { UnitsStore } from '../stores/units.store';
import { FeatureRows } from '../rows/feature-list';
import type { Row } from '../rows/feature-rows';
import { FEATURES } from '../hulls/features';
import { type FlatPhoto, PhotoMarking } from './photo-marking';

const textOf = (f: ComponentFixture<unknown>): string =>
  ((f.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
const all = <E extends Element>(f: ComponentFixture<unknown>, selector: string): E[] => [
  ...(f.nativeElement as HTMLElement).querySelectorAll<E>(selector),
];

beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
});

describe('a list of things on the hull', () => {
  const tracks = FEATURES.find((l) => l.key === 'tracks');

  async function show(rows: readonly Row[]): Promise<{ f: ComponentFixture<FeatureRows>; sent: Row[][] }> {
    const f = TestBed.createComponent(FeatureRows);
    f.componentRef.setInput('list', tracks);
    f.componentRef.setInput('rows', rows);
    const sent: Row[][] = [];
    f.componentInstance.changed.subscribe((r) => sent.push([...r]));
    await f.whenStable();
    // What is folded away is made when it is opened.
    await new Screen(f).click('mat-expansion-panel-header');
    return { f, sent };
  }
  it('is typed in the units of the moment, and nonsense is refused by its cell', async () => {
    const { f, sent } = await show([tracks?.fresh(1) ?? {}]);
    const shown = new Screen(f);
    expect(shown.field('track 1, from').value).toBe('47 1/4');
    await shown.enter('track 1, from', 'bowish');
    expect(shown.faultOf('track 1, from')).toContain('"bowish" is not a length');
    expect(shown.field('track 1, from').getAttribute('aria-invalid')).toBe('true');
    expect(sent).toEqual([]);
    await shown.enter('track 1, from', '1300 mm');
    expect(sent[0]?.[0]?.['fore']).toBe(1300);
    TestBed.inject(UnitsStore).toggle();
    await f.whenStable();
    expect(shown.field('track 1, to').value).toBe('1600');
  });

  it('stock on a track is told by the track and how far along it; on the deck by both ways', () => {
    const stock = FEATURES.find((l) => l.key === 'stock');
    if (!stock) return fail('no list of stock');
    const track = { id: 'track-1', name: 'track', side: 'port', fore: 1200, aft: 1700, y: -300, height: 300 };
    const hull = {
      stations: [],
      tracks: [track],
      rails: [],
      stock: [{ id: 's', part: 'p', place: { on: 'insert', insert: 'i', heading: 0 }, hold: 'insert' }],
    };
    const [deck] = [stock.fresh(1)];
    const model = stock.into(hull as never, [
      { ...deck, 'place.on': 'track' },
      { ...deck, id: 'two' },
    ]);
    expect(model.stock?.map((s) => s.place)).toEqual([
      { on: 'track', track: 'track-1', x: 1000, heading: 0 },
      { on: 'deck', x: 1000, y: 0, heading: 0 },
      { on: 'insert', insert: 'i', heading: 0 },
    ]);
    expect(stock.rows(model).map((r) => r['place.on'])).toEqual(['track', 'deck']);
  });

  it('adds rows under names of their own, and deletes them', async () => {
    const { f, sent } = await show([tracks?.fresh(2) ?? {}]);
    all<HTMLButtonElement>(f, 'button')
      .find((b) => b.textContent?.includes('Add track'))
      ?.click();
    expect(sent[0]?.map((r) => r['id'])).toEqual(['track-2', 'track-3']);
    all<HTMLButtonElement>(f, 'button')
      .find((b) => b.getAttribute('aria-label') === 'Delete track 1')
      ?.click();
    expect(sent[1]).toEqual([]);
  });
});

describe('the photo desk', () => {
  /** A brown boat on dark water with a white rectangle: 0.25 pixels a millimetre. */
  async function picture(): Promise<Blob> {
    const canvas = new OffscreenCanvas(1000, 400);
    const paper = canvas.getContext('2d');
    if (!paper) throw new Error('no paper');
    paper.fillStyle = '#345';
    paper.fillRect(0, 0, 1000, 400);
    paper.fillStyle = '#c96';
    paper.fillRect(50, 95, 875, 210);
    return canvas.convertToBlob({ type: 'image/png' });
  }
  async function settled(f: ComponentFixture<unknown>, says: () => boolean): Promise<void> {
    while (!says()) {
      await new Promise((next) => setTimeout(next, 20));
      await f.whenStable();
    }
  }
  function choose(f: ComponentFixture<unknown>, bytes: Blob): void {
    const [input] = all<HTMLInputElement>(f, 'input[type=file]');
    const files = new DataTransfer();
    files.items.add(new File([bytes], 'above.png', { type: 'image/png' }));
    if (!input) throw new Error('no field');
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
  }
  function show(): ComponentFixture<PhotoMarking> {
    const f = TestBed.createComponent(PhotoMarking);
    f.componentRef.setInput('length', 3500);
    f.componentRef.setInput('beam', 840);
    return f;
  }
  function mark(f: ComponentFixture<unknown>, x: number, y: number): void {
    const [svg] = all<SVGSVGElement>(f, 'svg.photo');
    const box = svg?.getBoundingClientRect();
    if (!svg || !box) throw new Error('no photo');
    const k = box.width / 1000;
    svg.dispatchEvent(new MouseEvent('click', { clientX: box.left + x * k, clientY: box.top + y * k, bubbles: true }));
  }

  it('says when a file is no photo', async () => {
    const f = show();
    await f.whenStable();
    choose(f, new Blob(['no picture']));
    await settled(f, () => textOf(f).includes('Photo: damaged'));
    expect(all(f, 'svg.photo').length).toBe(0);
  });

  it('asks for the four corners in turn, says how far to trust them, and lays the photo flat', async () => {
    const f = show();
    await f.whenStable();
    choose(f, await picture());
    await settled(f, () => all(f, 'svg.photo').length === 1);
    expect(textOf(f)).toContain('Tap the forward port corner');
    for (const [x, y] of [
      [250, 275],
      [750, 275],
      [750, 125],
      [250, 125],
    ] as const) {
      mark(f, x, y);
      await f.whenStable();
    }
    expect(textOf(f)).toContain('Four marks set.');
    expect(textOf(f)).toContain('A slip of a pixel or two in a mark moves the ends');
    let flat: FlatPhoto | undefined;
    f.componentInstance.flat.subscribe((p) => (flat = p));
    all<HTMLButtonElement>(f, 'button')
      .find((b) => b.textContent?.includes('Lay it under'))
      ?.click();
    await settled(f, () => flat !== undefined);
    expect(flat?.url).toMatch(/^blob:/);
    expect([flat?.fore, flat?.aft]).toEqual([-100, 3600]);
  });
});
