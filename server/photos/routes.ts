import { randomUUID } from 'node:crypto';
import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { PhotoRow } from '../database/models';
import { bind } from '../http/bind';
import { badInput, notFound } from '../problems/problem';
import { read } from '../reading/read';
import { findRig } from '../rigs/load';

/** Photos beside the plan, never in it. */
export function photoRoutes(router: Router): void {
  bind(router, ROUTES.addPhoto, async ({ params, file, body }) => {
    const rig = await findRig(params.rig ?? '');
    if (!file) throw badInput([{ field: 'photo', says: 'choose a JPEG, PNG or WebP photo' }]);
    const taken = await read('photo', file.buffer);
    const id = body.id ?? randomUUID();
    // A tablet that heard no answer sends a photo again under the same id.
    if (!(await PhotoRow.findOne({ where: { id, rigId: rig.id }, attributes: ['id'] })))
      await PhotoRow.create({ id, rigId: rig.id, mime: taken.mime, bytes: Buffer.from(taken.bytes) });
    return { id, name: file.originalname.slice(0, 120), width: taken.width, height: taken.height };
  });
  bind(router, ROUTES.photo, async ({ params, res }) => {
    const row = await PhotoRow.findOne({ where: { id: params.photo ?? '', rigId: params.rig ?? '' } });
    if (!row) throw notFound('photo', 'there is no such photo');
    res.type(row.mime).send(row.bytes);
  });
  bind(router, ROUTES.erasePhoto, async ({ params }) => {
    await PhotoRow.destroy({ where: { id: params.photo ?? '', rigId: params.rig ?? '' } });
    return {};
  });
}
