import { ROUTES, type DocumentQuery } from '@plain-cleat/api';
import type { Fact } from '@plain-cleat/core/rig';
import type { Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { PhotoRow } from '../database/models';
import { draft } from '../drafting/draft';
import type { Photos } from '../drafting/reception-sheet';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import { HttpProblem } from '../problems/problem';
import { freezeLetters, lettersOpen } from '../rigs/letters';
import { inputOf, loadRig } from '../rigs/load';
import { Made, stateOf } from '../rigs/made';
import type { Projection } from '../rigs/projection';
import type { Heading, Drawn, Paper, Which } from '../drafting/draw';

/** What bears no letters. */
const LETTERLESS: readonly Paper[] = ['parts', 'printer-check'];

interface Asked {
  readonly params: Readonly<Record<string, string>>;
  readonly res: Response;
  readonly query: DocumentQuery & Which;
  readonly staff: { readonly id: string; readonly name: string };
}

/** Papers kept as they were drawn last, some 100 kB each. */
const MOST_PAPERS = 150;

/** Draws one paper of a rig as it is now. */
async function drawn(paper: Paper, rig: string, query: DocumentQuery & Which, by: string): Promise<Drawn> {
  const loaded = await loadRig(rig);
  if (!LETTERLESS.includes(paper) && lettersOpen(loaded.plan))
    throw new HttpProblem(409, 'Letters not fixed', 'print it from the rig: its letters are fixed before the first paper', {
      field: 'letters',
    });
  const { units, paper: size, language, fitting, part } = query;
  const input = inputOf(loaded);
  const heading: Heading = {
    number: loaded.row.number,
    serial: loaded.row.serial,
    owner: loaded.row.owner,
    today: input.asOf,
    by,
    units,
    paper: size,
    language,
  };
  const photos = paper === 'reception-sheet' ? await photosOf(loaded.row.id, loaded.facts) : undefined;
  return draft('draw', paper, input, heading, { fitting, part, ...(photos ? { photos } : {}) });
}

/** So many photos go on one paper. */
const MOST_PHOTOS = 40;

/** The photos of how things came in, the newest of each. */
async function photosOf(rigId: string, facts: readonly Fact[]): Promise<Photos> {
  const newest = new Map(facts.flatMap((f) => (f.kind === 'thingSeen' ? [[f.thing, f.photo] as const] : [])));
  const ids = [...newest.values()].flatMap((id) => id ?? []).slice(0, MOST_PHOTOS);
  const rows = ids.length ? await PhotoRow.findAll({ where: { rigId, id: ids } }) : [];
  return new Map(rows.map((r) => [r.id, new Uint8Array(r.bytes)]));
}

/** Everything a rig prints, and its parts list. Before the first paper its letters are fixed for good. */
export function documentRoutes(router: Router, db: Sequelize, projection: Projection): void {
  bind(router, ROUTES.print, async ({ params, staff }) => {
    const rig = params.rig ?? '';
    if (await freezeLetters(db, rig, staff.id)) projection.touch(rig, staff.id);
    return {};
  });
  const papers = new Made<Drawn>(MOST_PAPERS);
  const given =
    (paper: Paper) =>
    async ({ params, query, staff, res }: Asked): Promise<void> => {
      const rig = params.rig ?? '';
      const asked = JSON.stringify([rig, paper, query, staff.name]);
      const made = await papers.of(asked, await stateOf(db, rig), () => drawn(paper, rig, query, staff.name));
      attach(res, made.type, made.name);
      res.send(Buffer.from(made.bytes));
    };
  bind(router, ROUTES.parts, given('parts'));
  bind(router, ROUTES.receptionSheet, given('reception-sheet'));
  bind(router, ROUTES.drillSheet, given('drill-sheet'));
  bind(router, ROUTES.wireSheet, given('wire-sheet'));
  bind(router, ROUTES.lineSheet, given('line-sheet'));
  bind(router, ROUTES.wireLabels, given('wire-labels'));
  bind(router, ROUTES.circuitSvg, given('circuit-svg'));
  bind(router, ROUTES.quote, given('quote'));
  bind(router, ROUTES.ownersBook, given('owners-book'));
  bind(router, ROUTES.printerCheck, given('printer-check'));
  bind(router, ROUTES.templates, given('templates'));
  bind(router, ROUTES.templateSvg, given('template-svg'));
  bind(router, ROUTES.templateDxf, given('template-dxf'));
}
