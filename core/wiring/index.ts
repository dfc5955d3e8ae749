export * from './diagram';
export * from './lists';
export * from './propose';
export * from './route';
export * from './run';
export * from './wire-up';
export * from './words';
