export { placeRest, type Lacking, type RestSoFar, type Wanted } from './place-rest';
export { bestPlaces, searchPlaces } from './best-places';
export type { PlaceSearch, PlacesSoFar, TriedPlace } from './place-trials';
export { orderInWords, placeInWords, type PlaceWords } from './words';
export { BY, byScore, decidedBy, type Score } from './score';
