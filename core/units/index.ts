export * from './axes';
export * from './length';
export * from './mass';
export * from './money';
export * from './source';
export * from './text';
export * from './calculation';
export * from './calculations';
