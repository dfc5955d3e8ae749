import { partSchema } from '@plain-cleat/core/parts/parts';
import { assemblySchema } from '@plain-cleat/core/rig';
import { z } from 'zod';
import { STAFF, route } from './route';

export const saveAssemblySchema = z.strictObject({
  assembly: assemblySchema,
  expects: z.int().min(0).describe('the version it was made from; nought for a new one'),
});

const librarySchema = z.object({ assemblies: z.array(assemblySchema), parts: z.array(partSchema) });

/** The assemblies of the shop. */
export const ASSEMBLIES_ROUTES = {
  assemblies: route({
    method: 'GET',
    path: '/api/assemblies',
    who: STAFF,
    says: 'The assemblies of the shop and the parts they are made of, the newest of each',
    answer: librarySchema,
  }),
  saveAssembly: route({
    method: 'POST',
    path: '/api/assemblies',
    who: STAFF,
    says: 'Keep an assembly, or a newer version of one',
    bytes: 500_000,
    body: saveAssemblySchema,
    answer: assemblySchema,
  }),
} as const;
