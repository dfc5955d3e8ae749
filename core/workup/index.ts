export * from './alters';
export { fieldWords, type Told } from './field-words';
export * from './told-change';
export * from './value-words';
export * from './workup';
export * from './offers';
