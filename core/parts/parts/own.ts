import { z } from 'zod';
import { ofOwner, ofShop } from '../../base/stored';
import type { Solid } from './body';
import { HOLDS, holdSchema } from './holding';
import { jointOf, OFFERED } from './joins';
import { madeSchema, materialCents } from './made';
import { threadSchema } from './measures';
import type { Part } from './part';

const sizeSchema = z.number().min(1, 'more than nothing').max(4000);
const outlineSchema = z
  .array(z.tuple([z.number().min(-2000).max(2000), z.number().min(-2000).max(2000)]))
  .min(3, 'three points or more')
  .max(80);

/** How a part of one's own looks from above. */
const shapeSchema = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('box'), length: sizeSchema, width: sizeSchema }),
  z.strictObject({ is: z.literal('cylinder'), diameter: sizeSchema }),
  z.strictObject({ is: z.literal('outline'), points: outlineSchema.describe('aft and to starboard of its middle, mm') }),
]);
export type Shape = z.infer<typeof shapeSchema>;

/** A part that is made at the bench or brought by the owner, as it is told in one sheet. */
export const ownPartSchema = z.strictObject({
  name: ofOwner(z.string().trim().min(1, 'give it a name').max(80), 'a part of one’s own'),
  kind: ofShop(z.string().trim().min(1, 'say what kind of thing it is').max(40)),
  shape: shapeSchema,
  height: sizeSchema,
  massKg: z.number().min(0).max(100),
  ways: z.array(holdSchema).min(1, 'say how it can be held').max(HOLDS.length),
  bolts: z
    .strictObject({
      count: z.union([z.literal(1), z.literal(2), z.literal(4)]),
      along: z.number().min(0).max(2000).describe('between them, fore and aft'),
      across: z.number().min(0).max(2000),
      thread: threadSchema,
    })
    .refine(({ count, along, across }) => (count === 4 ? along > 0 && across > 0 : count === 1 || along + across > 0), {
      message: 'say how far its bolts are apart',
    })
    .nullable()
    .describe('how it is bolted; null when it has no holes'),
  offers: z.array(z.enum(OFFERED)).max(6).describe('what others are put on'),
  foot: z.enum(OFFERED).nullable().optional().describe('what it is put on itself'),
  rods: z
    .strictObject({ count: z.int().min(1).max(12), lean: z.number().min(0).max(90), out: z.number().min(-180).max(180) })
    .nullable()
    .optional()
    .describe('rods that stand in it: how far off the vertical, and which way, 0 aft, 90 to port'),
  ports: z.int().min(0).max(20),
  carries: z.boolean().describe('others can be stood on it'),
  sinks: z.boolean(),
  cents: z.int().min(0).max(10_000_000).nullable().describe('its price; null when it follows from what it is made of'),
  made: madeSchema,
  photo: ofShop(z.string().max(64)).nullable(),
});
export type OwnPart = z.infer<typeof ownPartSchema>;

/** The id of a part of one's own, by its name in the plan. */
export const ownPartId = (key: string): string => `own-${key.toLowerCase()}`;

/** Slices an outline is filled with: no part has more solids. */
const SLICES = 8;
/** Corners a circle is drawn with. */
const ROUND = 48;

const pointsOf = (shape: Shape): readonly (readonly [number, number])[] => {
  if (shape.is === 'outline') return shape.points;
  if (shape.is === 'box') {
    const [l, w] = [shape.length / 2, shape.width / 2];
    return [
      [-l, -w],
      [l, -w],
      [l, w],
      [-l, w],
    ];
  }
  const r = shape.diameter / 2;
  return Array.from({ length: ROUND }, (_, i) => {
    const t = (2 * Math.PI * i) / ROUND;
    return [r * Math.cos(t), r * Math.sin(t)] as const;
  });
};

/**
 * Boxes that cover an outline, slice by slice aft: each as wide as the outline is anywhere within it, so that what is judged
 * is never smaller than the part.
 */
