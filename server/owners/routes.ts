import { type OwnerPage, ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { OwnerRow } from '../database/models';
import { draft } from '../drafting/draft';
import { bind } from '../http/bind';
import { inputOf, loadRig } from '../rigs/load';
import { Made, stateOf } from '../rigs/made';
import { makeLink, revokeLinks, rigBehind } from './links';

/** Pages kept at once. */
const MOST_PAGES = 200;

/** Owners, and the page each reaches by a link that expires and can be revoked. */
export function ownerRoutes(router: Router, db: Sequelize): void {
  const pages = new Made<OwnerPage>(MOST_PAGES);
  bind(router, ROUTES.owners, async () =>
    OwnerRow.findAll({ attributes: ['id', 'name', 'email'], order: [['name', 'ASC']], raw: true }),
  );
  bind(router, ROUTES.makeLink, async ({ params, body }) => makeLink(params.rig, body.keep === true));
  bind(router, ROUTES.revokeLink, async ({ params }) => {
    await revokeLinks(params.rig);
    return {};
  });
  bind(router, ROUTES.ownerPage, async ({ params }) => {
    const rig = await rigBehind(params.token);
    return pages.of(rig, await stateOf(db, rig), async () => {
      const loaded = await loadRig(rig);
      return draft('ownersPage', inputOf(loaded), loaded.row.number, loaded.row.owner);
    });
  });
}
