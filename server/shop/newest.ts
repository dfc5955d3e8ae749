import type { Catalog, ShopSettings } from '@plain-cleat/core/catalog';
import { upcastShop } from '@plain-cleat/core/rig';
import type { Transaction } from 'sequelize';
import { CatalogRow, ShopRow } from '../database/models';
import { notFound } from '../http/problem';

/** The newest revision of the shop's settings; under a transaction its row is locked. */
export async function newestShop(transaction?: Transaction): Promise<ShopSettings> {
  const row = await ShopRow.findOne({
    order: [['revision', 'DESC']],
    transaction,
    ...(transaction ? { lock: transaction.LOCK.UPDATE } : {}),
  });
  if (!row) throw notFound('shop', 'the shop has no settings yet');
  return upcastShop(JSON.parse(row.document));
}

/** The newest revision of the stores: parts, consumables, stock. */
export async function newestCatalog(transaction?: Transaction): Promise<Catalog> {
  const row = await CatalogRow.findOne({ order: [['revision', 'DESC']], transaction });
  if (!row) throw notFound('stores', 'the shop has no parts yet');
  return JSON.parse(row.document) as Catalog;
}
