import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { OwnerPage } from '@plain-cleat/api';
import OwnerPageScreen from './owner-page';

const both = (en: string, fr: string) => ({ en, fr });
const page: OwnerPage = {
  shop: { name: 'Shop', place: 'Here' },
  number: 'R-1',
  title: 'a rig',
  hull: 'Maker Hull',
  owner: 'Owner',
  units: 'imperial',
  outline: [
    [0, 0],
    [1500, 400],
    [3000, 0],
  ],
  length: 3000,
  contents: [{ letter: 'B', name: both('Box', 'Boîte'), things: ['camera', 'spare card'] }],
  launch: [{ letter: 'B', name: both('Box', 'Boîte'), says: both('from the car', 'dans la voiture') }],
  launchMinutes: 3,
  controls: [{ letter: 'B', does: both('steers', 'dirige'), hands: both('left hand: motoring', 'main gauche: au moteur') }],
  older: [{ label: 'O1', reading: 900, from: 'stern tip', plugged: 'nylon plug' }],
  signedOn: '2026-06-05',
  stops: [
    {
      fitting: 'a',
      letter: 'A',
      name: both('Net', 'Épuisette'),
      x: 600,
      y: 0,
      use: both('Lift it.', 'La lever.'),
      road: both('Off.', 'Ôter.'),
      care: both('Look.', 'Voir.'),
      cameWith: 0,
      holes: [
        { label: 'A1', reading: 635, from: 'bow tip', state: 'planned' },
        { label: 'A2', reading: 700, from: 'bow tip', state: 'used again' },
      ],
      shown: true,
    },
    {
      fitting: 'b',
      letter: 'B',
      name: both('Box', 'Boîte'),
      x: 2200,
      y: -200,
      use: both('Shut it.', 'La fermer.'),
      road: both('On.', 'Garder.'),
      care: both('Dry it.', 'Sécher.'),
      cameWith: 2,
      holes: [],
      shown: true,
    },
  ],
};

describe("the owner's page", () => {
  let fixture: ComponentFixture<OwnerPageScreen>;
  let http: HttpTestingController;
  const text = (): string => (fixture.nativeElement as HTMLElement).textContent ?? '';
  const click = async (selector: string): Promise<void> => {
    (fixture.nativeElement as HTMLElement).querySelector<HTMLElement>(selector)?.click();
    await fixture.whenStable();
  };

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideRouter([]), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    fixture = TestBed.createComponent(OwnerPageScreen);
    fixture.componentRef.setInput('token', 'abc');
    fixture.detectChanges();
  });

  it('says what is in what, in both languages', async () => {
    http.expectOne('/api/owner/abc').flush(page);
    await fixture.whenStable();
    await click('mat-expansion-panel-header');
    expect(text()).toContain('What is in what');
    expect(text()).toContain('B, Box: camera, spare card');
    expect(text()).toContain('B steers: left hand: motoring');
    expect(text()).toContain('At the water: 3 minutes');
    expect(text()).toContain('B, Box: from the car');
    await click('header button');
    expect(text()).toContain('B, Boîte: camera, spare card');
  });

  it('opens at the bow, one stop at a time', async () => {
    http.expectOne('/api/owner/abc').flush(page);
    await fixture.whenStable();
    expect(text()).toContain('Lift it.');
    expect(text()).not.toContain('Shut it.');
    expect(text()).toContain('an old hole used again');
    expect(text()).toContain('O1 35 7/16 in from stern tip, closed with nylon plug');
    expect(text()).toContain('A1 25 in');
    await click('li:nth-child(2) button');
    expect(text()).toContain('Shut it.');
    expect(text()).not.toContain('Lift it.');
    expect(text()).toContain('Signed for 5 June 2026');
  });

  it('speaks both languages', async () => {
    http.expectOne('/api/owner/abc').flush(page);
    await fixture.whenStable();
    await click('header .link');
    expect(text()).toContain('de la proue à la poupe');
    expect(text()).toContain('La lever.');
    expect(text()).toContain(', prévu');
    expect(text()).toContain('PROUE');
    expect(text()).not.toContain('BOW');
  });

  it('says when the link has ended', async () => {
    http.expectOne('/api/owner/abc').flush({ detail: 'ask the shop for a new link' }, { status: 410, statusText: 'Gone' });
    await fixture.whenStable();
    expect(text()).toContain('ask the shop for a new one');
  });
});
