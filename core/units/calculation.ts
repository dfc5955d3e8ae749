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

/** Declares a calculation. Exported from its folder, it is found by `calculations()` by itself. */
export const calculation = <I extends z.ZodType>(
  name: string,
  says: string,
  input: I,
  sources: readonly Source[],
  run: (input: z.infer<I>) => unknown,
): Calculation<I> => ({ calculation: name, says, input, sources, run });

/** Every calculation among the exports of a module, by name. */
export function calculations(module: Readonly<Record<string, unknown>>): Map<string, Calculation> {
  const found = Object.values(module).filter(
    (v): v is Calculation => typeof v === 'object' && v !== null && 'calculation' in v && 'run' in v,
  );
  return new Map(found.sort((a, b) => (a.calculation < b.calculation ? -1 : 1)).map((c) => [c.calculation, c]));
}
