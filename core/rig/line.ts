import { z } from 'zod';
import { sameJson } from './same-json';
import { keySchema, tieKeySchema } from '../base/stored';

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
export const LINE_PATHS = ['over the deck', 'outside port', 'outside starboard'] as const;

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

/** A cord, and where it is led. */
const leadSchema = z.strictObject({
  of: z.enum(CORDS),
  diameter: z.number().min(2).max(16).describe('mm'),
  through: z.array(linePointSchema).min(2, 'a line has two ends').max(24),
  way: z.enum(LINE_PATHS),
});

/** A line from what it pulls or holds to where it is made fast. */
export const lineSchema = leadSchema.extend({
  use: z.enum(LINE_USES),
  carries: keySchema.optional().describe('the fitting that it holds, pulls or lifts'),
  ground: groundSchema.optional().describe('where it is meant to hold; the usual when left out'),
  rode: z.number().min(0).max(200_000).optional().describe('what goes overboard, mm; by the depth when left out'),
  breaks: z
    .union(BREAKS.map((n) => z.literal(n)))
    .optional()
    .describe('the cable tie that lets a fouled anchor go, N; none when left out'),
  aboard: leadSchema
    .extend({
      cut: z.number().min(0).max(400_000).describe('how long it is, mm'),
      since: z.iso.date().describe('the day the rig was opened that it was new in'),
    })
    .optional()
    .describe('it was on the boat when that came in, and how it was led there: a new one when left out'),
  proposed: z.literal(true).optional().describe('as it was proposed: a new proposal may replace it'),
});
export type Line = z.infer<typeof lineSchema>;
/** A piece of cord that was on the boat when that came in. */
export type CordAboard = NonNullable<Line['aboard']>;
export type LinePoint = Line['through'][number];

/** A line with some of its fields another; what is undefined is left out of it. */
export const lineWith = (line: Line, more: Partial<Line>): Line =>
  Object.fromEntries(Object.entries({ ...line, ...more }).filter(([, value]) => value !== undefined)) as Line;

/** The fitting that a tie point is on; null for one of the hull. */
export function tiedFitting(tie: string): string | null {
  const [holder = ''] = tie.split('.');
  return holder === 'hull' ? null : holder;
}

/** Whether two pieces are of one cord. */
export const isSameCord = (a: Pick<Line, 'of' | 'diameter'>, b: Pick<Line, 'of' | 'diameter'>): boolean =>
  a.of === b.of && a.diameter === b.diameter;

/** The piece of cord that a line is led with that was on the boat already; null where a new one is cut. */
export const cordAboard = (line: Line): CordAboard | null => (line.aboard && isSameCord(line, line.aboard) ? line.aboard : null);

/** Whether that piece is led as it was led, through things that stand as they stood: there is nothing to do. */
export const isLed = (line: Line, stays: (fitting: string) => boolean): boolean => {
  const aboard = cordAboard(line);
  const holders = line.through.flatMap((p) => (p.at === 'tie' ? (tiedFitting(p.tie) ?? []) : []));
  return !!aboard && line.way === aboard.way && sameJson(line.through, aboard.through) && holders.every(stays);
};

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
