import type { HullModel } from '@plain-cleat/core/boat/hull';
import type { ShopSettings } from '@plain-cleat/core/parts/shop';
import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { BackupRow, ShopRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { bind } from '../http/bind';
import type { Range } from '../parts/range';
import { badInput } from '../problems/problem';
import { newestHulls, newestShop } from '../revisions/revisions';

/** What keeps settings from holding together: two lists of one name, a least that is over its most. */
function check(settings: ShopSettings): void {
  const ids = settings.rules.map((r) => r.id);
  const twice = settings.rules.find((r, i) => ids.indexOf(r.id) !== i);
  if (twice) throw badInput([{ field: 'settings.rules', says: `two lists of rules are called ${twice.id}` }]);
  const { light, usual, large } = settings.limits.rods;
  if (light > usual || usual > large)
    throw badInput([
      {
        field: 'settings.limits.rods',
        says: 'a light boat carries no more rods than a usual one, that no more than a large one',
      },
    ]);
}

/** A room that gets hot is told by its name: one that no hull has would make no cable any thicker. */
function checkHot({ wiring: { hot } }: ShopSettings, before: ShopSettings, hulls: readonly HullModel[]): void {
  const rooms = [...new Set(hulls.flatMap(({ spaces = [] }) => spaces.map(({ name }) => name)))].sort();
  const has = (all: readonly string[], name: string): boolean => all.some((r) => r.toLowerCase() === name.toLowerCase());
  const unknown = hot.find((name) => !has(rooms, name) && !has(before.wiring.hot, name));
  if (unknown !== undefined)
    throw badInput([
      {
        field: 'settings.wiring.hot',
        says: `no hull has a room named ${unknown}${rooms.length > 0 ? `; the rooms are ${rooms.join(', ')}` : ''}`,
      },
    ]);
}

/** The shop's own settings. Each keeping is a new revision; plans stay with the one they were made with until somebody takes the newer. */
export function shopRoutes(router: Router, db: Sequelize, range: Range): void {
  bind(router, ROUTES.shop, async () => newestShop());
  bind(router, ROUTES.stores, async () => {
    const [{ hash }, hulls, shop] = await Promise.all([range.now(), newestHulls(), newestShop()]);
    return { range: hash, hulls, shop };
  });
  bind(router, ROUTES.backups, async () => {
    const newest = await BackupRow.findOne({ order: [['serverTime', 'DESC']] });
    return { last: newest?.serverTime ?? null };
  });
  bind(router, ROUTES.saveShop, async ({ body }) => {
    check(body.settings);
    const hulls = body.settings.wiring.hot.length > 0 ? await newestHulls() : [];
    return inTransaction(db, async (transaction) => {
      const known = await newestShop(transaction);
      if (body.expects !== known.revision)
        throw badInput([
          { field: 'expects', says: `the settings are at revision ${known.revision} by now: look at those first` },
        ]);
      checkHot(body.settings, known, hulls);
      const kept: ShopSettings = { ...body.settings, revision: known.revision + 1 };
      await ShopRow.create({ revision: kept.revision, document: JSON.stringify(kept) }, { transaction });
      return kept;
    });
  });
}
