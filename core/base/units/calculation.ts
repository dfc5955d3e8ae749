import type { z } from 'zod';
import type { Source } from './source';

/** A calculation of the core that can be called by name, with the schema of its input. */
export interface Calculation<I extends z.ZodType = z.ZodType> {
  readonly calculation: string;
  readonly says: string;
  readonly input: I;
  readonly sources: readonly Source[];
  run(input: z.infer<I>): unknown;
}

/** Declares a calculation. What a folder's `calculations.ts` exports is called by its name. */
export const calculation = <I extends z.ZodType>(
  name: string,
  says: string,
  input: I,
  sources: readonly Source[],
  run: (input: z.infer<I>) => unknown,
): Calculation<I> => ({ calculation: name, says, input, sources, run });
