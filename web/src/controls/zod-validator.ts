import type { ValidatorFn } from '@angular/forms';
import type { z } from 'zod';

/**
 * A control's value is right when a schema takes it, the same one that the server goes by.
 * @param says what would be right; the schema's own words when left out
 */
export const zodValidator =
  (schema: z.ZodType, says?: string): ValidatorFn =>
  ({ value }) => {
    const read = schema.safeParse(value);
    return read.success ? null : { says: says ?? read.error.issues[0]?.message ?? 'This is not right.' };
  };

/** Words that are wanted: a few letters at least. */
export const wordsWanted =
  (says: string, least = 1): ValidatorFn =>
  ({ value }) =>
    String(value ?? '').trim().length >= least ? null : { says };
