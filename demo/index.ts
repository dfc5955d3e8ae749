export * from './catalog';
export * from './hulls';
export * from './rigs';
export * from './shop';
export * from './staff';
