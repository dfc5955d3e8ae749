export { bestPlaces, searchPlaces } from './best-places';
export { mayComeWith } from './extras';
export { placeRest, type Lacking, type RestSoFar, type Wanted } from './place-rest';
export type { PlaceSearch, PlacesSoFar, TriedPlace } from './place-trials';
export { BY, byScore, decidedBy, type Score } from './score';
export { NUMBERED, shownPlaces, shownRest, type ShownPlace, type ShownPlaces, type ShownRest } from './shown';
export { orderInWords, placeInWords, type PlaceWords } from './words';
