import { wishIndex } from '@plain-cleat/core/parts/catalog';
import { provideHttpClient } from '@angular/common/http';
import { Screen } from '../testing/screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Wish } from '@plain-cleat/core/rig';
import { OpenRig } from '../testing/open-rig';
import { TEST_PARTS, testPlan } from '../testing/rig';
import BriefStep from './brief';
import { WishImport } from './wish-import';

/** A file chosen in a field. */
function choose(field: HTMLInputElement, name: string, bytes: BlobPart): void {
  const files = new DataTransfer();
  files.items.add(new File([bytes], name));
  field.files = files.files;
  field.dispatchEvent(new Event('change'));
}

describe('an owner’s sheet', () => {
  let http: HttpTestingController;
  let fixture: ComponentFixture<WishImport>;
  let taken: readonly Wish[] = [];
  const text = (): string => ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
  const find = <E extends HTMLElement>(selector: string): E => {
    const found = (fixture.nativeElement as HTMLElement).querySelector<E>(selector);
    if (!found) throw new Error(`no ${selector}: ${text()}`);
    return found;
  };

  beforeEach(async () => {
    taken = [];
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    fixture = TestBed.createComponent(WishImport);
    fixture.componentRef.setInput('parts', TEST_PARTS);
    fixture.componentRef.setInput('index', wishIndex(TEST_PARTS));
    fixture.componentRef.setInput('wishes', { w: { text: 'A lamp', part: null } });
    fixture.componentInstance.added.subscribe((wishes) => (taken = wishes));
    await fixture.whenStable();
  });

  async function read(rows: string[][], columns: (string | null)[] = ['what', 'count', 'price']): Promise<void> {
    choose(find('input[type=file]'), 'wishes.csv', 'x');
    http.expectOne('/api/wish-sheets').flush({ headings: ['Thing', 'Qty', 'Price'], columns, rows, dropped: 0 });
    await fixture.whenStable();
  }

  it('shows each line with its match, and takes nothing before it is told to', async () => {
    await read([
      ['box', '2', '10'],
      ['something unheard of', '', ''],
    ]);
    expect(text()).toContain('2 × box');
    expect(taken).toEqual([]);
    find('.row:last-child .mat-mdc-unelevated-button').click();
    expect(taken).toEqual([
      { text: 'box', part: 'box', count: 2, cents: 1000 },
      { text: 'something unheard of', part: null },
    ]);
  });

  it('asks about a thing that stands in it twice, and leaves out what is on the list already', async () => {
    await read([
      ['box', '1', ''],
      ['Box', '1', ''],
      ['a lamp', '', ''],
    ]);
    expect(text()).toContain('stands in lines 1, 2: 2 wanted, or one?');
    expect(text()).toContain('on the list already');
    find('.ask + button').click();
    await fixture.whenStable();
    find('.row:last-child .mat-mdc-unelevated-button').click();
    expect(taken.map((w) => [w.text, w.count])).toEqual([['box', undefined]]);
  });

  it('asks which column is meant, and has it remembered', async () => {
    await read([['red', 'box', '']], [null, null, null]);
    expect(text()).toContain('Say which column holds what is wished for.');
    await new Screen(fixture).choose('Qty', 'what');
    expect(http.expectOne('/api/wish-headings').request.body).toEqual({ heading: 'Qty', meaning: 'what' });
    expect(text()).toContain('box');
  });

  it('says why a file was refused', async () => {
    choose(find('input[type=file]'), 'old.xls', 'x');
    const problem = {
      type: '',
      title: '',
      status: 422,
      detail: 'file: an old .xls workbook',
      faults: [{ field: 'file', says: 'an old .xls workbook' }],
    };
    http.expectOne('/api/wish-sheets').flush(problem, { status: 422, statusText: 'no' });
    await fixture.whenStable();
    expect(find('[role=alert]').textContent).toContain('file: an old .xls workbook');
    expect(text()).not.toContain('Reading it');
  });
});

describe('an owner’s photos', () => {
  const photo = { name: 'deck.jpg', width: 800, height: 600, x: 900, caption: 'the old plate' };

  it('are kept as changes once the server has them', async () => {
    const rig = await OpenRig.show(BriefStep, testPlan());
    choose(rig.find<HTMLInputElement>('pc-owner-photos input[type=file]'), 'deck.jpg', 'x');
    rig.http.expectOne('/api/rigs/rig-1/photos').flush({ id: 'p1', name: 'deck.jpg', width: 800, height: 600 });
    await rig.fixture.whenStable();
    expect(rig.sentChanges()).toEqual([
      jasmine.objectContaining({
        kind: 'keepPhoto',
        photo: 'p1',
        to: { name: 'deck.jpg', width: 800, height: 600, x: null, caption: '' },
      }),
    ]);
  });

  it('stand along the boat at their place; a wrong place is refused, a photo can be deleted', async () => {
    const rig = await OpenRig.show(BriefStep, { ...testPlan(), photos: { p1: photo } });
    expect(rig.find<HTMLElement>('.pin').style.left).toBe('30%');
    await rig.enter('Aft of the bow', 'far out');
    expect(rig.faultOf('Aft of the bow')).toContain('is not a length');
    await rig.enter('Aft of the bow', '9000 mm');
    expect(rig.faultOf('Aft of the bow')).toContain('From 0 in to 118 1/16 in.');
    await rig.enter('Aft of the bow', '1200 mm');
    await rig.click('pc-owner-photos button', 'Delete deck.jpg');
    expect(rig.sentChanges().map((c) => (c.kind === 'keepPhoto' ? (c.to?.x ?? null) : 0))).toEqual([1200, null]);
    rig.http.expectOne((r) => r.method === 'DELETE' && r.url === '/api/rigs/rig-1/photos/p1');
  });

  it('say why one was not kept', async () => {
    const rig = await OpenRig.show(BriefStep, testPlan());
    choose(rig.find<HTMLInputElement>('pc-owner-photos input[type=file]'), 'deck.gif', 'x');
    const problem = { type: '', title: '', status: 422, detail: 'photo: not a JPEG, PNG or WebP photo' };
    rig.http.expectOne('/api/rigs/rig-1/photos').flush(problem, { status: 422, statusText: 'no' });
    await rig.fixture.whenStable();
    expect(rig.find('pc-owner-photos [role=alert]').textContent).toContain('not a JPEG');
    expect(rig.sentChanges()).toEqual([]);
  });
});
