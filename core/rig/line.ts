import { z } from 'zod';
import { keySchema, tieKeySchema } from '../stored';

/** What a line is for. */
export const LINE_USES = [
  'anchor trolley',
  'anchor line',
  'motor lift',
  'stake-out cord',
  'rudder line',
  'drag rope',
  'drogue line',
  'bungee',
] as const;
export type LineUse = (typeof LINE_USES)[number];

/** What cords are made of. */
export const CORDS = ['polyester', 'nylon', 'polypropylene', 'high-modulus', 'shock cord'] as const;
export type CordKind = (typeof CORDS)[number];

/** How a line goes from one of its points to the next: over the deck, or outside along a side. */
export const LINE_WAYS = ['over the deck', 'outside port', 'outside starboard'] as const;

/** What an anchor lies on. */
export const BOTTOMS = ['mud', 'sand', 'gravel', 'rock', 'weed'] as const;

/** The cable ties an anchor breaks away by: the force each is sold to hold, N. */
export const BREAKS = [80, 130, 180, 220, 540] as const;

/** Where a line turns or ends: at a tie point, or at the ring that a trolley carries along the side. */
const linePointSchema = z.discriminatedUnion('at', [
  z.strictObject({ at: z.literal('tie'), tie: tieKeySchema }),
  z.strictObject({ at: z.literal('ring'), line: keySchema.describe('the anchor trolley') }),
]);

/** Where an anchor, a stake or a drogue is meant to hold. */
const groundSchema = z.strictObject({
  depth: z.number().min(0).max(60_000).describe('of the water, mm'),
  bottom: z.enum(BOTTOMS),
  stream: z.number().min(0).max(15).describe('km/h'),
  wind: z.number().min(0).max(60).describe('km/h'),
});
export type Ground = z.infer<typeof groundSchema>;

/** A line from what it pulls or holds to where it is made fast. */
export const lineSchema = z.strictObject({
  use: z.enum(LINE_USES),
  of: z.enum(CORDS),
  diameter: z.number().min(2).max(16).describe('mm'),
  through: z.array(linePointSchema).min(2, 'a line has two ends').max(24),
  way: z.enum(LINE_WAYS),
  carries: keySchema.optional().describe('the fitting that it holds, pulls or lifts'),
  ground: groundSchema.optional().describe('where it is meant to hold; the usual when left out'),
  rode: z.number().min(0).max(200_000).optional().describe('what goes overboard, mm; by the depth when left out'),
  breaks: z
    .union(BREAKS.map((n) => z.literal(n)))
    .optional()
    .describe('the cable tie that lets a fouled anchor go, N; none when left out'),
  proposed: z.literal(true).optional().describe('as it was proposed: a new proposal may replace it'),
});
export type Line = z.infer<typeof lineSchema>;
export type LinePoint = Line['through'][number];

/** A line with some of its fields another; what is undefined is left out of it. */
export const lineWith = (line: Line, more: Partial<Line>): Line =>
  Object.fromEntries(Object.entries({ ...line, ...more }).filter(([, value]) => value !== undefined)) as Line;

/** The fitting that a tie point is on; null for one of the hull. */
export function tiedFitting(tie: string): string | null {
  const [holder = ''] = tie.split('.');
  return holder === 'hull' ? null : holder;
}

/** Whether a line is a trolley, and so has a ring. */
export const isTrolley = (line: Pick<Line, 'use'> | undefined): boolean => line?.use === 'anchor trolley';

/**
 * A line when some fittings are gone: led by what is left.
 * @returns null when what it carries is gone, or it has no two ends any more
 */
export function lineWithout(line: Line, gone: (fitting: string) => boolean): Line | null {
  const off = (p: LinePoint): boolean => {
    const fitting = p.at === 'tie' ? tiedFitting(p.tie) : null;
    return fitting !== null && gone(fitting);
  };
  if (line.carries !== undefined && gone(line.carries)) return null;
  if (!line.through.some(off)) return line;
  const through = line.through.filter((p) => !off(p));
  return through.length < 2 ? null : { ...line, through };
}
