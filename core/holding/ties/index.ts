export * from './held';
export * from './straps';
export * from './tie-points';
