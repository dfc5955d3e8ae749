export * from './apply';
export * from './change';
export * from './fact';
export * from './ledger';
export * from './letters';
export * from './plan';
export * from './rig-file';
export * from './upcast';
