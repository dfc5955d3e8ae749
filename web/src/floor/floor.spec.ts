import { provideHttpClient } from '@angular/common/http';
import { Screen } from '../testing/screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MatDialogRef } from '@angular/material/dialog';
import { provideRouter } from '@angular/router';
import type { Floor, RigSummary } from '@plain-cleat/api';
import FloorPage from './floor';
import { FloorStore } from '../stores/floor.store';
import { NewRig } from '../rigs/new-rig';
import Rigs from '../rigs/rigs';
import { Tablet } from '../stores/tablet';

const rig = (number: string, more: Partial<RigSummary> = {}): RigSummary => ({
  id: number,
  number,
  title: 'a rig',
  owner: 'Owner',
  hull: 'Hull',
  outline: 0,
  place: 'bench 1',
  promised: '2026-06-05',
  progress: { done: 2, total: 10, next: 'Drill A', toSettle: {}, stops: 0 },
  ...more,
});
const floor: Floor = {
  shop: 'Shop',
  today: '2026-06-03',
  outlines: [
    [
      [0, 0],
      [1500, 400],
      [3000, 0],
    ],
  ],
  rigs: [
    rig('R-1'),
    rig('R-2', { place: 'yard', promised: '2026-06-01' }),
    rig('R-3', { place: 'handed over' }),
    rig('R-4', { promised: null, progress: { done: 0, total: 4, next: 'Settle 1 stop', toSettle: { 'lay out': 1 }, stops: 1 } }),
  ],
};

