export * from './hand';
export * from './passing';
export * from './room';
export * from './sliding';
export * from './way-in';
export * from './offer';
export * from './says';
export * from './containers';
