import { Zoomed } from './zoomed';

/** A drawing of 930 by 400 on the page, that may be zoomed. */
function held(moves = true): { readonly svg: SVGSVGElement; readonly zoomed: Zoomed } {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  svg.setAttribute('viewBox', '0 0 930 400');
  svg.style.width = '930px';
  svg.style.position = 'absolute';
  svg.style.left = '0';
  svg.style.top = '0';
  document.body.append(svg);
  const zoomed = new Zoomed();
  zoomed.hold(
    svg,
    () => [930, 400],
    () => moves,
  );
  return { svg, zoomed };
}

const wheel = (svg: Element, deltaY: number, ctrlKey = true): boolean =>
  svg.dispatchEvent(new WheelEvent('wheel', { deltaY, ctrlKey, clientX: 465, clientY: 200, bubbles: true, cancelable: true }));

/** Dragged with the mouse from one point to another. */
function dragged(svg: Element, from: number, to: number): void {
  const at = (kind: string, x: number, on: EventTarget): boolean =>
    on.dispatchEvent(new MouseEvent(kind, { clientX: x, clientY: 200, bubbles: true, cancelable: true, view: window }));
  at('mousedown', from, svg);
  at('mousemove', (from + to) / 2, window);
  at('mousemove', to, window);
  at('mouseup', to, window);
}

describe('a drawing seen closer', () => {
  afterEach(() => document.querySelectorAll('body > svg').forEach((svg) => svg.remove()));

  it('twice as close keeps what is asked for where it is seen, never leaves the drawing, and at the closest is the whole again', () => {
    const { zoomed } = held();
    zoomed.closer([465, 200]);
    expect([zoomed.k(), zoomed.view()]).toEqual([2, { x: 232.5, y: 100 }]);
    zoomed.closer([0, 0]);
    expect(zoomed.k()).toBe(4);
    expect(zoomed.view()).toEqual({ x: 0, y: 0 });
    zoomed.closer([930, 400]);
    expect(zoomed.view().x + 930 / zoomed.k()).toBeLessThanOrEqual(930 + 1e-9);
    zoomed.closer([10, 10]);
    expect(zoomed.k()).toBe(1);
  });

  it('goes by the wheel with Ctrl, and by the wheel alone the page goes', () => {
    const { svg, zoomed } = held();
    expect(wheel(svg, -100, false)).toBeTrue();
    expect(zoomed.k()).toBe(1);
    expect(wheel(svg, -100)).toBeFalse();
    expect(zoomed.k()).toBeCloseTo(Math.SQRT2, 3);
    for (let i = 0; i < 9; i++) wheel(svg, -100);
    expect(zoomed.k()).toBe(8);
    zoomed.whole();
    expect(zoomed.k()).toBe(1);
    for (let i = 0; i < 5; i++) wheel(svg, -100);
    expect(zoomed.k()).toBeGreaterThan(4);
    // Not twice as close any more, and no closer than the closest.
    zoomed.closer([465, 200]);
    expect(zoomed.k()).toBe(8);
  });

  it('is moved by as much as the hand, only where it is closer and may be', () => {
    const { svg, zoomed } = held();
    dragged(svg, 500, 400);
    expect(zoomed.view().x).toBeCloseTo(0, 9);
    zoomed.closer([465, 200]);
    dragged(svg, 500, 400);
    expect(zoomed.view().x).toBeCloseTo(232.5 + 50, 6);
    const other = held(false);
    other.zoomed.closer([465, 200]);
    dragged(other.svg, 500, 400);
    expect(other.zoomed.view().x).toBeCloseTo(232.5, 6);
  });
});
