import type { Part, ShopSettings } from './catalog';
import type { Fitted, Opening } from './drilling';
import { centreOf, floatBy, slicesOf, waterAt, type Floating, type Mass } from './float';
import { fairHull, type HullModel, type HullSurface } from './hull';
import {
  paddleLack,
  paddlers,
  type PaddleLack,
  strokeHit,
  strokeSpace,
  styleOf,
  type Placed,
  type StrokeHit,
  type StrokeSpaces,
} from './layout';
import { foldLedger, type Brief, type Fact, type Ledger, type Run } from './rig';
import type { Stand } from './stands';
import type { WiredRun } from './wiring';

/** A stand as it was last worked out, with what it was worked out from. */
interface Remembered {
  readonly stand: Stand;
  readonly below: Placed | undefined;
  readonly placed: Placed;
  readonly judged?: Fitted;
  readonly after?: number;
}

/** Something looked up. */
interface Known {
  readonly value: unknown;
}

/** Strokes are worked out anew when the water moves by this (judgement), mm. */
const WATER_STEP = 5;

/** Earlier results, held by the caller, so that a drag recomputes only what it touches. */
export class WorkupSession {
  private hull?: { model: HullModel; surface: HullSurface };
  private ledger?: { facts: readonly Fact[]; rig: string; surface: HullSurface; value: Ledger };
  private strokes = new Map<string, StrokeSpaces>();
  private strokesOn?: HullSurface;
  private parts?: { list: readonly Part[]; byId: Map<string, Part> };
  private floats = new Map<string, Floating>();
  private floatsOn?: HullSurface;
  private readonly memos = new WeakMap<object, Map<unknown, Known>>();
  private readonly pairs = new WeakMap<object, Map<string, WeakMap<object, Known>>>();
  private settled = new Map<string, Known>();
  private base: readonly unknown[] = [];
  private openings: readonly Opening[] = [];
  private items = new Map<string, Remembered>();
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

  /**
   * The strokes of everybody aboard, on the water as the boat floats lightest and heaviest. Looked up by where the
   * water stands at the seats to a few millimetres, the lightest down and the heaviest up: the careful side.
   */
  strokesOf(surface: HullSurface, brief: Brief, shop: ShopSettings, floats: readonly Floating[]): StrokeSpaces {
    const style = styleOf(brief, shop);
    const seats = [...new Set(paddlers(surface, brief).map((p) => p.seatX))];
    const waters = seats.map((x) => {
      const at = floats.map((f) => waterAt(f, x));
      const step = WATER_STEP;
      return { x, low: Math.floor(Math.min(...at) / step) * step, high: Math.ceil(Math.max(...at) / step) * step };
    });
    const key = JSON.stringify([brief.stature, brief.second, brief.seat, style, shop.stroke, waters]);
    if (this.strokesOn !== surface || this.strokes.size > 12) this.strokes = new Map();
    this.strokesOn = surface;
    const known = this.strokes.get(key);
    if (known) return known;
    const space = (scale: number): StrokeSpaces['nominal'] =>
      paddlers(surface, brief, scale).flatMap((p) => {
        const here = waters.find((w) => w.x === p.seatX);
        const levels = here ? [...new Set([here.low, here.high])] : [];
        return levels.map((water) => strokeSpace(surface, p, shop.stroke, style, water));
      });
    const people = paddlers(surface, brief);
    const nominal = space(1);
    let lack: PaddleLack | null | undefined = nominal.every((s) => s.misses === 0) ? null : undefined;
    const value: StrokeSpaces = {
      nominal,
      band: [...space(1 - shop.stroke.body), ...space(1 + shop.stroke.body)],
      lack() {
        if (lack === undefined)
          lack =
            people
              .map((p) => paddleLack(surface, p, style, waters.find((w) => w.x === p.seatX)?.low ?? 0))
              .filter((l) => l !== null)
              .sort((x, y) => y.by - x.by)[0] ?? null;
        return lack;
      },
    };
    this.strokes.set(key, value);
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

  /** How these weights float the hull, looked up while they balance in the same place. */
  floatOf(surface: HullSurface, masses: readonly Mass[]): Floating {
    if (this.floatsOn !== surface || this.floats.size > 40) this.floats = new Map();
    this.floatsOn = surface;
    const { kg, at } = centreOf(masses);
    const key = [kg, at.x, at.z].join();
    const known =
      this.floats.get(key) ??
      floatBy(
        this.memo('slices', surface, () => slicesOf(surface)),
        masses,
      );
    this.floats.set(key, known);
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
      this.settled = new Map();
    }
    this.base = base;
  }

  /** The stand as it was worked out last, when nothing it follows from has changed. */
  known(key: string, stand: Stand, below: Placed | undefined): Remembered | undefined {
    const kept = this.items.get(key);
    const same = kept?.stand.fitting === stand.fitting && kept.stand.place === stand.place && kept.below === below;
    return same ? kept : undefined;
  }

  keep(key: string, kept: Remembered): void {
    this.items.set(key, kept);
  }

  /** Something worked out once for a placed fitting or a hull and looked up until it is another. */
  memo<T>(of: unknown, what: object, make: () => T): T {
    let all = this.memos.get(what);
    if (!all) this.memos.set(what, (all = new Map()));
    let known = all.get(of);
    if (known === undefined) all.set(of, (known = { value: make() }));
    return known.value as T;
  }

  /** The same for two things, forgotten when either is. */
  memoPair<T>(of: string, a: object, b: object, make: () => T): T {
    let all = this.pairs.get(a);
    if (!all) this.pairs.set(a, (all = new Map()));
    let others = all.get(of);
    if (!others) all.set(of, (others = new WeakMap()));
    let known = others.get(b);
    if (!known) others.set(b, (known = { value: make() }));
    return known.value as T;
  }

  /** Something worked out once, and looked up while nothing that everything depends on has changed. */
  once<T>(of: string, make: () => T): T {
    let known = this.settled.get(of);
    if (!known) this.settled.set(of, (known = { value: make() }));
    return known.value as T;
  }
}
