import type { Part } from '@plain-cleat/core/parts';
import { RANGE_LIMIT } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { CounterRow, PartRevisionRow, PartRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { badInput, notFound } from '../problems/problem';

/** One at a time changes parts: the range's edition is counted on, its row is held. */
async function nextEdition(transaction: Transaction): Promise<void> {
  const counter = await CounterRow.findByPk('range', { transaction, lock: transaction.LOCK.UPDATE });
  await CounterRow.upsert({ name: 'range', value: (counter?.value ?? 0) + 1 }, { transaction });
}

const listed = ({ id, name, french, kind }: Part, revision: number) => ({ id, revision, name, french, kind });
const asRevision = (part: Part, revision: number): Part => {
  const { revision: _, ...rest } = part;
  return revision === 1 ? rest : { ...rest, revision };
};

/** The parts a shop starts from, each in its first revision and in its range. */
export async function layDownParts(parts: readonly Part[], transaction: Transaction): Promise<void> {
  await PartRevisionRow.bulkCreate(
    parts.map((p) => ({ id: p.id, revision: 1, document: JSON.stringify(asRevision(p, 1)) })),
    { transaction },
  );
  await PartRow.bulkCreate(
    parts.map((p) => listed(p, 1)),
    { transaction },
  );
}

/** So many parts are in the range, and there is room for one more. */
async function checkRoom(transaction: Transaction): Promise<void> {
  if ((await PartRow.count({ where: { active: true }, transaction })) >= RANGE_LIMIT)
    throw badInput([{ field: 'active', says: `the range holds ${RANGE_LIMIT} parts: take another out of it first` }]);
}

/**
 * Keeps a new revision of a part, or a new part; plans stay with the one they were made with.
 * @param expects the revision it was made from; 0 for a part that is new
 */
export const keepPart = (db: Sequelize, part: Part, expects: number, active: boolean): Promise<Part> =>
  inTransaction(db, async (transaction) => {
    await nextEdition(transaction);
    const row = await PartRow.findByPk(part.id, { transaction, lock: transaction.LOCK.UPDATE });
    const known = row?.revision ?? 0;
    if (expects !== known)
      throw badInput([
        {
          field: 'expects',
          says: known ? `this part is at revision ${known} by now: look at that one first` : 'the stores have no such part yet',
        },
      ]);
    if (active && !row?.active) await checkRoom(transaction);
    const kept = asRevision(part, known + 1);
    await PartRevisionRow.create({ id: part.id, revision: known + 1, document: JSON.stringify(kept) }, { transaction });
    await PartRow.upsert({ ...listed(kept, known + 1), active }, { transaction });
    return kept;
  });

/** Takes a part into the shop's range, or out of it. */
export const setActive = (db: Sequelize, id: string, active: boolean): Promise<void> =>
  inTransaction(db, async (transaction) => {
    await nextEdition(transaction);
    const row = await PartRow.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw notFound('part', `the stores have no part ${id.slice(0, 64)}`);
    if (active && !row.active) await checkRoom(transaction);
    await PartRow.update({ active }, { where: { id }, transaction });
  });
