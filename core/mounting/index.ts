export * from './chain';
export * from './advice';
export * from './fastener';
export * from './mount';
export * from './tables';
export * from './calculations';
