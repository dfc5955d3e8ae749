export { basesOf } from './bases';
export { areasInWords } from './closing';
export { handOver } from './hand-over';
export { HOLE_WORDS, hookName, olderHoles, toldHole, type ToldHole } from './holes';
export { signedForBefore } from './signed-for';
export { toldLines } from './told-lines';
export type { WalkStop } from './walk';
