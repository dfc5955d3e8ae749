import { entryOf } from './entry-of';
import { type Change, singleChanges, type SimpleChange } from './change';
import { PLAN_LIMITS, tooMany, type Place, type Plan } from './plan';

/** One field of the plan set from one value to another; null stands for absent. */
export interface Edit {
  readonly path: readonly string[];
  readonly from: unknown;
  readonly to: unknown;
}

export interface Applied {
  readonly plan: Plan;
  /** The change that takes this one back, with what it now expects to find. */
  readonly inverse: Change;
  /** Paths of the fields that were set, as `fittings/c/place`. */
  readonly touched: readonly string[];
}

/** The field holds something else than the change expected: somebody else was there first. */
export class Clash extends Error {
  constructor(
    readonly field: string,
    readonly expected: unknown,
    readonly found: unknown,
    readonly wanted: unknown,
  ) {
    super(`${field} has changed meanwhile`);
    this.name = 'Clash';
  }
}

/** The change names something the plan does not have, or would leave it broken. */
export class Refused extends Error {
  constructor(
    readonly field: string,
    readonly says: string,
  ) {
    super(`${field}: ${says}`);
    this.name = 'Refused';
  }
}

/** Deep equality of plain JSON values; the order of keys does not matter. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(x);
  return keys.length === Object.keys(y).length && keys.every((k) => Object.hasOwn(y, k) && sameJson(x[k], y[k]));
}

function editsOf(change: SimpleChange): Edit[] {
  const one = (path: string[], from: unknown, to: unknown): Edit[] => [{ path, from, to }];
  switch (change.kind) {
    case 'placeItem':
      return one(['fittings', change.item], null, change.to);
    case 'takeOffItem':
      return one(['fittings', change.item], change.from, null);
    case 'slideItem':
      return one(['fittings', change.item, 'place'], change.from, change.to);
    case 'liftItem':
      return one(['fittings', change.item, 'lift'], change.from, change.to);
    case 'slideInSet':
      return one(['fittings', change.item, 'elsewhere', change.set], change.from, change.to);
    case 'joinSets':
      return one(['fittings', change.item, 'sets'], change.from, change.to);
    case 'leanItem':
      return one(['fittings', change.item, 'lean'], change.from, change.to);
    case 'groupItem':
      return one(['fittings', change.item, 'group'], change.from, change.to);
    case 'lockItem':
      return one(['fittings', change.item, 'locked'], change.from, change.to);
    case 'swapItem':
      return one(['fittings', change.item, 'swap'], change.from, change.to);
    case 'tetherItem':
      return one(['fittings', change.item, 'tether'], change.from, change.to);
    case 'floatItem':
      return one(['fittings', change.item, 'float'], change.from, change.to);
    case 'travelItem':
      return one(['fittings', change.item, 'travels'], change.from, change.to);
    case 'cutTrack':
      return one(['fittings', change.item, 'length'], change.from, change.to);
    case 'reuseHoles':
      return one(['fittings', change.item, 'uses'], change.from, change.to);
    case 'renewItem':
      return one(['fittings', change.item, 'of'], change.from, change.to);
    case 'nameSet':
      return one(['sets', change.set], change.from, change.to);
    case 'stowThing':
      return one(['stowage', change.thing], change.from, change.to);
    case 'keepPhoto':
      return one(['photos', change.photo], change.from, change.to);
    case 'planScupper':
      return one(['scuppers', change.scupper], change.from, change.to);
    case 'chooseMount':
      return one(['fittings', change.item, 'mount'], change.from, change.to);
    case 'supplyItem':
      return one(['fittings', change.item, 'suppliedBy'], change.from, change.to);
    case 'noteItem':
      return one(['fittings', change.item, 'note'], change.from, change.to);
    case 'routeRun':
      return one(['runs', change.run], change.from, change.to);
    case 'writeWish':
      return one(['wishes', change.wish], change.from, change.to);
    case 'answerBrief':
      return Object.keys(change.to).map((question) => ({
        path: ['brief', question],
        from: change.from[question as keyof typeof change.from],
        to: change.to[question as keyof typeof change.to],
      }));
    case 'acceptFinding':
      return one(['accepted', change.finding], change.from, change.to);
    case 'hookTape':
      return one(['tape'], change.from, change.to);
    case 'nameRig':
      return one(['title'], change.from, change.to);
    case 'promiseRig':
      return one(['promised'], change.from, change.to);
    case 'adoptRevision':
      return one(change.pin === 'hull' ? ['pins', 'hull', 'revision'] : ['pins', change.pin], change.from, change.to);
    case 'freezeLetters':
      return one(['letters'], change.from, change.to);
    case 'letterItem':
      return one(['letters', change.item], change.from, change.to);
  }
}

function inverseOf(change: SimpleChange): SimpleChange {
  switch (change.kind) {
    case 'placeItem':
      return { id: change.id, kind: 'takeOffItem', item: change.item, from: change.to };
    case 'takeOffItem':
      return { id: change.id, kind: 'placeItem', item: change.item, to: change.from };
    default:
      return { ...change, from: change.to, to: change.from } as SimpleChange;
  }
}

type Json = Record<string, unknown>;

function edited(holder: Json, path: readonly string[], edit: Edit): Json {
  const [head = '', ...rest] = path;
  const there = Object.hasOwn(holder, head);
  if (rest.length === 0) {
    const found = there ? holder[head] : null;
    if (!sameJson(found ?? null, edit.from ?? null)) throw new Clash(edit.path.join('/'), edit.from, found ?? null, edit.to);
    if (edit.to === null && mayBeAbsent(edit.path)) return without(holder, head);
    return { ...holder, [head]: edit.to };
  }
  const inElsewhere = edit.path[0] === 'fittings' && head === 'elsewhere';
  if ((!there && !inElsewhere) || holder[head] === null) {
    // Taken off by somebody else: a clash when it was there before, which only the sender can tell.
    throw new Clash(edit.path.join('/'), edit.from, null, edit.to);
  }
  const inner = edited((there ? holder[head] : {}) as Json, rest, edit);
  // An empty record of places is no record: an inverse must leave nothing behind.
  return inElsewhere && Object.keys(inner).length === 0 ? without(holder, head) : { ...holder, [head]: inner };
}

function without(holder: Json, key: string): Json {
  const { [key]: _, ...others } = holder;
  return others;
}

const RECORDS = ['letters', 'fittings', 'runs', 'wishes', 'accepted', 'sets', 'stowage', 'photos', 'scuppers'];
const OPTIONAL = ['sets', 'lean', 'group', 'locked', 'swap', 'tether', 'float', 'travels', 'of', 'uses', 'length'];

/** Entries of records and optional fields of a fitting are gone when set to null; plain fields keep the null. */
function mayBeAbsent(path: readonly string[]): boolean {
  const [first = '', , third = ''] = path;
  if (path.length === 2) return RECORDS.includes(first);
  return first === 'fittings' && (path.length === 4 || OPTIONAL.includes(third));
}

