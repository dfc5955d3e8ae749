export { inSet, type Aboard, type Fitted } from './fitted';
export type { Access, Behind, Bit, Opening, PlannedHole } from './hole';
