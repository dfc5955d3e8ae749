import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ComponentRef,
  Directive,
  effect,
  type EmbeddedViewRef,
  inject,
  input,
  TemplateRef,
  untracked,
  ViewContainerRef,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import type { Loader } from '../stores/loaded';

/** In place of what is not here yet: that it is on its way, or why it did not come and a way to ask again. */
@Component({
  selector: 'pc-not-loaded',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatProgressBarModule],
  template: `
    @if (fault()) {
      <p class="fault" role="alert">Not loaded: {{ fault() }}</p>
      <button mat-stroked-button type="button" (click)="of().load()">Try again</button>
    } @else {
      <p class="muted" role="status">{{ waits() }}</p>
      <mat-progress-bar mode="indeterminate" [attr.aria-label]="waits()" />
    }
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class NotLoaded {
  readonly of = input.required<Pick<Loader<unknown>, 'loaded' | 'load'>>();
  readonly waits = input.required<string>();
  protected readonly fault = computed(() => {
    const now = this.of().loaded();
    return now.is === 'failed' ? now.says : '';
  });
}

interface Shown<T> {
  $implicit: T;
}

/**
 * Shows a page once what it is of is here; before, that it is on its way, or why it did not come.
 * @example <div *pcWhenLoaded="shop; waits: 'Loading the settings'; let settings">
 */
@Directive({ selector: '[pcWhenLoaded]' })
export class WhenLoaded<T> {
  readonly of = input.required<Loader<T>>({ alias: 'pcWhenLoaded' });
  /** What is said while it is on its way. */
  readonly waits = input.required<string>({ alias: 'pcWhenLoadedWaits' });
  private readonly view = inject(ViewContainerRef);
  private readonly page = inject<TemplateRef<Shown<T>>>(TemplateRef);
  private shown: EmbeddedViewRef<Shown<T>> | null = null;
  private waiting: ComponentRef<NotLoaded> | null = null;

  static ngTemplateContextGuard<T>(_: WhenLoaded<T>, _context: unknown): _context is Shown<T> {
    return true;
  }

  constructor() {
    effect(() => {
      const value = this.of().value();
      untracked(() => (value === null ? this.wait() : this.show(value)));
    });
  }

  private show(value: T): void {
    if (this.shown) this.shown.context.$implicit = value;
    else {
      this.view.clear();
      this.waiting = null;
      this.shown = this.view.createEmbeddedView(this.page, { $implicit: value });
    }
    this.shown.markForCheck();
  }

  private wait(): void {
    this.shown = null;
    if (!this.waiting) {
      this.view.clear();
      this.waiting = this.view.createComponent(NotLoaded);
    }
    this.waiting.setInput('of', this.of());
    this.waiting.setInput('waits', this.waits());
  }
}
