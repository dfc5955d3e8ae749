export { paceOf } from './aspects';
export { metacentric, type HullAsk } from './considered';
export * from './rank';
