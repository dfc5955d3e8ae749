import { createHash, randomBytes } from 'node:crypto';
import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { LinkRow, OwnerRow } from '../database/models';
import { draft } from '../drafting/draft';
import { bind } from '../http/bind';
import { HttpProblem } from '../http/problem';
import { findRig, inputOf, loadRig } from '../rigs/load';

const DAYS = 60;
const hashed = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Owners, and the page each reaches by a link that expires and can be revoked. */
export function ownerRoutes(router: Router): void {
  bind(router, ROUTES.owners, async () =>
    (await OwnerRow.findAll({ order: [['name', 'ASC']] })).map(({ id, name, email }) => ({ id, name, email })),
  );
  bind(router, ROUTES.makeLink, async ({ params }) => {
    const rig = await findRig(params.rig ?? '');
    const token = randomBytes(24).toString('base64url');
    const expires = new Date(Date.now() + DAYS * 86_400_000).toISOString();
    await LinkRow.create({ tokenHash: hashed(token), rigId: rig.id, expires, revoked: false });
    return { url: `/owner/${token}`, expires };
  });
  bind(router, ROUTES.revokeLink, async ({ params }) => {
    await LinkRow.update({ revoked: true }, { where: { rigId: (await findRig(params.rig ?? '')).id } });
    return {};
  });
  bind(router, ROUTES.ownerPage, async ({ params }) => {
    const link = await LinkRow.findByPk(hashed(params.token ?? ''));
    if (!link) throw new HttpProblem(404, 'No such link', 'ask the shop for a new link');
    if (link.revoked || link.expires < new Date().toISOString())
      throw new HttpProblem(410, 'This link has ended', 'ask the shop for a new link');
    const loaded = await loadRig(link.rigId);
    const owner = await OwnerRow.findByPk(loaded.row.ownerId);
    return draft('ownersPage', inputOf(loaded), loaded.row.number, owner?.name ?? '');
  });
}
