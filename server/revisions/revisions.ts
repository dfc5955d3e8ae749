import { catalogSchema, type Catalog } from '@plain-cleat/core/catalog';
import { hullModelSchema, upcastHull, type HullModel } from '@plain-cleat/core/hull';
import { faultsOf, upcastParts, upcastShop } from '@plain-cleat/core/rig';
import { shopSettingsSchema, type ShopSettings } from '@plain-cleat/core/shop';
import { LRUCache } from 'lru-cache';
import type { Sequelize, Transaction } from 'sequelize';
import { CatalogRow, HullModelRow, ShopRow } from '../database/models';
import type { z } from 'zod';
import { notFound } from '../problems/problem';

/** So many hulls, settings and lists of parts are kept read (judgement); what was not asked for longest goes first. */
const KEPT = { hulls: 300, shops: 50, catalogs: 6 } as const;

interface Kept {
  readonly hulls: LRUCache<string, HullModel>;
  readonly shops: LRUCache<number, ShopSettings>;
  readonly catalogs: LRUCache<number, Catalog>;
}

/** What was read of each database: a revision never changes, so it is read once a process. */
const known = new WeakMap<Sequelize, Kept>();

function kept(): Kept {
  const db = ShopRow.sequelize as Sequelize;
  let all = known.get(db);
  if (!all)
    known.set(
      db,
      (all = {
        hulls: new LRUCache({ max: KEPT.hulls }),
        shops: new LRUCache({ max: KEPT.shops }),
        catalogs: new LRUCache({ max: KEPT.catalogs }),
      }),
    );
  return all;
}

/** A revision as it was read before, else read now; null when there is none. */
async function once<K extends {}, V extends {}>(
  all: LRUCache<K, V>,
  key: K,
  find: () => Promise<{ readonly document: string } | null>,
  read: (document: unknown) => V,
): Promise<V | null> {
  const before = all.get(key);
  if (before) return before;
  const row = await find();
  if (!row) return null;
  const value = read(JSON.parse(row.document));
  all.set(key, value);
  return value;
}

/** What is stored, when it fits its schema; what does not is no fault of whoever asks. */
function fitting<S extends z.ZodType>(schema: S, what: string, stored: unknown): z.infer<S> {
  const read = schema.safeParse(stored);
  if (read.success) return read.data;
  const [fault] = faultsOf(read.error);
  throw new Error(`${what} as it is stored does not fit: ${fault?.field}: ${fault?.says}`);
}

const readCatalog = (stored: unknown): Catalog =>
  fitting(catalogSchema, 'the list of parts', { ...(stored as Catalog), parts: upcastParts((stored as Catalog).parts) });
const readHull = (stored: unknown): HullModel => fitting(hullModelSchema, 'the hull', upcastHull(stored));
const readShop = (stored: unknown): ShopSettings => fitting(shopSettingsSchema, 'the settings', upcastShop(stored));

/** One revision of a hull model; null when there is none. */
export const hullAt = (id: string, revision: number, transaction?: Transaction): Promise<HullModel | null> =>
  once(kept().hulls, `${id} ${revision}`, () => HullModelRow.findOne({ where: { id, revision }, transaction }), readHull);

/** One revision of the shop's settings; null when there is none. */
export const shopAt = (revision: number, transaction?: Transaction): Promise<ShopSettings | null> =>
  once(kept().shops, revision, () => ShopRow.findByPk(revision, { transaction }), readShop);

/** One revision of the stores: parts, consumables, stock; null when there is none. */
export const catalogAt = (revision: number, transaction?: Transaction): Promise<Catalog | null> =>
  once(kept().catalogs, revision, () => CatalogRow.findByPk(revision, { transaction }), readCatalog);

/** The newest revision of a hull model; null when the shop knows none of that name. */
export async function findHull(id: string, transaction?: Transaction): Promise<HullModel | null> {
  const row = await HullModelRow.findOne({
    attributes: ['revision'],
    where: { id },
    order: [['revision', 'DESC']],
    transaction,
  });
  return row && hullAt(id, row.revision, transaction);
}

/** The newest revision of a hull model, which there must be. */
export async function newestHull(id: string): Promise<HullModel> {
  const hull = await findHull(id);
  if (!hull) throw notFound('hull', `the shop knows no hull ${id.slice(0, 64)}`);
  return hull;
}

/** Every hull model the shop knows, each in its newest revision, by id. */
export async function newestHulls(): Promise<HullModel[]> {
  const rows = await HullModelRow.findAll({
    attributes: ['id', 'revision'],
    order: [
      ['id', 'ASC'],
      ['revision', 'ASC'],
    ],
  });
  const newest = new Map(rows.map((r) => [r.id, r.revision]));
  const hulls = await Promise.all([...newest].map(([id, revision]) => hullAt(id, revision)));
  return hulls.filter((h) => h !== null);
}

/** The newest revision of the shop's settings; under a transaction its row is locked. */
export async function newestShop(transaction?: Transaction): Promise<ShopSettings> {
  const row = await ShopRow.findOne({
    attributes: ['revision'],
    order: [['revision', 'DESC']],
    transaction,
    ...(transaction ? { lock: transaction.LOCK.UPDATE } : {}),
  });
  const shop = row && (await shopAt(row.revision, transaction));
  if (!shop) throw notFound('shop', 'the shop has no settings yet');
  return shop;
}

/** The newest revision of the stores: parts, consumables, stock. */
export async function newestCatalog(transaction?: Transaction): Promise<Catalog> {
  const row = await CatalogRow.findOne({ attributes: ['revision'], order: [['revision', 'DESC']], transaction });
  const catalog = row && (await catalogAt(row.revision, transaction));
  if (!catalog) throw notFound('stores', 'the shop has no parts yet');
  return catalog;
}
