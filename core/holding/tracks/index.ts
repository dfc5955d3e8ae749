export { SHORTEST } from './cut';
export { growthOver, lieOf, ridersOf, slotsOf } from './follow';
export { partsAboard } from './parts-aboard';
