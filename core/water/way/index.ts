export * from './ashore';
export * from './carry';
export * from './launch';
