import { pathOf, ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { bind } from '../http/bind';
import { findParts } from './find';
import { savePart, setActive } from './save';
import type { Range } from './range';

/** What stands at the address of a range never changes: whoever has it keeps it. */
const FOREVER = 'private, max-age=31536000, immutable';

/** The stores' parts: the shop's range, all of them by search, and new revisions. */
export function partRoutes(router: Router, db: Sequelize, range: Range): void {
  bind(router, ROUTES.range, async ({ params, req, res }) => {
    const { hash, json, zipped } = await range.now();
    // It became another since its address was told: that one is sent.
    if (params.hash !== hash) return res.redirect(307, pathOf(ROUTES.range.path, { hash }));
    res.set({ 'Cache-Control': FOREVER, Vary: 'Accept-Encoding' }).type('json');
    if (req.acceptsEncodings('gzip')) res.set('Content-Encoding', 'gzip').send(zipped);
    else res.send(json);
  });
  bind(router, ROUTES.findParts, async ({ query }) => findParts(db, query.text, query.page));
  bind(router, ROUTES.savePart, async ({ body: { part, expects, active } }) => savePart(db, part, expects, active));
  bind(router, ROUTES.setActive, async ({ params, body }) => {
    await setActive(db, params.part, body.active);
    return body;
  });
}
