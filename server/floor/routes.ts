import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { bind } from '../http/bind';
import type { Projection } from '../rigs/projection';
import { allRigs, floorOf } from './lists';

/** Whoever comes right after a change of their own waits so long for what follows from it, ms. */
const FRESH = 1500;

/** Rigs as lists show them. */
export function floorRoutes(router: Router, db: Sequelize, projection: Projection): void {
  bind(router, ROUTES.floor, async ({ staff }) => {
    await projection.settledOf(staff.id, FRESH);
    return floorOf(db);
  });
  bind(router, ROUTES.rigs, async ({ staff }) => {
    await projection.settledOf(staff.id, FRESH);
    return allRigs(db);
  });
}
