export * from './bench-tests';
export * from './codes';
export * from './finding';
export * from './judge';
export * from './judge-rig';
export { JUDGEMENTS } from './judgements';
