export * from './schema';
export * from './wish';
export * from './usual-shop';
export * from './wish-sheet';
