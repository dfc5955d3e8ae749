export * from './battery';
export * from './endurance';
export * from './in-use';
export * from './solve';
