import type { ShopSettings } from '../../parts/shop';
import type { OtherHole } from '../../holding/drilling';
import { inSet, type Aboard, type Fitted } from '../../holding/fitted';
import type { Weight } from '../../water/float';
import type { HullModel } from '../../boat/hull';
import { strokeHit, type Layout, type Seatings, type StrokeSpaces } from '../../layout';
import type { LedLine } from '../../lines';
import type { Ledger, LedgerHole, Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import type { CircuitInUse } from '../../electric/circuits';
import type { Ashore } from '../../water/to-water';
import type { Wiring } from '../../electric/wiring';
import { look, type Found } from './check';
import { rodsIn, type Finding, type Judged } from './finding';
import { judgeRig, judging } from './judge-rig';
import { CHECKS } from './register';
import { strokesOn } from './strokes';

/** What findings follow from: what the stages before them give. */
export interface FindingsInput {
  readonly plan: Plan;
  readonly seats: Seatings;
  /** The hull as it is drawn. */
  readonly hull: HullModel;
  readonly shop: ShopSettings;
  readonly asOf: string;
  readonly ledger: Ledger;
  readonly layout: Layout;
  readonly aboard: Aboard;
  readonly oldHoles: readonly LedgerHole[];
  readonly others: readonly OtherHole[];
  readonly wiring: Wiring;
  readonly lines: readonly LedLine[];
  readonly circuits: readonly CircuitInUse[];
  readonly day: Judged['day'];
  readonly tests: Judged['tests'];
  readonly checks: Judged['checks'];
  readonly weight: Weight;
  readonly ashore: Ashore;
}

/** Every finding of a rig: clearances set by set, what is owned once. */
export function judge(input: FindingsInput, memory: Memory): Finding[] {
  const judgedOf = judgedIn(input, memory);
  const { owned, stands } = input.aboard;
  return judgeRig(
    judgedOf(owned, null),
    input.layout.sets.map((set) => judgedOf(inSet(stands, set), set)),
  );
}

const OF_LINES = CHECKS.filter((c) => c.about === 'lines');

/** What is judged of its lines alone. */
export function judgeLines(input: FindingsInput, memory: Memory): Found[] {
  const judged = judgedIn(input, memory)(input.aboard.owned, null);
  return judging(judged, OF_LINES).flatMap((check) => look(check, judged));
}

/** What may be looked at: of all that is owned, or of what stands aboard in a set. */
function judgedIn(input: FindingsInput, memory: Memory): (items: readonly Fitted[], set: string | null) => Judged {
  const { seats, hull: drawn, layout: _, aboard, weight, ...rest } = input;
  const { plan, shop, ledger } = rest;
  const { owned, stands, openings } = aboard;
  return (items, set) => {
    const seating = seats.of(set);
    const { surface: hull, brief, paddlers } = seating;
    const own = seating === seats.whole ? memory : memory.while(`set ${set ?? ''}`, []);
    const known = own.while('judged', [hull, shop, ledger, plan.tape, brief, openings]);
    const laden = weight.of(items, seating);
    let swept: StrokeSpaces | undefined;
    const strokes = (): StrokeSpaces => (swept ??= strokesOn({ surface: hull, brief, shop }, laden, own));
    return {
      ...rest,
      ...{ hull, drawn, set, items, owned, stands, openings, paddlers, strokes },
      plan: brief === plan.brief ? plan : { ...plan, brief },
      float: laden.laden,
      massKg: laden.laden.massKg,
      gearKg: laden.gearKg,
      steady: laden.steady,
      intrusionOf: ({ placed }) =>
        known.pair('stroke', placed, strokes(), () => strokeHit([...placed.bodies, ...rodsIn(known, placed)], strokes())),
      memory: known,
    };
  };
}
