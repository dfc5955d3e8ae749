import { barTrue, templatesOf, type Template } from '@plain-cleat/core/holding/drilling';
import { findDatum } from '@plain-cleat/core/boat/hull';
import { printFigure, printLittle } from '@plain-cleat/core/base/units';
import { workUp, type Workup, type WorkupInput } from '@plain-cleat/core/workup';
import { HttpProblem, notFound } from '../problems/problem';
import { drillSheet } from './drill-sheet';
import { ownersBook } from './owners-book';
import { partsCsv } from './parts-csv';
import { quote } from './quote';
import { receptionSheet, type Photos } from './reception-sheet';
import type { Sheet } from './sheet';
import { templateDxf, templateSvg, type TemplateWords } from './template-drawing';
import { checkPage, templateSheets } from './template-sheets';
import { circuitSvg, drawnCircuit } from './circuit-drawing';
import { labelSheet } from './wire-labels';
import { lineSheet } from './line-sheet';
import { wireSheet } from './wire-sheet';

/** A paper that a rig prints, or a file it gives out. */
export type DocumentName =
  | 'parts'
  | 'reception-sheet'
  | 'drill-sheet'
  | 'wire-sheet'
  | 'line-sheet'
  | 'wire-labels'
  | 'circuit-svg'
  | 'quote'
  | 'owners-book'
  | 'printer-check'
  | 'templates'
  | 'template-svg'
  | 'template-dxf';

/** Whose it is, for whom and how it is printed; the rest of a sheet comes with the rig. */
export type Heading = Omit<Sheet, 'plan' | 'hull' | 'shop'>;

/** Which of its templates. */
export interface Which {
  readonly fitting?: string;
  readonly part?: number;
  /** Photos that go on it, by their ids. */
  readonly photos?: Photos;
}

/** A file made, with its name and kind. */
export interface Drawn {
  readonly name: string;
  readonly type: string;
  readonly bytes: Uint8Array;
}

interface Printed {
  readonly sheet: Sheet;
  readonly workup: Workup;
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
  const wanted = workup.aboard.owned.filter((i) => i.holes.length > 0 && (fitting === undefined || i.placed.id === fitting));
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

function allTemplates(ready: Printed, { fitting }: Which): Promise<Buffer> {
  checkBar(ready);
  const templates = templatesFor(ready, fitting);
  if (templates.length === 0) throw notFound('fitting', 'this plan drills no holes: there is nothing to print');
  return templateSheets(ready.sheet, templates, wordsOf(ready));
}

const SHEETS = {
  'reception-sheet': ({ sheet, workup }: Printed, { photos = new Map() }: Which) => receptionSheet(sheet, workup, photos),
  'drill-sheet': ({ sheet, workup }: Printed) => drillSheet(sheet, workup),
  'line-sheet': ({ sheet, workup }: Printed) => lineSheet(sheet, workup),
  'wire-sheet': ({ sheet, workup }: Printed) => wireSheet(sheet, workup),
  'wire-labels': ({ sheet, workup }: Printed) => labelSheet(sheet, workup),
  quote: ({ sheet, workup }: Printed) => quote(sheet, workup),
  'owners-book': ({ sheet, workup }: Printed) => ownersBook(sheet, workup),
  'printer-check': ({ sheet }: Printed) => checkPage(sheet),
  templates: allTemplates,
} as const;

/** Draws one paper of a rig. */
export async function draw(paper: DocumentName, input: WorkupInput, heading: Heading, which: Which): Promise<Drawn> {
  const { plan, hull, shop } = input;
  const ready: Printed = { sheet: { ...heading, plan, hull, shop }, workup: workUp(input) };
  const { sheet, workup } = ready;
  const text = (name: string, type: string, all: string): Drawn => ({
    name: `${sheet.number}-${name}`,
    type,
    bytes: Buffer.from(all),
  });
  if (paper === 'parts') return text('parts.csv', 'text/csv', partsCsv(workup, sheet.units));
  if (paper === 'circuit-svg')
    return text(
      'circuit.svg',
      'image/svg+xml',
      circuitSvg(await drawnCircuit(workup), `Circuit of ${sheet.plan.title}, ${sheet.number}`),
    );
  if (paper === 'template-svg' || paper === 'template-dxf') {
    const template = templatesFor(ready, which.fitting)[(which.part ?? 1) - 1];
    if (!template) throw notFound('part', 'this template has fewer sheets');
    const name = `${template.letter}${template.parts > 1 ? `-${template.part}` : ''}`;
    const words = wordsOf(ready);
    return paper === 'template-dxf'
      ? text(`${name}.dxf`, 'image/vnd.dxf', templateDxf(template, words))
      : text(
          `${name}.svg`,
          'image/svg+xml',
          templateSvg(template, words, `Template ${template.letter}, ${template.of}, ${sheet.number}`),
        );
  }
  return { name: `${sheet.number}-${paper}.pdf`, type: 'application/pdf', bytes: await SHEETS[paper](ready, which) };
}
