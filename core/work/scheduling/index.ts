export * from './build';
export type { Early } from './gates';
