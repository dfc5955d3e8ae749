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
import { goAshore } from '../water/to-water';
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

/** The input with what may be left out of it. */
type Asked = WorkupInput & Required<Pick<WorkupInput, 'others' | 'set'>>;

/**
 * From a plan to its findings. Each stage is a function of what it reads, in the folder of its trade, and is
 * worked out when it is read. A new domain is a stage of its own and a line here.
 */
export const STAGES = rowOf<Asked>()
  .stage('own', ['plan.own', 'plan.opened'], ownParts)
  .stage('parts', ['plan.fittings', 'own', 'catalog.parts', 'shop.holding'], partsAboard)
  .stage('sitting', ['hull', 'parts', 'plan.fittings', 'plan.sets', 'plan.brief'], (r, memory) =>
    memory.among('sitting', JSON.stringify(sittingOf(r)), () => sittingOf(r)),
  )
  .stage('surface', ['hull', 'sitting', 'plan.features'], (r) =>
    fairHull(withoutFeatures(seated(r.hull, r.sitting), new Set(featuresGone(r)))),
  )
  .stage(
    'seats',
    ['hull', 'parts', 'surface', 'sitting', 'set', 'plan.fittings', 'plan.sets', 'plan.brief', 'plan.features'],
    seat,
  )
  .stage('came', ['surface', 'shop', 'parts', 'plan.fittings'], cameHoles)
  .stage('ledger', ['surface', 'facts', 'plan.id', 'came'], (r) => foldLedger(r.surface, r.facts, r.id, r.came))
  .stage('layout', ['surface', 'parts', 'plan.fittings', 'plan.sets', 'plan.letters', 'plan.brief.rodLength'], layOut)
  .stage('aboard', ['surface', 'layout.stood', 'layout.sets', 'set', 'plan.tape', 'shop', 'ledger'], fitOut)
  .stage('drilling', ['surface', 'aboard.owned', 'ledger', 'shop', 'others'], drill)
  .stage('rounds', ['drilling.holes', 'surface.length', 'shop.drilling'], (r) => bitRounds(r.holes, r.length, r.drilling))
  .stage('wiring', ['surface', 'plan.runs', 'aboard.owned', 'catalog.consumables', 'shop'], wireUp)
  .stage('circuits', ['wiring.network', 'wiring.potentials', 'wiring.runs', 'aboard.owned'], inUse)
  .stage('weight', ['seats', 'aboard.items', 'layout.takenOff', 'plan.stowage', 'shop.limits'], weigh)
  .stage('lines', ['surface', 'plan.lines', 'aboard.owned', 'ledger', 'seats', 'weight', 'shop'], leadLines)
  .stage('ashore', ['surface', 'aboard.owned', 'layout.takenOff', 'plan.runs', 'plan.brief.road'], goAshore)
  .stage('day', ['surface', 'wiring', 'aboard.owned', 'weight.float', 'plan.day', 'plan.brief'], goOut)
  .stage('price', ['plan.wishes', 'aboard.owned', 'layout.takenOff', 'wiring', 'lines', 'catalog.consumables', 'shop'], priceUp)
  .stage('tests', ['wiring', 'ledger', 'shop'], benchTests)
  .stage('checks', ['wiring', 'aboard.owned', 'ledger', 'shop'], benchChecks)
  .stageWith(
    'build',
    ['aboard.owned', 'layout.takenOff', 'wiring', 'lines', 'shop', 'ledger', 'drilling.gate', 'plan.accepted'],
    (w) => (w.shop.wiring.readings ? { tests: w.tests, checks: w.checks } : { tests: NONE, checks: NONE }),
    ({ wiring, tests, checks, accepted, ...r }) =>
      build({
        ...{ ...r, cables: cablesOf(wiring), tests: [...tests, ...checks] },
        open: openTests(tests, checks, accepted),
      }),
  )
  .stage(
    'handover',
    [
      ...(['hull', 'surface', 'parts', 'catalog.consumables', 'shop', 'plan', 'aboard.owned', 'aboard.stands'] as const),
      ...(['layout.takenOff', 'wiring.runs', 'ledger', 'build.steps', 'price', 'seats.whole.paddlers'] as const),
    ],
    handOver,
  )
  .stage('reception', ['hull', 'plan.features', 'aboard.owned', 'layout.gone', 'ledger'], receive)
  .stageWith(
    'findings',
    [
      ...(['plan', 'shop', 'asOf', 'seats', 'hull', 'ledger', 'layout', 'aboard', 'drilling.oldHoles', 'others'] as const),
      ...(['wiring', 'circuits', 'weight', 'ashore', 'lines'] as const),
    ],
    // Nobody is told of a day that nobody planned, nor of a bench test that nobody began.
    (w) => ({
      day: w.plan.day ? w.day : null,
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
export const workUp = (input: WorkupInput, memory?: Memory): Workup => STAGES.run(asked(input), memory);

/** An input with what was left out of it. */
export const asked = (input: WorkupInput): Asked => ({ ...input, others: input.others ?? NONE, set: input.set ?? null });

/**
 * The same with every stage worked out at once: for whoever must know whether it can be.
 * @throws what a stage throws
 */
export const workUpAll = (input: WorkupInput): Workup => ({ ...workUp(input) });
