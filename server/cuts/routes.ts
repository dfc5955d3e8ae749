import { randomUUID } from 'node:crypto';
import { type Cuts, ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { Op, type Sequelize } from 'sequelize';
import { CutRow, RemnantRow, RigRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { draft } from '../drafting/draft';
import { bind } from '../http/bind';
import { badInput } from '../http/problem';
import { factsOf, pinnedOf, planOf } from '../rigs/load';
import { newestCatalog, newestShop } from '../revisions/revisions';

/** Everything rigs in the shop want cut and was not yet, the shelf, and what can be bought. */
async function allCuts(): Promise<Cuts> {
  const [{ stocks = [] }, shop, rigs, remnants, cut] = await Promise.all([
    newestCatalog(),
    newestShop(),
    RigRow.findAll({ where: { place: { [Op.ne]: 'handed over' } }, order: [['number', 'ASC']] }),
    RemnantRow.findAll({ order: [['id', 'ASC']] }),
    CutRow.findAll({ attributes: ['piece'] }),
  ]);
  const done = new Set(cut.map((c) => c.piece));
  const inputs = await Promise.all(
    rigs.map(async (row) => {
      const plan = planOf(row);
      const [pinned, facts] = await Promise.all([pinnedOf(row, plan), factsOf(row.hullId)]);
      return { number: row.number, input: { plan, facts, ...pinned, asOf: plan.opened } };
    }),
  );
  const lists = await draft('cuts', inputs);
  const wanted = <T extends { id: string }>(all: T[]): T[] => all.filter((p) => !done.has(p.id));
  return {
    stocks,
    bars: wanted(lists.flatMap((l) => l.bars)),
    plates: wanted(lists.flatMap((l) => l.plates)).map((p) => ({
      ...p,
      holes: [...p.holes],
      outline: p.outline.map(([u, v]): [number, number] => [u, v]),
    })),
    remnants: remnants.map((r) => ({ id: r.id, stock: r.stock, length: r.length, width: r.width })),
    kerf: shop.holding.kerf,
  };
}

/** Cut plans over all rigs that wait in the shop, and the shelf of remnants. */
export function cutRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.cuts, async () => allCuts());
  bind(router, ROUTES.keepCuts, async ({ body, staff }) => {
    const { stocks, bars, plates } = await allCuts();
    const wanted = new Set([...bars, ...plates].map((p) => p.id));
    const unknown = body.pieces.findIndex((p) => !wanted.has(p));
    if (unknown >= 0)
      throw badInput([
        { field: `pieces.${unknown}`, says: 'nobody wants this piece any more, or it was cut already: look again' },
      ]);
    const strange = body.left.findIndex((l) => !stocks.some((s) => s.id === l.stock));
    if (strange >= 0) throw badInput([{ field: `left.${strange}.stock`, says: 'the stores have no such stock' }]);
    await inTransaction(db, async (transaction) => {
      // A remnant two people reach for goes to the first.
      const gone = await RemnantRow.destroy({ where: { id: body.used }, transaction });
      if (gone !== new Set(body.used).size)
        throw badInput([{ field: 'used', says: 'a remnant of this plan is no longer on the shelf: plan again' }]);
      const serverTime = new Date().toISOString();
      for (const piece of new Set(body.pieces)) await CutRow.create({ piece, by: staff.name, serverTime }, { transaction });
      for (const l of body.left) await RemnantRow.create({ id: randomUUID(), ...l }, { transaction });
    });
    return allCuts();
  });
}
