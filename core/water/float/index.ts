export {
  centreOf,
  floatBy,
  FRESH_WATER,
  immersed,
  slicesOf,
  trimDegrees,
  waterAt,
  type Floating,
  type Mass,
  type Slices,
} from './floating';
export { afloatKg, centreOfPart, crewMasses, loadOf, passengers, peopleKg, shellCentre, stowedMasses } from './masses';
export { hullAsItIs, weigh, type Laden, type Weight } from './weigh';
