import { faultsOf } from '@plain-cleat/core/rig';
import type { z } from 'zod';

/**
 * What is stored, when it fits its schema.
 * @throws Error when it does not: that is no fault of whoever asks
 */
export function fitting<S extends z.ZodType>(schema: S, what: string, stored: unknown): z.infer<S> {
  const read = schema.safeParse(stored);
  if (read.success) return read.data;
  const [fault] = faultsOf(read.error);
  throw new Error(`${what} as it is stored does not fit: ${fault?.field}: ${fault?.says}`);
}
