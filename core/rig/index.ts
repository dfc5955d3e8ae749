export {
  cameHole,
  featuresGone,
  foundFitting,
  hasGone,
  isCameHole,
  isLaid,
  isMakers,
  isThere,
  stockFittings,
  stockKey,
  takenOff,
  withoutBoat,
  type Seen,
} from './aboard';
export { applyChange, Clash, Refused, type Applied } from './apply';
export { asOne } from './as-one';
export { assemblySchema, ofNewest, placeAssembly, renewAssembly, standingOn, takeAssembly, type Assembly } from './assembly';
export {
  briefSchema,
  BY_WORDS,
  CARRIED_BY,
  CARRIES,
  GROUND_WORDS,
  GROUNDS,
  PROPULSION,
  USUAL_BRIEF,
  WATERS,
  WORK,
  type Brief,
  type Sits,
} from './brief';
export {
  changeSchema,
  editsOf,
  singleChanges,
  verbOf,
  verbSetting,
  withEach,
  type Change,
  type DraftChange,
  type SimpleChange,
} from './change';
export { SAMPLE } from './sample-plan';
export { type Namer, type Teller } from './verb';
export type { Pin } from './plan-verbs';
export { VERBS } from './verbs';
export { DOINGS, type Day, type Leg } from './day';
export {
  FACT_WORDS,
  savedFactSchema,
  newFactSchema,
  SIGNED_AREAS,
  type Fact,
  type Measured,
  type NewFact,
  type SignedArea,
} from './fact';
export { fingerprint } from './fingerprint';
export { fittingOf } from './fitting-of';
export { foldLedger, type Ledger, type LedgerHole } from './ledger';
export { readFoundHoles } from './found-holes';
export { freeKey } from './free-key';
export { fromEarlier, type CutFor, type Left } from './from-earlier';
export { linesKept, runWithout } from './left-led';
export { assignLetters } from './letters';
export {
  BOTTOMS,
  BREAKS,
  cordAboard,
  CORDS,
  isLed,
  isTrolley,
  LINE_USES,
  LINE_PATHS,
  lineWith,
  tiedFitting,
  type CordAboard,
  type CordKind,
  type Ground,
  type Line,
  type LinePoint,
  type LineUse,
} from './line';
export {
  LIES,
  openPlan,
  ownParts,
  partRef,
  partsOf,
  pinsTo,
  planSchema,
  rigSetSchema,
  stowedSchema,
  TRAITS,
  type Acceptance,
  type Photo,
  type Place,
  type Plan,
  type RigSet,
  type Stowed,
  type Tape,
  type Wish,
} from './plan';
export { CONDUCTORS, GUARDS, LANES, type Conductors, type Feeding, type GuardKind, type Run, type Waypoint } from './run';
export { BECOMES_WORDS, RIDES, RIDES_WORDS, SUPPLIERS, USERS, type Fitting, type Mount, type Strap } from './fitting';
export { proposedChanges } from './proposed';
export { faultsOf, makeRigFile, readRigFile, rigFileSchema, writeRigFile, type FileFault, type RigFile } from './rig-file';
export { upcastParts, upcastPlan, upcastShop } from './upcast';
export { entryOf } from './entry-of';
export { withLetters } from './letter-change';
export { sameJson } from './same-json';
export { setsInOrder, standsOf, type Stand } from './stands';
export { takeOff } from './take-off';
export { briefIn, handednessOf, type Handedness } from './sits';
export { countWishes, placedWords, type CountedWish } from './wishes';
