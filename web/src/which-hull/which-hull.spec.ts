import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Screen } from '../testing/screen';
import { TEST_HULL, TEST_SHOP } from '../testing/rig';
import { HullAsks, type ChosenHull } from './hull-asks';

const heavy = { ...TEST_HULL, id: 'heavy-hull', name: 'Heavy', massKg: 60, capacityKg: 90 };
const summary = (hull: typeof TEST_HULL) => ({
  ...{ id: hull.id, maker: hull.maker, name: hull.name, kind: hull.kind, traits: [], revision: 1, length: 3000, beam: 840 },
  ...{ material: hull.material, massKg: hull.massKg, capacityKg: hull.capacityKg },
});

describe('which hull', () => {
  const chosen: ChosenHull[] = [];
  const show = async (): Promise<{ screen: Screen<HullAsks>; http: HttpTestingController }> => {
    chosen.length = 0;
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    const http = TestBed.inject(HttpTestingController);
    const fixture = TestBed.createComponent(HullAsks);
    fixture.componentInstance.chosen.subscribe((one) => chosen.push(one));
    await fixture.whenStable();
    return { screen: new Screen(fixture), http };
  };

  it('ranks the hulls by what is answered, says why, and gives the answers on with the one that is chosen', async () => {
    const { screen, http } = await show();
    expect(screen.text).toContain('Asking the shop');
    http.expectOne('/api/shop').flush(TEST_SHOP);
    await screen.fixture.whenStable();
    expect(screen.text).toContain('Loading the hulls');
    http.expectOne('/api/hull-models').flush([summary(heavy), summary(TEST_HULL)]);
    http.expectOne('/api/hull-models/heavy-hull').flush(heavy);
    http.expectOne('/api/hull-models/test-hull').flush(TEST_HULL);
    await screen.fixture.whenStable();
    const titles = [...screen.element.querySelectorAll('mat-panel-title')].map((e) => e.textContent?.trim());
    expect(titles).toEqual(['Maker Hull', 'Maker Heavy']);
    expect(screen.find('mat-panel-description.stop').textContent).toContain('does not suit');
    await screen.enter('Weight', '230 lb');
    await screen.click('button', 'Choose Hull');
    expect(chosen).toEqual([jasmine.objectContaining({ hull: 'test-hull' }) as never]);
    expect(chosen[0]?.brief.weightKg).toBeCloseTo(104.3, 1);
    expect(chosen[0]?.brief.way?.by).toBe('carried');
  });

  it('a bad figure is said and stays at what is usual', async () => {
    const { screen, http } = await show();
    http.expectOne('/api/shop').flush(TEST_SHOP);
    await screen.enter('Weight', 'heavy');
    expect(screen.faultOf('Weight')).toContain('is not a weight');
  });

  it('says so when the hulls cannot be read, and asks again', async () => {
    const { screen, http } = await show();
    http.expectOne('/api/shop').flush(TEST_SHOP);
    await screen.fixture.whenStable();
    http.expectOne('/api/hull-models').flush('', { status: 500, statusText: 'no' });
    await screen.fixture.whenStable();
    await screen.click('button', 'Try again');
    http.expectOne('/api/hull-models').flush([]);
    await screen.fixture.whenStable();
    expect(screen.text).toContain('The shop knows no hull yet');
  });
});
