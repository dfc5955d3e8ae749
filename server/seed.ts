import { ASSEMBLIES, CATALOG, demoRigs, HULLS, SHOP, STAFF } from '@plain-cleat/demo';
import { USUAL_SHOP } from '@plain-cleat/core/parts/shop';
import type { Logger } from 'pino';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { AssemblyRow, CounterRow, HullModelRow, MaterialsRow, ShopRow, StaffRow } from './database/models';
import { keepRevisions } from './parts/keep';
import { todayIn } from './rigs/load';
import { storeFile } from './rigs/open';
import { Projection } from './rigs/projection';
import { hashPassword } from './staff/passwords';

/** Does something with an empty shop, once: of several processes that start together one does it, the others wait. */
async function once<T>(db: Sequelize, work: (t: Transaction) => Promise<T>): Promise<T> {
  return db.transaction(async (transaction) => {
    // Held by this connection: it is let go of with it, too.
    await db.query("SELECT GET_LOCK('plain-cleat shop', 120)", { type: QueryTypes.SELECT, transaction });
    try {
      return await work(transaction);
    } finally {
      await db.query("SELECT RELEASE_LOCK('plain-cleat shop')", { type: QueryTypes.SELECT, transaction });
    }
  });
}

/** The stores a shop starts from. */
async function stock(transaction: Transaction): Promise<void> {
  const { revision, consumables, stocks, parts } = CATALOG;
  await keepRevisions(parts, transaction);
  await MaterialsRow.create({ revision, document: JSON.stringify({ revision, consumables, stocks }) }, { transaction });
}

/**
 * Lays down what a real shop starts from, where there is nothing: the usual settings, and parts of every kind with
 * prices that are nobody's. Hulls it measures itself.
 */
export const found = (db: Sequelize): Promise<boolean> =>
  once(db, async (transaction) => {
    if ((await ShopRow.count({ transaction })) > 0) return false;
    await ShopRow.create({ revision: 1, document: JSON.stringify(USUAL_SHOP) }, { transaction });
    await stock(transaction);
    await CounterRow.create({ name: 'rig', value: 0 }, { transaction });
    return true;
  });

/**
 * Loads the demo shop into an empty database: the whole of it, or nothing when it is interrupted.
 */
export async function seed(db: Sequelize, log: Logger): Promise<boolean> {
  const people = await Promise.all(
    STAFF.map(async ({ password, pin, ...person }) => ({
      ...person,
      passwordHash: await hashPassword(password),
      pinHash: await hashPassword(pin),
    })),
  );
  const projection = new Projection(log).follow();
  const seeded = await once(db, async (transaction) => {
    if ((await StaffRow.count({ transaction })) > 0) return false;
    await StaffRow.bulkCreate(people, { transaction });
    const models = HULLS.map((hull) => ({ id: hull.id, revision: hull.revision, document: JSON.stringify(hull) }));
    await HullModelRow.bulkCreate(models, { transaction });
    await stock(transaction);
    await ShopRow.create({ revision: SHOP.revision, document: JSON.stringify(SHOP) }, { transaction });
    const assemblies = ASSEMBLIES.map((a) => ({ id: a.id, version: a.version, document: JSON.stringify(a) }));
    await AssemblyRow.bulkCreate(assemblies, { transaction });
    await CounterRow.create({ name: 'rig', value: 143 }, { transaction });
    for (const { file, place } of demoRigs(todayIn(SHOP.timeZone))) await storeFile(file, { place, foreign: false }, transaction);
    return true;
  });
  await projection.stop();
  return seeded;
}
