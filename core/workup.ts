import type { Catalog, Part, ShopSettings } from './catalog';
import {
  bitRounds,
  drillGate,
  holesOf,
  type DrillGate,
  openingsOf,
  type BitRound,
  type Fitted,
  type Opening,
  type OtherHole,
  type PlannedHole,
} from './drilling';
import { judgeRig, type Judged, type Finding } from './findings';
import { centreOf, centreOfPart, shellCentre, crewMasses, stowedMasses, type Floating, type Mass } from './float';
import { closingOf, givenBack, walk, type Closing, type GivenBack, type WalkStop } from './handover';
import type { HullModel, HullSurface } from './hull';
import { laborLines, type LaborLine } from './labor';
import { bowToStern, paddlers, placeFitting, reachZones, type Placed } from './layout';
import { mountFitting } from './mounting';
import { priceLines, totals, type PriceLine, type Totals } from './pricing';
import { assignLetters, type Fact, type Fitting, type Ledger, type LedgerHole, type Plan } from './rig';
import { buildSteps, type BuildStep } from './scheduling';
import { WorkupSession } from './session';
import { setsInOrder, standsOf, type Stand } from './stands';
import { cutTrack } from './tracks';
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
  /** Holes other rigs of this hull plan or use. */
  readonly others?: readonly OtherHole[];
  /** The set to show; every fitting at its own place when left out. */
  readonly set?: string | null;
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
  /** What stands aboard in the set shown, bow to stern. */
  readonly items: readonly Fitted[];
  /** Every fitting of the rig once, at its own place, with the holes of all its places. */
  readonly owned: readonly Fitted[];
  readonly holes: readonly PlannedHole[];
  readonly rounds: readonly BitRound[];
  /** Holes this hull has that no fitting of the plan uses: scars, plugged or open. */
  readonly oldHoles: readonly LedgerHole[];
  readonly runs: readonly WiredRun[];
  readonly weight: WeightShare;
  readonly float: Floating;
  readonly reach: readonly { readonly name: string; readonly fore: number; readonly aft: number }[];
  readonly lines: readonly PriceLine[];
  readonly labor: readonly LaborLine[];
  readonly totals: Totals;
  readonly steps: readonly BuildStep[];
  /** Whether it is handed over, and what stands against it. */
  readonly closing: Closing;
  readonly walk: readonly WalkStop[];
  /** What came off for something new and goes back in a bag. */
  readonly givenBack: readonly GivenBack[];
  readonly ledger: Ledger;
  /** What stands before the first hole. */
  readonly gate: DrillGate;
  /** Where a hand gets into the hull. */
  readonly openings: readonly Opening[];
  readonly findings: readonly Finding[];
}

const NO_OTHERS: readonly OtherHole[] = [];

const keyOf = (stand: Stand): string => `${stand.id}.${stand.elsewhere}`;

/** Every stand placed on the hull, what carries before what it carries. */
function placeStands(
  stands: readonly Stand[],
  surface: HullSurface,
  partOf: (fitting: Fitting) => Part | undefined,
  rodLength: number,
  session: WorkupSession,
): Map<Stand, Placed> {
  const byKey = new Map(stands.map((s) => [keyOf(s), s]));
  const out = new Map<Stand, Placed>();
  const visiting = new Set<Stand>();
  const place = (stand: Stand): Placed | undefined => {
    const done = out.get(stand);
    if (done || visiting.has(stand)) return done;
    visiting.add(stand);
    const on = stand.place.on === 'fitting' ? stand.place.fitting : undefined;
    const under = on === undefined ? undefined : (byKey.get(`${on}.${stand.elsewhere}`) ?? byKey.get(`${on}.`));
    const below = under && place(under);
    const kept = session.known(keyOf(stand), stand, below);
    const { id, fitting } = stand;
    const placed = kept?.placed ?? placeFitting(surface, id, fitting, partOf(fitting), { place: stand.place, below, rodLength });
    if (placed) out.set(stand, placed);
    if (placed && !kept) session.keep(keyOf(stand), { stand, below, placed });
    return placed;
  };
  stands.forEach(place);
  return out;
}

interface Standing {
  /** Each stand worked out, bow to stern. */
  readonly all: readonly Fitted[];
  readonly owned: readonly Fitted[];
  readonly openings: readonly Opening[];
}

