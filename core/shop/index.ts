export * from './settings';
export * from './usual-shop';
