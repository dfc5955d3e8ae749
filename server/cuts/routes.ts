import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { bind } from '../http/bind';
import { allCuts, saveCuts } from './cuts';

/** Cut plans over all rigs that wait in the shop, and the shelf of remnants. */
export function cutRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.cuts, async () => allCuts(db));
  bind(router, ROUTES.saveCuts, async ({ body, staff }) => {
    await saveCuts(db, body, staff.name);
    return allCuts(db);
  });
}
