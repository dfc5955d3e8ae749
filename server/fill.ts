import { CATALOG } from '@plain-cleat/catalog';
import type { HullModel } from '@plain-cleat/core/boat/hull';
import { type ShopSettings, USUAL_SHOP } from '@plain-cleat/core/parts/shop';
import type { Assembly, RigFile } from '@plain-cleat/core/rig';
import type { Logger } from 'pino';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { AssemblyRow, CounterRow, HullModelRow, MaterialsRow, ShopRow, StaffRow } from './database/models';
import { saveRevisions } from './parts/save';
import { todayIn } from './rigs/load';
import { storeFile } from './rigs/open';
import { Projection } from './rigs/projection';
import { hashPassword } from './staff/passwords';

/** What an empty shop is filled with, beside the stores. */
export interface Filling {
  readonly people: readonly {
    readonly id: string;
    readonly login: string;
    readonly name: string;
    readonly role: string;
    readonly password: string;
    readonly pin: string;
  }[];
  readonly hulls: readonly HullModel[];
  readonly settings: ShopSettings;
  readonly assemblies: readonly Assembly[];
  /** The number of the last rig there was. */
  readonly lastNumber: number;
  /** The rigs, as if today were this day. */
  rigs(today: string): readonly { readonly file: RigFile; readonly place: string }[];
}

/** What a real shop starts from: the usual settings. Hulls it measures itself. */
export const REAL_SHOP: Filling = { people: [], hulls: [], settings: USUAL_SHOP, assemblies: [], lastNumber: 0, rigs: () => [] };

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
  await saveRevisions(parts, transaction);
  await MaterialsRow.create({ revision, document: JSON.stringify({ revision, consumables, stocks }) }, { transaction });
}

/**
 * Fills a shop where there is nothing: the whole of it, or nothing when it is interrupted.
 * @returns whether there was nothing
 */
export async function fill(db: Sequelize, log: Logger, filling: Filling): Promise<boolean> {
  const { hulls, settings, assemblies, lastNumber } = filling;
  const people = await Promise.all(
    filling.people.map(async ({ password, pin, ...person }) => ({
      ...person,
      passwordHash: await hashPassword(password),
      pinHash: await hashPassword(pin),
    })),
  );
  const document = <T>(of: T): { document: string } => ({ document: JSON.stringify(of) });
  const projection = new Projection(log).follow();
  const filled = await once(db, async (transaction) => {
    if ((await ShopRow.count({ transaction })) > 0) return false;
    await ShopRow.create({ revision: settings.revision, ...document(settings) }, { transaction });
    await stock(transaction);
    await CounterRow.create({ name: 'rig', value: lastNumber }, { transaction });
    await StaffRow.bulkCreate(people, { transaction });
    await HullModelRow.bulkCreate(
      hulls.map((hull) => ({ id: hull.id, revision: hull.revision, ...document(hull) })),
      { transaction },
    );
    await AssemblyRow.bulkCreate(
      assemblies.map((a) => ({ id: a.id, version: a.version, ...document(a) })),
      { transaction },
    );
    for (const { file, place } of filling.rigs(todayIn(settings.timeZone)))
      await storeFile(file, { place, foreign: false }, transaction);
    return true;
  });
  await projection.stop();
  return filled;
}
