export * from './datum';
export * from './monotone';
export * from './schema';
export * from './surface';
export * from './calculations';
