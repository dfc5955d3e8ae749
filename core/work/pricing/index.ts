export * from './ledger';
export * from './price-up';
