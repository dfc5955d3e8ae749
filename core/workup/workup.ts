import type { Catalog } from '../parts/catalog';
import type { ShopSettings } from '../parts/shop';
import { benchChecks, benchTests } from '../electric/bench-test';
import { inUse } from '../electric/circuits';
import { goOut } from '../electric/day';
import { bitRounds, cameHoles, drill, fitOut, type OtherHole } from '../holding/drilling';
import { judge, openTests } from '../checks/findings';
import { weigh } from '../water/float';
import { handOver } from '../work/handover';
import { fairHull, seated, withoutFeatures, type HullModel } from '../boat/hull';
import { layOut, seat, sittingOf } from '../layout';
import { leadLines } from '../lines';
import { priceUp } from '../work/pricing';
import { featuresGone, foldLedger, ownParts, type Fact, type Plan } from '../rig';
import { receive } from '../work/reception';
import { build } from '../work/scheduling';
import { rowOf, type Memory, type Row } from '../base/stages';
import { partsAboard } from '../holding/tracks';
import { goAshore } from '../water/way';
import { cablesOf, wireUp } from '../electric/wiring';

/** Everything a workup follows from. */
export interface WorkupInput {
  readonly plan: Plan;
  readonly hull: HullModel;
  readonly facts: readonly Fact[];
  /** Every part that the plan's fittings are, in its revision, and what is sold by length or piece; more parts do no harm. */
  readonly catalog: Pick<Catalog, 'parts' | 'consumables'>;
  readonly shop: ShopSettings;
  /** ISO date the prices and lead times are read on. */
  readonly asOf: string;
  /** Holes other rigs of this hull plan or use. */
  readonly others?: readonly OtherHole[];
  /** The set to show; every fitting at its own place when left out. */
  readonly set?: string | null;
}

const NONE: readonly never[] = [];
const NO_OTHERS: readonly OtherHole[] = [];

/**
 * From a plan to its findings. Each stage is a function of what it reads, in the folder of its trade, and is
 * worked out when it is read. A new domain is a stage of its own and a line here.
 */
