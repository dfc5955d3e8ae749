export * from './schema';
export * from './wish';
export * from './usual-shop';
