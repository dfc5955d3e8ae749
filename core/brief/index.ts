export * from './consequences';
