export { builtAs, type Fault } from './as-built';
export { benchChecks, CHECK_WORDS, checkDetail, type BenchCheck } from './checks';
export { FaultFinder, type Diagnosis } from './diagnose';
export { FAULTS, plantFault } from './plant';
export { measure, passes, postsIn, readingsOf, type MeterReading, type Tested } from './readings';
export { benchTests, circuitPrint, testDetail, type BenchTest, type CableChecked } from './tests';
export { aboutWords, faultWords, READ_WORDS, readBy, tipsOf } from './words';
