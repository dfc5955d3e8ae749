export * from './advice';
export * from './methods';
export * from './reuse';
