export * from './battery';
export * from './in-use';
export * from './solve';
