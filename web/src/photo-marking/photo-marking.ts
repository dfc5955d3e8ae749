import { pointIn } from '../boat-view/pointer';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { QuantityField } from '../controls/quantity';
import { FileButton } from '../controls/file-button';
import { MatButtonModule } from '@angular/material/button';
import { homography, type Picture, type Spot, trust } from '@plain-cleat/core/boat/hull';
import { printLength } from '@plain-cleat/core/base/units';
import { wrap } from 'comlink';
import { UnitsStore } from '../stores/units.store';
import type { PhotoWorker } from '../workers/photo.worker';
import { field, fieldsOf, liveForm } from '../controls/live-form';

/** A photo seen from straight above, to scale: a picture and the part of the deck it shows, mm. */
export interface FlatPhoto {
  readonly url: string;
  readonly fore: number;
  readonly aft: number;
  readonly port: number;
  readonly starboard: number;
}

const MOST_PIXELS = 60_000_000;
/** What the worker is given at the most: enough for a millimetre or two a pixel. */
const WORKED = 6_000_000;
const CORNERS = ['forward port', 'aft port', 'aft starboard', 'forward starboard'] as const;

/** From an overhead photo to a picture under the boat view: four taped marks, then straightened in a worker. */
@Component({
  selector: 'pc-photo-marking',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, FileButton, QuantityField],
  template: `
    <h2>From a photo</h2>
    <p class="small">Tape a rectangle on the deck, measure it, take the photo from as high as you can.</p>
    <pc-file-button
      [label]="picture() ? 'Choose another photo' : 'Choose a photo'"
      accept="image/jpeg,image/png,image/webp"
      (chosen)="open($event)"
    />
    @if (picture(); as p) {
      <!-- Marks are points of a picture; who cannot point takes the tape, in the table of stations. -->
      <!-- eslint-disable-next-line @angular-eslint/template/click-events-have-key-events -->
      <svg
        class="photo"
        [attr.viewBox]="'0 0 ' + p.width + ' ' + p.height"
        role="img"
        aria-label="The photo as taken"
        (click)="mark($event)"
      >
        <image [attr.href]="p.url" [attr.width]="p.width" [attr.height]="p.height" />
        @for (m of marks(); track $index) {
          <circle [attr.cx]="m[0]" [attr.cy]="m[1]" [attr.r]="p.width / 90" />
          <text [attr.x]="m[0] + p.width / 60" [attr.y]="m[1]" [attr.font-size]="p.width / 30">{{ $index + 1 }}</text>
        }
      </svg>
      <p class="small" role="status">
        {{ marks().length < 4 ? 'Tap the ' + corners[marks().length] + ' corner of the rectangle.' : 'Four marks set.' }}
        @if (marks().length) {
          <button mat-button class="link" type="button" (click)="marks.set([])">Start over</button>
        }
      </p>
      <div class="two">
        @for (f of fields(); track f.key) {
          <pc-quantity
            [label]="f.name"
            kind="length"
            [least]="f.least"
            [most]="9000"
            [optional]="f.key === 'check'"
            [control]="form.controls[f.key]"
          />
        }
      </div>
      @if (trusted(); as t) {
        <p class="small">{{ t }}</p>
      }
      <button mat-flat-button type="button" [disabled]="marks().length < 4 || working()" (click)="flatten()">
        {{ working() ? 'Straightening' : 'Lay it under the drawing' }}
      </button>
    }
    @if (fault()) {
      <p class="fault" role="alert">{{ fault() }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 8px;
    }
    .photo {
      width: 100%;
      cursor: crosshair;
      border: 1px solid var(--edge);
    }
    .photo circle {
      fill: none;
      stroke: #f3d98b;
      stroke-width: 0.5%;
    }
    .photo text {
      fill: #f3d98b;
      font-weight: 600;
    }
  `,
})
export class PhotoMarking {
  readonly length = input.required<number>();
  readonly beam = input.required<number>();
  readonly flat = output<FlatPhoto>();
  private readonly units = inject(UnitsStore);
  protected readonly corners = CORNERS;
  protected readonly picture = signal<{ url: string; width: number; height: number; bitmap: ImageBitmap } | null>(null);
  protected readonly marks = signal<readonly Spot[]>([]);
  protected readonly fault = signal('');
  protected readonly working = signal(false);
  protected readonly taped = signal({ fore: 800, long: 2000, wide: 600, check: 0 });
  private worker?: Worker;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
  }

  protected readonly fields = computed(() => {
    const t = this.taped();
    return [
      { key: 'fore' as const, name: 'Forward edge, aft of bow', value: t.fore, least: 0 },
      { key: 'long' as const, name: 'Its length', value: t.long, least: 50 },
      { key: 'wide' as const, name: 'Its width', value: t.wide, least: 50 },
      { key: 'check' as const, name: 'Its diagonal, measured', value: t.check || null, least: 50 },
    ];
  });

  private readonly deck = computed((): Spot[] => {
    const { fore, long, wide } = this.taped();
    return [
      [fore, -wide / 2],
      [fore + long, -wide / 2],
      [fore + long, wide / 2],
      [fore, wide / 2],
    ];
  });

  protected readonly trusted = computed(() => {
    const marks = this.marks();
    const picture = this.picture();
    if (marks.length < 4 || !picture) return null;
    const [a, , c] = marks;
    const { check } = this.taped();
    const checks = check > 0 && a && c ? [{ from: a, to: c, mm: check }] : [];
    const ends: Spot[] = [
      [picture.width * 0.05, picture.height / 2],
      [picture.width * 0.95, picture.height / 2],
    ];
    const t = trust(marks, this.deck(), checks, ends);
    if (!t) return 'Three marks lie in one line: mark the four corners anew.';
    const print = (mm: number): string => printLength(mm, this.units.system(), 'up');
    const slip = `A slip of a pixel or two in a mark moves the ends ${print(t.marks)}.`;
    return t.residual === null
      ? `${slip} Measure the diagonal too, and it says how far off the rectangle is.`
      : `The diagonal is off by ${print(t.residual)}. ${slip}`;
  });

  protected readonly form = liveForm(
    fieldsOf(['fore', 'long', 'wide', 'check'], (key) =>
      field<number | null>(
        () => this.fields().find((f) => f.key === key)?.value ?? null,
        (mm) => this.taped.update((t) => ({ ...t, [key]: mm ?? 0 })),
      ),
    ),
  );

  protected async open(file: File): Promise<void> {
    this.fault.set('');
    let bitmap: ImageBitmap;
    try {
      bitmap = await createImageBitmap(file);
    } catch {
      this.fault.set('Photo: damaged, cut short, or not a JPEG, PNG or WebP.');
      return;
    }
    const pixels = bitmap.width * bitmap.height;
    if (pixels > MOST_PIXELS) {
      this.fault.set(`Photo: ${Math.ceil(pixels / 1_000_000)} megapixels; at most 60. Send a smaller copy.`);
      return;
    }
    const old = this.picture();
    if (old) URL.revokeObjectURL(old.url);
    this.marks.set([]);
    this.picture.set({ url: URL.createObjectURL(file), width: bitmap.width, height: bitmap.height, bitmap });
  }

  protected mark(event: MouseEvent): void {
    const p = this.picture();
    if (!p || this.marks().length >= 4) return;
    const at = pointIn(event);
    this.marks.update((all) => [...all, at]);
  }

  protected async flatten(): Promise<void> {
    const p = this.picture();
    if (!p) return;
    const k = Math.min(1, Math.sqrt(WORKED / (p.width * p.height)));
    const canvas = new OffscreenCanvas(Math.round(p.width * k), Math.round(p.height * k));
    const paper = canvas.getContext('2d', { willReadFrequently: true });
    const h = homography(
      this.marks().map(([x, y]): Spot => [x * k, y * k]),
      this.deck(),
    );
    if (!paper || !h) {
      this.fault.set('Marks: three lie in one line; mark the four corners anew.');
      return;
    }
    this.working.set(true);
    paper.drawImage(p.bitmap, 0, 0, canvas.width, canvas.height);
    const { data } = paper.getImageData(0, 0, canvas.width, canvas.height);
    this.worker ??= new Worker(new URL('../workers/photo.worker', import.meta.url), { type: 'module' });
    const half = this.beam() / 2 + 120;
    const window = { fore: -100, aft: this.length() + 100, port: -half, starboard: half, perMm: 0.5 };
    const photo: Picture = { width: canvas.width, height: canvas.height, data };
    const flat = await wrap<PhotoWorker>(this.worker).flatten(photo, h, window);
    const out = new OffscreenCanvas(flat.width, flat.height);
    out.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(flat.data), flat.width, flat.height), 0, 0);
    const url = URL.createObjectURL(await out.convertToBlob({ type: 'image/png' }));
    this.working.set(false);
    this.flat.emit({ url, ...window });
  }
}
