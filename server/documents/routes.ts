import { barTrue, findDatum, printFigure, printLittle, templatesOf, workUp, type Template, type Workup } from '@plain-cleat/core';
import { ROUTES, type DocumentQuery } from '@plain-cleat/api';
import type { Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { bind } from '../http/bind';
import { HttpProblem, notFound } from '../http/problem';
import { freezeLetters } from '../rigs/letters';
import { loadRig, ownerOf, todayIn } from '../rigs/load';
import { drillSheet } from './drill-sheet';
import { ownersBook } from './owners-book';
import { partsCsv } from './parts-csv';
import { quote } from './quote';
import type { Sheet } from './sheet';
import { templateDxf, templateSvg, type TemplateWords } from './template-drawing';
import { checkPage, templateSheets } from './template-sheets';

/** Names an answer as a file to keep. */
export function attach(res: Response, type: string, name: string): void {
  res.type(type).setHeader('Content-Disposition', `attachment; filename="${name}"`);
}

interface Asked {
  readonly params: Readonly<Record<string, string>>;
  readonly res: Response;
  readonly query: DocumentQuery;
  readonly staff: { readonly id: string; readonly name: string };
}

interface Printed {
  readonly sheet: Sheet;
  readonly workup: Workup;
}

/** A rig made ready to be printed: its letters are frozen from now on. */
async function printed(db: Sequelize, { params, query, staff }: Omit<Asked, 'res'>): Promise<Printed> {
  await freezeLetters(db, params.rig ?? '', staff.id);
  const loaded = await loadRig(params.rig ?? '');
  const owner = await ownerOf(loaded);
  const { plan, hull, shop, row, hullRow } = loaded;
  const today = todayIn(shop.timeZone);
  const { units, paper, language } = query;
  const sheet: Sheet = {
    plan,
    hull,
    shop,
    number: row.number,
    serial: hullRow.serial,
    owner: owner.name,
    today,
    by: staff.name,
    units,
    paper,
    language,
  };
  return { sheet, workup: workUp({ ...loaded, asOf: today }) };
}

function wordsOf({ sheet, workup }: Printed): TemplateWords {
  const { tape } = sheet.plan;
  return {
    datum: findDatum(workup.surface, tape.datum).name.toUpperCase(),
    figure: (mm) => printFigure(mm, sheet.units),
    little: (mm) => printLittle(mm, sheet.units),
  };
}

/** Templates of one fitting, or of all that drill, bow to stern. */
function templatesFor({ sheet, workup }: Printed, fitting?: string): Template[] {
  const wanted = workup.owned.filter((i) => i.holes.length > 0 && (fitting === undefined || i.placed.id === fitting));
  if (fitting !== undefined && wanted.length === 0)
    throw notFound('fitting', 'no fitting of this rig by that name drills a hole');
  try {
    return wanted.flatMap((i) => templatesOf(workup.surface, i, sheet.plan.tape, sheet.shop.drilling, workup.ledger));
  } catch (error) {
    throw new HttpProblem(422, 'Not to be flattened', (error as Error).message, { field: 'fitting' });
  }
}

/** A template is let out only after a bar printed on the same paper was measured and is true. */
function checkBar({ sheet, workup }: Printed): void {
  const { barWithin } = sheet.shop.drilling;
  const measured = workup.ledger.bars.get(sheet.paper);
  if (measured && barTrue(measured.bar, measured.reading, barWithin)) return;
  const name = sheet.paper === 'A4' ? 'A4' : 'Letter';
  throw new HttpProblem(
    409,
    'Bar not measured',
    measured
      ? `the bar on ${name} read ${printLittle(measured.reading, sheet.units)} for ${measured.bar}: set the printer to 100 % and measure again`
      : `print the check page on ${name}, measure its bar and type what it reads first`,
    { field: 'paper' },
  );
}

/** Everything a rig prints, and its parts list. */
export function documentRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.parts, async ({ params, res, query }) => {
    const loaded = await loadRig(params.rig ?? '');
    attach(res, 'text/csv', `${loaded.row.number}-parts.csv`);
    res.send(partsCsv(workUp({ ...loaded, asOf: todayIn(loaded.shop.timeZone) }), query.units));
  });
  const pdf =
    (make: (sheet: Sheet, w: Workup) => Promise<Buffer>, name: string) =>
    async (asked: Asked): Promise<void> => {
      const { sheet, workup } = await printed(db, asked);
      const bytes = await make(sheet, workup);
      attach(asked.res, 'application/pdf', `${sheet.number}-${name}.pdf`);
      asked.res.send(bytes);
    };
  bind(router, ROUTES.drillSheet, pdf(drillSheet, 'drill-sheet'));
  bind(router, ROUTES.quote, pdf(quote, 'quote'));
  bind(router, ROUTES.ownersBook, pdf(ownersBook, 'owners-book'));
  bind(router, ROUTES.printerCheck, pdf(checkPage, 'printer-check'));
  bind(router, ROUTES.templates, async ({ params, query, staff, res }) => {
    const ready = await printed(db, { params, query, staff });
    checkBar(ready);
    const templates = templatesFor(ready, query.fitting);
    if (templates.length === 0) throw notFound('fitting', 'this plan drills no holes: there is nothing to print');
    const bytes = await templateSheets(ready.sheet, templates, wordsOf(ready));
    attach(res, 'application/pdf', `${ready.sheet.number}-templates.pdf`);
    res.send(bytes);
  });
  const drawing =
    (kind: 'svg' | 'dxf', type: string, draw: (t: Template, words: TemplateWords, title: string) => string) =>
    async (asked: Asked & { readonly query: { readonly fitting: string; readonly part: number } }): Promise<void> => {
      const ready = await printed(db, asked);
      const template = templatesFor(ready, asked.query.fitting)[asked.query.part - 1];
      if (!template) throw notFound('part', 'this template has fewer sheets');
      const name = `${ready.sheet.number}-${template.letter}${template.parts > 1 ? `-${template.part}` : ''}`;
      attach(asked.res, type, `${name}.${kind}`);
      asked.res.send(draw(template, wordsOf(ready), `Template ${template.letter}, ${template.of}, ${ready.sheet.number}`));
    };
  bind(router, ROUTES.templateSvg, drawing('svg', 'image/svg+xml', templateSvg));
  bind(router, ROUTES.templateDxf, drawing('dxf', 'image/vnd.dxf', templateDxf));
}
