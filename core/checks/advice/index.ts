export { adviceSetting, mountAdvice, type MountAdvice } from './advice';
export { strengthOf, type Strength } from './methods';
