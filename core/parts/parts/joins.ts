import { z } from 'zod';

/** Balls of mount chains, by what they are sold as (common practice, no source). */
const BALLS = ['25 mm', '38 mm'] as const;

/** What two parts of a mount chain are joined by. Only the same kind and size meet. */
const jointSchema = z.strictObject({
  kind: z.enum(['slot', 'thread', 'ball', 'socket', 'bolt pattern', 'rail', 'steel']),
  size: z.string().min(1).max(24),
});
export type Joint = z.infer<typeof jointSchema>;

/** What a part of one's own may offer or stand on, by what it is sold as. */
export const OFFERED = [...BALLS, '1/4-20', '1 in pipe', 'disc'] as const;
export type Offered = (typeof OFFERED)[number];

const KINDS: Readonly<Record<Offered, Joint['kind']>> = {
  '25 mm': 'ball',
  '38 mm': 'ball',
  '1/4-20': 'thread',
  '1 in pipe': 'socket',
  disc: 'steel',
};
/** The same in words. */
export const OFFERED_WORDS: Readonly<Record<Offered, string>> = {
  '25 mm': 'a 25 mm ball',
  '38 mm': 'a 38 mm ball',
  '1/4-20': 'a 1/4-20 thread',
  '1 in pipe': 'a screw-in pipe socket',
  disc: 'a steel disc',
};
export const jointOf = (size: Offered): Joint => ({ kind: KINDS[size], size });

/** The place of a part in a mount chain: what it stands on, and what it offers to the next. */
export const joinsSchema = z.strictObject({ foot: jointSchema.optional(), heads: z.array(jointSchema).max(6) });
