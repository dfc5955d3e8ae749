import { ROUTES, type DocumentQuery } from '@plain-cleat/api';
import type { Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { Drawn, DocumentName, Which } from '../drafting/draw';
import { attach } from '../http/attach';
import { bind } from '../http/bind';
import { freezeLetters } from '../rigs/letters';
import { Made, stateOf } from '../rigs/made';
import { drawDocument } from './draw-document';

interface Asked {
  readonly params: { readonly rig: string };
  readonly res: Response;
  readonly query: DocumentQuery & Which;
  readonly staff: { readonly name: string };
}

/** Papers kept as they were drawn last, some 100 kB each. */
const MOST_PAPERS = 150;

/** The route of each paper. */
const DOCUMENTS = {
  parts: ROUTES.parts,
  'reception-sheet': ROUTES.receptionSheet,
  'drill-sheet': ROUTES.drillSheet,
  'wire-sheet': ROUTES.wireSheet,
  'line-sheet': ROUTES.lineSheet,
  'wire-labels': ROUTES.wireLabels,
  'circuit-svg': ROUTES.circuitSvg,
  quote: ROUTES.quote,
  'owners-book': ROUTES.ownersBook,
  'printer-check': ROUTES.printerCheck,
  templates: ROUTES.templates,
  'template-svg': ROUTES.templateSvg,
  'template-dxf': ROUTES.templateDxf,
} as const satisfies Readonly<Record<DocumentName, unknown>>;

/** Everything a rig prints, and its parts list. Before the first paper its letters are fixed for good. */
export function documentRoutes(router: Router, db: Sequelize): void {
  bind(router, ROUTES.print, async ({ params, staff }) => {
    await freezeLetters(db, params.rig, staff.id);
    return {};
  });
  const papers = new Made<Drawn>(MOST_PAPERS);
  const give = async (paper: DocumentName, { params: { rig }, query, staff, res }: Asked): Promise<void> => {
    const asked = JSON.stringify([rig, paper, query, staff.name]);
    const made = await papers.of(asked, await stateOf(db, rig), () => drawDocument(paper, rig, query, staff.name));
    attach(res, made.type, made.name);
    res.send(Buffer.from(made.bytes));
  };
  for (const [paper, route] of Object.entries(DOCUMENTS) as [DocumentName, typeof ROUTES.parts][])
    bind(router, route, (call) => give(paper, call));
}
