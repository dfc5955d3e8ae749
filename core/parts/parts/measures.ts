import { z } from 'zod';
import { ofShop } from '../../base/stored';

/** The id of a part, a consumable or a stock. */
export const partIdSchema = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'lower-case letters, digits and hyphens');
/** A size, mm. */
export const sizeSchema = z.number().min(0).max(5000);
/** A place in a part's own frame, mm. */
export const offsetSchema = z.number().min(-3000).max(3000);
/** A thread by its name, such as M6 or 1/4-20. */
export const threadSchema = ofShop(z.string().max(12));
