import { ROUTES, type DocumentQuery } from '@plain-cleat/api';
import type { Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { draft } from '../drafting/draft';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import { HttpProblem } from '../problems/problem';
import { freezeLetters, lettersOpen } from '../rigs/letters';
import { inputOf, loadRig, ownerOf } from '../rigs/load';
import type { Projection } from '../rigs/projection';
import type { Heading, Paper, Which } from '../drafting/draw';

/** What bears no letters. */
const LETTERLESS: readonly Paper[] = ['parts', 'printer-check'];

interface Asked {
  readonly params: Readonly<Record<string, string>>;
  readonly res: Response;
  readonly query: DocumentQuery & Which;
  readonly staff: { readonly id: string; readonly name: string };
}

/** Everything a rig prints, and its parts list. Before the first paper its letters are fixed for good. */
export function documentRoutes(router: Router, db: Sequelize, projection: Projection): void {
  bind(router, ROUTES.print, async ({ params, staff }) => {
    const rig = params.rig ?? '';
    if (await freezeLetters(db, rig, staff.id)) projection.touch(rig);
    return {};
  });
  const given =
    (paper: Paper) =>
    async ({ params, query, staff, res }: Asked): Promise<void> => {
      const rig = params.rig ?? '';
      const loaded = await loadRig(rig);
      if (!LETTERLESS.includes(paper) && lettersOpen(loaded.plan))
        throw new HttpProblem(409, 'Letters not fixed', 'print it from the rig: its letters are fixed before the first paper', {
          field: 'letters',
        });
      const owner = await ownerOf(loaded);
      const { units, paper: size, language, fitting, part } = query;
      const input = inputOf(loaded);
      const heading: Heading = {
        number: loaded.row.number,
        serial: loaded.hullRow.serial,
        owner: owner.name,
        today: input.asOf,
        by: staff.name,
        units,
        paper: size,
        language,
      };
      const made = await draft('draw', paper, input, heading, { fitting, part });
      attach(res, made.type, made.name);
      res.send(Buffer.from(made.bytes));
    };
  bind(router, ROUTES.parts, given('parts'));
  bind(router, ROUTES.drillSheet, given('drill-sheet'));
  bind(router, ROUTES.quote, given('quote'));
  bind(router, ROUTES.ownersBook, given('owners-book'));
  bind(router, ROUTES.printerCheck, given('printer-check'));
  bind(router, ROUTES.templates, given('templates'));
  bind(router, ROUTES.templateSvg, given('template-svg'));
  bind(router, ROUTES.templateDxf, given('template-dxf'));
}
