import { fairHull, hullFaults, hullModelSchema, outlineSvg, readingFaults, type HullModel } from '@plain-cleat/core/boat/hull';
import { tell } from '@plain-cleat/core/base/units';
import { ROUTES, type OwnHull } from '@plain-cleat/api';
import type { Router } from 'express';
import { Op, QueryTypes, type Sequelize } from 'sequelize';
import { inTransaction } from '../database/transaction';
import { HullModelRow, HullRow, RigRow } from '../database/models';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import { badInput, notFound } from '../problems/problem';
import { read } from '../reading/read';
import { keepHullFacts } from '../rigs/facts';
import { carriedBy, factsOf, holesOnHull } from '../rigs/load';
import type { Projection } from '../rigs/projection';
import { newestHull, newestHulls, newestParts, newestShop } from '../revisions/revisions';
import { offsetsCsv, outlineDxf } from './outline-file';

/** What keeps a hull from holding together, by field. */
function checkModel(model: HullModel): void {
  const faults = readingFaults(
    model.stations.map((s) => ({ x: s.x, port: s.halfBreadth, starboard: s.halfBreadth, gunwale: s.gunwale, keel: s.keel })),
  ).map((f) => ({ field: `stations.${f.row}.${f.column}`, says: tell(f.says, 'metric') }));
  if (faults.length) throw badInput(faults);
  const more = hullFaults(model);
  if (more.length) throw badInput(more);
}

/** What the maker fits is a part of the stores. */
async function checkStock({ stock = [] }: HullModel): Promise<void> {
  const known = new Set((await newestParts([...new Set(stock.map((s) => s.part))])).map((p) => p.id));
  const faults = stock.flatMap((s, i) =>
    known.has(s.part) ? [] : [{ field: `stock.${i}.part`, says: `the stores have no part ${s.part}` }],
  );
  if (faults.length) throw badInput(faults);
}

/** Owners' hulls with whose they are, what they are and the rigs they have had. */
async function describeHulls(db: Sequelize, only?: string): Promise<OwnHull[]> {
  const [hulls, rigs] = await Promise.all([
    db.query<HullRow & { owner: string | null }>(
      `SELECT h.*, o.name AS owner FROM hulls h LEFT JOIN owners o ON o.id = h.ownerId
       ${only === undefined ? '' : 'WHERE h.id = :only'} ORDER BY h.id`,
      { replacements: { only }, type: QueryTypes.SELECT },
    ),
    RigRow.findAll({
      attributes: ['id', 'number', 'hullId'],
      where: only === undefined ? {} : { hullId: only },
      order: [['number', 'ASC']],
    }),
  ]);
  const rigsOf = new Map<string, { id: string; number: string }[]>();
  for (const { id, number, hullId } of rigs) rigsOf.set(hullId, [...(rigsOf.get(hullId) ?? []), { id, number }]);
  return hulls.map((h) => ({
    id: h.id,
    owner: { id: h.ownerId, name: h.owner ?? '' },
    model: h.modelId,
    serial: h.serial,
    year: h.year ?? null,
    colour: h.colour,
    notes: h.notes,
    facts: h.factCount,
    rigs: rigsOf.get(h.id) ?? [],
  }));
}

/** The model of an owner's hull: the shop's newest, or what came with the file of its rig. */
async function modelOf({ id, model }: OwnHull): Promise<HullModel> {
  const rig = await RigRow.findOne({ attributes: ['carried'], where: { hullId: id, carried: { [Op.ne]: null } } });
  return (rig && carriedBy(rig)?.hull) ?? newestHull(model);
}

/** The hull library, hulls from the tape and from drawings, and the customers' own hulls. */
export function hullRoutes(router: Router, db: Sequelize, projection: Projection): void {
  bind(router, ROUTES.hulls, async () =>
    (await newestHulls()).map((m) => {
      const { length, beam } = fairHull(m);
      return { id: m.id, revision: m.revision, maker: m.maker, name: m.name, kind: m.kind, traits: m.traits ?? [], length, beam };
    }),
  );
  bind(router, ROUTES.hullModel, async ({ params }) => newestHull(params.hull ?? ''));
  bind(router, ROUTES.saveHullModel, async ({ body }) => {
    checkModel(body.model);
    await checkStock(body.model);
    return inTransaction(db, async (transaction) => {
      const row = await HullModelRow.findOne({ where: { id: body.model.id }, order: [['revision', 'DESC']], transaction });
      const known = row?.revision ?? 0;
      if (body.expects !== known)
        throw badInput([
          {
            field: 'expects',
            says: known ? `this hull is at revision ${known} by now: look at that one first` : 'the shop has no such hull yet',
          },
        ]);
      const model = hullModelSchema.parse({ ...body.model, revision: known + 1 });
      await HullModelRow.create({ id: model.id, revision: model.revision, document: JSON.stringify(model) }, { transaction });
      return model;
    });
  });
  bind(router, ROUTES.readHullFile, async ({ body, staff }) => ({
    readings:
      body.kind === 'csv'
        ? await read(staff.id, 'offsets', body.text)
        : await read(staff.id, 'outline', body.kind, body.text, body.heights),
  }));
  bind(router, ROUTES.offsetsCsv, async ({ params, res }) => {
    const model = await newestHull(params.hull ?? '');
    attach(res, 'text/csv', `${model.id}-offsets.csv`);
    res.send(offsetsCsv(model));
  });
  bind(router, ROUTES.outlineSvg, async ({ params, res }) => {
    const model = await newestHull(params.hull ?? '');
    attach(res, 'image/svg+xml', `${model.id}-outline.svg`);
    res.send(outlineSvg(fairHull(model), `${model.maker} ${model.name}`));
  });
  bind(router, ROUTES.outlineDxf, async ({ params, res }) => {
    const model = await newestHull(params.hull ?? '');
    attach(res, 'image/vnd.dxf', `${model.id}-outline.dxf`);
    res.send(outlineDxf(model));
  });
  bind(router, ROUTES.ownHulls, async () => describeHulls(db));
  bind(router, ROUTES.hullLedger, async ({ params }) => {
    const [hull] = await describeHulls(db, params.own ?? '');
    if (!hull) throw notFound('hull', 'there is no such hull');
    const [model, facts, shop] = await Promise.all([modelOf(hull), factsOf(hull.id), newestShop()]);
    return { hull, model, facts, holes: await holesOnHull(hull.id, facts), shop };
  });
  bind(router, ROUTES.hullFacts, async ({ params, body, staff }) => {
    const hull = params.own ?? '';
    const kept = await keepHullFacts(db, hull, staff.name, body.facts);
    await projection.touchHull(hull, staff.id);
    return kept;
  });
  bind(router, ROUTES.readFound, async ({ body, staff }) => read(staff.id, 'found', body.text, body.units));
  bind(router, ROUTES.describeHull, async ({ params, body }) => {
    const [count] = await HullRow.update(body, { where: { id: params.own ?? '' } });
    if (count === 0 && !(await HullRow.findByPk(params.own ?? ''))) throw notFound('hull', 'there is no such hull');
    return body;
  });
}
