import type { HullModel } from '@plain-cleat/core/boat/hull';
import type { DescribeHull, HullLedger, OwnHull } from '@plain-cleat/api';
import { Op, QueryTypes, type Sequelize } from 'sequelize';
import { HullRow, RigRow } from '../database/models';
import { notFound } from '../problems/problem';
import { newestHull, newestShop } from '../revisions/revisions';
import { carriedBy, factsOf, holesOnHull } from '../rigs/load';

/** Owners' hulls with whose they are, what they are and the rigs they have had. */
export async function describeHulls(db: Sequelize, only?: string): Promise<OwnHull[]> {
  const [hulls, rigs] = await Promise.all([
    db.query<HullRow & { owner: string | null }>(
      `SELECT h.*, o.name AS owner FROM hulls h LEFT JOIN owners o ON o.id = h.ownerId
       ${only === undefined ? '' : 'WHERE h.id = :only'} ORDER BY h.id`,
      { replacements: { only }, type: QueryTypes.SELECT },
    ),
    RigRow.findAll({
      attributes: ['id', 'number', 'hullId'],
      where: only === undefined ? {} : { hullId: only },
      order: [['number', 'ASC']],
    }),
  ]);
  const rigsOf = new Map<string, { id: string; number: string }[]>();
  for (const { id, number, hullId } of rigs) rigsOf.set(hullId, [...(rigsOf.get(hullId) ?? []), { id, number }]);
  return hulls.map((h) => ({
    id: h.id,
    owner: { id: h.ownerId, name: h.owner ?? '' },
    model: h.modelId,
    serial: h.serial,
    year: h.year ?? null,
    colour: h.colour,
    notes: h.notes,
    facts: h.factCount,
    rigs: rigsOf.get(h.id) ?? [],
  }));
}

/** The model of an owner's hull: the shop's newest, or what came with the file of its rig. */
async function modelOf({ id, model }: OwnHull): Promise<HullModel> {
  const rig = await RigRow.findOne({ attributes: ['carried'], where: { hullId: id, carried: { [Op.ne]: null } } });
  return (rig && carriedBy(rig)?.hull) ?? newestHull(model);
}

/** An owner's hull with what is known of it: its model, facts and holes. */
export async function ledgerOf(db: Sequelize, own: string): Promise<HullLedger> {
  const [hull] = await describeHulls(db, own);
  if (!hull) throw notFound('hull', 'there is no such hull');
  const [model, facts, shop] = await Promise.all([modelOf(hull), factsOf(hull.id), newestShop()]);
  return { hull, model, facts, holes: await holesOnHull(hull.id, facts), shop };
}

/** Keeps what an owner's hull is called by. */
export async function describeHull(own: string, said: DescribeHull): Promise<void> {
  const [count] = await HullRow.update(said, { where: { id: own } });
  if (count === 0 && !(await HullRow.findByPk(own))) throw notFound('hull', 'there is no such hull');
}
