import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  entryOf,
  type Change,
  type DraftChange,
  type Fitted,
  parseLength,
  printLength,
  type Place,
  printFigure,
  scupperName,
  setsInOrder,
} from '@plain-cleat/core';
import type { RigState } from '../stores/rig.store';
import { UnitsStore } from '../stores/units.store';
import { Bench } from './bench';
import { OtherHulls } from './other-hulls';

/** The longest tether, mm. */
const LONGEST = 6000;

/** More of the chosen fitting: what it stands on, its sets, tether, lean, lock, float, and other boats. */
@Component({
  selector: 'pc-more',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="field"
      ><span>Stands on</span>
      <select #on (change)="standOn(on.value)">
        @for (p of places(); track p.value) {
          <option [value]="p.value" [selected]="p.value === here()">{{ p.name }}</option>
        }
      </select>
    </label>
    @if (sets().length) {
      <div role="group" aria-label="Sets it belongs to">
        <span class="small muted">In the sets</span>
        <div class="row">
          @for (s of sets(); track s.id) {
            <label class="row small"><input type="checkbox" [checked]="s.in" (change)="join(s.id, !s.in)" /> {{ s.name }}</label>
          }
        </div>
        @if (state().set; as set) {
          <label class="row small"
            ><input type="checkbox" [checked]="item().elsewhere === set" (change)="elsewhere(set)" /> stands elsewhere in this
            set</label
          >
        }
      </div>
    }
    @if (item().placed.part.rods) {
      <label class="field"
        ><span>Leans more than its tube, degrees</span>
        <input #lean [value]="item().placed.fitting.lean ?? 0" [attr.aria-invalid]="!!fault().lean" (change)="leanTo(lean.value)"
      /></label>
      @if (fault().lean) {
        <p class="fault" role="alert">{{ fault().lean }}</p>
      }
    }
    <div class="row tether">
      <label class="field grow"
        ><span>Tether, length</span>
        <input
          #length
          [value]="tetherText()"
          placeholder="none"
          [attr.aria-invalid]="!!fault().tether"
          (change)="tether(length.value)"
      /></label>
      @if (item().placed.fitting.tether; as t) {
        <label class="field grow"
          ><span>made fast on</span>
          <select #to (change)="anchor(to.value)">
            <option value="" [selected]="t.to === null">the hull beside it</option>
            @for (a of anchors(); track a.id) {
              <option [value]="a.id" [selected]="a.id === t.to">{{ a.name }}</option>
            }
          </select></label
        >
      }
    </div>
    @if (fault().tether) {
      <p class="fault" role="alert">{{ fault().tether }}</p>
    }
    <div class="row">
      <label class="row small"
        ><input type="checkbox" [checked]="item().placed.fitting.locked" (change)="flag('lockItem', 'locked')" /> locked in
        place</label
      >
      <label class="row small"
        ><input type="checkbox" [checked]="item().placed.fitting.float" (change)="flag('floatItem', 'float')" /> float
        added</label
      >
      <label class="row small"
        ><input type="checkbox" [checked]="item().placed.fitting.travels" (change)="flag('travelItem', 'travels')" /> moves
        between boats</label
      >
    </div>
    @if (item().placed.fitting.swap) {
      <p class="small muted">
        Swaps on one plate with {{ swaps() }}.
        <button class="link" type="button" (click)="unswap()">Its own plate</button>
      </p>
    }
    @if (item().placed.fitting.travels) {
      <ul class="small">
        @for (t of others(); track t.hull) {
          <li>{{ t.fits ? '✓ fits the' : '– not the' }} {{ t.hull }}. {{ t.says }}</li>
        } @empty {
          <li class="muted" role="status">{{ others() ? 'The shop knows no other hull.' : 'Asking the other hulls' }}</li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 10px;
    }
    .tether {
      flex-wrap: nowrap;
      align-items: end;
    }
    select,
    input:not([type]) {
      min-width: 0;
    }
    input[type='checkbox'] {
      width: 20px;
      height: 20px;
    }
  `,
})
export class More {
  readonly item = input.required<Fitted>();
  readonly state = input.required<RigState>();
  readonly changed = output<Change>();
  private readonly units = inject(UnitsStore);
  private readonly bench = inject(Bench);
  private readonly hulls = inject(OtherHulls);
  protected readonly fault = signal<{ lean?: string; tether?: string }>({});

  protected readonly sets = computed(() => {
    const { plan } = this.state();
    const own = this.item().placed.fitting.sets;
    return setsInOrder(plan).map((id) => ({ id, name: entryOf(plan.sets, id)?.name ?? id, in: !own || own.includes(id) }));
  });
  protected readonly anchors = computed(() =>
    this.state()
      .workup.owned.filter((i) => i.placed.id !== this.item().placed.id)
      .map((i) => ({ id: i.placed.id, name: `${i.letter}, ${i.placed.part.name}` })),
  );
  protected readonly tetherText = computed(() => {
    const { tether } = this.item().placed.fitting;
    return tether ? printFigure(tether.length, this.units.system()) : '';
  });
  protected readonly swaps = computed(() => {
    const { swap } = this.item().placed.fitting;
    return this.state()
      .workup.owned.filter((i) => i.placed.fitting.swap === swap && i.placed.id !== this.item().placed.id)
      .map((i) => `${i.letter}, ${i.placed.part.name}`)
      .join(' and ');
  });
  /** Where it would go on the other hulls the shop knows. */
  protected readonly others = computed(() => this.hulls.taking(this.item().placed.part, this.state().doc.hull.id));

  protected readonly here = computed(() => {
    const { place } = this.item().placed;
    return place.on === 'track'
      ? `track ${place.track}`
      : place.on === 'insert'
        ? `insert ${place.insert}`
        : place.on === 'scupper'
          ? `scupper ${place.scupper}`
          : place.on === 'fitting'
            ? `fitting ${place.fitting}`
            : place.on === 'side'
              ? `side ${place.side}`
              : 'deck';
  });
  /** Everything on this boat it could stand on, its own kind of hold first. */
  protected readonly places = computed(() => {
    const { part, id } = this.item().placed;
    const { hull } = this.state().doc;
    const out: { value: string; name: string }[] = [{ value: 'deck', name: 'the deck' }];
    if (part.holds.includes('track')) out.push(...hull.tracks.map((t) => ({ value: `track ${t.id}`, name: t.name })));
    if (part.holds.includes('insert')) out.push(...hull.inserts.map((i) => ({ value: `insert ${i.id}`, name: i.name })));
    if (part.holds.includes('scupper'))
      out.push(
        ...hull.scuppers.map((s) => ({
          value: `scupper ${s.id}`,
          name: scupperName(hull.scuppers, s.id),
        })),
      );
    if (part.holds.includes('through'))
      out.push({ value: 'side port', name: 'the port side' }, { value: 'side starboard', name: 'the starboard side' });
    out.push(
      ...this.state()
        .workup.items.filter((i) => i.placed.id !== id && carries(i))
        .map((i) => ({ value: `fitting ${i.placed.id}`, name: `${i.letter}, ${i.placed.part.name}` })),
    );
    return out.some((p) => p.value === this.here())
      ? out
      : [...out, { value: this.here(), name: this.item().placed.frame.surface }];
  });

  private emit(draft: DraftChange): void {
    this.changed.emit({ ...draft, id: crypto.randomUUID() });
  }

  protected standOn(value: string): void {
    const [on = '', ...rest] = value.split(' ');
    const id = rest.join(' ');
    const { origin } = this.item().placed.frame;
    const { hull } = this.state().doc;
    const { place } = this.item().placed;
    const heading = 'heading' in place ? place.heading : 0;
    const track = hull.tracks.find((t) => t.id === id);
    const to: Place | null =
      on === 'deck'
        ? { on: 'deck', x: origin.x, y: origin.y, heading }
        : on === 'track' && track
          ? { on: 'track', track: id, x: Math.min(track.aft, Math.max(track.fore, origin.x)), heading }
          : on === 'insert'
            ? { on: 'insert', insert: id, heading }
            : on === 'scupper'
              ? { on: 'scupper', scupper: id, heading }
              : on === 'fitting'
                ? { on: 'fitting', fitting: id, u: 0, v: 0, heading: 0 }
                : on === 'side'
                  ? { on: 'side', side: id === 'port' ? 'port' : 'starboard', x: origin.x, down: 60 }
                  : null;
    if (to) this.bench.standOn(this.item(), to);
  }

  protected join(set: string, into: boolean): void {
    const all = this.sets().map((s) => s.id);
    const now = this.item().placed.fitting.sets ?? null;
    const next = into ? all.filter((s) => s === set || (now ?? all).includes(s)) : (now ?? all).filter((s) => s !== set);
    this.emit({ kind: 'joinSets', item: this.item().placed.id, from: now, to: next.length === all.length ? null : next });
  }

  /** In this set it has a place of its own, or shares that of the others again. */
  protected elsewhere(set: string): void {
    const { id, fitting, place } = this.item().placed;
    const from = entryOf(fitting.elsewhere, set) ?? null;
    this.emit({ kind: 'slideInSet', item: id, set, from, to: from ? null : place });
  }

  protected leanTo(text: string): void {
    const degrees = Number(text);
    const ok = text.trim() !== '' && Number.isFinite(degrees) && Math.abs(degrees) <= 90;
    this.fault.set(ok ? {} : { lean: 'Lean: degrees from −90 to 90, like 10.' });
    const { id, fitting } = this.item().placed;
    if (ok) this.emit({ kind: 'leanItem', item: id, from: fitting.lean ?? null, to: degrees === 0 ? null : degrees });
  }

  protected tether(text: string): void {
    const { id, fitting } = this.item().placed;
    const from = fitting.tether ?? null;
    if (text.trim() === '') {
      this.fault.set({});
      if (from) this.emit({ kind: 'tetherItem', item: id, from, to: null });
      return;
    }
    const read = parseLength(text, this.units.system());
    const ok = read.ok && read.mm > 0 && read.mm <= LONGEST;
    this.fault.set(
      ok ? {} : { tether: `Tether: ${read.ok ? `up to ${printLength(LONGEST, this.units.system(), 'down')}` : read.says}.` },
    );
    if (ok) this.emit({ kind: 'tetherItem', item: id, from, to: { to: from?.to ?? null, length: read.mm } });
  }

  protected anchor(to: string): void {
    const from = this.item().placed.fitting.tether;
    if (from) this.emit({ kind: 'tetherItem', item: this.item().placed.id, from, to: { ...from, to: to || null } });
  }

  protected flag(kind: 'lockItem' | 'floatItem' | 'travelItem', field: 'locked' | 'float' | 'travels'): void {
    const { id, fitting } = this.item().placed;
    const from = fitting[field] ? true : null;
    this.emit({ kind, item: id, from, to: from ? null : true });
  }

  protected unswap(): void {
    const { id, fitting } = this.item().placed;
    this.emit({ kind: 'swapItem', item: id, from: fitting.swap ?? null, to: null });
  }
}

/** What others are stood on: crates, bars, bases and what else offers a joint or a flat top. */
const carries = ({ placed: { part } }: Fitted): boolean =>
  (part.joins?.heads.length ?? 0) > 0 || ['crate', 'cooler', 'bar', 'plate', 'track', 'stowage'].includes(part.kind);
