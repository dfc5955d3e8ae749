import { fairHull, outlineSvg, type HullModel } from '@plain-cleat/core/boat/hull';
import { ROUTES } from '@plain-cleat/api';
import type { Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import { read } from '../imports/read';
import { newestHull } from '../revisions/revisions';
import { saveHullFacts } from '../rigs/facts';
import { listHulls, saveHull } from './models';
import { offsetsCsv, outlineDxf } from './outline-file';
import { describeHull, describeHulls, ledgerOf } from './own';

/** A file that a hull is written to. */
const asFile =
  (kind: string, suffix: string, write: (model: HullModel) => string) =>
  async ({ params, res }: { readonly params: { readonly hull: string }; readonly res: Response }): Promise<void> => {
    const model = await newestHull(params.hull);
    attach(res, kind, `${model.id}-${suffix}`);
    res.send(write(model));
  };

const svg = (model: HullModel): string => outlineSvg(fairHull(model), `${model.maker} ${model.name}`);

/** The hull library, hulls from the tape and from drawings, and the customers' own hulls. */
export function hullRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.hulls, async () => listHulls());
  bind(router, ROUTES.hullModel, async ({ params }) => newestHull(params.hull));
  bind(router, ROUTES.saveHullModel, async ({ body }) => saveHull(db, body.model, body.expects));
  bind(router, ROUTES.readHullFile, async ({ body, staff }) => ({
    readings:
      body.kind === 'csv'
        ? await read(staff.id, 'offsets', body.text)
        : await read(staff.id, 'outline', body.kind, body.text, body.heights),
  }));
  bind(router, ROUTES.offsetsCsv, asFile('text/csv', 'offsets.csv', offsetsCsv));
  bind(router, ROUTES.outlineSvg, asFile('image/svg+xml', 'outline.svg', svg));
  bind(router, ROUTES.outlineDxf, asFile('image/vnd.dxf', 'outline.dxf', outlineDxf));
  bind(router, ROUTES.ownHulls, async () => describeHulls(db));
  bind(router, ROUTES.hullLedger, async ({ params }) => ledgerOf(db, params.own));
  bind(router, ROUTES.hullFacts, async ({ params, body, staff }) => saveHullFacts(db, params.own, staff.name, body.facts));
  bind(router, ROUTES.readFound, async ({ body, staff }) => read(staff.id, 'found', body.text, body.units));
  bind(router, ROUTES.describeHull, async ({ params, body }) => {
    await describeHull(params.own, body);
    return body;
  });
}
