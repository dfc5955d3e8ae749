export * from './alters';
export * from './told-change';
export * from './workup';
export * from './offers';