function fitStands(input: WorkupInput, surface: HullSurface, ledger: Ledger, session: WorkupSession): Standing {
  const { plan, shop } = input;
  const parts = session.partsById(input.catalog.parts);
  session.dependOn(surface, shop, ledger, plan.tape, parts, plan.brief);
  const partOf = ({ part, length }: Fitting): Part | undefined => {
    const found = parts.get(part);
    return found && cutTrack(found, length, shop.holding);
  };
  const placed = [...placeStands(standsOf(plan), surface, partOf, plan.brief.rodLength, session)].sort(([, a], [, b]) =>
    bowToStern(a, b),
  );
  const openings = session.openingsOf(
    openingsOf(
      surface,
      placed.map(([, p]) => p),
    ),
  );
  const letters = assignLetters(
    placed.filter(([stand]) => stand.elsewhere === '').map(([, p]) => p.id),
    plan.letters,
  );
  const made = new Map<string, number>();
  // Own places first: the holes of other places are numbered after theirs.
  const ownFirst = [...placed].sort(([a], [b]) => Number(a.elsewhere !== '') - Number(b.elsewhere !== ''));
  const fitted = new Map<Stand, Fitted>();
  for (const [stand, p] of ownFirst) {
    const letter = letters.get(p.id) ?? '?';
    const after = made.get(p.id) ?? 0;
    const key = keyOf(stand);
    const kept = session.known(key, stand, p.below);
    const idle = stand.sets?.length === 0;
    const judged =
      kept?.judged?.letter === letter && kept.after === after && sameSets(kept.judged.sets, stand.sets)
        ? kept.judged
        : fit(p, stand, letter, after, idle);
    session.keep(key, { stand, below: p.below, placed: p, judged, after });
    made.set(p.id, after + judged.holes.length);
    fitted.set(stand, judged);
  }
  function fit(p: Placed, stand: Stand, letter: string, after: number, idle: boolean): Fitted {
    const mounted = mountFitting(p, shop, surface.model);
    const { elsewhere, sets } = stand;
    // What stands in no set stays ashore and is not drilled for.
    const setting = { letter, tape: plan.tape, shop, ledger, openings, elsewhere, after };
    const holes = idle ? [] : holesOf(surface, p, mounted, setting);
    return { placed: p, mounted, holes, letter, sets, elsewhere };
  }
  const all = placed.flatMap(([stand]) => {
    const f = fitted.get(stand);
    return f ? [{ stand, f }] : [];
  });
  const others = new Map<string, PlannedHole[]>();
  for (const { stand, f } of all)
    if (stand.elsewhere !== '' && f.holes.length) others.set(stand.id, [...(others.get(stand.id) ?? []), ...f.holes]);
  return {
    openings,
    all: all.map(({ f }) => f),
    owned: all
      .filter(({ stand }) => stand.elsewhere === '')
      .map(({ stand, f }) => (others.has(stand.id) ? { ...f, holes: [...f.holes, ...(others.get(stand.id) ?? [])] } : f)),
  };
}

const sameSets = (a: readonly string[] | null, b: readonly string[] | null): boolean => a === b || a?.join() === b?.join();

/** Everything aboard by where it weighs: what comes and goes, what stays, who sits in it, the hull itself. */
interface Aboard {
  readonly loose: readonly Mass[];
  readonly fixed: readonly Mass[];
  readonly crew: readonly Mass[];
  readonly hull: Mass;
}

function aboard(surface: HullSurface, items: readonly Fitted[], plan: Plan, session: WorkupSession): Aboard {
  const massOf = ({ placed }: Fitted): Mass =>
    session.memo('mass', placed, () => ({ kg: placed.part.massKg, at: centreOfPart(placed) }));
  const isLoose = (i: Fitted): boolean => i.mounted.hold === 'loose';
  return {
    loose: [...items.filter(isLoose).map(massOf), ...stowedMasses(surface, plan)],
    fixed: items.filter((i) => !isLoose(i)).map(massOf),
    crew: crewMasses(surface, plan.brief),
    hull: session.memo('mass', surface, () => ({ kg: surface.model.massKg, at: shellCentre(surface) })),
  };
}

function weigh({ loose, fixed, crew, hull }: Aboard): WeightShare {
  const gear = centreOf([...loose, ...fixed]);
  const carried = centreOf([...loose, ...fixed, ...crew]);
  return { gearKg: gear.kg, totalKg: carried.kg + hull.kg, x: carried.at.x, y: carried.at.y };
}

/** Something worked out when it is first read, under a drag never. */
function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

