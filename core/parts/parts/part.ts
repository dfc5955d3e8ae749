import { z } from 'zod';
import { bodySchema } from './body';
import { containsSchema } from './contains';
import { controlSchema } from './control';
import { glandSchema } from './gland';
import { goesWithSchema } from './goes-with';
import { holdingSchema } from './holding';
import { holesSchema } from './holes';
import { insideSchema } from './inside';
import { joinsSchema } from './joins';
import { madeSchema } from './made';
import { partIdSchema } from './measures';
import { moorsSchema } from './moors';
import { powerSchema } from './power';
import { laterRevisionSchema } from './revision';
import { rodsSchema } from './rods';
import { lensSchema, lightSchema, screenSchema, sonarSchema } from './sight';
import { signalSchema } from './signal';
import { soldSchema, walkSchema } from './sold';
import { partTiesSchema } from './ties';
import { useSchema } from './use';

/**
 * A part by its facets: each is what one trade reads of it, and a part has those that matter. A new facet is a
 * schema of its own and a line here. The kind is a word of the shop's for finding parts: no judgement reads it.
 */
export const partSchema = z.strictObject({
  id: partIdSchema,
  revision: laterRevisionSchema.optional(),
  name: z.string().min(1).max(80),
  french: z.string().min(1).max(80),
  kind: z.string().min(1).max(40),
  body: bodySchema,
  holes: holesSchema,
  holding: holdingSchema,
  use: useSchema,
  goesWith: goesWithSchema,
  sold: soldSchema,
  walk: walkSchema,
  joins: joinsSchema.optional(),
  control: controlSchema.optional(),
  inside: insideSchema.optional(),
  contains: containsSchema.optional(),
  made: madeSchema.optional(),
  ties: partTiesSchema.optional(),
  moors: moorsSchema.optional(),
  rods: rodsSchema.optional(),
  light: lightSchema.optional(),
  lens: lensSchema.optional(),
  sonar: sonarSchema.optional(),
  screen: screenSchema.optional(),
  power: powerSchema.optional(),
  signal: signalSchema.optional(),
  gland: glandSchema.optional(),
});
export interface Part extends z.infer<typeof partSchema> {}
