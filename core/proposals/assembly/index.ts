export { buildAssembly } from './build-assembly';
