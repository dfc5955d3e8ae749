export * from './memory';
export * from './row';
