import { createHash, randomBytes } from 'node:crypto';
import { type OwnerPage, ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { LinkRow, OwnerRow } from '../database/models';
import { draft } from '../drafting/draft';
import { bind } from '../http/bind';
import { HttpProblem } from '../problems/problem';
import { findRig, inputOf, loadRig } from '../rigs/load';
import { Made, stateOf } from '../rigs/made';

const DAYS = 60;
const hashed = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Pages kept at once. */
const MOST_PAGES = 200;

/** Owners, and the page each reaches by a link that expires and can be revoked. */
export function ownerRoutes(router: Router, db: Sequelize): void {
  const pages = new Made<OwnerPage>(MOST_PAGES);
  bind(router, ROUTES.owners, async () =>
    OwnerRow.findAll({ attributes: ['id', 'name', 'email'], order: [['name', 'ASC']], raw: true }),
  );
  bind(router, ROUTES.makeLink, async ({ params, body }) => {
    const rig = await findRig(params.rig ?? '');
    if (!body.keep) await LinkRow.update({ revoked: true }, { where: { rigId: rig.id } });
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
    return pages.of(link.rigId, await stateOf(db, link.rigId), async () => {
      const loaded = await loadRig(link.rigId);
      return draft('ownersPage', inputOf(loaded), loaded.row.number, loaded.row.owner);
    });
  });
}