describe('the shop', () => {
  let http: HttpTestingController;
  const close = jasmine.createSpy('close');

  beforeEach(() => {
    close.calls.reset();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: MatDialogRef, useValue: { close } },
      ],
    });
    http = TestBed.inject(HttpTestingController);
  });

  it('lists the rigs this tablet kept while the server does not answer', async () => {
    const tablet = TestBed.inject(Tablet);
    await tablet.empty();
    await tablet.saveRig({ id: 'r7', number: 'R-7', plan: { title: 'kept' }, hull: { name: 'Hull' } } as never);
    const fixture = TestBed.createComponent(FloorPage);
    const kept = TestBed.inject(FloorStore).kept;
    http.expectOne('/api/floor').error(new ProgressEvent('error'), { status: 0, statusText: '' });
    for (let i = 0; i < 200 && kept().length === 0; i++) await new Promise((r) => setTimeout(r, 5));
    await fixture.whenStable();
    const link = (fixture.nativeElement as HTMLElement).querySelector<HTMLAnchorElement>('.facts a');
    expect([link?.textContent, link?.getAttribute('href')]).toEqual(['R-7', '/rigs/r7/drill']);
  });

  it('lays each hull where it lies and counts what is late', async () => {
    const fixture = TestBed.createComponent(FloorPage);
    http.expectOne('/api/floor').flush(floor);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const rooms = [...element.querySelectorAll('.room')].map(
      (r) => `${r.querySelector('h3')?.textContent}: ${r.querySelectorAll('article').length}`,
    );
    expect(rooms).toEqual(['Bench 1: 2', 'Bench 2: 0', 'Curing rack: 0', 'Yard: 1', "Owner's move: 0", 'Handed over: 1']);
    expect(element.textContent).toContain('3 in the shop, 1 late');
    expect([...element.querySelectorAll('aside li a')].map((a) => a.textContent)).toEqual(['R-2', 'R-1', 'R-4', 'R-4']);
  });

  it('says when the floor does not load, and tries again', async () => {
    const fixture = TestBed.createComponent(FloorPage);
    http.expectOne('/api/floor').error(new ProgressEvent('error'), { status: 0, statusText: '' });
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.textContent).toContain('Not loaded: The server does not answer');
    await new Screen(fixture).click('button', 'Try again');
    http.expectOne('/api/floor').flush({ ...floor, rigs: [] });
    await fixture.whenStable();
    expect(element.textContent).toContain('No rig is open.');
  });

  it('finds rigs by anything said of them, and refuses a rig file too large', async () => {
    const fixture = TestBed.createComponent(Rigs);
    http.expectOne('/api/rigs').flush({
      today: floor.today,
      rigs: floor.rigs.map(({ outline: _, progress: { next }, ...rig }) => ({ ...rig, next })),
    });
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const find = element.querySelector<HTMLInputElement>('input[type=search]');
    if (find) find.value = 'r-3';
    find?.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(element.querySelectorAll('tbody tr').length).toBe(1);
  });

  it('keeps what is typed when the list of hulls comes late', async () => {
    const fixture = TestBed.createComponent(NewRig);
    await fixture.whenStable();
    const hull = new Screen(fixture).field('Hull');
    hull.dispatchEvent(new Event('focusin'));
    hull.value = 'sit-on';
    hull.dispatchEvent(new Event('input'));
    http.expectOne('/api/owners').flush([]);
    http
      .expectOne('/api/hull-models')
      .flush([{ id: 'h', revision: 1, maker: 'M', name: 'H', kind: 'sit-on-top', traits: [], length: 3000, beam: 800 }]);
    await fixture.whenStable();
    expect(hull.value).toBe('sit-on');
  });

  it('opens a rig only with a name, a use and a hull, naming what is missing', async () => {
    const fixture = TestBed.createComponent(NewRig);
    http.expectOne('/api/owners').flush([{ id: 'o1', name: 'Known Owner', email: '' }]);
    http
      .expectOne('/api/hull-models')
      .flush([{ id: 'h', revision: 1, maker: 'M', name: 'H', kind: 'sit-on-top', traits: [], length: 3000, beam: 800 }]);
    await fixture.whenStable();
    const shown = new Screen(fixture);
    await shown.submit();
    expect([shown.faultOf("Owner's name"), shown.faultOf('What the rig is for')]).toEqual([
      'Who is the rig for?',
      'A few words.',
    ]);
    expect(shown.faultOf('Hull')).toBe('Choose one of the list.');
    await shown.enter("Owner's name", 'New Owner');
    await shown.enter('What the rig is for', 'a rig');
    await shown.enter('E-mail, if any', 'nobody');
    await shown.submit();
    expect(shown.faultOf('E-mail, if any')).toContain('An address like');
    await shown.enter('E-mail, if any', '');
    await shown.enter('Hull', 'no such hull');
    expect(shown.field('Hull').value).toBe('');
    await shown.pick('Hull', 'sit-on');
    expect(shown.field('Hull').value).toBe('M H · sit-on-top · 118 1/8 in × 31 1/2 in');
    await shown.submit();
    const call = http.expectOne('/api/rigs');
    expect(call.request.body).toEqual({
      title: 'a rig',
      owner: { name: 'New Owner', email: '' },
      hull: 'h',
      ownHull: null,
      serial: '',
      promised: null,
    });
    call.flush({ id: 'rig-9', number: 'R-9' });
    expect(close).toHaveBeenCalledWith('rig-9');
  });

  it('opens a rig for an owner who was here before, on their own boat; another of the same name is asked about', async () => {
    const fixture = TestBed.createComponent(NewRig);
    http.expectOne('/api/owners').flush([
      { id: 'o1', name: 'Known Owner', email: 'one@example.com' },
      { id: 'o2', name: 'Other Person', email: '' },
    ]);
    const model = { revision: 1, maker: 'M', kind: 'sit-on-top', traits: [], length: 3000, beam: 800 };
    http.expectOne('/api/hull-models').flush([{ ...model, id: 'h', name: 'H' }]);
    await fixture.whenStable();
    const shown = new Screen(fixture);
    await shown.enter("Owner's name", 'known owner');
    expect(shown.text).toContain('Somebody of this name was here before');
    await shown.pick("Owner's name", 'one@ex');
    const hull = { model: 'h', serial: 'S-7', year: null, colour: 'sand', notes: '', facts: 3, rigs: [] };
    http.expectOne('/api/hulls').flush([
      { ...hull, id: 'b1', owner: { id: 'o1', name: 'Known Owner' } },
      { ...hull, id: 'b2', owner: { id: 'o2', name: 'Other Person' } },
    ]);
    await fixture.whenStable();
    expect(shown.text).toContain('Was here before.');
    await shown.pick('Hull', 'their');
    expect(shown.field('Hull').value).toBe('their H · S-7 · sand · its ledger goes on');
    await shown.enter('What the rig is for', 'a rig');
    await shown.submit();
    expect(http.expectOne('/api/rigs').request.body).toEqual(
      jasmine.objectContaining({ owner: { id: 'o1' }, hull: 'h', ownHull: 'b1' }),
    );
    // Another owner has other boats.
    await shown.enter("Owner's name", 'Somebody Else');
    expect(shown.field('Hull').value).toBe('');
  });
});
