export * from './calculations';
export * from './even-keel';
