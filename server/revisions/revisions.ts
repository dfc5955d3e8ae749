import { type Materials, materialsSchema } from '@plain-cleat/core/parts/catalog';
import { hullModelSchema, upcastHull, type HullModel } from '@plain-cleat/core/boat/hull';
import { type Part, type PartRef, partKey, partSchema, revisionOf, upcastPart } from '@plain-cleat/core/parts/parts';
import { type Plan, upcastShop } from '@plain-cleat/core/rig';
import {
  SETTINGS_GROUPS,
  settingsOf,
  type SettingsGroup,
  shopSettingsSchema,
  type ShopSettings,
} from '@plain-cleat/core/parts/shop';
import { LRUCache } from 'lru-cache';
import { Op, type Sequelize, type Transaction } from 'sequelize';
import { HullModelRow, MaterialsRow, PartRevisionRow, PartRow, ShopRow } from '../database/models';
import { notFound } from '../problems/problem';
import { fitting } from './fitting';

/** So many are kept read (judgement); what was not asked for longest goes first. */
const MOST_SAVED = { hulls: 300, shops: 50, materials: 20, parts: 8000 } as const;

interface Saved {
  readonly hulls: LRUCache<string, HullModel>;
  readonly shops: LRUCache<number, ShopSettings>;
  readonly materials: LRUCache<number, Materials>;
  readonly parts: LRUCache<string, Part>;
}

/** What was read of each database: a revision never changes, so it is read once a process. */
const known = new WeakMap<Sequelize, Saved>();

function kept(): Saved {
  const db = ShopRow.sequelize as Sequelize;
  let all = known.get(db);
  if (!all)
    known.set(
      db,
      (all = {
        hulls: new LRUCache({ max: MOST_SAVED.hulls }),
        shops: new LRUCache({ max: MOST_SAVED.shops }),
        materials: new LRUCache({ max: MOST_SAVED.materials }),
        parts: new LRUCache({ max: MOST_SAVED.parts }),
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

const readHull = (stored: unknown): HullModel => fitting(hullModelSchema, 'the hull', upcastHull(stored));
const readShop = (stored: unknown): ShopSettings => fitting(shopSettingsSchema, 'the settings', upcastShop(stored));
const readMaterials = (stored: unknown): Materials => fitting(materialsSchema, 'the materials', stored);
const readPart = (stored: unknown): Part => fitting(partSchema, 'the part', upcastPart(stored));

/** One revision of a hull model; null when there is none. */
export const hullAt = (id: string, revision: number, transaction?: Transaction): Promise<HullModel | null> =>
  once(kept().hulls, `${id} ${revision}`, () => HullModelRow.findOne({ where: { id, revision }, transaction }), readHull);

/** One revision of the shop's settings; null when there is none. */
export const shopAt = (revision: number, transaction?: Transaction): Promise<ShopSettings | null> =>
  once(kept().shops, revision, () => ShopRow.findByPk(revision, { transaction }), readShop);

/** One revision of the materials; null when there is none. */
export const materialsAt = (revision: number, transaction?: Transaction): Promise<Materials | null> =>
  once(kept().materials, revision, () => MaterialsRow.findByPk(revision, { transaction }), readMaterials);

/** The shop's settings, each group in its revision; null when one is missing. */
export async function settingsAt(pins: Plan['pins']['shop'], transaction?: Transaction): Promise<ShopSettings | null> {
  const found = new Map<number, ShopSettings>();
  for (const revision of new Set(Object.values(pins))) {
    const settings = await shopAt(revision, transaction);
    if (!settings) return null;
    found.set(revision, settings);
  }
  const of = (group: SettingsGroup): ShopSettings => found.get(pins[group]) as ShopSettings;
  return settingsOf(Object.fromEntries(SETTINGS_GROUPS.map((g) => [g, of(g)])) as Record<SettingsGroup, ShopSettings>);
}

/** Parts, each in its revision and once; those that there are not are left out. What was not read before is one query. */
export async function partsAt(refs: readonly PartRef[], transaction?: Transaction): Promise<Part[]> {
  const all = kept().parts;
  const wanted = new Map(refs.map((r) => [partKey(r), r]));
  const found = new Map<string, Part>();
  const unread: { id: string; revision: number }[] = [];
  for (const [key, ref] of wanted) {
    const before = all.get(key);
    if (before) found.set(key, before);
    else unread.push({ id: ref.id, revision: revisionOf(ref) });
  }
  const rows = unread.length ? await PartRevisionRow.findAll({ where: { [Op.or]: unread }, transaction }) : [];
  for (const row of rows) {
    const part = readPart(JSON.parse(row.document));
    all.set(partKey(row), part);
    found.set(partKey(row), part);
  }
  return [...wanted.keys()].flatMap((key) => found.get(key) ?? []);
}

/** The newest revision of each of some parts; those that there are not are left out. */
export async function newestParts(ids: readonly string[], transaction?: Transaction): Promise<Part[]> {
  if (ids.length === 0) return [];
  return partsAt(await PartRow.findAll({ attributes: ['id', 'revision'], where: { id: [...ids] }, transaction }), transaction);
}

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

/** The newest revision of the materials. */
export async function newestMaterials(transaction?: Transaction): Promise<Materials> {
  const row = await MaterialsRow.findOne({ attributes: ['revision'], order: [['revision', 'DESC']], transaction });
  const materials = row && (await materialsAt(row.revision, transaction));
  if (!materials) throw notFound('materials', 'the shop has no materials yet: start it once');
  return materials;
}
