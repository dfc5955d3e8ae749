import { type Change, placeFault, type Plan, singleChanges, workUp } from '@plain-cleat/core';
import type { Staff } from '@plain-cleat/api';
import type { Transaction } from 'sequelize';
import type { RigRow } from '../database/models';
import { badInput, HttpProblem } from '../http/problem';
import { loadRig, pinnedOf, todayIn } from './load';

/** Parts, tracks and inserts a change names must exist; the plan alone cannot tell. */
export async function checkParts(change: Change, row: RigRow, plan: Plan, transaction: Transaction): Promise<void> {
  const placing = singleChanges(change).filter((c) => c.kind === 'placeItem' || c.kind === 'slideItem');
  if (placing.length === 0) return;
  const { hull, catalog } = await pinnedOf(row, plan, transaction);
  for (const c of placing) {
    if (c.kind === 'placeItem' && !catalog.parts.some((p) => p.id === c.to.part))
      throw badInput([{ field: 'change.to.part', says: `the stores have no part ${c.to.part}` }]);
    const misplaced = placeFault(hull, c.kind === 'placeItem' ? c.to.place : c.to);
    if (misplaced) throw badInput([{ field: `change.to.place.${misplaced.field}`, says: misplaced.says }]);
  }
}

/** Who accepts a finding signs with their own name, and some only a manager may accept, some nobody. */
export async function checkAcceptance(change: Change, rigId: string, staff: Staff): Promise<void> {
  const accepted = singleChanges(change).flatMap((c) =>
    c.kind === 'acceptFinding' && c.to ? [{ key: c.finding, by: c.to.by }] : [],
  );
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
