export * from './route';
export * from './routes';
export * from './schemas';
export * from './version';
