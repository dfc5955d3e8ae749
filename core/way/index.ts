export * from './carry';
export * from './launch';
export * from './travelling';
