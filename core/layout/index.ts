export * from './frame';
export * from './overlap';
export * from './snap';
export * from './stroke';
export * from './calculations';
