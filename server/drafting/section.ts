import type { Workup } from '@plain-cleat/core/workup';
import { Paper, type Sheet } from './sheet';

/** What a section is drawn from: the page under way, and the rig as it is worked up. */
export interface Drawing {
  readonly paper: Paper;
  readonly sheet: Sheet;
  readonly w: Workup;
}

/** A part of a paper: draws itself, or nothing where there is nothing to say. */
export type Section = (drawing: Drawing) => void | Promise<void>;

/** Draws a paper: its sections, one after the other. */
export async function drawSections(sheet: Sheet, title: string, w: Workup, sections: readonly Section[]): Promise<Buffer> {
  const paper = new Paper(sheet, title);
  for (const section of sections) await section({ paper, sheet, w });
  return paper.finish();
}

/** A column of a table: its heading, its width in points or what is left of the page, and whether it is set flush right. */
export interface Column {
  readonly name?: string;
  readonly width: number | 'rest';
  readonly end?: true;
}

interface Table {
  readonly heading?: string;
  /** In small under the heading. */
  readonly note?: string;
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly string[])[];
  /** Each row has an empty box to tick. */
  readonly tick?: true;
  /** Its rows stand out. */
  readonly bold?: true;
}

/** A table under its heading; nothing at all where it has no rows. */
export function table(paper: Paper, { heading, note, columns, rows, tick, bold }: Table): void {
  if (rows.length === 0) return;
  if (heading !== undefined) paper.heading(heading);
  if (note !== undefined) paper.text(note, true);
  const taken = columns.reduce((sum, { width }) => sum + (width === 'rest' ? 0 : width), 0);
  const widths = columns.map(({ width }) => (width === 'rest' ? paper.width - taken : width));
  const ends = columns.flatMap(({ end }, i) => (end ? [i] : []));
  if (columns.some((c) => c.name !== undefined))
    paper.row(
      columns.map((c) => c.name ?? ''),
      widths,
      { bold: true, ends },
    );
  for (const row of rows) paper.row(row, widths, { ends, ...(tick ? { tick } : {}), ...(bold ? { bold } : {}) });
}

/** How much is not settled at a step when it was printed, notes left out unless they count. */
export const notSettled =
  (step: 'drill' | 'wire', name: string, notes = false): Section =>
  ({ paper, w }) => {
    const open = w.findings.filter((f) => f.step === step && !f.accepted && (notes || f.severity !== 'note'));
    if (open.length) paper.text(`${open.length} not settled when this was printed: see the ${name} step.`);
  };
