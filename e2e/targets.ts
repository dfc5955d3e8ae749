import type { Page } from '@playwright/test';

/** A finger, in a glove too: so tall and wide is what can be pressed, px. */
const FINGER = 44;

/**
 * What of a page is too small to press: buttons, links, ticks and fields under 44 px, each with the room about it that
 * presses it too. A link within a sentence is as tall as its line, and has a sentence's room.
 */
export const smallTargetsOf = (page: Page): Promise<string[]> =>
  page.evaluate((finger) => {
    const dialog = document.querySelector('mat-dialog-container');
    const found = new Set<string>();
    /** How far what is drawn before or after an element reaches, px. */
    const reach = (element: Element, side: 'width' | 'height'): number[] =>
      ['::before', '::after'].map((part) => {
        const style = getComputedStyle(element, part);
        return style.content !== 'none' && style.position === 'absolute' ? parseFloat(style[side]) : 0;
      });
    const pressed =
      'button, a[href], [role=button], [role=tab], [role=option], [role=menuitem], [role=switch], mat-checkbox, mat-radio-button, .mat-mdc-text-field-wrapper, .mat-mdc-select-trigger';
    for (const element of Array.from(document.querySelectorAll<HTMLElement>(pressed))) {
      if (dialog && !dialog.contains(element)) continue;
      const style = getComputedStyle(element);
      if (
        style.visibility === 'hidden' ||
        (element as HTMLButtonElement).disabled ||
        element.closest('[aria-hidden=true], [inert]')
      )
        continue;
      if (
        element.matches('.mat-mdc-text-field-wrapper *') ||
        (element.matches('[role=switch]') && element.closest('mat-slide-toggle'))
      )
        continue;
      const own = element.getBoundingClientRect();
      if (own.width < 2 || own.height < 2) continue;
      // Hidden but for who hears it.
      if (style.clipPath.startsWith('inset')) continue;
      const text = element.parentElement?.textContent?.trim() ?? '';
      const within = element.matches('a') && style.display.startsWith('inline') && text !== element.textContent?.trim();
      if (within && element.closest('p')) continue;
      let [left, top, right, bottom] = [own.left, own.top, own.right, own.bottom];
      // A mark on the boat has its room under all marks.
      const mark = element.getAttribute('data-fitting');
      const rooms = mark
        ? document.querySelectorAll(`[data-touch="${mark}"]`)
        : element.querySelectorAll('[class*=touch-target], [class*=-touch]');
      for (const more of Array.from(rooms)) {
        const box = more.getBoundingClientRect();
        [left, top, right, bottom] = [
          Math.min(left, box.left),
          Math.min(top, box.top),
          Math.max(right, box.right),
          Math.max(bottom, box.bottom),
        ];
      }
      const tall = Math.max(bottom - top, ...reach(element, 'height'));
      const wide = Math.max(right - left, ...reach(element, 'width'));
      if (tall >= finger - 0.5 && wide >= finger - 0.5) continue;
      const says = (element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40);
      const kind = `${element.tagName.toLowerCase()}.${(element.getAttribute('class') ?? '').split(' ').slice(0, 3).join('.')}`;
      found.add(`“${says}” (${kind}) is ${Math.round(wide)} × ${Math.round(tall)}, under ${finger} px`);
    }
    return [...found];
  }, FINGER);
