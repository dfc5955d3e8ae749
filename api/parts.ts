import { partSchema } from '@plain-cleat/core/parts/parts';
import { z } from 'zod';
import { STAFF, route } from './route';

/** So many parts a shop keeps in its range at the most: they come to every device. */
export const RANGE_LIMIT = 3000;

/** The address of the shop's range: it follows from its parts. */
export const rangeHashSchema = z.string().max(64);

const findPartsSchema = z.object({
  text: z.string().trim().max(80).default(''),
  page: z.coerce.number().int().min(0).max(1000).default(0),
});

const foundPartsSchema = z.object({ parts: z.array(partSchema), more: z.boolean() });

const savePartSchema = z.strictObject({
  part: partSchema,
  expects: z.int().min(0).describe('the revision it was made from; 0 for a new part'),
  active: z.boolean().default(true).describe("whether it is in the shop's range"),
});

const activeSchema = z.strictObject({ active: z.boolean() });

export type FoundParts = z.infer<typeof foundPartsSchema>;

/** The parts of the stores. */
export const PARTS_ROUTES = {
  range: route({
    method: 'GET',
    path: '/api/range/:hash',
    who: STAFF,
    says: "The parts of the shop's range, by their address",
    answer: z.array(partSchema),
    asWritten: true,
  }),
  findParts: route({
    method: 'GET',
    path: '/api/parts',
    who: STAFF,
    says: 'Parts by words of their name or kind',
    query: findPartsSchema,
    answer: foundPartsSchema,
  }),
  savePart: route({
    method: 'POST',
    path: '/api/parts',
    who: ['manager'],
    says: 'Keep a new revision of a part, or a new part',
    body: savePartSchema,
    answer: partSchema,
  }),
  setActive: route({
    method: 'POST',
    path: '/api/parts/:part/range',
    who: ['manager'],
    says: "Take a part into the shop's range, or out of it",
    body: activeSchema,
    answer: activeSchema,
  }),
} as const;
