export { openTests } from './bench-tests';
export { check, type Check, type Found } from './check';
export { isWhat, otherSide, slideTo, type Finding, type Judged, type Raw, type Severity, type Try } from './finding';
export { judge, judgeLines, type FindingsInput } from './judge';
export { acceptance, gotWorse, judgeRig, unsettled, type HowBad } from './judge-rig';
export { isShaftInHull } from './motor-in-water';
export { CHECKS, FINDING_CODES, isOneOf, KINDS, whoAccepts, type FindingCode } from './register';
export { strokesOn } from './strokes';
