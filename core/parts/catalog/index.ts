export * from './formulas';
export * from './schema';
export * from './wish';
export * from './wish-sheet';
