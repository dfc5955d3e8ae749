import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { AddedPhoto } from '@plain-cleat/api';
import { parseLength, type Photo, printFigure } from '@plain-cleat/core';
import { RigStore, type RigState } from '../stores/rig.store';
import { wordsOf } from '../stores/session.store';
import { UnitsStore } from '../stores/units.store';

/** The owner's photos, along the boat at their places. */
@Component({
  selector: 'pc-owner-photos',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="spread">
      <h2>Photos</h2>
      <label class="way"
        >Add a photo<input class="hidden" type="file" accept="image/jpeg,image/png,image/webp" (change)="open($event)"
      /></label>
    </div>
    @if (busy()) {
      <p class="muted" role="status">Keeping it, without its location</p>
    }
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
    @if (photos().length) {
      <div class="boat" aria-hidden="true">
        @for (p of photos(); track p.id) {
          @if (p.at !== null) {
            <span class="pin" [style.left.%]="p.at"></span>
          }
        }
      </div>
    }
    <ul>
      @for (p of photos(); track p.id) {
        <li>
          <a [href]="p.url" target="_blank" rel="noopener"
            ><img [src]="p.url" [alt]="p.photo.caption || p.photo.name" loading="lazy"
          /></a>
          <label class="field grow"
            ><span>What it shows</span
            ><input
              #caption
              maxlength="200"
              [value]="p.photo.caption"
              (change)="write(p.id, p.photo, { caption: caption.value })"
          /></label>
          <label class="field"
            ><span>Aft of the bow</span
            ><input
              #place
              class="short"
              [value]="p.place"
              placeholder="–"
              [attr.aria-invalid]="bad() === p.id"
              (change)="put(p.id, p.photo, place.value)"
          /></label>
          <button class="link" type="button" [attr.aria-label]="'Erase ' + p.photo.name" (click)="erase(p.id, p.photo)">
            erase
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    li {
      display: flex;
      gap: 10px;
      align-items: end;
      padding: 6px 0;
      border-bottom: 1px solid var(--line);
    }
    img {
      width: 92px;
      height: 68px;
      object-fit: cover;
      display: block;
      border-radius: 3px;
    }
    .short {
      width: 84px !important;
    }
    .boat {
      position: relative;
      height: 14px;
      margin: 8px 0;
      background: var(--hull);
      border: 1px solid var(--edge);
      border-radius: 50% / 100%;
    }
    .pin {
      position: absolute;
      top: -3px;
      width: 4px;
      height: 18px;
      background: var(--look);
    }
  `,
})
export class OwnerPhotos {
  readonly state = input.required<RigState>();
  private readonly store = inject(RigStore);
  private readonly http = inject(HttpClient);
  private readonly units = inject(UnitsStore);
  protected readonly fault = signal('');
  protected readonly bad = signal('');
  protected readonly busy = signal(false);
  protected readonly photos = computed(() => {
    const { plan, doc, workup } = this.state();
    return Object.entries(plan.photos)
      .map(([id, photo]) => ({
        id,
        photo,
        url: `/api/rigs/${doc.id}/photos/${id}`,
        place: photo.x === null ? '' : printFigure(photo.x, this.units.system()),
        at: photo.x === null ? null : (100 * photo.x) / workup.surface.length,
      }))
      .sort((a, b) => (a.photo.x ?? 1e9) - (b.photo.x ?? 1e9));
  });

  protected open(event: Event): void {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.fault.set(file.size > 40_000_000 ? 'The photo is over 40 MB; send a smaller copy.' : '');
    if (this.fault()) return;
    const form = new FormData();
    form.append('photo', file);
    this.busy.set(true);
    this.http.post<AddedPhoto>(`/api/rigs/${this.state().doc.id}/photos`, form).subscribe({
      next: ({ id, name, width, height }) => {
        this.busy.set(false);
        const to: Photo = { name, width, height, x: null, caption: '' };
        this.store.change({ id: crypto.randomUUID(), kind: 'keepPhoto', photo: id, from: null, to });
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.fault.set(wordsOf(error));
      },
    });
  }

  protected write(photo: string, from: Photo, more: Partial<Photo>): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'keepPhoto', photo, from, to: { ...from, ...more } });
  }

  protected put(photo: string, from: Photo, text: string): void {
    const read = parseLength(text, this.units.system());
    const none = text.trim() === '';
    const ok = none || (read.ok && read.mm >= 0 && read.mm <= this.state().workup.surface.length);
    this.bad.set(ok ? '' : photo);
    this.fault.set(ok ? '' : `Place of the photo: ${read.ok ? 'on the boat' : read.says}.`);
    if (ok) this.write(photo, from, { x: none || !read.ok ? null : read.mm });
  }

  protected erase(photo: string, from: Photo): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'keepPhoto', photo, from, to: null });
    this.http.delete(`/api/rigs/${this.state().doc.id}/photos/${photo}`).subscribe({ error: () => undefined });
  }
}
