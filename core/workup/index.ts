export { whatAlters, type Alteration } from './alters';
export { fieldWords } from './field-words';
export { deletedBy, overTheirs } from './told-change';
export { valueWords } from './value-words';
export { withParts } from './with-parts';
export { asked, STAGES, workUp, workUpAll, type Workup, type WorkupInput } from './workup';
export { offersOf, type Newer, type Offer } from './offers';
