import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { bind } from '../http/bind';
import { addPhoto, erasePhoto, findPhoto } from './photos';

/** Photos beside the plan, never in it. */
export function photoRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.addPhoto, async ({ params, file, body, staff }) => addPhoto(params.rig, file, body.id, staff));
  bind(router, ROUTES.photo, async ({ params, res }) => {
    const { mime, bytes } = await findPhoto(params.rig, params.photo);
    res.type(mime).send(bytes);
  });
  bind(router, ROUTES.erasePhoto, async ({ params, staff }) => {
    await erasePhoto(db, params.rig, params.photo, staff);
    return {};
  });
}
