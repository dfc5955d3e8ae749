import type { Page } from '@playwright/test';

/**
 * What of a page's text cannot be read: the page is wider than its window, a text is cut off by what it stands in
 * without an ellipsis, two texts lie over each other, or something else lies over one. What scrolls is looked at where
 * it is scrolled to.
 */
export const troublesOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    interface Piece {
      readonly element: Element;
      readonly says: string;
      readonly box: DOMRect;
      /** How tall its line is, seen or not. */
      readonly tall: number;
    }
    const SLACK = 2;
    const troubles: string[] = [];
    const root = document.documentElement;
    if (root.scrollWidth > root.clientWidth + 1) troubles.push(`the page is ${root.scrollWidth - root.clientWidth} px too wide`);

    const cut = (a: DOMRect, b: DOMRect): DOMRect => {
      const [left, top] = [Math.max(a.left, b.left), Math.max(a.top, b.top)];
      return new DOMRect(left, top, Math.min(a.right, b.right) - left, Math.min(a.bottom, b.bottom) - top);
    };
    const kept = <T>(of: (element: Element) => T): ((element: Element) => T) => {
      const known = new Map<Element, T>();
      return (element) => {
        const found = known.get(element) ?? of(element);
        known.set(element, found);
        return found;
      };
    };
    const styleOf = kept((element) => getComputedStyle(element));
    /** Said to who hears it alone, or not shown at all. */
    const unseen = kept((element) => {
      const style = styleOf(element);
      return (
        style.visibility === 'hidden' ||
        Number(style.opacity) === 0 ||
        style.clipPath.startsWith('inset') ||
        style.clip === 'rect(0px, 0px, 0px, 0px)'
      );
    });
    /** What an element goes with when the page scrolls: the page itself, or something fixed or sticky. */
    const stuckTo = kept((element): Element => {
      for (let up: Element | null = element; up; up = up.parentElement) if (/fixed|sticky/.test(styleOf(up).position)) return up;
      return root;
    });
    const pieces: Piece[] = [];
    /** One line of a text: is it cut off, and what of it is seen? */
    const look = (element: Element, says: string, whole: DOMRect): void => {
      let box = whole;
      for (let up: Element | null = element; up && up !== document.body; up = up.parentElement) {
        if (unseen(up)) return;
        const style = styleOf(up);
        const [cutsX, cutsY] = [style.overflowX !== 'visible', style.overflowY !== 'visible'];
        if ((!cutsX && !cutsY) || up instanceof SVGElement) continue;
        const frame = up.getBoundingClientRect();
        const scrolls = /auto|scroll/.test(style.overflowX + style.overflowY);
        const shortened = style.textOverflow === 'ellipsis' || style.webkitLineClamp !== 'none';
        const out =
          (cutsX && (box.right > frame.right + SLACK || box.left < frame.left - SLACK)) ||
          (cutsY && (box.bottom > frame.bottom + SLACK || box.top < frame.top - SLACK));
        if (out && !scrolls && !shortened) troubles.push(`“${says.slice(0, 40)}” is cut off by ${up.className || up.tagName}`);
        if (out) box = cut(box, frame);
        if (box.width < 2 || box.height < 2) return;
      }
      box = cut(box, new DOMRect(0, 0, innerWidth, innerHeight));
      if (box.width < 2 || box.height < 2) return;
      // What sticks may lie over what scrolls under it.
      const over = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
      if (over && stuckTo(over) !== stuckTo(element)) return;
      pieces.push({ element, says, box, tall: whole.height });
    };
    // What lies under a dialog is not read.
    const dialog = document.querySelector('mat-dialog-container');
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const says = (node.textContent ?? '').trim();
      const element = node.parentElement;
      if (
        !says ||
        !element ||
        (dialog && !dialog.contains(element)) ||
        element.closest('title, style, script, mat-icon, [aria-hidden=true] > .mat-ripple')
      )
        continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const lines = Array.from(range.getClientRects()).filter((r) => r.width >= 1 && r.height >= 1);
      for (const line of lines) look(element, says, line);
    }
    pieces.forEach((a, i) => {
      for (const b of pieces.slice(i + 1)) {
        if (a.element === b.element) continue;
        const both = cut(a.box, b.box);
        // The boxes of two lines may touch; their letters do not before a third of a line lies over the other.
        if (both.width <= SLACK || both.height <= Math.min(a.tall, b.tall) / 3) continue;
        if (stuckTo(a.element) !== stuckTo(b.element)) continue;
        troubles.push(`“${a.says.slice(0, 40)}” and “${b.says.slice(0, 40)}” lie over each other`);
      }
      // A mark on the boat may not hide a word.
      const [x, y] = [a.box.left + a.box.width / 2, a.box.top + a.box.height / 2];
      const top = document.elementFromPoint(x, y);
      const mark = top?.closest('g.letter');
      if (mark && !mark.contains(a.element))
        troubles.push(`“${a.says.slice(0, 40)}” lies under ${mark.getAttribute('aria-label')}`);
    });
    return [...new Set(troubles)];
  });
