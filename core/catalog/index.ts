export * from './schema';
export * from './wish';
