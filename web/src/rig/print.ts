import { Directive, inject, input } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { wordsOf } from '../stores/problems';
import { RigStore } from '../stores/rig.store';

/**
 * A link to a paper of the open rig. Before the first one the letters of what is aboard are fixed for good, so that
 * paper and boat go on saying the same; then the paper is fetched.
 */
@Directive({ selector: 'a[pcPrint]', host: { '[attr.href]': 'pcPrint()', '(click)': 'print($event)' } })
export class Print {
  private readonly store = inject(RigStore);
  private readonly snack = inject(MatSnackBar);
  /** Where the paper is. */
  readonly pcPrint = input.required<string>();

  protected print(event: Event): void {
    const state = this.store.state();
    if (!state || state.plan.letters !== null || Object.keys(state.plan.fittings).length === 0) return;
    event.preventDefault();
    this.store.fixLetters(state.doc.id).subscribe({
      next: () => this.fetch(),
      error: (error: unknown) => this.snack.open(`Not printed: ${wordsOf(error)}`, 'Close'),
    });
  }

  /** What a click on a link to a file does. */
  private fetch(): void {
    const link = document.createElement('a');
    link.href = this.pcPrint();
    link.download = '';
    link.click();
  }
}
