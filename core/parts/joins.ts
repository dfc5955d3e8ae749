import { z } from 'zod';

/** Balls of mount chains, by what they are sold as (common practice, no source). */
export const BALLS = ['25 mm', '38 mm'] as const;

/** What two parts of a mount chain are joined by. Only the same kind and size meet. */
const jointSchema = z.strictObject({
  kind: z.enum(['slot', 'thread', 'ball', 'socket', 'bolt pattern', 'rail', 'steel']),
  size: z.string().min(1).max(24),
});
export type Joint = z.infer<typeof jointSchema>;

/** The place of a part in a mount chain: what it stands on, and what it offers to the next. */
export const joinsSchema = z.strictObject({ foot: jointSchema.optional(), heads: z.array(jointSchema).max(6) });
