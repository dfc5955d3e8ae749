export * from './finding';
export * from './judge';
export * from './judge-rig';
export * from './who-accepts';
