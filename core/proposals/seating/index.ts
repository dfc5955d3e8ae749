export * from './says';
export * from './seat-range';
