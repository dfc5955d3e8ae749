export * from './groups';
export * from './settings';
export * from './usual-shop';
