export * from './behind';
export * from './cautions';
export * from './gate';
export * from './hazard';
export * from './inside';
export * from './bits';
export * from './holes';
export * from './calculations';
