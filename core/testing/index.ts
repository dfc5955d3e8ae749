export { deck, fitted } from './plans';
