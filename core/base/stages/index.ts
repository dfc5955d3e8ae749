export { Memory } from './memory';
export { Row, rowOf } from './row';
