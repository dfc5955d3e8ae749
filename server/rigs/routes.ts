import { makeRigFile, writeRigFile, workUp, type Workup } from '@plain-cleat/core';
import { ROUTES, type DocumentQuery, type FloorPlace, type RigDocument } from '@plain-cleat/api';
import type { Response, Router } from 'express';
import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { OwnerRow, RigRow } from '../database/models';
import { drillSheet } from '../documents/drill-sheet';
import { ownersBook } from '../documents/owners-book';
import { partsCsv } from '../documents/parts-csv';
import { quote } from '../documents/quote';
import type { Sheet } from '../documents/sheet';
import { bind } from '../http/bind';
import { notFound } from '../http/problem';
import { ownChanges, recordChange } from './changes';
import { checkAcceptance } from './check';
import { keepFacts } from './facts';
import { freezeLetters } from './letters';
import { findRig, loadRig, todayIn, type LoadedRig } from './load';
import { newerThan } from './newer';
import { importRigFile, openNewRig } from './open';
import { project } from './progress';

async function ownerOf(loaded: LoadedRig): Promise<OwnerRow> {
  const owner = await OwnerRow.findByPk(loaded.row.ownerId);
  if (!owner) throw notFound('owner', 'this rig has no owner');
  return owner;
}

async function describe(rigId: string, author: string): Promise<RigDocument> {
  const loaded = await loadRig(rigId);
  const [owner, mine] = await Promise.all([ownerOf(loaded), ownChanges(rigId, author)]);
  const { row, hullRow, plan, hull, facts, others, catalog, shop } = loaded;
  return {
    id: row.id,
    number: row.number,
    owner: { id: owner.id, name: owner.name, email: owner.email },
    serial: hullRow.serial,
    place: row.place as FloorPlace,
    version: row.version,
    factCount: hullRow.factCount,
    plan,
    hull,
    facts: [...facts],
    others: [...(others ?? [])],
    catalog: { parts: catalog.parts, consumables: catalog.consumables },
    shop,
    today: todayIn(shop.timeZone),
    mine,
    signed: facts.some((f) => f.kind === 'signed' && f.rig === plan.id),
  };
}

function attach(res: Response, type: string, name: string): void {
  res.type(type).setHeader('Content-Disposition', `attachment; filename="${name}"`);
}

/** Rigs: open, read, change, keep facts, documents, files. */
export function rigRoutes(router: Router, db: Sequelize, log: Logger): void {
  bind(router, ROUTES.openRig, async ({ body }) => openNewRig(db, body));
  bind(router, ROUTES.importRig, async ({ body }) => {
    const made = await importRigFile(db, body.text);
    await project(made.id, log);
    return made;
  });
  bind(router, ROUTES.rig, async ({ params, staff }) => describe(params.rig ?? '', staff.id));
  bind(router, ROUTES.newer, async ({ params }) => newerThan(await findRig(params.rig ?? '')));
  bind(router, ROUTES.change, async ({ params, body, staff }) => {
    const rigId = params.rig ?? '';
    await checkAcceptance(body.change, rigId, staff);
    const done = await recordChange(db, { rigId, author: staff.id, ...body });
    await project(rigId, log);
    return done;
  });
  bind(router, ROUTES.facts, async ({ params, body, staff }) => {
    const done = await keepFacts(db, params.rig ?? '', staff.name, body.facts);
    await project(params.rig ?? '', log);
    return done;
  });
  bind(router, ROUTES.move, async ({ params, body }) => {
    const [count] = await RigRow.update({ place: body.place }, { where: { id: params.rig ?? '' } });
    if (count === 0 && !(await RigRow.findByPk(params.rig ?? ''))) throw notFound('rig', 'there is no such rig');
    return body;
  });
  bind(router, ROUTES.exportRig, async ({ params, res }) => {
    const loaded = await loadRig(params.rig ?? '');
    const owner = await ownerOf(loaded);
    attach(res, 'application/json', `${loaded.row.number}.rig.json`);
    res.send(writeRigFile(makeRigFile({ ...loaded, owner: owner.name })));
  });
  bind(router, ROUTES.parts, async ({ params, res, query }) => {
    const loaded = await loadRig(params.rig ?? '');
    attach(res, 'text/csv', `${loaded.row.number}-parts.csv`);
    res.send(partsCsv(workUp({ ...loaded, asOf: todayIn(loaded.shop.timeZone) }), query.units));
  });

  const sheet =
    (make: (sheet: Sheet, w: Workup) => Promise<Buffer>, name: string) =>
    async ({
      params,
      res,
      query,
      staff,
    }: {
      params: Readonly<Record<string, string>>;
      res: Response;
      query: DocumentQuery;
      staff: { id: string; name: string };
    }): Promise<void> => {
      await freezeLetters(db, params.rig ?? '', staff.id);
      const loaded = await loadRig(params.rig ?? '');
      const owner = await ownerOf(loaded);
      const today = todayIn(loaded.shop.timeZone);
      const workup = workUp({ ...loaded, asOf: today });
      const { plan, hull, shop, row, hullRow } = loaded;
      const pdf = await make(
        { plan, hull, shop, number: row.number, serial: hullRow.serial, owner: owner.name, today, by: staff.name, ...query },
        workup,
      );
      attach(res, 'application/pdf', `${row.number}-${name}.pdf`);
      res.send(pdf);
    };
  bind(router, ROUTES.drillSheet, sheet(drillSheet, 'drill-sheet'));
  bind(router, ROUTES.quote, sheet(quote, 'quote'));
  bind(router, ROUTES.ownersBook, sheet(ownersBook, 'owners-book'));
}
