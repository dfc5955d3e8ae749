export * from './go-out';
export * from './charging';
export * from './currents';
export * from './own-battery';
export * from './resistance';
export * from './simulate';
export * from './usual';
