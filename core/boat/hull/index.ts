export { hullFaults, placeFault } from './check';
export { correctionOf, knownPlaces, sumFaults, type Compared, type Correction, type KnownDistance } from './correction';
export {
  datums,
  findDatum,
  hookAt,
  placeOfReading,
  placesOfReading,
  reading,
  RUN_NAMES,
  RUN_WORDS,
  scupperName,
  type TapeRun,
} from './datum';
export { downOfGirth, girthDown } from './girth';
export {
  HULL_KINDS,
  HULL_TRAITS,
  hullModelSchema,
  type DeckArea,
  type Hatch,
  type Hazard,
  type HullModel,
  type HullMover,
  type Rail,
  type Space,
  type Stock,
  type Track,
} from './schema';
export { distanceToSegment, fairHull, liesIn } from './surface';
export { type BoxedHazard, type HullSurface } from './hull-surface';
export { clearOf, insideBottom, mouthOf } from './spaces';
export { type Room } from './room';
export { outlineFault, outlinePoints, outlineSvg, readingsFromOutline } from './outline';
export { featuresOf, withoutFeatures } from './features';
export { coordinateSchema, LIES, placeSchema, type Place } from './place';
export { deckPatch, distanceOver, overSurface, sidePatch, tangentsAt, type Patch } from './patch';
export { homography, rectify, trust, type Homography, type Picture, type Spot, type Window } from './photo';
export {
  tapeReadingSchema,
  fairReadings,
  OFFSET_COLUMNS,
  outlineOf,
  readingFaults,
  type TapeReading,
  type ReadingFault,
} from './readings';
export { satIn, seated, type Sittings } from './seated';
export type { Section } from './section';
export { upcastHull } from './upcast';
