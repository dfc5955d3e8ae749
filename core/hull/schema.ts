import { z } from 'zod';
import { SECTION_SHAPES } from './section';

const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, 'lower-case letters, digits and hyphens');
const coordinate = z.number().min(-2000).max(10_000);
const length = z.number().min(0).max(10_000);
const point = z.strictObject({ x: coordinate, y: coordinate, z: coordinate });
const area = {
  fore: coordinate.describe('x of its forward edge, mm'),
  aft: coordinate.describe('x of its after edge, mm'),
  port: coordinate.describe('y of its port edge, mm'),
  starboard: coordinate.describe('y of its starboard edge, mm'),
};

/** A cross-section measured at one place along the boat. */
export const station = z.strictObject({
  x: coordinate,
  halfBreadth: length.describe('centre line to gunwale edge, mm'),
  gunwale: length.describe('height of the gunwale over the lowest keel point, mm'),
  keel: length.describe('height of the keel over its lowest point, mm'),
  fullness: z.number().min(1).max(20).describe('1 is a straight V, larger is boxier'),
  flare: z.number().min(0).max(0.9).describe('share of the half-breadth lost from gunwale to keel'),
});

export const deckArea = z.strictObject({
  id,
  name: z.string().max(60),
  kind: z.enum(['foredeck', 'cockpit', 'seat', 'tank well', 'stern deck', 'side deck', 'plate']),
  ...area,
  height: length.describe('of its forward edge over the lowest keel point, mm'),
  rise: z.number().min(-500).max(500).describe('from forward to after edge, mm'),
  wall: length.describe('wall thickness, mm'),
});

export const hatch = z.strictObject({
  id,
  name: z.string().max(60),
  ...area,
  height: length,
  opens: length.describe('smaller side of the clear opening, mm'),
  lid: z
    .strictObject({
      hinge: z.enum(['fore', 'aft', 'port', 'starboard']),
      turns: z.number().min(0).max(180).describe('degrees it opens'),
      thick: length.describe('height of the lid over the deck, mm'),
      strutKg: z.number().min(0).max(200).optional().describe('what its strut still lifts, at the middle of the lid'),
    })
    .optional()
    .describe('left out when it lifts off whole'),
});

/** Something of the hull itself that turns: stand-up bar, drive, rudder, seat back. A box between two corners at rest. */
export const hullMover = z.strictObject({
  id,
  name: z.string().max(60),
  from: point,
  to: point,
  about: z.enum(['x', 'y', 'z']).describe('the direction of its hinge'),
  hinge: point,
  turns: z.number().min(-360).max(360).describe('degrees from rest to its other end'),
  both: z.boolean().optional().describe('it turns as far the other way'),
});

/** Where things go inside the boat or on the paddler. */
export const compartment = z.strictObject({
  id,
  name: z.string().max(60),
  x: coordinate,
  y: coordinate,
  height: length,
  opening: z.strictObject({ long: length, wide: length }),
  litres: z.number().min(0).max(500),
  dry: z.boolean(),
  worn: z.boolean().describe('a pocket of the life jacket: always at hand'),
});

export const rail = z.strictObject({
  id,
  name: z.string().max(60),
  from: point,
  to: point,
  diameter: length,
});

/** A plate the maker drilled for accessories. */
export const madePlate = z.strictObject({
  id,
  name: z.string().max(60),
  x: coordinate,
  y: coordinate,
  height: length,
  holes: z.array(z.strictObject({ u: coordinate, v: coordinate })).max(24),
  thread: z.string().max(12),
});

/** A carrying handle: where it hangs lowest. */
export const handle = z.strictObject({ id, name: z.string().max(60), x: coordinate, height: length });

/** A part of the boat where the wall is thicker or thinner than elsewhere. */
export const wallZone = z.strictObject({ id, name: z.string().max(60), ...area, wall: length });

export const track = z.strictObject({
  id,
  name: z.string().max(60),
  side: z.enum(['port', 'starboard']),
  fore: coordinate,
  aft: coordinate,
  y: coordinate,
  height: length,
  slot: z.strictObject({ opening: length, depth: length, thread: z.string().max(12) }),
});

export const insert = z.strictObject({
  id,
  name: z.string().max(60),
  x: coordinate,
  y: coordinate,
  height: length,
  thread: z.string().max(12),
  depth: length,
});

export const scupper = z.strictObject({ id, x: coordinate, y: coordinate, diameter: length });

/** Something inside the hull that a bit or a nut must not meet. */
export const hazard = z.discriminatedUnion('shape', [
  z.strictObject({
    id,
    name: z.string().max(60),
    kind: z.enum(['foam', 'drive well', 'bulkhead']),
    shape: z.literal('box'),
    from: point,
    to: point,
  }),
  z.strictObject({
    id,
    name: z.string().max(60),
    kind: z.enum(['rudder tube', 'cable', 'drain tube']),
    shape: z.literal('tube'),
    path: z.array(point).min(2).max(40),
    radius: length,
  }),
]);

export const hullModel = z.strictObject({
  id,
  revision: z.int().min(1),
  maker: z.string().min(1).max(60),
  name: z.string().min(1).max(60),
  kind: z.enum(['sit-on-top', 'sit-inside', 'inflatable']),
  material: z.enum(['polyethylene', 'abs', 'composite', 'wood', 'pvc fabric']),
  massKg: z.number().positive().max(500),
  capacityKg: z.number().positive().max(2000).describe("maker's rated capacity"),
  wall: length.describe('wall thickness where no zone says otherwise, mm'),
  seat: z.strictObject({
    x: coordinate,
    low: length,
    high: length,
    slide: z.strictObject({ fore: coordinate, aft: coordinate }).optional().describe('where the seat can stand, x of its hip'),
  }),
  secondSeat: z.strictObject({ x: coordinate, low: length, high: length }).optional(),
  /** Foot pegs or pedals: where they can stand, x of the sole. */
  feet: z.strictObject({ kind: z.enum(['pegs', 'pedals', 'wells']), fore: coordinate, aft: coordinate }).optional(),
  stations: z.array(station).min(4).max(60),
  sections: z.enum(SECTION_SHAPES).optional().describe('how sections run from keel to gunwale; a curve when left out'),
  /** How the outline runs between stations: monotone unless the readings bear a natural spline. */
  fairing: z.enum(['monotone', 'natural']).optional(),
  decks: z.array(deckArea).max(40),
  handles: z.array(handle).max(12).optional(),
  hatches: z.array(hatch).max(20),
  tracks: z.array(track).max(40),
  inserts: z.array(insert).max(100),
  scuppers: z.array(scupper).max(40),
  hazards: z.array(hazard).max(60),
  moving: z.array(hullMover).max(20).optional(),
  compartments: z.array(compartment).max(20).optional(),
  rails: z.array(rail).max(20).optional(),
  plates: z.array(madePlate).max(20).optional(),
  walls: z.array(wallZone).max(40).optional(),
});

export type Station = z.infer<typeof station>;
export type DeckArea = z.infer<typeof deckArea>;
export type Hatch = z.infer<typeof hatch>;
export type Track = z.infer<typeof track>;
export type Rail = z.infer<typeof rail>;
export type MadePlate = z.infer<typeof madePlate>;
export type Insert = z.infer<typeof insert>;
export type HullMover = z.infer<typeof hullMover>;
export type Compartment = z.infer<typeof compartment>;
export type Hazard = z.infer<typeof hazard>;
export type HullModel = z.infer<typeof hullModel>;
