import { type Catalog, catalogSchema, type Materials } from '@plain-cleat/core/parts/catalog';
import { type Part, revisionOf } from '@plain-cleat/core/parts/parts';
import { faultsOf, sameJson, upcastParts } from '@plain-cleat/core/rig';
import { isObject } from '@plain-cleat/core/base/stored';
import { RANGE_LIMIT } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { MaterialsRow, PartRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { badInput } from '../problems/problem';
import { newestMaterials, newestParts } from '../revisions/revisions';
import { asRevision, saveRevisions, nextEdition } from './save';

/** What a file of parts did to the stores. */
export interface Taken {
  readonly added: number;
  /** Parts that are another by now: a revision more. */
  readonly renewed: number;
  readonly same: number;
  /** The revision of the materials, when they are another. */
  readonly materials: number | null;
}

/**
 * Reads a file of parts and materials.
 * @throws HttpProblem naming the first field that does not fit, or the part that stands twice
 */
export function readCatalog(text: string): Catalog {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw badInput([{ field: 'file', says: 'not JSON: choose a file that bin/parts export wrote, or one like it' }]);
  }
  if (!isObject(json)) throw badInput([{ field: 'file', says: 'not a file of parts: it wants format, parts and consumables' }]);
  const read = catalogSchema.safeParse({ ...json, parts: upcastParts(json.parts) });
  if (!read.success) throw badInput(faultsOf(read.error));
  const ids = new Set<string>();
  read.data.parts.forEach(({ id }, i) => {
    if (ids.has(id)) throw badInput([{ field: `parts.${i}.id`, says: `${id} stands twice` }]);
    ids.add(id);
  });
  return read.data;
}

/**
 * Takes a file of parts into the stores, whole or not at all: what is new is added, what differs becomes a revision
 * more, what is the same stays. Parts that the file does not name stay as they are; plans stay with what they have.
 * @param active whether its parts come into the shop's range, or beside it
 */
export const takeCatalog = (db: Sequelize, { parts, consumables, stocks }: Catalog, active: boolean): Promise<Taken> =>
  inTransaction(db, async (transaction) => {
    await nextEdition(transaction);
    const known = new Map(
      (
        await newestParts(
          parts.map((p) => p.id),
          transaction,
        )
      ).map((p) => [p.id, p]),
    );
    const renewed = parts.flatMap((part): Part[] => {
      const before = known.get(part.id);
      if (!before) return [asRevision(part, 1)];
      const same = sameJson(asRevision(part, revisionOf(before)), before);
      return same ? [] : [asRevision(part, revisionOf(before) + 1)];
    });
    await saveRevisions(renewed, transaction);
    await PartRow.update({ active }, { where: { id: parts.map((p) => p.id) }, transaction });
    const inRange = await PartRow.count({ where: { active: true }, transaction });
    if (inRange > RANGE_LIMIT)
      throw badInput([
        { field: 'parts', says: `${inRange} parts would be in the range, which holds ${RANGE_LIMIT}: put them beside it` },
      ]);
    const added = parts.length - known.size;
    return {
      added,
      renewed: renewed.length - added,
      same: parts.length - renewed.length,
      materials: await takeMaterials({ consumables, stocks }, transaction),
    };
  });

/** A revision more of the materials, when they are others and the file has any. */
async function takeMaterials(own: Omit<Materials, 'revision'>, transaction: Transaction): Promise<number | null> {
  if (own.consumables.length === 0) return null;
  const { revision, ...before } = await newestMaterials(transaction);
  if (sameJson(before, own)) return null;
  const next = { revision: revision + 1, ...own };
  await MaterialsRow.create({ revision: next.revision, document: JSON.stringify(next) }, { transaction });
  return next.revision;
}

/** The shop's range and its materials as a file. */
export async function wholeCatalog(): Promise<Catalog> {
  const rows = await PartRow.findAll({ attributes: ['id'], where: { active: true }, order: [['id', 'ASC']] });
  const parts = await newestParts(rows.map((r) => r.id));
  return { format: 'plain-cleat/catalog', ...(await newestMaterials()), parts: parts.sort((a, b) => (a.id < b.id ? -1 : 1)) };
}
