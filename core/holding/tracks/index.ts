export * from './cut';
export * from './follow';
export * from './parts-aboard';
