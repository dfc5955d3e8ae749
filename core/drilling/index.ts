export * from './behind';
export * from './bits';
export * from './holes';
export * from './calculations';
