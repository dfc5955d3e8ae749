import { z } from 'zod';
import { holdSchema } from '../../parts/parts';
import { keySchema } from '../../base/stored';
import { coordinateSchema, placeSchema } from './place';
import { SECTION_SHAPES } from './section';

const idSchema = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'lower-case letters, digits and hyphens');
const lengthSchema = z.number().min(0).max(10_000);
const pointSchema = z.strictObject({ x: coordinateSchema, y: coordinateSchema, z: coordinateSchema });
const area = {
  fore: coordinateSchema.describe('x of its forward edge, mm'),
  aft: coordinateSchema.describe('x of its after edge, mm'),
  port: coordinateSchema.describe('y of its port edge, mm'),
  starboard: coordinateSchema.describe('y of its starboard edge, mm'),
};

/** What of the hull that moves it is part of: what stands on it goes along. */
const ridesSchema = idSchema.optional().describe('it moves with this: drive, rudder, seat, motor');

/** A cross-section measured at one place along the boat. */
const stationSchema = z.strictObject({
  x: coordinateSchema,
  halfBreadth: lengthSchema.describe('centre line to gunwale edge, mm'),
  gunwale: lengthSchema.describe('height of the gunwale over the lowest keel point, mm'),
  keel: lengthSchema.describe('height of the keel over its lowest point, mm'),
  fullness: z.number().min(1).max(20).describe('1 is a straight V, larger is boxier'),
  flare: z.number().min(0).max(0.9).describe('share of the half-breadth lost from gunwale to keel'),
});

const deckAreaSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  kind: z.enum(['foredeck', 'cockpit', 'seat', 'tank well', 'stern deck', 'side deck', 'plate']),
  ...area,
  height: lengthSchema.describe('of its forward edge over the lowest keel point, mm'),
  rise: z.number().min(-500).max(500).describe('from forward to after edge, mm'),
  wall: lengthSchema.describe('wall thickness, mm'),
  rides: ridesSchema,
});

const hatchSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  ...area,
  height: lengthSchema,
  opens: lengthSchema.describe('smaller side of the clear opening, mm'),
  shape: z.enum(['rectangle', 'circle', 'stadium']).optional().describe('of the clear opening; a rectangle when left out'),
  lid: z
    .strictObject({
      hinge: z.enum(['fore', 'aft', 'port', 'starboard']),
      turns: z.number().min(0).max(180).describe('degrees it opens'),
      thick: lengthSchema.describe('height of the lid over the deck, mm'),
      strutKg: z.number().min(0).max(200).optional().describe('what its strut still lifts, at the middle of the lid'),
    })
    .optional()
    .describe('left out when it lifts off whole'),
});

/** Something of the hull itself that turns: stand-up bar, drive, rudder, seat back. A box between two corners at rest. */
const hullMoverSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  from: pointSchema,
  to: pointSchema,
  about: z.enum(['x', 'y', 'z']).describe('the direction of its hinge'),
  hinge: pointSchema,
  turns: z.number().min(-360).max(360).describe('degrees from rest to its other end'),
  slides: pointSchema.optional().describe('how far it is shifted from rest to its other end, mm'),
  both: z.boolean().optional().describe('it turns as far the other way'),
  drives: z.boolean().optional().describe('it drives the boat: fins or a propeller'),
});

/** A place to tie to: an eye, a loop, a ring, on deck or in a room inside. */
const tieSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  ...pointSchema.shape,
  room: idSchema.optional().describe('the room inside that it is in; on deck when left out'),
});

/** What the maker fits: a part where it stands on the drawing, as it is held there. */
const stockSchema = z.strictObject({ id: idSchema, part: keySchema, place: placeSchema, hold: holdSchema });

/** A room inside the boat that takes things: a hold, a bay, a moulded recess. */
const spaceSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  ...area,
  floor: coordinateSchema.optional().describe('height of its floor over the lowest keel point; the hull itself when left out'),
  top: coordinateSchema.optional().describe('height of its ceiling; the underside of the deck when left out'),
  moulded: z.boolean().optional().describe('it has square walls of its own; else the hull is its wall'),
  hatches: z.array(idSchema).max(8).describe('the openings that lead in; none where it stands open'),
  dry: z.boolean(),
  vented: z.boolean().optional().describe('air goes through it while it is shut'),
  litres: z.number().min(0).max(500).optional().describe('what it holds where that is known; else it follows from its size'),
  worn: z.boolean().optional().describe('a pocket of the life jacket: always at hand'),
});

const railSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  from: pointSchema,
  to: pointSchema,
  diameter: lengthSchema,
  rides: ridesSchema,
});

/** A plate the maker drilled for accessories. */
const madePlateSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  x: coordinateSchema,
  y: coordinateSchema,
  height: lengthSchema,
  holes: z.array(z.strictObject({ u: coordinateSchema, v: coordinateSchema })).max(24),
  thread: z.string().max(12),
});

/** A carrying handle: where it hangs lowest. */
const handleSchema = z.strictObject({ id: idSchema, name: z.string().max(60), x: coordinateSchema, height: lengthSchema });

