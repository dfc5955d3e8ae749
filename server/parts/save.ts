import { type Part, revisionOf } from '@plain-cleat/core/parts/parts';
import { RANGE_LIMIT } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { PartRevisionRow, PartRow } from '../database/models';
import { countOn } from '../database/counters';
import { inTransaction } from '../database/transaction';
import { badInput, notFound } from '../problems/problem';

/** Another edition of the range begins; one at a time changes parts. */
export const nextEdition = (transaction: Transaction): Promise<number> => countOn('range', transaction);

const listed = (part: Part) => {
  const { id, name, french, kind } = part;
  return { id, revision: revisionOf(part), name, french, kind };
};
/** A part as one of its revisions; the first is not written. */
export const asRevision = (part: Part, revision: number): Part => {
  const { revision: _, ...rest } = part;
  return revision === 1 ? rest : { ...rest, revision };
};

/** Parts, each as the newest of its revisions; of those that are new, in the range. */
export async function saveRevisions(parts: readonly Part[], transaction: Transaction): Promise<void> {
  const documents = parts.map((p) => ({ id: p.id, revision: revisionOf(p), document: JSON.stringify(p) }));
  await PartRevisionRow.bulkCreate(documents, { transaction });
  await PartRow.bulkCreate(parts.map(listed), { transaction, updateOnDuplicate: ['revision', 'name', 'french', 'kind'] });
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
export const savePart = (db: Sequelize, part: Part, expects: number, active: boolean): Promise<Part> =>
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
    await saveRevisions([kept], transaction);
    await PartRow.update({ active }, { where: { id: kept.id }, transaction });
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
