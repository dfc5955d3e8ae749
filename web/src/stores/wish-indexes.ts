import { Injectable } from '@angular/core';
import { wishIndex, type WishIndex } from '@plain-cleat/core/parts/catalog';
import type { Part } from '@plain-cleat/core/parts/parts';

/** The names of parts, read once for every screen that goes by the words of the trade: reading thousands takes most of a second. */
@Injectable({ providedIn: 'root' })
export class WishIndexes {
  private last: WishIndex | null = null;

  of(parts: readonly Part[]): WishIndex {
    if (this.last?.parts !== parts) this.last = wishIndex(parts);
    return this.last;
  }
}