/** What stands aboard in one set. */
const inSet = (all: readonly Fitted[], set: string): Fitted[] => all.filter((f) => f.sets?.includes(set));

/**
 * Works up a plan: positions, holes, runs, weights, costs, steps, walk and findings, as of a date.
 * Holes, price and weight owned are those of the whole rig; clearances are judged set by set.
 * Pure; `session` only remembers earlier results.
 *
 * @throws RangeError when the hull's stations make no hull
 */
export function workUp(input: WorkupInput, session = new WorkupSession()): Workup {
  const { plan, shop, catalog, asOf } = input;
  const surface = session.surfaceOf(input.hull);
  const ledger = session.ledgerOf(surface, input.facts, plan.id);
  const { all, owned, openings } = fitStands(input, surface, ledger, session);
  const sets = setsInOrder(plan);
  const shown = input.set && sets.includes(input.set) ? input.set : null;
  const items = shown ? inSet(all, shown) : owned;
  const byId = new Map(owned.map((i) => [i.placed.id, i.placed]));
  const runs = Object.entries(plan.runs).flatMap(([id, run]) => {
    const [source, load] = [byId.get(run.from), byId.get(run.to)];
    return (source && load && session.runOf(id, run, source, load, () => wireRun(surface, id, run, source, load, shop))) || [];
  });
  const holes = owned.flatMap((i) => i.holes).sort((a, b) => a.at.x - b.at.x || a.at.y - b.at.y);
  const others = input.others ?? NO_OTHERS;
  const inUse = new Set([...holes.map((h) => h.drilled?.fact), ...others.map((o) => o.fact)]);
  const oldHoles = ledger.holes.filter((h) => !inUse.has(h.fact));
  const load = aboard(surface, items, plan, session);
  const weight = weigh(load);
  const float = session.floatOf(surface, [...load.loose, ...load.fixed, ...load.crew, load.hull]);
  const gate = drillGate(surface, ledger, shop, holes.filter((h) => !h.drilled || h.openUp).length);
  const steps = lazily(() => buildSteps(owned, runs, shop, ledger, gate));
  const lines = lazily(() => priceLines(owned, runs, catalog));
  const labor = lazily(() => laborLines(owned, runs, shop.labor));
  const sums = lazily(() => totals(lines(), labor(), shop));
  const rounds = lazily(() => bitRounds(holes, surface.length, shop.drilling));
  const closing = lazily(() => closingOf(plan, ledger, steps()));
  const stops = lazily(() => walk(owned, runs, ledger));
  const bagged = lazily(() => givenBack(owned));
  const judgedOf = (here: readonly Fitted[], set: string | null): Judged => {
    const { loose, fixed, crew, hull } = set === shown ? load : aboard(surface, here, plan, session);
    const laden = session.floatOf(surface, [...loose, ...fixed, ...crew, hull]);
    const strokes = lazily(() => session.strokesOf(surface, plan.brief, shop, waters));
    const waters = [session.floatOf(surface, [...fixed, ...crew, hull]), laden];
    return {
      hull: surface,
      plan,
      shop,
      asOf,
      set,
      items: here,
      owned,
      stands: all,
      runs,
      parts: catalog.parts,
      oldHoles,
      others,
      ledger,
      openings,
      float: laden,
      massKg: laden.massKg,
      paddlers: session.once('paddlers', () => paddlers(surface, plan.brief)),
      strokes,
      intrusionOf: (item) => session.hitOf(item.placed, strokes()),
      once: (of, make) => session.once(of, make),
      memo: (of, what, make) => session.memo(of, what, make),
      memoPair: (of, a, b, make) => session.memoPair(of, a, b, make),
    };
  };
  return {
    asOf,
    surface,
    items,
    owned,
    holes,
    get rounds() {
      return rounds();
    },
    oldHoles,
    runs,
    weight,
    float,
    reach: session.once('reach', () => reachZones(surface, plan.brief)),
    get lines() {
      return lines();
    },
    get labor() {
      return labor();
    },
    get totals() {
      return sums();
    },
    get steps() {
      return steps();
    },
    get closing() {
      return closing();
    },
    get walk() {
      return stops();
    },
    get givenBack() {
      return bagged();
    },
    ledger,
    gate,
    openings,
    findings: judgeRig(
      judgedOf(owned, null),
      sets.map((set) => judgedOf(inSet(all, set), set)),
    ),
  };
}

export { WorkupSession } from './session';
