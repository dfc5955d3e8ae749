import { DeleteButton } from '../controls/delete-button';
import { TextField } from '../controls/text-field';
import { QuantityField } from '../controls/quantity';
import { FileButton } from '../controls/file-button';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addressOf, ROUTES } from '@plain-cleat/api';
import type { Photo } from '@plain-cleat/core/rig';
import { RigStore, type RigState } from '../stores/rig.store';
import { field, liveRows, words } from '../controls/live-form';
import { Said } from '../controls/said';
import { BriefStore } from '../stores/brief.store';
import { Sending } from '../stores/sending';

/** The owner's photos, along the boat at their places. */
@Component({
  selector: 'pc-owner-photos',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Said, FileButton, QuantityField, TextField, DeleteButton],
  template: `
    <div class="spread">
      <h2>Photos</h2>
      <pc-file-button label="Add a photo" icon="photo_camera" accept="image/jpeg,image/png,image/webp" (chosen)="open($event)" />
    </div>
    @if (sending.busy()) {
      <p class="muted" role="status">Saving it, without its location</p>
    }
    <pc-said [of]="sending" />
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
      @for (r of rows(); track r.controls) {
        @let p = r.of;
        <li>
          <a [href]="p.url" target="_blank" rel="noopener"
            ><img [src]="p.url" [alt]="p.photo.caption || p.photo.name" loading="lazy"
          /></a>
          <pc-text-field class="grow" label="What it shows" [control]="r.controls.caption" />
          <pc-quantity
            class="place"
            label="Aft of the bow"
            kind="length"
            placeholder="–"
            [optional]="true"
            [least]="0"
            [most]="state().workup.surface.length"
            [control]="r.controls.x"
          />
          <pc-delete-button [of]="p.photo.name" (pressed)="erase(p.id, p.photo)" />
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
    .place {
      width: 128px;
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
  private readonly brief = inject(BriefStore);
  protected readonly sending = new Sending();
  protected readonly photos = computed(() => {
    const { plan, doc, workup } = this.state();
    return Object.entries(plan.photos)
      .map(([id, photo]) => ({
        id,
        photo,
        url: addressOf(ROUTES.photo, { rig: doc.id, photo: id }),
        at: photo.x === null ? null : (100 * photo.x) / workup.surface.length,
      }))
      .sort((a, b) => (a.photo.x ?? 1e9) - (b.photo.x ?? 1e9));
  });

  protected readonly rows = liveRows(
    () => this.photos(),
    (p) => ({
      caption: words(
        () => p().photo.caption,
        (caption) => this.write(p().id, p().photo, { caption }),
      ),
      x: field(
        () => p().photo.x,
        (x) => this.write(p().id, p().photo, { x }),
      ),
    }),
    (p) => p.id,
  );

  protected open(file: File): void {
    if (this.sending.refuse(file.size > 40_000_000 ? 'The photo is over 40 MB; send a smaller copy.' : '')) return;
    this.sending.send(this.brief.addPhoto(this.state().doc.id, file), ({ id, name, width, height }) => {
      const to: Photo = { name, width, height, x: null, caption: '' };
      this.store.change({ id: crypto.randomUUID(), kind: 'keepPhoto', photo: id, from: null, to });
    });
  }

  private write(photo: string, from: Photo, more: Partial<Photo>): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'keepPhoto', photo, from, to: { ...from, ...more } });
  }

  protected erase(photo: string, from: Photo): void {
    this.store.change({ id: crypto.randomUUID(), kind: 'keepPhoto', photo, from, to: null });
    this.brief.erasePhoto(this.state().doc.id, photo).subscribe({ error: () => undefined });
  }
}
