export * from './behind';
export * from './bits';
export * from './holes';
