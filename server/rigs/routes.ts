import { ROUTES } from '@plain-cleat/api';
import type { Router } from 'express';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import type { Range } from '../parts/range';
import { read } from '../imports/read';
import { describe } from './describe';
import { rigFile } from './file';
import { findRig } from './load';
import { moveRig } from './move';
import { newerThan } from './newer';
import { duplicateRig, importRig, openNewRig } from './open';
import { type Sending, sendChange, sendFacts } from './send';
import { rigSince } from './since';

/** Rigs: open, read, change, keep facts, files. */
export function rigRoutes(router: Router, range: Range, sending: Sending): void {
  const { db } = sending;
  bind(router, ROUTES.openRig, async ({ body }) => openNewRig(db, body));
  bind(router, ROUTES.importRig, async ({ body, staff }) => importRig(db, await read(staff.id, 'rig', body.text)));
  bind(router, ROUTES.duplicate, async ({ params, body }) => duplicateRig(db, params.rig, body.title));
  bind(router, ROUTES.rig, async ({ params, staff }) => describe(params.rig, staff.id, range));
  bind(router, ROUTES.rigSince, async ({ params, query, staff }) => rigSince(params.rig, staff.id, query));
  bind(router, ROUTES.newer, async ({ params }) => newerThan(await findRig(params.rig)));
  bind(router, ROUTES.change, async ({ from, params, body, staff }) => sendChange(sending, params.rig, body, { staff, from }));
  bind(router, ROUTES.facts, async ({ from, params, body, staff }) => sendFacts(sending, params.rig, body, { staff, from }));
  bind(router, ROUTES.move, async ({ params, body, staff }) => {
    await moveRig(params.rig, body.place, staff);
    return body;
  });
  bind(router, ROUTES.exportRig, async ({ params, res }) => {
    const { name, text } = await rigFile(params.rig);
    attach(res, 'application/json', name);
    res.send(text);
  });
}
