import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { workUp } from '@plain-cleat/core/workup';
import { TEST_HULL, TEST_PART, TEST_SHOP, testPlan } from '../testing/rig';
import { UnitsStore } from '../stores/units.store';
import { Figure } from './figure';
import { HoldButton } from './hold-button';
import { wireThickness } from './lanes';
import { marksOf } from './marks';
import { Scale } from './scale';
import { BoatView } from './boat-view';

const plan = {
  ...testPlan(),
  fittings: {
    g: {
      part: 'box',
      place: { on: 'deck' as const, x: 1500, y: 390, heading: 0 },
      lift: 0,
      mount: { hold: 'loose' as const, plate: false, reason: '' },
      suppliedBy: 'shop' as const,
      note: '',
    },
  },
};
const workup = workUp({
  plan,
  hull: TEST_HULL,
  facts: [],
  catalog: { parts: [TEST_PART], consumables: [] },
  shop: TEST_SHOP,
  asOf: '2026-06-01',
});

beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
});

describe('the scale', () => {
  for (const flipped of [false, true])
    it(`carries millimetres to the drawing and back${flipped ? ', turned round' : ''}`, () => {
      const s = new Scale({ length: 3000, beam: 840 }, 100, flipped);
      expect(s.mmX(s.x(1234))).toBeCloseTo(1234, 9);
      expect(s.mmY(s.y(-321))).toBeCloseTo(-321, 9);
      expect(s.x(0) < s.x(3000)).toBe(!flipped);
      expect(s.y(100) < s.y(-100)).toBe(!flipped);
    });
});

describe('a figure', () => {
  it('stacks its fraction, is spoken whole, and follows the units', async () => {
    const fixture = TestBed.createComponent(Figure);
    fixture.componentRef.setInput('mm', 66.9375 * 25.4);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.querySelector('.hidden')?.textContent).toBe('66 15/16 in');
    expect([...element.querySelectorAll('.frac span')].map((s) => s.textContent)).toEqual(['15', '16']);
    TestBed.inject(UnitsStore).toggle();
    await fixture.whenStable();
    expect(element.querySelector('.hidden')?.textContent).toBe('1700 mm');
    expect(element.querySelector('.frac')).toBeNull();
  });
});

describe('the boat view', () => {
  it('draws every fitting as a named button with how it stands', async () => {
    const fixture = TestBed.createComponent(BoatView);
    fixture.componentRef.setInput('rig', { workup, plan });
    fixture.componentRef.setInput('marks', marksOf(workup));
    const picked: string[] = [];
    fixture.componentInstance.picked.subscribe(({ id }) => picked.push(id));
    await fixture.whenStable();
    const mark = (fixture.nativeElement as HTMLElement).querySelector<SVGGElement>('g.letter');
    expect(mark?.getAttribute('aria-label')).toBe('A, Box, stop');
    mark?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    expect(picked).toEqual(['g']);
    const labels = [...(fixture.nativeElement as HTMLElement).querySelectorAll('.inch')].map((t) => t.textContent);
    expect(labels).toEqual(['12', '24', '36', '48', '60', '72', '84', '96', '108']);
  });

  it('turns a drag into millimetres, keeping the distance to the pointer; taken back by whoever asks, nothing is moved', async () => {
    const fixture = TestBed.createComponent(BoatView);
    const element = fixture.nativeElement as HTMLElement;
    element.style.cssText = 'position: fixed; left: 0; top: 0; width: 930px';
    document.body.append(element);
    fixture.componentRef.setInput('rig', { workup, plan });
    fixture.componentRef.setInput('marks', marksOf(workup));
    const moves: { x: number; y: number; done: boolean }[] = [];
    fixture.componentInstance.moved.subscribe(({ x, y, done }) => moves.push({ x, y, done }));
    await fixture.whenStable();
    const mark = element.querySelector('g.letter');
    if (!mark) return fail('no mark');
    const send = (kind: string, x: number, on: EventTarget = window): void =>
      void on.dispatchEvent(new MouseEvent(kind, { clientX: x, clientY: 100, bubbles: true, cancelable: true, view: window }));
    send('mousedown', 400, mark);
    send('mousemove', 402);
    expect(moves).toEqual([]);
    send('mousemove', 450);
    send('mouseup', 450);
    const perMm = fixture.componentInstance.boat().scale.perMm;
    expect(moves.map((m) => m.done)).toEqual([false, true]);
    for (const { x, y } of moves) {
      expect(x).toBeCloseTo(1500 + 50 / perMm, 1);
      expect(y).toBeCloseTo(390, 1);
    }
    moves.length = 0;
    send('mousedown', 400, mark);
    send('mousemove', 450);
    expect(fixture.componentInstance.putBack()).toBeTrue();
    send('mousemove', 470);
    send('mouseup', 470);
    expect(moves.map((m) => m.done)).toEqual([false]);
    expect(fixture.componentInstance.putBack()).toBeFalse();
    element.remove();
  });

  it('thicker wire is drawn thicker', () => {
    expect(wireThickness(6)).toBeGreaterThan(wireThickness(16));
    expect(wireThickness(null)).toBe(1);
  });
});

describe('the hold button', () => {
  it('does nothing on a tap', async () => {
    const fixture = TestBed.createComponent(HoldButton);
    let held = 0;
    fixture.componentInstance.held.subscribe(() => held++);
    await fixture.whenStable();
    const button = (fixture.nativeElement as HTMLElement).querySelector('button');
    button?.dispatchEvent(new PointerEvent('pointerdown'));
    button?.dispatchEvent(new PointerEvent('pointerup'));
    button?.querySelector('.fill')?.dispatchEvent(new TransitionEvent('transitionend'));
    expect(held).toBe(0);
    button?.dispatchEvent(new PointerEvent('pointerdown'));
    button?.querySelector('.fill')?.dispatchEvent(new TransitionEvent('transitionend'));
    expect(held).toBe(1);
  });
});
