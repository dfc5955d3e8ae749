export * from './calculations';
export * from './floating';
export * from './masses';
