import { z } from 'zod';
import { sizeSchema } from './measures';

/** What lets cables through a deck, a side or a bulkhead: so thick a bundle at the most. */
export const glandSchema = z.strictObject({ takes: sizeSchema.describe('the clear way through it, mm across') });