export const STAGES = rowOf<WorkupInput>()
  .stage(
    'own',
    ({ plan: { own, opened } }) => ({ own, opened }),
    (r) => ownParts(r),
  )
  .stage(
    'parts',
    (w) => ({ fittings: w.plan.fittings, own: w.own, parts: w.catalog.parts, holding: w.shop.holding }),
    partsAboard,
  )
  .stage(
    'sitting',
    ({ hull, parts, plan: { fittings, sets, brief } }) => ({ hull, parts, fittings, sets, brief }),
    (r, memory) => memory.among('sitting', JSON.stringify(sittingOf(r)), () => sittingOf(r)),
  )
  .stage(
    'surface',
    ({ hull, sitting, plan: { features } }) => ({ hull, sitting, features }),
    (r) => fairHull(withoutFeatures(seated(r.hull, r.sitting), new Set(featuresGone(r)))),
  )
  .stage(
    'seats',
    ({ hull, parts, surface, sitting, set = null, plan: { fittings, sets, brief, features } }) => ({
      ...{ hull, parts, surface, sitting, set, fittings, sets, brief, features },
    }),
    seat,
  )
  .stage('came', ({ surface, shop, parts, plan: { fittings } }) => ({ surface, shop, parts, fittings }), cameHoles)
  .stage(
    'ledger',
    (w) => ({ surface: w.surface, facts: w.facts, rig: w.plan.id, came: w.came }),
    (r) => foldLedger(r.surface, r.facts, r.rig, r.came),
  )
  .stage(
    'layout',
    ({ surface, parts, plan: { fittings, sets, letters, brief } }) => ({
      ...{ surface, parts, fittings, sets, letters, rodLength: brief.rodLength },
    }),
    layOut,
  )
  .stage(
    'aboard',
    ({ surface, layout: { stood, sets }, set = null, plan: { tape }, shop, ledger }) => ({
      surface,
      stood,
      sets,
      set,
      tape,
      shop,
      ledger,
    }),
    fitOut,
  )
  .stage(
    'drilling',
    ({ surface, aboard: { owned }, ledger, shop, others = NO_OTHERS }) => ({ surface, owned, ledger, shop, others }),
    drill,
  )
  .stage(
    'rounds',
    (w) => ({ holes: w.drilling.holes, length: w.surface.length, drilling: w.shop.drilling }),
    (r) => bitRounds(r.holes, r.length, r.drilling),
  )
  .stage(
    'wiring',
    ({ surface, plan: { runs }, aboard: { owned }, catalog: { consumables }, shop }) => ({
      surface,
      runs,
      owned,
      consumables,
      shop,
    }),
    wireUp,
  )
  .stage(
    'circuits',
    ({ wiring: { network, potentials, runs }, aboard: { owned } }) => ({ network, potentials, runs, owned }),
    inUse,
  )
  .stage(
    'weight',
    ({ seats, aboard: { items }, layout: { takenOff }, plan: { stowage }, shop: { limits } }) => ({
      ...{ seats, items, takenOff, stowage, limits },
    }),
    weigh,
  )
  .stage(
    'lines',
    ({ surface, plan: { lines }, aboard: { owned }, ledger, seats, weight, shop }) => ({
      ...{ surface, lines, owned, ledger, seats, weight, shop },
    }),
    leadLines,
  )
  .stage(
    'ashore',
    ({ surface, aboard: { owned }, layout: { takenOff }, plan: { runs, brief } }) => ({
      ...{ surface, owned, takenOff, runs, road: brief.road },
    }),
    goAshore,
  )
  .stage(
    'day',
    ({ surface, wiring, aboard: { owned }, weight: { float }, plan: { day, brief } }) => ({
      surface,
      wiring,
      owned,
      float,
      day,
      brief,
    }),
    goOut,
  )
  .stage(
    'price',
    ({ plan: { wishes }, aboard: { owned }, layout: { takenOff }, wiring, lines, catalog: { consumables }, shop }) => ({
      ...{ wishes, owned, takenOff, wiring, lines, consumables, shop },
    }),
    priceUp,
  )
  .stage('tests', ({ wiring, ledger, shop }) => ({ wiring, ledger, shop }), benchTests)
  .stage('checks', ({ wiring, aboard: { owned }, ledger, shop }) => ({ wiring, owned, ledger, shop }), benchChecks)
  .stage(
    'build',
    (w) => ({
      ...{ owned: w.aboard.owned, takenOff: w.layout.takenOff, cables: cablesOf(w.wiring), lines: w.lines, shop: w.shop },
      ledger: w.ledger,
      gate: w.drilling.gate,
      tests: w.shop.wiring.readings ? w.tests : NONE,
      checks: w.shop.wiring.readings ? w.checks : NONE,
      accepted: w.plan.accepted,
    }),
    ({ tests, checks, accepted, ...r }) =>
      build({ ...r, tests: [...tests, ...checks], open: openTests(tests, checks, accepted) }),
  )
  .stage(
    'handover',
    (w) => ({
      ...{ hull: w.hull, surface: w.surface, parts: w.parts, consumables: w.catalog.consumables, shop: w.shop },
      ...{ plan: w.plan, owned: w.aboard.owned, stands: w.aboard.stands, takenOff: w.layout.takenOff, runs: w.wiring.runs },
      ...{ ledger: w.ledger, steps: w.build.steps, price: w.price },
      people: w.seats.whole.paddlers,
      clear: w.shop.stroke.hand,
    }),
    handOver,
  )
  .stage(
    'reception',
    ({ hull, plan: { features }, aboard: { owned }, layout: { gone }, ledger }) => ({ hull, features, owned, gone, ledger }),
    receive,
  )
  .stage(
    'findings',
    (w) => ({
      ...{ plan: w.plan, shop: w.shop, asOf: w.asOf, seats: w.seats, drawn: w.hull, ledger: w.ledger, layout: w.layout },
      ...{ aboard: w.aboard, oldHoles: w.drilling.oldHoles, others: w.others ?? NO_OTHERS, wiring: w.wiring },
      ...{ circuits: w.circuits, weight: w.weight, ashore: w.ashore, lines: w.lines },
      // Nobody is told of a day that nobody planned.
      day: w.plan.day ? w.day : null,
      // Nor of a bench test that nobody began.
      tests: w.ledger.circuitReads.size ? w.tests : null,
      checks: w.ledger.circuitChecks.size ? w.checks : NONE,
    }),
    judge,
  );

type Results<R> = R extends Row<infer _, infer Out> ? Out : never;

/** Everything the user sees, prints or exports is a view of this. */
export interface Workup extends Results<typeof STAGES> {}

/**
 * Works up a plan: positions, holes, runs, weights, costs, steps, walk and findings, as of a date.
 * Holes, price and weight owned are those of the whole rig; clearances are judged set by set.
 * Pure; `memory` only keeps earlier results. A stage is worked out when it is read, and may throw then.
 *
 * @throws RangeError when the hull's stations make no hull
 */
export const workUp = (input: WorkupInput, memory?: Memory): Workup => STAGES.run(input, memory);

/**
 * The same with every stage worked out at once: for whoever must know whether it can be.
 * @throws what a stage throws
 */
export const workUpAll = (input: WorkupInput): Workup => ({ ...workUp(input) });
