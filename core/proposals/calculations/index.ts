export { CALCULATIONS } from './by-name';
