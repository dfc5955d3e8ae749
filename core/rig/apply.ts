import { hasGone } from './aboard';
import { ownPartId } from '../parts/parts';
import { entryOf } from './entry-of';
import { type Change, type Edit, editsOf, singleChanges, type SimpleChange } from './change';
import { sameJson } from './same-json';
import { isTrolley, tiedFitting } from './line';
import { PLAN_LIMITS, tooMany, type Place, type Plan } from './plan';
import { fittingSchema } from './fitting';

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

const RECORDS = ['letters', ...Object.keys(PLAN_LIMITS)];
const OPTIONAL = Object.entries(fittingSchema.shape).flatMap(([field, schema]) =>
  schema.safeParse(undefined).success ? [field] : [],
);

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

/** Whether a plan has a fitting, and it does not leave the boat. */
function isAboard(plan: Plan, id: string): boolean {
  const f = entryOf(plan.fittings, id);
  return f !== undefined && !hasGone(f);
}

function checkRuns(plan: Plan): void {
  for (const [id, run] of Object.entries(plan.runs)) {
    for (const end of ['from', 'to'] as const)
      if (!isAboard(plan, run[end]))
        throw new Refused(`runs/${id}/${end}`, `no fitting ${run[end]}: drop the run first, or place the fitting`);
    for (const w of run.via)
      if (w.at === 'gland' && !isAboard(plan, w.fitting))
        throw new Refused(`runs/${id}/via`, `no gland ${w.fitting}: route the run past it first, or place it`);
    if (run.from === run.to) throw new Refused(`runs/${id}/to`, 'a run joins two different fittings');
  }
}

/** What a line carries and what it is led through is aboard; a ring is a trolley's. */
function checkLines(plan: Plan): void {
  for (const [id, line] of Object.entries(plan.lines)) {
    if (line.carries !== undefined && !isAboard(plan, line.carries))
      throw new Refused(`lines/${id}/carries`, `no fitting ${line.carries}: delete the line first, or place the fitting`);
    for (const point of line.through) {
      const fitting = point.at === 'tie' ? tiedFitting(point.tie) : null;
      if (fitting !== null && !isAboard(plan, fitting))
        throw new Refused(`lines/${id}/through`, `no fitting ${fitting}: lead the line elsewhere first, or place the fitting`);
      if (point.at === 'ring' && (isTrolley(line) || !isTrolley(entryOf(plan.lines, point.line))))
        throw new Refused(`lines/${id}/through`, 'it goes through the ring of no anchor trolley: lead it elsewhere first');
    }
  }
}

/** Every place, and every other place it takes in a set. */
const placesOf = (f: Plan['fittings'][string]): Place[] => [f.place, ...Object.values(f.elsewhere ?? {})];

function checkStanding(plan: Plan): void {
  const on = (f: Plan['fittings'][string] | undefined): string[] =>
    f ? placesOf(f).flatMap((p) => (p.on === 'fitting' ? [p.fitting] : [])) : [];
  for (const [id, f] of Object.entries(plan.fittings)) {
    if (f.becomes && !f.aboard)
      throw new Refused(`fittings/${id}/becomes`, 'it did not come aboard with the boat: delete it instead');
    if (hasGone(f)) continue;
    for (const below of on(f))
      if (!isAboard(plan, below))
        throw new Refused(`fittings/${id}/place`, `it stands on a fitting that is not aboard: move it first`);
    const seen = new Set([id]);
    for (let next = on(f); next.length; next = next.flatMap((below) => on(entryOf(plan.fittings, below)))) {
      if (next.includes(id)) throw new Refused(`fittings/${id}/place`, 'it would stand on itself');
      next = next.filter((below) => !seen.has(below));
      next.forEach((below) => seen.add(below));
    }
    const tied = f.tether?.to;
    if (tied && !isAboard(plan, tied))
      throw new Refused(`fittings/${id}/tether`, 'what holds its tether is not aboard: tie it elsewhere first');
    for (const set of [...(f.sets ?? []), ...Object.keys(f.elsewhere ?? {})])
      if (!Object.hasOwn(plan.sets, set)) throw new Refused(`fittings/${id}/sets`, `there is no set ${set}`);
  }
}

/** A part of one's own stays as long as it is aboard. */
function checkOwn(plan: Plan): void {
  const made = new Set(Object.keys(plan.own).map(ownPartId));
  for (const [id, f] of Object.entries(plan.fittings))
    if (f.part.startsWith(ownPartId('')) && !made.has(f.part))
      throw new Refused(`fittings/${id}/part`, 'this part of your own is aboard: take it off before it is deleted');
}

/** A name as it is compared: without case, in one Unicode form, without a space more. */
const sameName = (name: string): string => name.normalize('NFKC').toLocaleLowerCase('en').replace(/\s+/g, ' ').trim();

/** Two parts of one's own that differ by case or Unicode form alone are one to whoever reads their names. */
function checkOwnNames(before: Plan, after: Plan): void {
  const all = Object.entries(after.own);
  for (const [key, { name }] of all) {
    if (entryOf(before.own, key)?.name === name) continue;
    const [other] = all.filter(([k, o]) => k !== key && sameName(o.name) === sameName(name));
    if (other)
      throw new Refused(`own/${key}/name`, `another part of your own is called ${other[1].name}: give this one another name`);
  }
}

function checkStowage(plan: Plan): void {
  for (const [id, s] of Object.entries(plan.stowage))
    if (s.of !== undefined && !isAboard(plan, s.of))
      throw new Refused(`stowage/${id}/of`, 'what it is stowed in is not aboard: take it out first');
}

/** What keeps a plan from holding together, or null: a run without its end, a fitting on one that is gone. */
export function holdsTogether(plan: Plan): Refused | null {
  try {
    checkRuns(plan);
    checkLines(plan);
    checkStanding(plan);
    checkStowage(plan);
    checkOwn(plan);
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
  if (after.lines !== before.lines || after.fittings !== before.fittings) checkLines(after);
  if (after.fittings !== before.fittings || after.sets !== before.sets) checkStanding(after);
  if (after.fittings !== before.fittings || after.stowage !== before.stowage) checkStowage(after);
  if (after.own !== before.own || after.fittings !== before.fittings) checkOwn(after);
  if (after.own !== before.own) checkOwnNames(before, after);
  const inverses = parts.map(inverseOf).reverse();
  const [only] = inverses;
  const inverse: Change = change.kind === 'together' || !only ? { id: change.id, kind: 'together', changes: inverses } : only;
  return { plan: after, inverse, touched: edits.map((e) => e.path.join('/')) };
}
