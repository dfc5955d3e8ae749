import { z } from 'zod';
import { calculation, SOURCES } from '../../base/units';
import { homography, trust } from './photo';
import { tapeReadingSchema, fairReadings } from './readings';
import { findDatum, placeOfReading, reading } from './datum';
import { hullModelSchema } from './schema';
import { fairHull } from './surface';

const coordinate = z.number().min(-2000).max(10_000);
const hull = hullModelSchema;
const run = z.enum(['taut', 'centre', 'gunwale']);

export const gunwaleArc = calculation(
  'gunwale-arc',
  'Length of a tape laid along the gunwale from the bow tip',
  z.strictObject({ hull, x: coordinate }),
  [SOURCES.closedForm],
  ({ hull: h, x }) => ({ mm: fairHull(h).gunwaleArc(x) }),
);

export const tapeReading = calculation(
  'tape-reading',
  'What the tape reads at a point of the hull',
  z.strictObject({ hull, datum: z.string().max(80), run, x: coordinate, y: coordinate }),
  [SOURCES.closedForm],
  ({ hull: h, datum, run: r, x, y }) => {
    const surface = fairHull(h);
    return { mm: reading(surface, findDatum(surface, datum), r, { x, y, z: surface.spot(x, y).z }) };
  },
);

export const tapePlace = calculation(
  'tape-place',
  'The x at which the tape reads so much, so far off the centre line',
  z.strictObject({ hull, datum: z.string().max(80), run, reading: z.number().min(0).max(20_000), y: coordinate }),
  [SOURCES.closedForm],
  ({ hull: h, datum, run: r, reading: value, y }) => {
    const surface = fairHull(h);
    return {
      x:
        placeOfReading(surface, { datum: findDatum(surface, datum), run: r, value, y, heightAt: (x) => surface.spot(x, y).z }) ??
        null,
    };
  },
);

export const hullSection = calculation(
  'hull-section',
  'Half-breadth, gunwale, keel and surface at a place',
  z.strictObject({ hull, x: coordinate, y: coordinate.default(0) }),
  [SOURCES.closedForm],
  ({ hull: h, x, y }) => {
    const s = fairHull(h);
    return { halfBreadth: s.halfBreadth(x), gunwale: s.gunwale(x), keel: s.keel(x), surface: s.spot(x, y) };
  },
);

const spots = z
  .array(z.tuple([coordinate, coordinate]))
  .min(4)
  .max(40);

export const fairStations = calculation(
  'fair-stations',
  'Bench readings faired into stations, with the readings that look wrong',
  z.strictObject({
    readings: z.array(tapeReadingSchema).min(4).max(60),
    fullness: z.number().min(1).max(20).default(5),
    flare: z.number().min(0).max(0.9).default(0.25),
  }),
  [SOURCES.closedForm],
  ({ readings, ...section }) => fairReadings(readings, section),
);

export const straightenPhoto = calculation(
  'straighten-photo',
  'The projection that carries marks of a photo to the deck, and how far to trust it',
  z.strictObject({ marks: spots, deck: spots }),
  [SOURCES.closedForm],
  ({ marks, deck }) => ({ projection: homography(marks, deck) ?? null, trust: trust(marks, deck, [], marks) ?? null }),
);
