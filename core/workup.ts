import type { Catalog, Part, ShopSettings } from './catalog';
import { bitRounds, holesOf, type BitRound, type Fitted, type PlannedHole } from './drilling';
import { judge, type Finding } from './findings';
import { evenKeel, type EvenKeel } from './float';
import { walk, type WalkStop } from './handover';
import { fairHull, type HullModel, type HullSurface } from './hull';
import { laborLines, type LaborLine } from './labor';
import {
  bowToStern,
  paddlers,
  placeFitting,
  reachZones,
  strokeHit,
  strokeSpace,
  type Placed,
  type StrokeHit,
  type StrokeSpaces,
} from './layout';
import { mountFitting } from './mounting';
import { priceLines, totals, type PriceLine, type Totals } from './pricing';
import {
  assignLetters,
  foldLedger,
  type Brief,
  type Fact,
  type Fitting,
  type Ledger,
  type LedgerHole,
  type Plan,
  type Run,
} from './rig';
import { buildSteps, type BuildStep } from './scheduling';
import { wireRun, type WiredRun } from './wiring';

/** Everything a workup follows from. */
export interface WorkupInput {
  readonly plan: Plan;
  readonly hull: HullModel;
  readonly facts: readonly Fact[];
  readonly catalog: Pick<Catalog, 'parts' | 'consumables'>;
  readonly shop: ShopSettings;
  /** ISO date the prices and lead times are read on. */
  readonly asOf: string;
}

/** Where the weight is. */
export interface WeightShare {
  readonly gearKg: number;
  readonly totalKg: number;
  /** Balance point of gear and paddler, without the hull. */
  readonly x: number;
  readonly y: number;
}

/** Everything the user sees, prints or exports is a view of this. */
export interface Workup {
  readonly asOf: string;
  readonly surface: HullSurface;
  /** Bow to stern. */
  readonly items: readonly Fitted[];
  readonly holes: readonly PlannedHole[];
  readonly rounds: readonly BitRound[];
  /** Holes this hull has that no fitting of the plan uses: scars, plugged or open. */
  readonly oldHoles: readonly LedgerHole[];
  readonly runs: readonly WiredRun[];
  readonly weight: WeightShare;
  readonly float: EvenKeel;
  readonly reach: readonly { readonly name: string; readonly fore: number; readonly aft: number }[];
  readonly lines: readonly PriceLine[];
  readonly labor: readonly LaborLine[];
  readonly totals: Totals;
  readonly steps: readonly BuildStep[];
  readonly walk: readonly WalkStop[];
  readonly ledger: Ledger;
  readonly findings: readonly Finding[];
}

interface Kept {
  readonly fitting: Fitting;
  readonly letter: string;
  readonly placed: Placed;
  readonly judged: Fitted;
}

/** Earlier results, held by the caller, so that a drag recomputes only what it touches. */
export class WorkupSession {
  private hull?: { model: HullModel; surface: HullSurface };
  private ledger?: { facts: readonly Fact[]; rig: string; surface: HullSurface; value: Ledger };
  private strokes?: { key: string; surface: HullSurface; value: StrokeSpaces };
  private parts?: { list: readonly Part[]; byId: Map<string, Part> };
  private floats?: { surface: HullSurface; massKg: number; value: EvenKeel };
  private base: readonly unknown[] = [];
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
    const key = JSON.stringify([brief.stature, brief.seat, shop.stroke]);
    if (this.strokes?.key === key && this.strokes.surface === surface) return this.strokes.value;
    const space = (scale: number): StrokeSpaces['nominal'] =>
      paddlers(surface, brief, scale).map((p) => strokeSpace(surface, p, shop.stroke));
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
    if (this.floats?.surface !== surface || this.floats.massKg !== massKg)
      this.floats = { surface, massKg, value: evenKeel(surface, massKg) };
    return this.floats.value;
  }

  /** Forgets fitted items when anything they all depend on has changed. */
  dependOn(...base: readonly unknown[]): void {
    if (base.length !== this.base.length || base.some((b, i) => b !== this.base[i])) {
      this.items = new Map();
      this.runs = new Map();
    }
    this.base = base;
  }

  item(id: string, fitting: Fitting): Kept | undefined {
    const kept = this.items.get(id);
    return kept?.fitting === fitting ? kept : undefined;
  }

  keep(id: string, kept: Kept): void {
    this.items.set(id, kept);
  }
}

