import { provideHttpClient } from '@angular/common/http';
import { Screen } from '../testing/screen';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { StoresList } from '@plain-cleat/api';
import { type Assembly, assemblySchema } from '@plain-cleat/core/rig';
import { AssemblyView } from '../boat-view/assembly-view';
import { TEST_HULL, TEST_LAMP, TEST_PART, TEST_PARTS, TEST_SHOP } from '../testing/rig';
import Assemblies from './assemblies';
import { spotUnder, startOn, withFoot, withHold, without, withPart, withSpot } from './draft';

describe('an assembly draft', () => {
  const start = startOn(TEST_PART).assembly;
  const one = withPart(start, TEST_LAMP, start.base);
  const two = withPart(one.assembly, TEST_LAMP, one.id);

  it('begins on a part and grows, each part under a name of its own', () => {
    expect(assemblySchema.safeParse({ ...two.assembly, name: 'kit' }).success).toBeTrue();
    expect(Object.keys(two.assembly.fittings)).toEqual(['box', 'lamp', 'lamp-2']);
  });

  it('loses what stands on what is struck, and never its base', () => {
    expect(Object.keys(without(two.assembly, one.id).fittings)).toEqual(['box']);
    expect(without(two.assembly, start.base)).toBe(two.assembly);
  });

  it('stands nothing on itself', () => {
    expect(withFoot(two.assembly, one.id, two.id)).toBe(two.assembly);
    expect(withFoot(two.assembly, two.id, start.base).fittings[two.id]?.place).toEqual({
      on: 'fitting',
      fitting: start.base,
      u: 0,
      v: 0,
      heading: 0,
    });
    expect(withSpot(two.assembly, start.base, { u: 5 })).toEqual(two.assembly);
    expect(withHold(two.assembly, two.id, 'rivet').fittings[two.id]?.mount.hold).toBe('rivet');
  });
});

describe('the assembly bench', () => {
  const kit: Assembly = { ...startOn(TEST_PART).assembly, id: 'kit', name: 'Box alone', version: 3 };
  const stores: StoresList = { range: '', hulls: [TEST_HULL], shop: TEST_SHOP };
  let http: HttpTestingController;
  let f: ComponentFixture<Assemblies>;
  const element = (): HTMLElement => f.nativeElement as HTMLElement;
  const text = (): string => (element().textContent ?? '').replace(/\s+/g, ' ');
  const field = (label: string): HTMLInputElement => new Screen(f).field(label);
  const type = (label: string, value: string): Promise<void> => new Screen(f).enter(label, value);
  const click = async (says: string): Promise<void> => {
    const found = [...element().querySelectorAll('button')].find((b) => b.textContent?.includes(says));
    if (!found) throw new Error(`no ${says}: ${text().slice(0, 300)}`);
    found.click();
    await f.whenStable();
  };
  const press = async (key: string, more: KeyboardEventInit = {}): Promise<void> => {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }));
    await f.whenStable();
  };

  beforeEach(async () => {
    localStorage.setItem('plain-cleat.preferences', '{"units":"metric"}');
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    http = TestBed.inject(HttpTestingController);
    f = TestBed.createComponent(Assemblies);
    http.expectOne('/api/stores').flush(stores);
    http.expectOne('/api/assemblies').flush({ assemblies: [kit], parts: TEST_PARTS });
    await f.whenStable();
  });
  afterEach(() => localStorage.clear());

  it('opens the first of the library, builds on it and keeps the next version', async () => {
    expect(text()).toContain('Box alone');
    expect(text()).toContain('✓ Hull');
    await type('Find a part', 'lamp');
    await click('Add on A');
    await type('B aft of its middle', '-40');
    await type('B turned', '90');
    expect(field('B aft of its middle').value).toBe('−40');
    await click('Save as version 4');
    const call = http.expectOne('/api/assemblies');
    const sent = call.request.body as { assembly: Assembly; expects: number };
    expect(sent.expects).toBe(3);
    expect(sent.assembly.fittings['lamp']?.place).toEqual({ on: 'fitting', fitting: 'box', u: -40, v: 0, heading: 90 });
    call.flush({ ...sent.assembly, version: 4 });
    http.expectOne('/api/assemblies').flush({ assemblies: [{ ...sent.assembly, version: 4 }], parts: [] });
    await f.whenStable();
    expect(text()).toContain('Saved as version 4');
  });

  it('moves by arrows, strikes and takes back', async () => {
    await type('Find a part', 'lamp');
    await click('Add on A');
    await press('ArrowRight');
    await press('ArrowUp');
    expect([field('B aft of its middle').value, field('B to starboard').value]).toEqual(['1', '1']);
    await press('Delete');
    expect(text()).not.toContain('B, Lamp');
    await press('z', { ctrlKey: true });
    await press('z', { ctrlKey: true });
    expect([field('B aft of its middle').value, field('B to starboard').value]).toEqual(['1', '0']);
  });

  it('is dragged on the drawing, to the millimetre', async () => {
    await type('Find a part', 'lamp');
    await click('Add on A');
    const letter = element().querySelector('[data-fitting="lamp"]');
    const svg = element().querySelector('pc-assembly-view svg');
    if (!letter || !svg) return fail('no drawing');
    svg.setPointerCapture = (): void => undefined;
    const at = (kind: string, x: number, on: Element): boolean =>
      on.dispatchEvent(new PointerEvent(kind, { bubbles: true, clientX: x, clientY: 50, pointerId: 1 }));
    at('pointerdown', 100, letter);
    at('pointermove', 130, svg);
    at('pointerup', 130, svg);
    await f.whenStable();
    const moved = Number(field('B aft of its middle').value);
    expect(moved).toBeGreaterThan(0);
    expect(Number.isInteger(moved)).toBeTrue();
  });

  it('says what is missing, by its name', async () => {
    await type('Find a part', 'lamp');
    await click('New on this');
    await click('Save to the library');
    expect(text()).toContain('Name: call it something');
    await type('Name', 'Lamp on a lamp');
    await type('Find a part', 'lamp');
    await click('Add on A');
    await type('B turned', 'half');
    expect(new Screen(f).faultOf('B turned')).toContain('is not a number');
    await type('B to starboard', 'left');
    expect(new Screen(f).faultOf('B to starboard')).toContain('is not a length');
    http.expectNone('/api/assemblies');
  });

  it('spots are in the frame of what carries the part, turned with it', () => {
    const below = { frame: { origin: { x: 100, y: 0, z: 0 }, u: { x: 0, y: -1, z: 0 }, v: { x: 1, y: 0, z: 0 } } };
    const item = { placed: { below } } as never;
    expect(spotUnder(item, { x: 130.3, y: -20.2 }, 'metric')).toEqual({ u: 20, v: 30 });
  });

  it('draws every part from above and from the side', async () => {
    const view = TestBed.createComponent(AssemblyView);
    view.componentRef.setInput('parts', []);
    view.componentRef.setInput('base', 'x');
    await view.whenStable();
    expect((view.nativeElement as HTMLElement).querySelectorAll('path').length).toBe(0);
    const bodies = element().querySelectorAll('pc-assembly-view path').length;
    expect(element().querySelectorAll('pc-assembly-view rect').length).toBe(bodies);
    expect(bodies).toBeGreaterThan(0);
  });
});
