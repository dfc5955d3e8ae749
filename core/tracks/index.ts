export * from './cut';
export * from './follow';
