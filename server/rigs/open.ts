import { randomUUID } from 'node:crypto';
import {
  type Fitting,
  hasGone,
  isMakers,
  openPlan,
  pinsTo,
  type Plan,
  type RigFile,
  sameJson,
  withoutBoat,
} from '@plain-cleat/core/rig';
import type { OpenRig } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { countOn } from '../database/counters';
import { inTransaction } from '../database/transaction';
import { FactRow, HullRow, OwnerRow, RigRow } from '../database/models';
import { badInput } from '../problems/problem';
import { cameWith } from './came';
import { findRig, planOf, storedPlan, todayIn, type Carried, fromAFile } from './load';
import { findHull, hullAt, newestMaterials, newestShop } from '../revisions/revisions';

async function nextNumber(transaction: Transaction): Promise<string> {
  return `R-${String(await countOn('rig', transaction)).padStart(4, '0')}`;
}

async function findOrMakeOwner(owner: OpenRig['owner'], transaction: Transaction): Promise<OwnerRow> {
  if (!('id' in owner)) return OwnerRow.create({ id: randomUUID(), ...owner }, { transaction });
  const found = await OwnerRow.findByPk(owner.id, { transaction });
  if (!found) throw badInput([{ field: 'owner.id', says: 'no such owner: choose one from the list or write a name' }]);
  return found;
}

/** A hull of this owner's that was here before: its ledger goes on. */
async function knownHull(id: string, ownerId: string, modelId: string, transaction: Transaction): Promise<HullRow> {
  const hull = await HullRow.findByPk(id, { transaction });
  if (!hull || hull.ownerId !== ownerId) throw badInput([{ field: 'ownHull', says: 'this owner has no such hull here' }]);
  if (hull.modelId !== modelId) throw badInput([{ field: 'hull', says: `that hull is a ${hull.modelId}` }]);
  return hull;
}

/** Keeps a new rig at its first version under the next number. */
async function storeRig(
  { plan, ...rig }: Pick<RigRow, 'id' | 'ownerId' | 'hullId' | 'place' | 'carried'> & { readonly plan: Plan },
  transaction: Transaction,
): Promise<{ id: string; number: string }> {
  const number = await nextNumber(transaction);
  await RigRow.create({ ...rig, number, version: 0, ...storedPlan(plan) }, { transaction });
  return { id: rig.id, number };
}

/**
 * Opens a rig on a hull the shop knows: a new one with a fresh ledger and what its maker fits, or one of the owner's that
 * was here before, with what the last rig left on it.
 */
export async function openNewRig(db: Sequelize, wanted: OpenRig): Promise<{ id: string; number: string }> {
  return inTransaction(db, async (transaction) => {
    const model = await findHull(wanted.hull, transaction);
    if (!model) throw badInput([{ field: 'hull', says: `the shop knows no hull ${wanted.hull}` }]);
    const [materials, shop] = [await newestMaterials(transaction), await newestShop(transaction)];
    const today = todayIn(shop.timeZone);
    if (wanted.promised && wanted.promised < today) throw badInput([{ field: 'promised', says: `is before today, ${today}` }]);
    const owner = await findOrMakeOwner(wanted.owner, transaction);
    const id = randomUUID();
    const hull = wanted.ownHull
      ? await knownHull(wanted.ownHull, owner.id, model.id, transaction)
      : await HullRow.create(
          { id: randomUUID(), ownerId: owner.id, modelId: model.id, serial: wanted.serial, factCount: 0 },
          { transaction },
        );
    const { setAside, ...came } = await cameWith(model, wanted.ownHull ? hull.id : null, transaction);
    const start = openPlan({
      id,
      title: wanted.title,
      opened: today,
      promised: wanted.promised,
      pins: pinsTo(model, materials.revision, shop.revision),
    });
    const plan: Plan = { ...start, brief: { ...start.brief, ...wanted.brief }, ...came };
    if (setAside) await setAside.update({ place: 'set aside' }, { transaction });
    return storeRig({ id, ownerId: owner.id, hullId: hull.id, place: 'bench 1', plan, carried: null }, transaction);
  });
}

