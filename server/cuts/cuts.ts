import { randomUUID } from 'node:crypto';
import { reelsFor } from '@plain-cleat/core/work/cutting';
import type { Cuts, SaveCuts } from '@plain-cleat/api';
import { QueryTypes, type Sequelize } from 'sequelize';
import { CutRow, RemnantRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { draft } from '../drafting/draft';
import type { Projected } from '../drafting/project';
import { badInput } from '../problems/problem';
import { asItIs, RIGS_PROJECTED } from '../rigs/as-it-is';
import { factsOf, numbered } from '../rigs/load';
import { newestMaterials, newestShop } from '../revisions/revisions';

interface CutsOf {
  readonly id: string;
  readonly hullId: string;
  readonly cuts: string | null;
  /** Whether they are of the rig as it is. */
  readonly fresh: number;
}
type Wanted = Projected['cuts'];

/** What each rig in the shop wants cut, by number: as it was projected where that is of the rig as it is, else worked up. */
async function wantedCuts(db: Sequelize): Promise<Wanted[]> {
  const rows = await db.query<CutsOf>(
    `SELECT r.id, r.hullId, p.cuts, ${asItIs()} AS fresh FROM ${RIGS_PROJECTED} WHERE r.place <> 'handed over' ORDER BY r.number`,
    { type: QueryTypes.SELECT },
  );
  const wanted: Wanted[] = [];
  // One after another: what is not as it is waits for whoever projects it, too.
  for (const { id, hullId, cuts, fresh } of rows)
    wanted.push(
      fresh && cuts ? (JSON.parse(cuts) as Wanted) : (await draft('project', await numbered(id, await factsOf(hullId)))).cuts,
    );
  return wanted;
}

/** Everything rigs in the shop want cut and was not yet, the shelf, and what can be bought. */
export async function allCuts(db: Sequelize): Promise<Cuts> {
  const [materials, shop, lists, remnants, cut] = await Promise.all([
    newestMaterials(),
    newestShop(),
    wantedCuts(db),
    RemnantRow.findAll({ order: [['id', 'ASC']] }),
    CutRow.findAll({ attributes: ['piece'] }),
  ]);
  const done = new Set(cut.map((c) => c.piece));
  const wanted = <T extends { id: string }>(all: readonly T[]): T[] => all.filter((p) => !done.has(p.id));
  const reels = wanted(lists.flatMap((l) => l.reels));
  const bought = (materials.stocks ?? []).filter((s) => s.kind !== 'reel');
  return {
    stocks: [...bought, ...reelsFor([...reels, ...remnants.filter((r) => !bought.some((s) => s.id === r.stock))], materials)],
    bars: wanted(lists.flatMap((l) => l.bars)),
    reels,
    plates: wanted(lists.flatMap((l) => l.plates)).map((p) => ({
      ...p,
      holes: [...p.holes],
      outline: p.outline.map(([u, v]): [number, number] => [u, v]),
    })),
    remnants: remnants.map((r) => ({ id: r.id, stock: r.stock, length: r.length, width: r.width })),
    kerf: shop.holding.kerf,
  };
}

/** Keeps what was cut: the pieces are wanted no more, remnants come and go. */
export async function saveCuts(db: Sequelize, { pieces, left, used }: SaveCuts, by: string): Promise<void> {
  const { stocks, bars, reels, plates } = await allCuts(db);
  const wanted = new Set([...bars, ...reels, ...plates].map((p) => p.id));
  const unknown = pieces.findIndex((p) => !wanted.has(p));
  if (unknown >= 0)
    throw badInput([{ field: `pieces.${unknown}`, says: 'nobody wants this piece any more, or it was cut already: look again' }]);
  const strange = left.findIndex((l) => !stocks.some((s) => s.id === l.stock));
  if (strange >= 0) throw badInput([{ field: `left.${strange}.stock`, says: 'the stores have no such stock' }]);
  await inTransaction(db, async (transaction) => {
    // A remnant two people reach for goes to the first.
    const gone = await RemnantRow.destroy({ where: { id: used }, transaction });
    if (gone !== new Set(used).size)
      throw badInput([{ field: 'used', says: 'a remnant of this plan is no longer on the shelf: plan again' }]);
    const serverTime = new Date().toISOString();
    for (const piece of new Set(pieces)) await CutRow.create({ piece, by, serverTime }, { transaction });
    for (const l of left) await RemnantRow.create({ id: randomUUID(), ...l }, { transaction });
  });
}
