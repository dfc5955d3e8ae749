export { openTests } from './bench-tests';
export { FINDING_CODES, whoAccepts, type FindingCode } from './codes';
export { otherSide, slideTo, type Finding, type Judged, type Judgement, type Raw, type Severity, type Try } from './finding';
export { judge, judgeLines, type FindingsInput } from './judge';
export { acceptance, gotWorse, judgeRig, unsettled, type HowBad } from './judge-rig';
export { JUDGEMENTS } from './judgements';
