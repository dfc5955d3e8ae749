import { applyChange, Clash, Refused, sameJson, type Change, type Plan } from '@plain-cleat/core/rig';
import type { Changed } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { inTransaction } from '../database/transaction';
import { inTurn } from '../database/turns';
import { ChangeRow, RigRow } from '../database/models';
import { badInput, HttpProblem } from '../problems/problem';
import { asSaid } from './amounts';
import { checkParts } from './check';
import { findRig, planOf, storedPlan } from './load';

export interface SentChange {
  readonly rigId: string;
  readonly author: string;
  readonly baseVersion: number;
  readonly change: Change;
  readonly undoes: string | null;
}

function apply(plan: Plan, sent: SentChange, version: number): ReturnType<typeof applyChange> {
  try {
    return applyChange(plan, sent.change);
  } catch (error) {
    if (error instanceof Refused) throw badInput([{ field: error.field, says: error.says }]);
    if (error instanceof Clash)
      throw new HttpProblem(409, 'Changed meanwhile', `${error.field} was changed by somebody else; choose which one stays`, {
        field: error.field,
        clash: { field: error.field, found: error.found, wanted: error.wanted, version },
      });
    throw error;
  }
}

/**
 * Applies one change under the rig's row lock: rebased when its fields still hold what it expects,
 * refused with both values when not, acknowledged again when its id came before.
 */
export const recordChange = (db: Sequelize, sent: SentChange): Promise<Changed> =>
  inTurn(`rig ${sent.rigId}`, () => inTransaction(db, (transaction) => record(sent, transaction)));

async function record(sent: SentChange, transaction: Transaction): Promise<Changed> {
  const row = await findRig(sent.rigId, transaction);
  const plan = planOf(row);
  const before = await ChangeRow.findOne({ where: { rigId: row.id, id: sent.change.id }, transaction });
  if (before) {
    if (!sameJson(asSaid(JSON.parse(before.body) as Change), asSaid(sent.change)))
      throw badInput([{ field: 'change.id', says: 'this id came before with another change: give yours a new one' }]);
    return { version: row.version, plan, rebased: false, repeated: true };
  }
  if (sent.baseVersion > row.version) throw badInput([{ field: 'baseVersion', says: `this rig is at version ${row.version}` }]);
  const { plan: after, inverse } = apply(plan, sent, row.version);
  await checkParts(sent.change, row, { before: plan, after }, transaction);
  const version = row.version + 1;
  await ChangeRow.create(
    {
      rigId: row.id,
      id: sent.change.id,
      version,
      author: sent.author,
      baseVersion: sent.baseVersion,
      serverTime: new Date().toISOString(),
      body: JSON.stringify(sent.change),
      inverse: JSON.stringify(inverse),
      undoes: sent.undoes,
    },
    { transaction },
  );
  await RigRow.update({ version, ...storedPlan(after) }, { where: { id: row.id }, transaction });
  return { version, plan: after, rebased: sent.baseVersion < row.version, repeated: false };
}
