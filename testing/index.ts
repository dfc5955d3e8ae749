export { deck, fitted } from './plans';
export * from './judged-since';
