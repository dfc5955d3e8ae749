import { provideHttpClient } from '@angular/common/http';
import { Screen } from '../testing/screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, provideRouter } from '@angular/router';
import { hullModelSchema, type HullModel } from '@plain-cleat/core/boat/hull';
import { of } from 'rxjs';
import { TEST_HULL } from '../testing/rig';
import type { FeatureList } from '../rows/feature-rows';
import { FEATURES } from './features';
import HullMeasure from './hull-measure';
import { draftFault, draftOf, idOf, modelOf, newDraft } from './hull-draft';
import Hulls from './hulls';

describe('a hull draft', () => {
  it('of a model gives the model back', () => {
    const draft = draftOf(TEST_HULL);
    const { fairing: _, ...model } = modelOf(draft, TEST_HULL);
    expect(model).toEqual(TEST_HULL);
  });

  it('new ones make a hull the schema takes, once named', () => {
    const draft = newDraft();
    expect(draftFault(draft)?.join('')).toContain('Name:');
    const named = { ...draft, rest: { ...draft.rest, name: 'Féroce 12', maker: 'Maker' } };
    expect(draftFault(named)).toBeNull();
    expect(idOf('Féroce 12')).toBe('feroce-12');
    expect(hullModelSchema.safeParse(modelOf(named)).success).toBeTrue();
  });

  it('says which station is out of order', () => {
    const draft = newDraft();
    const swapped = { ...draft, rest: { ...draft.rest, name: 'n', maker: 'm' }, readings: [...draft.readings].reverse() };
    expect(draftFault(swapped)?.join('')).toContain('out of order');
  });
});

describe('lists of things on a hull', () => {
  for (const list of FEATURES)
    it(`${list.name}: a fresh row goes into the model and out again, by the schema`, () => {
      const before = { ...TEST_HULL, [list.key]: [] };
      const model = list.into(before, [list.fresh(1)]);
      expect(hullModelSchema.safeParse(model).success).withContext(JSON.stringify(model[list.key])).toBeTrue();
      expect(list.into(before, list.rows(model))).toEqual(model);
    });

  it('tubes behind the wall are kept as they are', () => {
    const tube = {
      id: 't',
      name: 'rudder tube',
      kind: 'rudder tube' as const,
      shape: 'tube' as const,
      radius: 8,
      path: [
        { x: 0, y: 0, z: 0 },
        { x: 9, y: 0, z: 0 },
      ],
    };
    const [boxes, tubes] = FEATURES.filter((f) => f.key === 'hazards') as [FeatureList, FeatureList];
    const model = boxes.into({ ...TEST_HULL, hazards: [tube] }, [boxes.fresh(1)]);
    expect(model.hazards.map((h) => h.shape)).toEqual(['box', 'tube']);
    expect([boxes.rows(model).length, tubes.rows(model).length]).toEqual([1, 1]);
    expect(tubes.into(model, tubes.rows(model)).hazards).toEqual(model.hazards);
  });

  it('a hatch without a hinge lifts off; with one its lid opens', () => {
    const list = FEATURES.find((f) => f.key === 'hatches') as FeatureList;
    const row = list.fresh(1);
    expect(list.into(TEST_HULL, [row]).hatches[0]?.lid).toBeUndefined();
    expect(list.into(TEST_HULL, [{ ...row, 'lid.hinge': 'fore' }]).hatches[0]?.lid).toEqual({
      hinge: 'fore',
      turns: 100,
      thick: 15,
    });
  });
});

describe('the hull screens', () => {
  let http: HttpTestingController;
  const provide = (hull: string): void => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter([]),
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: ActivatedRoute, useValue: { paramMap: of(convertToParamMap({ hull })) } },
      ],
    });
    http = TestBed.inject(HttpTestingController);
  };
  const textOf = (f: ComponentFixture<unknown>): string =>
    ((f.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ');
  const submit = (f: ComponentFixture<unknown>): Promise<void> => new Screen(f).submit();

  it('list the library and the owners’ boats, and keep what is written of one', async () => {
    provide('');
    const f = TestBed.createComponent(Hulls);
    await f.whenStable();
    expect(textOf(f)).toContain('Loading the hulls');
    http
      .expectOne('/api/hull-models')
      .flush([{ id: 'h', revision: 1, maker: 'M', name: 'Hull', kind: 'sit-on-top', traits: [], length: 3000, beam: 800 }]);
    http.expectOne('/api/hulls').flush([
      {
        id: 'own',
        owner: { id: 'o', name: 'Petra' },
        model: 'h',
        serial: '',
        year: null,
        colour: '',
        notes: '',
        facts: 2,
        rigs: [],
      },
    ]);
    await f.whenStable();
    expect(textOf(f)).toContain('M Hull');
    (f.nativeElement as HTMLElement).querySelector<HTMLButtonElement>('td button')?.click();
    await f.whenStable();
    const shown = new Screen(f);
    await shown.enter('Year', '24');
    await submit(f);
    expect(shown.faultOf('Year')).toContain('Four figures');
    await shown.enter('Year', '2024');
    await submit(f);
    expect(http.expectOne('/api/hulls/own').request.body).toEqual(jasmine.objectContaining({ year: 2024 }));
  });

  it('say what went wrong when the server does not answer', async () => {
    provide('');
    const f = TestBed.createComponent(Hulls);
    http.expectOne('/api/hull-models').error(new ProgressEvent('down'));
    http.match('/api/hulls');
    await f.whenStable();
    expect(textOf(f)).toContain('The server does not answer');
  });

  it('measure a hull: a bad length is refused by station, sides that differ are pointed out, a good one is kept', async () => {
    provide('test-hull');
    const f = TestBed.createComponent(HullMeasure);
    http.expectOne('/api/hull-models/test-hull').flush(TEST_HULL);
    await f.whenStable();
    const shown = new Screen(f);
    await shown.enter('Station 3, port half-breadth', 'wide');
    expect(shown.faultOf('Station 3, port half-breadth')).toContain('"wide" is not a length');
    await shown.enter('Station 3, port half-breadth', '440 mm');
    expect(textOf(f)).toContain('Station 3: port and starboard differ by');
    const save = [...(f.nativeElement as HTMLElement).querySelectorAll('button')].find((b) =>
      b.textContent?.includes('Save as a new revision'),
    );
    save?.click();
    const sent = http.expectOne('/api/hull-models').request.body as { model: HullModel; expects: number };
    expect([sent.expects, sent.model.stations[2]?.halfBreadth]).toEqual([1, 430]);
  });

  it('a new hull without a name is not sent', async () => {
    provide('new');
    const f = TestBed.createComponent(HullMeasure);
    await f.whenStable();
    [...(f.nativeElement as HTMLElement).querySelectorAll('button')]
      .find((b) => b.textContent?.includes('Save this hull'))
      ?.click();
    await f.whenStable();
    expect(textOf(f)).toContain('Name: what the hull is called.');
    http.expectNone('/api/hull-models');
  });
});