export function slicesOf(shape: Shape, height: number, name: string): Solid[] {
  const points = pointsOf(shape);
  const us = points.map(([u]) => u);
  const [fore, aft] = [Math.min(...us), Math.max(...us)];
  const count = shape.is === 'box' ? 1 : SLICES;
  const step = (aft - fore) / count;
  return Array.from({ length: count }, (_, i): Solid => {
    const [from, to] = [fore + i * step, i === count - 1 ? aft : fore + (i + 1) * step];
    const vs = points.flatMap(([u, v], n): number[] => {
      const [u2, v2] = points[(n + 1) % points.length] as readonly [number, number];
      const within = u >= from && u <= to ? [v] : [];
      // Where its edge crosses the ends of the slice.
      const crosses = [from, to].flatMap((at) => ((u - at) * (u2 - at) < 0 ? [v + ((at - u) / (u2 - u)) * (v2 - v)] : []));
      return [...within, ...crosses];
    });
    return { name: name.slice(0, 40), u: [from, to], v: [Math.min(...vs), Math.max(...vs)], w: [0, height] };
  });
}

/** Bolts of a base: one in the middle, two along it, or four at its corners. */
function boltsOf({ bolts }: OwnPart): { u: number; v: number }[] {
  if (!bolts) return [];
  const [u, v] = [bolts.along / 2, bolts.across / 2];
  if (bolts.count === 1) return [{ u: 0, v: 0 }];
  if (bolts.count === 2)
    return [
      { u: -u, v: -v },
      { u, v },
    ];
  return [-u, u].flatMap((a) => [-v, v].map((b) => ({ u: a, v: b })));
}

const TOLD = { use: '', road: '', care: 'Look at its fastening after the first outing.' } as const;
const TOLD_FR = { use: '', road: '', care: 'Vérifiez sa fixation après la première sortie.' } as const;
/** A rod's butt goes so deep into what holds it, where that is as high (common practice, no source), mm. */
const TUBE = 240;
/** A base plate is so thick, as far as nobody says (judgement), mm. */
const BASE = 6;

/** The part that a sheet tells of: judged, drilled, weighed and priced like any other. */
export function partOfSheet(key: string, sheet: OwnPart, priced: string): Part {
  const solids = slicesOf(sheet.shape, sheet.height, sheet.name);
  const span = (k: 'u' | 'v'): number => Math.max(...solids.map((s) => s[k][1])) - Math.min(...solids.map((s) => s[k][0]));
  const heads = sheet.offers.map(jointOf);
  const foot = sheet.foot ? { foot: jointOf(sheet.foot) } : {};
  return {
    id: ownPartId(key),
    name: sheet.name,
    french: sheet.name,
    kind: sheet.kind,
    body: {
      massKg: sheet.massKg,
      base: { length: span('u'), width: span('v'), thickness: Math.min(BASE, sheet.height) },
      solids,
      ...(sheet.carries ? { carries: true } : {}),
    },
    holes: { at: boltsOf(sheet), thread: sheet.bolts?.thread ?? 'M6' },
    holding: {
      ways: sheet.ways,
      trackBolts: sheet.ways.includes('track') ? 2 : 0,
      lever: false,
      usual: { newtons: 60, height: 0.8 },
    },
    use: { often: 'stopped', byHand: false, comesOff: false, afloat: sheet.sinks ? 'sinks' : 'floats' },
    goesWith: { answersTo: [sheet.kind], ...(sheet.ports ? { gives: { ports: sheet.ports } } : {}) },
    sold: { priceCents: sheet.cents ?? materialCents(sheet.made), priced, supplier: '', leadDays: 0 },
    walk: { en: TOLD, fr: TOLD_FR },
    made: sheet.made,
    ...(heads.length || sheet.foot ? { joins: { ...foot, heads } } : {}),
    ...(sheet.rods ? { rods: { ...sheet.rods, depth: Math.min(sheet.height, TUBE), butt: 0 } } : {}),
  };
}