/** A list that grew stays within what a rig holds. */
function checkCounts(before: Plan, after: Plan): void {
  for (const list of Object.keys(PLAN_LIMITS) as (keyof typeof PLAN_LIMITS)[]) {
    const grew = after[list] !== before[list] && Object.keys(after[list]).length > Object.keys(before[list]).length;
    const says = grew ? tooMany(list, after[list]) : null;
    if (says) throw new Refused(list, says);
  }
}

function checkRuns(plan: Plan): void {
  for (const [id, run] of Object.entries(plan.runs)) {
    for (const end of ['from', 'to'] as const)
      if (!Object.hasOwn(plan.fittings, run[end]))
        throw new Refused(`runs/${id}/${end}`, `no fitting ${run[end]}: drop the run first, or place the fitting`);
    if (run.from === run.to) throw new Refused(`runs/${id}/to`, 'a run joins two different fittings');
  }
}

/** Every place, and every other place it takes in a set. */
const placesOf = (f: Plan['fittings'][string]): Place[] => [f.place, ...Object.values(f.elsewhere ?? {})];

function checkStanding(plan: Plan): void {
  const on = (f: Plan['fittings'][string] | undefined): string[] =>
    f ? placesOf(f).flatMap((p) => (p.on === 'fitting' ? [p.fitting] : [])) : [];
  for (const [id, f] of Object.entries(plan.fittings)) {
    for (const below of on(f))
      if (!Object.hasOwn(plan.fittings, below))
        throw new Refused(`fittings/${id}/place`, `it stands on a fitting that is not aboard: move it first`);
    const seen = new Set([id]);
    for (let next = on(f); next.length; next = next.flatMap((below) => on(entryOf(plan.fittings, below)))) {
      if (next.includes(id)) throw new Refused(`fittings/${id}/place`, 'it would stand on itself');
      next = next.filter((below) => !seen.has(below));
      next.forEach((below) => seen.add(below));
    }
    const tied = f.tether?.to;
    if (tied && !Object.hasOwn(plan.fittings, tied))
      throw new Refused(`fittings/${id}/tether`, 'what holds its tether is not aboard: tie it elsewhere first');
    for (const set of [...(f.sets ?? []), ...Object.keys(f.elsewhere ?? {})])
      if (!Object.hasOwn(plan.sets, set)) throw new Refused(`fittings/${id}/sets`, `there is no set ${set}`);
  }
}

/** What keeps a plan from holding together, or null: a run without its end, a fitting on one that is gone. */
export function holdsTogether(plan: Plan): Refused | null {
  try {
    checkRuns(plan);
    checkStanding(plan);
    return null;
  } catch (error) {
    if (error instanceof Refused) return error;
    throw error;
  }
}

/**
 * Applies one change to a plan. Pure: the browser and the server run the very same function.
 *
 * @returns the new plan, the inverse, and the touched fields
 * @throws {Clash} when a touched field does not hold what the change expects
 * @throws {Refused} when the result would not hold together, such as a run to a fitting that is gone
 */
export function applyChange(before: Plan, change: Change): Applied {
  const parts = singleChanges(change);
  const edits = parts.flatMap(editsOf);
  const after = edits.reduce<Json>((holder, edit) => edited(holder, edit.path, edit), before) as Plan;
  checkCounts(before, after);
  if (after.runs !== before.runs || after.fittings !== before.fittings) checkRuns(after);
  if (after.fittings !== before.fittings || after.sets !== before.sets) checkStanding(after);
  const inverses = parts.map(inverseOf).reverse();
  const [only] = inverses;
  const inverse: Change = change.kind === 'together' || !only ? { id: change.id, kind: 'together', changes: inverses } : only;
  return { plan: after, inverse, touched: edits.map((e) => e.path.join('/')) };
}
