export * from './route';
export * from './routes';
export * from './schemas';
export * from './session';
export * from './version';
export * from './ways';
