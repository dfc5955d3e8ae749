export * from './assemblies';
export * from './documents';
export * from './rigs';
export * from './shop';
export * from './staff';
