import type { ComponentFixture } from '@angular/core/testing';

/** A screen as somebody sees it: its fields by their labels, its buttons by their words. */
export class Screen<T> {
  constructor(readonly fixture: ComponentFixture<T>) {}

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ');
  }

  /** The first element of a selector that says so, or of the selector alone. */
  find<E extends Element = HTMLElement>(selector: string, says?: string): E {
    const all = [...this.element.querySelectorAll<E>(selector)];
    const found =
      says === undefined
        ? all[0]
        : all.find((e) => (e.textContent ?? '').replace(/\s+/g, ' ').includes(says) || e.getAttribute('aria-label') === says);
    if (!found) throw new Error(`no ${selector} that says ${says}: ${this.text.slice(0, 400)}`);
    return found;
  }

  async click(selector: string, says?: string): Promise<void> {
    this.find(selector, says).dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await this.fixture.whenStable();
  }

  /** The control of a label, on its frame or spoken alone. */
  private control<E extends HTMLElement>(label: string, kind: string): E {
    const framed = [...this.element.querySelectorAll('mat-form-field')].find(
      (f) => f.querySelector('mat-label')?.textContent?.trim() === label,
    );
    const found = framed?.querySelector<E>(kind) ?? this.element.querySelector<E>(`:is(${kind})[aria-label="${label}"]`);
    if (!found) throw new Error(`no field ${label}: ${this.text.slice(0, 400)}`);
    return found;
  }

  field = (label: string): HTMLInputElement => this.control<HTMLInputElement>(label, 'input, textarea');

  /** Types into the field of a label and leaves it. */
  async enter(label: string, value: string): Promise<void> {
    await this.put(this.field(label), value);
  }

  /** Types into the field of a selector and leaves it. */
  async type(selector: string, value: string): Promise<void> {
    await this.put(this.find<HTMLInputElement>(selector), value);
  }

  private async put(input: HTMLInputElement, value: string): Promise<void> {
    input.value = value;
    for (const event of ['input', 'change']) input.dispatchEvent(new Event(event, { bubbles: true }));
    input.dispatchEvent(new Event('blur'));
    await this.fixture.whenStable();
  }

  /** What is wrong with the field of a label, in words. */
  faultOf = (label: string): string =>
    this.control(label, 'input, textarea, mat-select')
      .closest('mat-form-field')
      ?.querySelector('mat-error')
      ?.textContent?.trim() ?? '';

  /** Opens the choices of a label and takes one. */
  async choose(label: string, says: string): Promise<void> {
    this.control(label, 'mat-select').click();
    await this.fixture.whenStable();
    const option = [...document.querySelectorAll<HTMLElement>('mat-option')].find((o) => o.textContent?.trim() === says);
    if (!option) throw new Error(`${label} does not offer ${says}`);
    option.click();
    await this.fixture.whenStable();
  }

  /** Types part of what it is called into the field of a label, and picks the first that is offered. */
  async pick(label: string, part: string): Promise<void> {
    const input = this.field(label);
    input.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
    input.value = part;
    input.dispatchEvent(new Event('input', { bubbles: true }));
    await this.fixture.whenStable();
    const option = document.querySelector<HTMLElement>('.mat-mdc-autocomplete-panel mat-option:not(.mdc-list-item--disabled)');
    if (!option) throw new Error(`${label} offers nothing for ${part}`);
    option.click();
    await this.fixture.whenStable();
  }

  /** Sends the form, the first one or that of a selector. */
  async submit(selector = 'form'): Promise<void> {
    this.find(selector).dispatchEvent(new Event('submit', { cancelable: true }));
    await this.fixture.whenStable();
  }
}
