import { whoAccepts } from '@plain-cleat/core/checks/findings';
import { partKey, revisionOf } from '@plain-cleat/core/parts/parts';
import { placeFault } from '@plain-cleat/core/boat/hull';
import { type Change, ownParts, partsOf, type Place, type Plan, type SimpleChange, singleChanges } from '@plain-cleat/core/rig';
import type { Staff } from '@plain-cleat/api';
import type { Transaction } from 'sequelize';
import type { RigRow } from '../database/models';
import { badInput } from '../problems/problem';
import { partsAt } from '../revisions/revisions';
import { wantsManager } from '../staff/signing';
import { updateFault } from './newer';
import { carriedBy, pinnedOf } from './load';

/** Parts, tracks, inserts, rooms and rules a change names must exist; the plan alone cannot tell. */
export async function checkParts(
  change: Change,
  row: RigRow,
  { before: plan, after }: { readonly before: Plan; readonly after: Plan },
  transaction: Transaction,
): Promise<void> {
  const all = singleChanges(change);
  await checkStores(row, plan, after, transaction);
  for (const c of all) {
    const fault = c.kind === 'adoptRevision' ? await updateFault(row, plan, c.pin, c.to, transaction) : null;
    if (fault) throw badInput([{ field: 'change.to', says: fault }]);
  }
  const naming = ['placeItem', 'slideItem', 'slideInSet', 'stowThing', 'planScupper', 'answerBrief'];
  if (!all.some((c) => naming.includes(c.kind))) return;
  const { hull, shop } = await pinnedOf(row, plan, transaction);
  const refuse = (field: string, says: string): never => {
    throw badInput([{ field: `change.${field}`, says }]);
  };
  for (const c of all) {
    for (const place of placesIn(c)) {
      const misplaced = placeFault(hull, place);
      if (misplaced) refuse(`to.place.${misplaced.field}`, misplaced.says);
    }
    if (c.kind === 'stowThing' && c.to && c.to.of === undefined && !hull.spaces?.some((one) => one.id === c.to?.in))
      refuse('to.in', `this hull has no room ${c.to.in} inside`);
    if (c.kind === 'planScupper' && !hull.scuppers.some((s) => s.id === c.scupper))
      refuse('scupper', `this hull has no scupper ${c.scupper}`);
    const unknown = c.kind === 'answerBrief' ? c.to.rules?.find((id) => !shop.rules.some((r) => r.id === id)) : undefined;
    if (unknown) refuse('to.rules', `the shop has no list of rules ${unknown}`);
  }
}

/** Every part in a revision that is new to the plan must be in the stores, or have come with the rig. */
async function checkStores(row: RigRow, before: Plan, after: Plan, transaction: Transaction): Promise<void> {
  if (after.fittings === before.fittings) return;
  const known = new Set([...partsOf(before), ...ownParts(after), ...(carriedBy(row)?.parts ?? [])].map(partKey));
  const wanted = partsOf(after).filter((ref) => !known.has(partKey(ref)));
  if (wanted.length === 0) return;
  const there = new Set((await partsAt(wanted, transaction)).map(partKey));
  const missing = wanted.find((ref) => !there.has(partKey(ref)));
  if (missing)
    throw badInput([
      { field: 'change.to.part', says: `the stores have no part ${missing.id} in revision ${revisionOf(missing)}` },
    ]);
}

/** Every place a change would put something at. */
function placesIn(c: SimpleChange): Place[] {
  if (c.kind === 'placeItem') return [c.to.place, ...Object.values(c.to.elsewhere ?? {})];
  if (c.kind === 'slideItem') return [c.to];
  return c.kind === 'slideInSet' && c.to ? [c.to] : [];
}

/** The same acceptance in the name of the manager who typed their password for it: it is for that and nothing else. */
export function acceptedBy(manager: Pick<Staff, 'name'>, change: Change): Change {
  if (change.kind === 'acceptFinding' && change.to) return { ...change, to: { ...change.to, by: manager.name } };
  throw badInput([{ field: 'override', says: 'it is for accepting one finding, and for nothing else' }]);
}

/**
 * Who accepts a finding signs with their own name: who is signed in, or for what only a manager may accept the manager
 * who typed their password for it. Whether it stands at all is not asked: what does not stand is accepted without
 * effect, and what got worse since lapses by itself.
 */
export function checkAcceptance(change: Change, staff: Pick<Staff, 'name'>, manager: Pick<Staff, 'name'> | null): void {
  const accepted = singleChanges(change).flatMap((c) =>
    c.kind === 'acceptFinding' && c.to ? [{ key: c.finding, ...c.to }] : [],
  );
  for (const { key, by } of accepted) {
    const who = whoAccepts(key);
    if (who === 'nobody') throw badInput([{ field: 'change.finding', says: 'nobody may accept this one' }]);
    if (who === 'manager' && !manager) throw wantsManager();
    const signer = manager ?? staff;
    if (by !== signer.name) throw badInput([{ field: 'change.to.by', says: `you accept as yourself, ${signer.name}` }]);
  }
}