function fittedItems(input: WorkupInput, surface: HullSurface, ledger: Ledger, session: WorkupSession): Fitted[] {
  const { plan, shop } = input;
  const parts = session.partsById(input.catalog.parts);
  session.dependOn(surface, shop, ledger, plan.tape, parts);
  const placed = Object.entries(plan.fittings)
    .flatMap(
      ([id, fitting]) => session.item(id, fitting)?.placed ?? placeFitting(surface, id, fitting, parts.get(fitting.part)) ?? [],
    )
    .sort(bowToStern);
  const letters = assignLetters(
    placed.map((p) => p.id),
    plan.letters,
  );
  return placed.map((p): Fitted => {
    const letter = letters.get(p.id) ?? '?';
    const kept = session.item(p.id, p.fitting);
    if (kept?.letter === letter) return kept.judged;
    const mounted = kept?.judged.mounted ?? mountFitting(p, shop);
    const holes = holesOf(surface, p, mounted, letter, plan.tape, shop, ledger);
    const judged = { placed: p, mounted, holes, letter };
    session.keep(p.id, { fitting: p.fitting, letter, placed: p, judged });
    return judged;
  });
}

function weigh(surface: HullSurface, items: readonly Fitted[], brief: Brief): WeightShare {
  const gearKg = items.reduce((sum, i) => sum + i.placed.part.massKg, 0);
  const carried = gearKg + brief.weightKg;
  const moment = (axis: 'x' | 'y', paddler: number): number =>
    (items.reduce((sum, i) => sum + i.placed.part.massKg * i.placed.frame.origin[axis], 0) + brief.weightKg * paddler) / carried;
  return { gearKg, totalKg: carried + surface.model.massKg, x: moment('x', surface.model.seat.x), y: moment('y', 0) };
}

/**
 * Works up a plan: positions, holes, runs, weights, costs, steps, walk and findings, as of a date.
 * Pure; `session` only remembers earlier results.
 *
 * @throws RangeError when the hull's stations make no hull
 */
export function workUp(input: WorkupInput, session = new WorkupSession()): Workup {
  const { plan, shop, catalog, asOf } = input;
  const surface = session.surfaceOf(input.hull);
  const ledger = session.ledgerOf(surface, input.facts, plan.id);
  const items = fittedItems(input, surface, ledger, session);
  const byId = new Map(items.map((i) => [i.placed.id, i.placed]));
  const runs = Object.entries(plan.runs).flatMap(([id, run]) => {
    const [source, load] = [byId.get(run.from), byId.get(run.to)];
    return (source && load && session.runOf(id, run, source, load, () => wireRun(surface, id, run, source, load, shop))) || [];
  });
  const holes = items.flatMap((i) => i.holes).sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y);
  const planned = new Set(holes.map((h) => h.id));
  const oldHoles = ledger.holes.filter((h) => !planned.has(h.id) || h.plugged !== null);
  const weight = weigh(surface, items, plan.brief);
  const float = session.floatOf(surface, weight.totalKg);
  const lines = priceLines(items, runs, catalog);
  const labor = laborLines(items, runs, shop.labor);
  const strokes = session.strokesOf(surface, plan.brief, shop);
  return {
    asOf,
    surface,
    items,
    holes,
    rounds: bitRounds(holes),
    oldHoles,
    runs,
    weight,
    float,
    reach: reachZones(surface, plan.brief),
    lines,
    labor,
    totals: totals(lines, labor, shop),
    steps: buildSteps(items, runs, shop, ledger),
    walk: walk(items, runs, ledger),
    ledger,
    findings: judge({
      hull: surface,
      plan,
      shop,
      asOf,
      items,
      runs,
      oldHoles,
      float,
      massKg: weight.totalKg,
      intrusionOf: (item) => session.hitOf(item.placed, strokes),
    }),
  };
}
