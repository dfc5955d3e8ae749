import { fairHull, hullFaults, hullModelSchema, readingFaults, type HullModel } from '@plain-cleat/core/boat/hull';
import { tell } from '@plain-cleat/core/base/units';
import type { Sequelize } from 'sequelize';
import { HullModelRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { badInput } from '../problems/problem';
import { newestHulls, newestParts } from '../revisions/revisions';

/** What keeps a hull from holding together, by field. */
function checkModel(model: HullModel): void {
  const faults = readingFaults(
    model.stations.map((s) => ({ x: s.x, port: s.halfBreadth, starboard: s.halfBreadth, gunwale: s.gunwale, keel: s.keel })),
  ).map((f) => ({ field: `stations.${f.row}.${f.column}`, says: tell(f.says, 'metric') }));
  if (faults.length) throw badInput(faults);
  const more = hullFaults(model);
  if (more.length) throw badInput(more);
}

/** What the maker fits is a part of the stores. */
async function checkStock({ stock = [] }: HullModel): Promise<void> {
  const known = new Set((await newestParts([...new Set(stock.map((s) => s.part))])).map((p) => p.id));
  const faults = stock.flatMap((s, i) =>
    known.has(s.part) ? [] : [{ field: `stock.${i}.part`, says: `the stores have no part ${s.part}` }],
  );
  if (faults.length) throw badInput(faults);
}

/** The hull library as it is listed. */
export const listHulls = async () =>
  (await newestHulls()).map((m) => {
    const { length, beam } = fairHull(m);
    return { id: m.id, revision: m.revision, maker: m.maker, name: m.name, kind: m.kind, traits: m.traits ?? [], length, beam };
  });

/**
 * Keeps a hull as the next revision of its model.
 * @param expects the newest revision its maker has seen; nought for a new one
 */
export async function saveHull(db: Sequelize, drawn: HullModel, expects: number): Promise<HullModel> {
  checkModel(drawn);
  await checkStock(drawn);
  return inTransaction(db, async (transaction) => {
    const row = await HullModelRow.findOne({ where: { id: drawn.id }, order: [['revision', 'DESC']], transaction });
    const known = row?.revision ?? 0;
    if (expects !== known)
      throw badInput([
        {
          field: 'expects',
          says: known ? `this hull is at revision ${known} by now: look at that one first` : 'the shop has no such hull yet',
        },
      ]);
    const model = hullModelSchema.parse({ ...drawn, revision: known + 1 });
    await HullModelRow.create({ id: model.id, revision: model.revision, document: JSON.stringify(model) }, { transaction });
    return model;
  });
}