/** A part of the boat where the wall is thicker or thinner than elsewhere. */
const wallZoneSchema = z.strictObject({ id: idSchema, name: z.string().max(60), ...area, wall: lengthSchema });

const trackSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  side: z.enum(['port', 'starboard']),
  fore: coordinateSchema,
  aft: coordinateSchema,
  y: coordinateSchema,
  height: lengthSchema,
  rides: ridesSchema,
  slot: z.strictObject({ opening: lengthSchema, depth: lengthSchema, thread: z.string().max(12) }),
});

const insertSchema = z.strictObject({
  id: idSchema,
  name: z.string().max(60),
  x: coordinateSchema,
  y: coordinateSchema,
  height: lengthSchema,
  thread: z.string().max(12),
  depth: lengthSchema,
});

const scupperSchema = z.strictObject({ id: idSchema, x: coordinateSchema, y: coordinateSchema, diameter: lengthSchema });

/** Something inside the hull that a bit or a nut must not meet. */
const hazardSchema = z.discriminatedUnion('shape', [
  z.strictObject({
    id: idSchema,
    name: z.string().max(60),
    kind: z.enum(['foam', 'drive well', 'bulkhead']),
    shape: z.literal('box'),
    from: pointSchema,
    to: pointSchema,
  }),
  z.strictObject({
    id: idSchema,
    name: z.string().max(60),
    kind: z.enum(['rudder tube', 'cable', 'drain tube']),
    shape: z.literal('tube'),
    path: z.array(pointSchema).min(2).max(40),
    radius: lengthSchema,
  }),
]);

/** Kinds of hull. */
export const HULL_KINDS = ['sit-on-top', 'sit-inside', 'inflatable', 'stand-up platform'] as const;
/** What else tells hulls apart. */
export const HULL_TRAITS = ['pedal', 'motor', 'tandem'] as const;

const seatSchema = z.strictObject({
  x: coordinateSchema,
  low: lengthSchema,
  high: lengthSchema,
  slide: z
    .strictObject({ fore: coordinateSchema, aft: coordinateSchema })
    .optional()
    .describe('where the seat can stand, x of its hip'),
});

export const hullModelSchema = z.strictObject({
  id: idSchema,
  revision: z.int().min(1),
  maker: z.string().min(1).max(60),
  name: z.string().min(1).max(60),
  kind: z.enum(HULL_KINDS),
  traits: z.array(z.enum(HULL_TRAITS)).max(HULL_TRAITS.length).optional(),
  material: z.enum(['polyethylene', 'abs', 'composite', 'wood', 'pvc fabric']),
  massKg: z.number().positive().max(500),
  capacityKg: z.number().positive().max(2000).describe("maker's rated capacity"),
  wheelsKg: z.number().positive().max(500).optional().describe('it has wheels of its own, and they bear so much'),
  wall: lengthSchema.describe('wall thickness where no zone says otherwise, mm'),
  seat: seatSchema,
  secondSeat: seatSchema.optional(),
  /** Foot pegs or pedals: where they can stand, x of the sole. */
  feet: z.strictObject({ kind: z.enum(['pegs', 'pedals', 'wells']), fore: coordinateSchema, aft: coordinateSchema }).optional(),
  stations: z.array(stationSchema).min(4).max(60),
  sections: z.enum(SECTION_SHAPES).optional().describe('how sections run from keel to gunwale; a curve when left out'),
  /** How the outline runs between stations: monotone unless the readings bear a natural spline. */
  fairing: z.enum(['monotone', 'natural']).optional(),
  decks: z.array(deckAreaSchema).max(40),
  handles: z.array(handleSchema).max(12).optional(),
  hatches: z.array(hatchSchema).max(20),
  tracks: z.array(trackSchema).max(40),
  inserts: z.array(insertSchema).max(100),
  scuppers: z.array(scupperSchema).max(40),
  hazards: z.array(hazardSchema).max(60),
  moving: z.array(hullMoverSchema).max(20).optional(),
  spaces: z.array(spaceSchema).max(30).optional(),
  rails: z.array(railSchema).max(20).optional(),
  plates: z.array(madePlateSchema).max(20).optional(),
  walls: z.array(wallZoneSchema).max(40).optional(),
  ties: z.array(tieSchema).max(120).optional(),
  /** What the maker fits, besides what the lists above have: seat, pegs, rails, handles, lids, what moves. */
  stock: z.array(stockSchema).max(60).optional(),
});

export type Station = z.infer<typeof stationSchema>;
export type DeckArea = z.infer<typeof deckAreaSchema>;
export type Hatch = z.infer<typeof hatchSchema>;
export type Track = z.infer<typeof trackSchema>;
export type Space = z.infer<typeof spaceSchema>;
export type Stock = z.infer<typeof stockSchema>;
export type Rail = z.infer<typeof railSchema>;
export type HullMover = z.infer<typeof hullMoverSchema>;
export type Hazard = z.infer<typeof hazardSchema>;
export type HullModel = z.infer<typeof hullModelSchema>;
