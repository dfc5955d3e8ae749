import { ROUTES } from '@plain-cleat/api';
import express, { type Express } from 'express';
import { QueryTypes } from 'sequelize';
import { connect } from '../database/connect';
import { bind } from './bind';

/**
 * Whether the server is up, and whether it can serve. Both are answered before anything else is asked of a call, and
 * the second by a connection of its own, so that a busy shop never looks like a dead one.
 */
export function healthRoutes(app: Express, url: string): { stop(): Promise<void> } {
  const probe = connect(url, { max: 1, acquire: 2000 });
  const router = express.Router();
  bind(router, ROUTES.health, async () => ({ ok: true }));
  bind(router, ROUTES.ready, async () => {
    await probe.query('SELECT 1 FROM staff LIMIT 1', { type: QueryTypes.SELECT });
    return { ok: true };
  });
  app.use(router);
  return { stop: () => probe.close() };
}
