import { signal } from '@angular/core';
import { finalize, type Observable } from 'rxjs';
import { wordsOf } from './problems';

/**
 * What a screen sends: whether something is on its way, why the last was not taken, what was done with it. What was sent
 * goes on when the screen is left.
 */
export class Sending {
  private readonly on = signal(0);
  private readonly why = signal('');
  private readonly what = signal('');
  /** Why it was not taken, in words; empty when it was. */
  readonly fault = this.why.asReadonly();
  /** What was done, in words; empty when there is nothing to say. */
  readonly done = this.what.asReadonly();

  readonly busy = (): boolean => this.on() > 0;

  /**
   * Sends it. What was said of the one before goes.
   * @param taken what follows once it was taken; words that it answers are shown
   * @param words what went wrong, in words
   */
  send<T>(call: Observable<T>, taken: (answer: T) => string | void, words: (error: unknown) => string = wordsOf): void {
    this.clear();
    this.on.update((n) => n + 1);
    call.pipe(finalize(() => this.on.update((n) => n - 1))).subscribe({
      next: (answer) => this.what.set(taken(answer) ?? ''),
      error: (error: unknown) => this.why.set(words(error)),
    });
  }

  /** It cannot be sent so, and why; nothing, and what was said goes. Whether it cannot. */
  refuse(why: string): boolean {
    this.what.set('');
    this.why.set(why);
    return why !== '';
  }

  say(done: string): void {
    this.why.set('');
    this.what.set(done);
  }

  clear(): void {
    this.refuse('');
  }
}
