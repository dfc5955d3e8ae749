import type { Part, ShopSettings } from './catalog';
import type { Fitted, Opening } from './drilling';
import { evenKeel, type EvenKeel } from './float';
import { fairHull, type HullModel, type HullSurface } from './hull';
import { paddlers, strokeHit, strokeSpace, styleOf, type Placed, type StrokeHit, type StrokeSpaces } from './layout';
import { foldLedger, type Brief, type Fact, type Ledger, type Run } from './rig';
import type { Stand } from './stands';
import type { WiredRun } from './wiring';

/** A stand as it was last worked out, with what it was worked out from. */
interface Kept {
  readonly stand: Stand;
  readonly below: Placed | undefined;
  readonly placed: Placed;
  readonly judged?: Fitted;
  readonly after?: number;
}

/** Earlier results, held by the caller, so that a drag recomputes only what it touches. */
export class WorkupSession {
  private hull?: { model: HullModel; surface: HullSurface };
  private ledger?: { facts: readonly Fact[]; rig: string; surface: HullSurface; value: Ledger };
  private strokes?: { key: string; surface: HullSurface; value: StrokeSpaces };
  private parts?: { list: readonly Part[]; byId: Map<string, Part> };
  private floats = new Map<number, EvenKeel>();
  private floatsOn?: HullSurface;
  private memos = new WeakMap<object, Map<string, unknown>>();
  private base: readonly unknown[] = [];
  private openings: readonly Opening[] = [];
  private items = new Map<string, Kept>();
  private hits = new WeakMap<Placed, { spaces: StrokeSpaces; value: StrokeHit }>();
  private runs = new Map<string, { run: Run; source: Placed; load: Placed; value: WiredRun | undefined }>();

  surfaceOf(model: HullModel): HullSurface {
    if (this.hull?.model !== model) this.hull = { model, surface: fairHull(model) };
    return this.hull.surface;
  }

  ledgerOf(surface: HullSurface, facts: readonly Fact[], rig: string): Ledger {
    const l = this.ledger;
    if (l && l.facts === facts && l.rig === rig && l.surface === surface) return l.value;
    const value = foldLedger(surface, facts, rig);
    this.ledger = { facts, rig, surface, value };
    return value;
  }

  partsById(list: readonly Part[]): Map<string, Part> {
    if (this.parts?.list !== list) this.parts = { list, byId: new Map(list.map((p) => [p.id, p])) };
    return this.parts.byId;
  }

  strokesOf(surface: HullSurface, brief: Brief, shop: ShopSettings): StrokeSpaces {
    const style = styleOf(brief, shop);
    const key = JSON.stringify([brief.stature, brief.second, brief.seat, style, shop.stroke]);
    if (this.strokes?.key === key && this.strokes.surface === surface) return this.strokes.value;
    const space = (scale: number): StrokeSpaces['nominal'] =>
      paddlers(surface, brief, scale).map((p) => strokeSpace(surface, p, shop.stroke, style));
    const value = { nominal: space(1), band: [...space(1 - shop.stroke.body), ...space(1 + shop.stroke.body)] };
    this.strokes = { key, surface, value };
    return value;
  }

  /** How far a fitting stands in the strokes, looked up again only when either changed. */
  hitOf(placed: Placed, spaces: StrokeSpaces): StrokeHit {
    const known = this.hits.get(placed);
    if (known?.spaces === spaces) return known.value;
    const value = strokeHit(placed.bodies, spaces);
    this.hits.set(placed, { spaces, value });
    return value;
  }

  /** A run worked out, again only when it or one of its ends changed. */
  runOf(id: string, run: Run, source: Placed, load: Placed, make: () => WiredRun | undefined): WiredRun | undefined {
    const known = this.runs.get(id);
    if (known?.run === run && known.source === source && known.load === load) return known.value;
    const value = make();
    this.runs.set(id, { run, source, load, value });
    return value;
  }

  floatOf(surface: HullSurface, massKg: number): EvenKeel {
    if (this.floatsOn !== surface || this.floats.size > 40) this.floats = new Map();
    this.floatsOn = surface;
    const known = this.floats.get(massKg) ?? evenKeel(surface, massKg);
    this.floats.set(massKg, known);
    return known;
  }

  /** The openings into the hull; when they are others, what was judged by the old ones is forgotten. */
  openingsOf(found: readonly Opening[]): readonly Opening[] {
    if (JSON.stringify(found) === JSON.stringify(this.openings)) return this.openings;
    this.openings = found;
    this.items = new Map([...this.items].map(([key, { judged: _, ...kept }]) => [key, kept]));
    return found;
  }

  /** Forgets fitted items when anything they all depend on has changed. */
  dependOn(...base: readonly unknown[]): void {
    if (base.length !== this.base.length || base.some((b, i) => b !== this.base[i])) {
      this.items = new Map();
      this.runs = new Map();
    }
    this.base = base;
  }

  /** The stand as it was worked out last, when nothing it follows from has changed. */
  known(key: string, stand: Stand, below: Placed | undefined): Kept | undefined {
    const kept = this.items.get(key);
    const same = kept?.stand.fitting === stand.fitting && kept.stand.place === stand.place && kept.below === below;
    return same ? kept : undefined;
  }

  keep(key: string, kept: Kept): void {
    this.items.set(key, kept);
  }

  /** Something worked out once for a placed fitting or a hull and looked up until it is another. */
  memo<T>(of: string, what: object, make: () => T): T {
    const all = this.memos.get(what) ?? new Map<string, unknown>();
    this.memos.set(what, all);
    if (!all.has(of)) all.set(of, make());
    return all.get(of) as T;
  }

  /** The same for two things, forgotten when either is. */
  memoPair<T>(of: string, a: object, b: object, make: () => T): T {
    const others = this.memo(`${of} with`, a, () => new WeakMap<object, { readonly value: T }>());
    const known = others.get(b) ?? { value: make() };
    others.set(b, known);
    return known.value;
  }
}
