import { type Change, type Plan, workUp } from '@plain-cleat/core';
import type { Staff } from '@plain-cleat/api';
import type { Transaction } from 'sequelize';
import { CatalogRow, HullModelRow, type RigRow } from '../database/models';
import { badInput, HttpProblem } from '../http/problem';
import { type Carried, loadRig, todayIn } from './load';

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

/** Who accepts a finding signs with their own name, and some only a manager may accept, some nobody. */
export async function checkAcceptance(change: Change, rigId: string, staff: Staff): Promise<void> {
  const changes = change.kind === 'together' ? change.changes : [change];
  const accepted = changes.flatMap((c) => (c.kind === 'acceptFinding' && c.to ? [{ key: c.finding, by: c.to.by }] : []));
  if (accepted.length === 0) return;
  const loaded = await loadRig(rigId);
  const { findings } = workUp({ ...loaded, asOf: todayIn(loaded.shop.timeZone) });
  for (const { key, by } of accepted) {
    if (by !== staff.name) throw badInput([{ field: 'change.to.by', says: `you accept as yourself, ${staff.name}` }]);
    const finding = findings.find((f) => f.key === key);
    if (!finding) throw badInput([{ field: 'change.finding', says: 'this finding does not stand any more' }]);
    if (finding.acceptable === 'nobody') throw badInput([{ field: 'change.finding', says: 'nobody may accept this one' }]);
    if (finding.acceptable === 'manager' && staff.role !== 'manager')
      throw new HttpProblem(403, 'Not yours to do', 'only a manager may accept this one', { field: 'change.finding' });
  }
}
