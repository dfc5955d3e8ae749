export * from './as-built';
export * from './checks';
export * from './diagnose';
export * from './plant';
export * from './readings';
export * from './tests';
export * from './words';
