export * from './activities';
export * from './grips';
export * from './legend';
