export { boxOverlap, cornersOfBox, extentOfBox, rimOf, type PosedBox, type Upright } from './box';
export { twinTrack } from './bridge';
export { castSpaces, snag } from './cast';
export { footingOf, reachesIntoDeck, reachesOverboard, type Footing } from './footing';
export { frameOf, onRail, placeFitting, standsOn } from './frame';
export { bodyOf, bodyOfBox, directed, recessAxis, rodBodies, slimBody, toHull } from './bodies';
export { comesOff, middleOf, squareAt, usedHow, type Body, type Placed, type Rod } from './placed';
export { boxAbout, markedAt } from './in-room';
export { railFault, slotFault, takenBy } from './interchange';
export { KNUCKLE_BAND, knuckleHit, lowOnTheGunwale } from './knuckles';
export { intoLegs, intoLimb, legsOf, uprightLimbs, type Leg } from './legs';
export { bodyOverlap, planOverlap } from './overlap';
export {
  BODY,
  everybody,
  eyeOf,
  hipOf,
  overBand,
  paddlers,
  seatedBodies,
  shoulderOf,
  stander,
  trunkOf,
  type Paddler,
} from './paddler';
export {
  byPerson,
  graspOf,
  REACH,
  reachedAtWorst,
  reachedBy,
  reachedFromWater,
  reachOf,
  type Reached,
  type ReachZone,
  ZONE_FOR,
} from './reach';
export { azimuthOf, hiddenSectors, shadowOf, shadowOfRod, type Arc, type Hidden, type Shadow } from './sight';
export { legSpan, seat, seatForLegs, sittingOf, type Seating, type Seatings } from './sitting';
export { nudge, offTrack, onFittedTrack, overInserts, seated, snapPlace, toMark, turn } from './snap';
export { cellsTaken, floorGrid, standingRoom } from './standing';
export { strokeBand, strokeHit, strokeSpace, type StrokeHit, type StrokeSpaces } from './stroke';
export { strokeDrawing } from './stroke-drawing';
export { suits } from './suits';
export { boundsOf, carriedBy, movedPoint, near, sweptBy, sweptByHull, turned, type Bounds, type Swept } from './sweep';
export { paddleLack, strokePoses, styleOf, type PaddleLack } from './stroke-poses';
export { layOut, type Layout, type Stood } from './lay-out';
