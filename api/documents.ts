import { z } from 'zod';
import { noneSchema, route, STAFF } from './route';

export const documentQuerySchema = z.object({
  units: z.enum(['imperial', 'metric']).default('imperial'),
  paper: z.enum(['A4', 'LETTER']).default('LETTER'),
  language: z.enum(['en', 'fr']).default('en'),
});

export const templatesQuerySchema = documentQuerySchema.extend({
  fitting: z.string().max(80).optional().describe('one fitting alone; all that drill when left out'),
});

export const templateQuerySchema = documentQuerySchema.extend({
  fitting: z.string().max(80),
  part: z.coerce.number().int().min(1).max(40).default(1).describe('which of the sheets it is split into'),
});

export type DocumentQuery = z.infer<typeof documentQuerySchema>;

/** Everything a rig prints, and its parts list. */
export const DOCUMENTS_ROUTES = {
  print: route({
    method: 'POST',
    path: '/api/rigs/:rig/prints',
    who: STAFF,
    says: 'Fix the letters for good, before the first paper is printed',
    body: noneSchema,
    answer: noneSchema,
  }),
  parts: route({
    method: 'GET',
    path: '/api/rigs/:rig/parts.csv',
    who: STAFF,
    says: 'Parts list as CSV',
    query: documentQuerySchema,
    file: 'text/csv',
  }),
  receptionSheet: route({
    method: 'GET',
    path: '/api/rigs/:rig/reception-sheet.pdf',
    who: STAFF,
    says: 'How the boat came in, for its owner to sign',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  drillSheet: route({
    method: 'GET',
    path: '/api/rigs/:rig/drill-sheet.pdf',
    who: STAFF,
    says: 'Drill sheet',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  wireSheet: route({
    method: 'GET',
    path: '/api/rigs/:rig/wire-sheet.pdf',
    who: STAFF,
    says: 'Wire sheet: diagram, cut list, pulling order, ends, what each way is called',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  wireLabels: route({
    method: 'GET',
    path: '/api/rigs/:rig/wire-labels.pdf',
    who: STAFF,
    says: 'Labels for both ends of every cable',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  lineSheet: route({
    method: 'GET',
    path: '/api/rigs/:rig/line-sheet.pdf',
    who: STAFF,
    says: 'Line sheet: what is cut of which cord, how each line is led, its ends, what it holds',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  circuitSvg: route({
    method: 'GET',
    path: '/api/rigs/:rig/circuit.svg',
    who: STAFF,
    says: 'The diagram of the circuit as a drawing',
    query: documentQuerySchema,
    file: 'image/svg+xml',
  }),
  printerCheck: route({
    method: 'GET',
    path: '/api/rigs/:rig/printer-check.pdf',
    who: STAFF,
    says: 'A page of bars to check a printer by',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  templates: route({
    method: 'GET',
    path: '/api/rigs/:rig/templates.pdf',
    who: STAFF,
    says: 'Templates, one to one; once a printed bar was measured on this paper',
    query: templatesQuerySchema,
    file: 'application/pdf',
  }),
  templateSvg: route({
    method: 'GET',
    path: '/api/rigs/:rig/template.svg',
    who: STAFF,
    says: 'The template of one fitting as a drawing',
    query: templateQuerySchema,
    file: 'image/svg+xml',
  }),
  templateDxf: route({
    method: 'GET',
    path: '/api/rigs/:rig/template.dxf',
    who: STAFF,
    says: 'The template of one fitting for a machine',
    query: templateQuerySchema,
    file: 'image/vnd.dxf',
  }),
  quote: route({
    method: 'GET',
    path: '/api/rigs/:rig/quote.pdf',
    who: STAFF,
    says: 'Quote',
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
  ownersBook: route({
    method: 'GET',
    path: '/api/rigs/:rig/owners-book.pdf',
    who: STAFF,
    says: "Owner's book",
    query: documentQuerySchema,
    file: 'application/pdf',
  }),
} as const;
