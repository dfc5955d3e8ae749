import { z } from 'zod';

/** RFC 9457 problem details: names the field and what would be right. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  field: z.string().optional(),
  faults: z.array(z.object({ field: z.string(), says: z.string() })).optional(),
  /** On a clash: what the plan holds now, and what the change wanted. */
  clash: z.object({ field: z.string(), found: z.unknown(), wanted: z.unknown(), version: z.int() }).optional(),
});

export type Problem = z.infer<typeof problemSchema>;
