import { provideHttpClient } from '@angular/common/http';
import { Screen } from '../testing/screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { HullLedger } from '@plain-cleat/api';
import type { NewFact } from '@plain-cleat/core/rig';
import { TEST_HULL, TEST_SHOP } from '../testing/rig';
import Ledger from './ledger';

describe('the ledger of a hull', () => {
  let http: HttpTestingController;
  let f: ComponentFixture<Ledger>;
  const time = '2026-05-01T10:00:00Z';
  const measured = { hullRevision: 1, datum: 'bow', run: 'taut' as const, reading: 1200, offCentre: -50, down: null };
  const found = {
    id: '00000000-0000-4000-8000-000000000001',
    kind: 'holeFound' as const,
    rig: null,
    deviceTime: time,
    serverTime: time,
    by: 'Mara Voss',
    hole: 'old-1',
    label: 'O1',
    bit: 6.4,
    says: 'by the last owner',
    measured,
  };
  const ledger = (facts: HullLedger['facts']): HullLedger => ({
    hull: {
      id: 'h',
      owner: { id: 'o', name: 'Ada Quill' },
      model: 'test-hull',
      serial: 'S-1',
      year: 2021,
      colour: 'sand',
      notes: '',
      facts: 1,
      rigs: [],
    },
    model: TEST_HULL,
    facts,
    holes: [{ rig: 'R-9', label: 'A1', of: 'Lamp', at: { x: 1100, y: 0, z: 300 }, bit: 4.8, fact: null, held: false }],
    shop: TEST_SHOP,
  });
  const element = (): HTMLElement => f.nativeElement as HTMLElement;
  const text = (): string => (element().textContent ?? '').replace(/\s+/g, ' ');
  const click = async (says: string): Promise<void> => {
    const all = [...element().querySelectorAll('button')];
    const one = all.find((b) => b.textContent?.trim() === says) ?? all.find((b) => b.textContent?.includes(says));
    if (!one) throw new Error(`no ${says}`);
    one.click();
    await f.whenStable();
  };
  const sent = (): NewFact[] => {
    const call = http.expectOne('/api/hulls/h/facts');
    const { facts } = call.request.body as { facts: NewFact[] };
    call.flush({ factCount: 2, facts: [] });
    return facts;
  };

  beforeEach(async () => {
    localStorage.setItem('plain-cleat.preferences', '{"units":"metric"}');
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    f = TestBed.createComponent(Ledger);
    f.componentRef.setInput('own', 'h');
    f.detectChanges();
    http.expectOne('/api/hulls/h/ledger').flush(ledger([found]));
    await f.whenStable();
  });
  afterEach(() => localStorage.clear());

  it('shows every hole with its state, drawn and in a list', () => {
    expect(text()).toContain("Ada Quill's Hull");
    expect([...element().querySelectorAll('tbody tr')].map((r) => r.querySelectorAll('td')[1]?.textContent)).toEqual([
      'planned',
      'open',
    ]);
    expect(element().querySelectorAll('circle.open').length).toBe(1);
    expect(element().querySelector('svg')?.getAttribute('aria-label')).toContain('2 holes: 1 planned');
  });

  it('plugs an open one, saying with what, and takes one back that was never there', async () => {
    await click('O1');
    const shown = new Screen(f);
    await shown.enter('Plug with', ' ');
    await shown.submit('aside form');
    expect(shown.faultOf('Plug with')).toContain('Say what');
    await shown.enter('Plug with', 'nylon plug');
    await shown.submit('aside form');
    expect(sent()).toEqual([jasmine.objectContaining({ kind: 'holePlugged', hole: found.id, with: 'nylon plug', rig: null })]);
    http.expectOne('/api/hulls/h/ledger').flush(ledger([found]));
    await f.whenStable();
    await click('Delete this hole');
    expect(sent()).toEqual([jasmine.objectContaining({ kind: 'tookBack', fact: found.id })]);
  });

  it('takes in a found hole, and refuses by its field what is none', async () => {
    const shown = new Screen(f);
    const add = async (reading: string, bit = '6'): Promise<void> => {
      await shown.enter('Called', 'O2');
      await shown.enter('From bow, taut', reading);
      await shown.enter('How wide', bit);
      await shown.submit('.found:last-of-type');
    };
    await add('there');
    expect(shown.faultOf('From bow, taut')).toContain('"there" is not a length');
    await add('9000');
    expect(shown.faultOf('From bow, taut')).toContain('From 0 mm to 3100 mm.');
    await add('900', '0.5');
    expect(shown.faultOf('How wide')).toContain('From 1 mm to 200 mm.');
    await shown.enter('Off centre', '40');
    await shown.choose('Side', 'starboard');
    await shown.enter('Note', 'sharp edge');
    await add('900');
    expect(sent()).toEqual([
      jasmine.objectContaining({
        kind: 'holeFound',
        label: 'O2',
        bit: 6,
        measured: jasmine.objectContaining({ reading: 900, offCentre: 40 }) as never,
      }),
    ]);
  });

  it('shows what a list holds before it is kept', async () => {
    f.componentInstance['store'].readFound('x', 'metric').subscribe((l) => f.componentInstance['list'].set(l));
    const hole = { label: 'X1', datum: 'bow', reading: 800, offCentre: 0, down: null, bit: 5, plugged: 'wax', says: '' };
    http.expectOne('/api/found-holes').flush({ holes: [hole], faults: [{ line: 3, column: 'bit', says: 'not a length' }] });
    await f.whenStable();
    expect(text()).toContain('line 3, bit: not a length');
    await click('Save 1 holes');
    expect(sent().map((one) => one.kind)).toEqual(['holeFound', 'holePlugged']);
  });
});
