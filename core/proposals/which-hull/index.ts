export type { HullAsk } from './considered';
export { rankHulls, USUAL_GEAR } from './rank';
