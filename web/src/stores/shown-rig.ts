import type { RigDocument } from '@plain-cleat/api';
import { type Part, partKey } from '@plain-cleat/core/parts/parts';
import { applyChange, type Change, type Fact, ownParts, partsOf, type Plan } from '@plain-cleat/core/rig';
import { Memory } from '@plain-cleat/core/base/stages';
import { workUp } from '@plain-cleat/core/workup';
import { type Observable, scan } from 'rxjs';
import { newestOf } from './parts';
import { type ClashShown, inputOf, type Notices, type RigState } from './rig.state';
import type { Waiting, WaitingChange, WaitingFact } from './tablet';
import { onTop } from './undo';

/** All that an open rig is shown from. */
export interface RigSources {
  readonly doc: RigDocument;
  /** Plan and facts as the server has them. */
  readonly serverPlan: Plan;
  readonly serverFacts: readonly Fact[];
  /** What of mine is not acknowledged. */
  readonly waiting: readonly Waiting[];
  readonly notTaken: readonly WaitingFact[];
  readonly clashed: readonly WaitingChange[];
  /** A change still under the finger. */
  readonly previewed: Change | null;
  readonly set: string | null;
  /** Parts this device knows besides those of the rig. */
  readonly known: readonly Part[];
  readonly notices: Notices;
}

export const NO_NOTICES: Notices = { noNews: null, copyOf: null, unsent: null, refused: null };

/** A clash with what stands there now, whenever it is chosen from. */
function shownClash(mine: WaitingChange, plan: Plan): ClashShown {
  const { field = '', found = null, wanted = null } = mine.clash ?? {};
  const now = field.split('/').reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], plan);
  return { mine, field, found: now === undefined ? found : now, wanted };
}

/** What is to be chosen from: the same again while neither mine nor the plan is another. */
function clashesOf(before: RigState | null, { clashed, serverPlan, doc }: RigSources): readonly ClashShown[] {
  const was = before?.clashes ?? [];
  const same = before?.doc.plan === doc.plan && was.length === clashed.length && was.every((c, i) => c.mine === clashed[i]);
  return same ? was : clashed.map((mine) => shownClash(mine, serverPlan));
}

/** A plan with a change on it; as it was when it does not go on it. */
function withChange(plan: Plan, change: Change | null): Plan {
  try {
    return change ? applyChange(plan, change).plan : plan;
  } catch {
    return plan;
  }
}

/**
 * What of the stores a plan is worked up from: what came with the rig, and of what this device knows what is new to it.
 * The same again while nothing is.
 */
export function catalogFor(
  plan: Plan,
  sources: Pick<RigSources, 'doc' | 'known'>,
  before?: RigState['catalog'],
): RigState['catalog'] {
  const { catalog } = sources.doc;
  const there = new Set(catalog.parts.map(partKey));
  const wanted = new Set(
    partsOf(plan)
      .map(partKey)
      .filter((key) => !there.has(key)),
  );
  if (wanted.size === 0) return catalog;
  const parts = [...catalog.parts, ...sources.known.filter((p) => wanted.has(partKey(p)))];
  const same = before?.parts.length === parts.length && parts.every((p, i) => p === before.parts[i]);
  return same && before.consumables === catalog.consumables ? before : { ...catalog, parts };
}

/** The rig as it is shown: the server's truth, mine on top of it, what is under the finger, and the workup of all. */
function shown(before: RigState | null, sources: RigSources, session: Memory): RigState {
  const { doc, waiting, notTaken, notices } = sources;
  const { plan: settled, facts } = onTop(sources.serverPlan, sources.serverFacts, waiting);
  const plan = withChange(settled, sources.previewed);
  const set = sources.set !== null && Object.hasOwn(plan.sets, sources.set) ? sources.set : null;
  const catalog = catalogFor(plan, sources, before?.catalog);
  const parts =
    before?.known === sources.known && before.doc.catalog === doc.catalog && before.plan.own === plan.own
      ? before.parts
      : [...newestOf([...doc.catalog.parts, ...sources.known]), ...ownParts(plan)];
  const same =
    before &&
    before.plan === plan &&
    before.facts === facts &&
    before.doc.hull === doc.hull &&
    before.doc.shop === doc.shop &&
    before.catalog === catalog &&
    before.doc.others === doc.others &&
    before.doc.today === doc.today &&
    before.set === set;
  const workup = same ? before.workup : workUp({ ...inputOf({ doc, catalog }), plan, facts, set }, session);
  return {
    doc,
    plan,
    settled,
    facts,
    workup,
    catalog,
    parts,
    known: sources.known,
    set,
    waiting: waiting.length,
    clashes: clashesOf(before, sources),
    notTaken,
    ...notices,
  };
}

/** What is shown of a rig as what it follows from changes; of none, nothing. Another rig begins with a session of its own. */
export const shownRig = (sources$: Observable<RigSources | null>): Observable<RigState | null> => {
  let session = new Memory();
  return sources$.pipe(
    scan((before: RigState | null, sources) => {
      if (before?.doc.id !== sources?.doc.id) session = new Memory();
      return sources && shown(before?.doc.id === sources.doc.id ? before : null, sources, session);
    }, null),
  );
};
