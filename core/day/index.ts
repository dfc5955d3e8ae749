export * from './go-out';
export * from './resistance';
export * from './simulate';
export * from './usual';
