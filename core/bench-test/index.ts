export * from './as-built';
export * from './diagnose';
export * from './plant';
export * from './readings';
export * from './tests';
export * from './words';
