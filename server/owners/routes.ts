import { createHash, randomBytes } from 'node:crypto';
import { type OwnerPage, ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { QueryTypes, type Sequelize } from 'sequelize';
import { LinkRow, OwnerRow } from '../database/models';
import { draft } from '../drafting/draft';
import { bind } from '../http/bind';
import { HttpProblem } from '../problems/problem';
import { findRig, inputOf, loadRig } from '../rigs/load';

const DAYS = 60;
const hashed = (token: string): string => createHash('sha256').update(token).digest('hex');

/** What an owner's page follows from: when any of it moves, the page is made anew. */
async function stateOf(db: Sequelize, rigId: string): Promise<string> {
  const rows = await db.query(
    `SELECT r.version, h.factCount, p.name, CURRENT_DATE AS today,
       (SELECT GROUP_CONCAT(o.id, ' ', o.version, ' ', o.place ORDER BY o.id) FROM rigs o WHERE o.hullId = r.hullId) AS others
     FROM rigs r JOIN hulls h ON h.id = r.hullId LEFT JOIN owners p ON p.id = r.ownerId WHERE r.id = :rigId`,
    { replacements: { rigId }, type: QueryTypes.SELECT },
  );
  return JSON.stringify(rows);
}

/** Pages kept at once. */
const MOST_PAGES = 200;

/** Owners' pages as they were made last: opened a hundred times, a page is worked up once. */
class Pages {
  private readonly made = new Map<string, { readonly state: string; readonly page: Promise<OwnerPage> }>();

  async of(rigId: string, state: string, make: () => Promise<OwnerPage>): Promise<OwnerPage> {
    const known = this.made.get(rigId);
    if (known?.state === state) return known.page;
    const page = make();
    this.made.delete(rigId);
    this.made.set(rigId, { state, page });
    page.catch(() => this.made.delete(rigId));
    const [oldest] = this.made.keys();
    if (this.made.size > MOST_PAGES && oldest !== undefined) this.made.delete(oldest);
    return page;
  }
}

/** Owners, and the page each reaches by a link that expires and can be revoked. */
export function ownerRoutes(router: Router, db: Sequelize): void {
  const pages = new Pages();
  bind(router, ROUTES.owners, async () =>
    (await OwnerRow.findAll({ order: [['name', 'ASC']] })).map(({ id, name, email }) => ({ id, name, email })),
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
      const owner = await OwnerRow.findByPk(loaded.row.ownerId);
      return draft('ownersPage', inputOf(loaded), loaded.row.number, owner?.name ?? '');
    });
  });
}
