export * from './bases';
export * from './closing';
export * from './hand-over';
export * from './holes';
export * from './signed-for';
export * from './told-lines';
export * from './walk';
