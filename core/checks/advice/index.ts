export { adviceSetting, mountAdvice, type MountAdvice } from './advice';
export { bestHeld, type BestHeld, type Worked } from './best-held';
export { strengthOf, type Strength } from './methods';
