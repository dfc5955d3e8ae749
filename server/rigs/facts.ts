import type { Fact, NewFact } from '@plain-cleat/core';
import type { Kept } from '@plain-cleat/api';
import type { Sequelize } from 'sequelize';
import { inTransaction } from '../database/transaction';
import { FactRow, HullRow, RigRow } from '../database/models';
import { badInput, notFound } from '../http/problem';

/**
 * Appends facts to a hull. Never refused as stale; an id that came before is kept once.
 * Lock order is hull, then rig; facts need the hull alone.
 */
export async function keepFacts(db: Sequelize, rigId: string, by: string, facts: readonly NewFact[]): Promise<Kept> {
  const rig = await RigRow.findByPk(rigId);
  if (!rig) throw notFound('rig', `there is no rig ${rigId.slice(0, 64)}`);
  const planId = (JSON.parse(rig.plan) as { id: string }).id;
  facts.forEach((f, i) => {
    if (f.rig !== null && f.rig !== planId) throw badInput([{ field: `facts.${i}.rig`, says: `this rig's plan is ${planId}` }]);
  });
  return inTransaction(db, async (transaction) => {
    const hull = await HullRow.findByPk(rig.hullId, { transaction, lock: transaction.LOCK.UPDATE });
    if (!hull) throw notFound('hull', 'this rig has no hull');
    const known = await FactRow.findAll({ where: { hullId: hull.id, id: facts.map((f) => f.id) }, transaction });
    const seen = new Map(known.map((k) => [k.id, JSON.parse(k.body) as Fact]));
    const kept: Fact[] = [];
    for (const f of facts) {
      const before = seen.get(f.id);
      const fact: Fact = before ?? { ...f, by, serverTime: new Date().toISOString() };
      kept.push(fact);
      if (before) continue;
      seen.set(f.id, fact);
      await FactRow.create(
        { hullId: hull.id, id: f.id, kind: f.kind, by, serverTime: fact.serverTime, body: JSON.stringify(fact) },
        { transaction },
      );
    }
    const factCount = await FactRow.count({ where: { hullId: hull.id }, transaction });
    await HullRow.update({ factCount }, { where: { id: hull.id }, transaction });
    if (facts.some((f) => f.kind === 'signed'))
      await RigRow.update({ place: 'handed over' }, { where: { id: rig.id }, transaction });
    return { factCount, facts: kept };
  });
}
