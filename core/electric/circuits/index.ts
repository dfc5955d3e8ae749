export { sourceOf } from './battery';
export { COLOUR_WORDS, DRAWN, feedColour, RETURN_COLOUR, type WireColour } from './colours';
export { EXPONENT, hoursToEmpty, USABLE } from './endurance';
export { askedOf, flowsOf, wayOhms, type Flow } from './flows';
export { awgArea, GAUGES, nominalVolts, type Awg } from './gauge';
export { grouped } from './grouped';
export { GUARD_AT, guardsOf, protects, ratedBy, stillFed, type Guard } from './guards';
export { inUse, printVolts, type BatteryInUse, type Case, type CircuitInUse, type LoadInUse } from './in-use';
export {
  connectedBy,
  freeWay,
  minusOf,
  networkOf,
  pathOf,
  plusOf,
  potentialsOf,
  type Cable,
  type Draw,
  type Edge,
  type Lead,
  type Network,
  type Node,
  type Passes,
  type Poles,
  type Potential,
  type Potentials,
  type Power,
  type Step,
} from './network';
export { ohmsIn, shortAt, voltsAt, wireOhms } from './ohms';
export { carries, chooseFuse, chooseKind, inAll, isSold, KINDS, opensAll, printAmps, ratingsOf, type Opens } from './protection';
export { sizeCables, type Drop, type Sized, type SizedCable, type SizeRules } from './size';
export { solveCircuit, type CircuitLoad, type Conductor, type Solved } from './solve';
export { areaOf, dropBy, fuseWithin, gaugeWords, mayBeOver, standardWords, wireId, type WireRules } from './wire-rules';
