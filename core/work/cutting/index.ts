export * from './bars';
export * from './boards';
export * from './cut-list';
export * from './plate-cut';
export * from './reels';
export * from './search';
