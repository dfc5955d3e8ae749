import { Glass } from './glass';

describe('the glass over the boat', () => {
  it('keeps what is pointed at where it is seen, and never leaves the drawing', () => {
    const glass = new Glass(() => 400);
    expect(glass.viewBox()).toBe('0 0 930 400');
    glass.to(2, 465, 200);
    expect(glass.viewBox()).toBe('232.5 100 465 200');
    glass.to(4, 0, 0);
    expect(glass.view().x).toBe(0);
    glass.to(100, 930, 400);
    expect(glass.k()).toBe(8);
    expect(glass.view().x + glass.view().w).toBeLessThanOrEqual(930);
    glass.closer(10, 10);
    expect(glass.k()).toBe(1);
  });

  it('moves only while it is held, and by as much as the hand', () => {
    const glass = new Glass(() => 400);
    glass.to(2, 465, 200);
    const at = (x: number, y: number): PointerEvent => new PointerEvent('pointermove', { clientX: x, clientY: y });
    expect(glass.move(at(50, 0), 930)).toBeFalse();
    glass.hold(at(0, 0));
    expect(glass.move(at(2, 0), 930)).toBeFalse();
    expect(glass.move(at(100, 0), 930)).toBeTrue();
    expect(glass.view().x).toBeCloseTo(232.5 - 50, 6);
    glass.letGo();
    expect(glass.move(at(500, 0), 930)).toBeFalse();
    glass.whole();
    expect(glass.viewBox()).toBe('0 0 930 400');
  });
});
