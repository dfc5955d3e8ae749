export * from './as-built';
export * from './diagnose';
export * from './readings';
export * from './tests';
