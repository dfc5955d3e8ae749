export * from './assemblies';
export * from './documents';
export * from './filling';
export * from './rigs';
export * from './shop';
export * from './staff';