/** The same fittings on a boat of the same model: what the maker fits came with it too, what was found on the other did not. */
const onAnotherBoat = (fittings: Plan['fittings']): Plan['fittings'] =>
  Object.fromEntries(
    Object.entries(fittings).flatMap(([name, fitting]): [string, Fitting][] => {
      if (isMakers(fitting)) return [[name, fitting]];
      return hasGone(fitting) ? [] : [[name, withoutBoat(fitting)]];
    }),
  );

/** The same cables or lines in another boat: none is there yet. */
const madeAnew = <T extends { aboard?: unknown }>(all: Readonly<Record<string, T>>): Record<string, Omit<T, 'aboard'>> =>
  Object.fromEntries(Object.entries(all).map(([id, { aboard: _, ...one }]) => [id, one]));

/**
 * The same plan again for the same owner, on a boat of its own of the same model. What belongs to the one boat stays
 * with it: its facts, its frozen letters, its old holes, what was accepted of it.
 */
export async function duplicateRig(db: Sequelize, rigId: string, title: string): Promise<{ id: string; number: string }> {
  return inTransaction(db, async (transaction) => {
    const row = await findRig(rigId, transaction);
    const hull = await HullRow.findByPk(row.hullId, { transaction });
    if (!hull) throw badInput([{ field: 'rig', says: 'its hull is missing' }]);
    const shop = await newestShop(transaction);
    const before = planOf(row);
    const id = randomUUID();
    const plan: Plan = {
      ...before,
      id,
      title,
      opened: todayIn(shop.timeZone),
      promised: null,
      fittings: onAnotherBoat(before.fittings),
      runs: madeAnew(before.runs),
      lines: madeAnew(before.lines),
      accepted: {},
      letters: null,
      photos: {},
    };
    const boat = await HullRow.create(
      { id: randomUUID(), ownerId: row.ownerId, modelId: hull.modelId, serial: '', factCount: 0 },
      { transaction },
    );
    return storeRig({ id, ownerId: row.ownerId, hullId: boat.id, place: 'bench 1', plan, carried: row.carried }, transaction);
  });
}

/** What was accepted elsewhere was accepted by nobody here. */
const asForeign = (plan: Plan): Plan => ({
  ...plan,
  accepted: Object.fromEntries(
    Object.entries(plan.accepted).map(([key, a]) => [key, { ...a, by: fromAFile(a.by).slice(0, 80), unproven: true as const }]),
  ),
});

/** Where a rig from a file goes, and whether somebody brought it: it is then of no shop's staff what it says was done. */
interface Imported {
  readonly place: string;
  readonly foreign: boolean;
}

/** Opens a rig from a rig file that somebody brought, whole or not at all. */
export const importRig = (db: Sequelize, file: RigFile): Promise<{ id: string; number: string }> =>
  inTransaction(db, (transaction) => storeFile(file, { place: 'bench 1', foreign: true }, transaction));

/** Keeps what a rig file holds. The shop's own lives on the shop's own hulls, parts and settings. */
export async function storeFile(
  file: RigFile,
  { place, foreign }: Imported,
  transaction: Transaction,
): Promise<{ id: string; number: string }> {
  const { hull, parts, consumables, shop } = file;
  const owner = await OwnerRow.create({ id: randomUUID(), name: file.owner.name, email: '' }, { transaction });
  const known = await hullAt(hull.id, hull.revision, transaction);
  if (known && !sameJson(known, hull))
    throw badInput([
      {
        field: 'hull.revision',
        says: `this shop has another ${hull.id} revision ${hull.revision}; give the file's hull a new revision`,
      },
    ]);
  const hullRow = await HullRow.create(
    { id: randomUUID(), ownerId: owner.id, modelId: hull.id, serial: '', factCount: file.ledger.length },
    { transaction },
  );
  for (const f of file.ledger)
    await FactRow.create(
      { hullId: hullRow.id, id: f.id, kind: f.kind, by: f.by, serverTime: f.serverTime, body: JSON.stringify(f), foreign },
      { transaction },
    );
  const carried: Carried = { hull, parts, consumables, shop };
  return storeRig(
    {
      id: randomUUID(),
      ownerId: owner.id,
      hullId: hullRow.id,
      place,
      plan: foreign ? asForeign(file.plan) : file.plan,
      carried: foreign ? JSON.stringify(carried) : null,
    },
    transaction,
  );
}
