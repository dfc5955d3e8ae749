export * from './colours';
export * from './route';
export * from './run';
export * from './wire';
export * from './wire-up';
