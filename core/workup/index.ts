export * from './alters';
export * from './told-change';
export * from './workup';
