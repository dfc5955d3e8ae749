export * from './body';
export * from './goes-with';
export * from './holding';
export * from './joins';
export * from './measures';
export * from './part';
export * from './revision';
export * from './upcast';
export { OFTEN, OFTEN_WORDS } from './use';
