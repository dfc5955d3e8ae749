export * from './floating';
export * from './masses';
export * from './weigh';
