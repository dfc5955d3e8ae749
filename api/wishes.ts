import { COLUMN_MEANINGS } from '@plain-cleat/core/parts/catalog';
import { z } from 'zod';
import { STAFF, noneSchema, route } from './route';

const columnMeaningSchema = z.enum(COLUMN_MEANINGS);

export const wishSheetSchema = z.object({
  headings: z.array(z.string()),
  columns: z.array(columnMeaningSchema.nullable()),
  rows: z.array(z.array(z.string())),
  dropped: z.int().describe('rows beyond what is read'),
});

export const rememberHeadingSchema = z.strictObject({
  heading: z.string().min(1).max(80),
  meaning: columnMeaningSchema.nullable(),
});

export type WishSheet = z.infer<typeof wishSheetSchema>;

/** Owners' spreadsheets. */
export const WISHES_ROUTES = {
  readWishSheet: route({
    method: 'POST',
    path: '/api/wish-sheets',
    who: STAFF,
    says: "Read an owner's spreadsheet",
    upload: { field: 'file', bytes: 5_000_000 },
    answer: wishSheetSchema,
  }),
  rememberHeading: route({
    method: 'POST',
    path: '/api/wish-headings',
    who: STAFF,
    says: 'Remember what a heading means',
    body: rememberHeadingSchema,
    answer: noneSchema,
  }),
} as const;
