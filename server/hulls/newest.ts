import type { HullModel } from '@plain-cleat/core/hull';
import { HullModelRow } from '../database/models';
import { notFound } from '../http/problem';

/** The newest revision of a hull model. */
export async function newestHull(id: string): Promise<HullModel> {
  const row = await HullModelRow.findOne({ where: { id }, order: [['revision', 'DESC']] });
  if (!row) throw notFound('hull', `the shop knows no hull ${id.slice(0, 64)}`);
  return JSON.parse(row.document) as HullModel;
}

/** Every hull model the shop knows, each in its newest revision. */
export async function newestHulls(): Promise<HullModel[]> {
  const rows = await HullModelRow.findAll({
    order: [
      ['id', 'ASC'],
      ['revision', 'ASC'],
    ],
  });
  return [...new Map(rows.map((r) => [r.id, JSON.parse(r.document) as HullModel])).values()];
}
