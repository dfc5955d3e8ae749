import type { Change, Plan } from '@plain-cleat/core';
import type { Transaction } from 'sequelize';
import { CatalogRow, HullModelRow, type RigRow } from '../database/models';
import { badInput } from '../http/problem';
import type { Carried } from './load';

/** Parts, tracks and inserts a change names must exist; the plan alone cannot tell. */
export async function checkParts(change: Change, row: RigRow, transaction: Transaction): Promise<void> {
  const changes = change.kind === 'together' ? change.changes : [change];
  const plan = JSON.parse(row.plan) as Plan;
  for (const c of changes) {
    if (c.kind === 'placeItem') await checkPart(c.to.part, row, plan, transaction);
    if (c.kind === 'placeItem' || c.kind === 'slideItem') {
      const place = c.kind === 'placeItem' ? c.to.place : c.to;
      if (place.on === 'track' || place.on === 'insert') {
        const model = await modelOf(row, plan, transaction);
        const [field, wanted] = place.on === 'track' ? (['track', place.track] as const) : (['insert', place.insert] as const);
        const known = place.on === 'track' ? model.tracks : model.inserts;
        if (!known.some((one) => one.id === wanted))
          throw badInput([{ field: `change.to.place.${field}`, says: `this hull has no ${field} ${wanted}` }]);
      }
    }
  }
}

async function modelOf(row: RigRow, plan: Plan, transaction: Transaction): Promise<Carried['hull']> {
  if (row.carried) return (JSON.parse(row.carried) as Carried).hull;
  const found = await HullModelRow.findOne({ where: { id: plan.pins.hull.id, revision: plan.pins.hull.revision }, transaction });
  return JSON.parse(found?.document ?? '{"tracks":[],"inserts":[]}') as Carried['hull'];
}

async function checkPart(part: string, row: RigRow, plan: Plan, transaction: Transaction): Promise<void> {
  if (row.carried && (JSON.parse(row.carried) as Carried).parts.some((p) => p.id === part)) return;
  const where = row.carried ? {} : { revision: plan.pins.catalog };
  const found = await CatalogRow.findOne({ order: [['revision', 'DESC']], where, transaction });
  const parts = (JSON.parse(found?.document ?? '{"parts":[]}') as Pick<Carried, 'parts'>).parts;
  if (!parts.some((p) => p.id === part)) throw badInput([{ field: 'change.to.part', says: `the stores have no part ${part}` }]);
}
