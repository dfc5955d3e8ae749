export { bestPlaces, searchPlaces } from './best-places';
export { mayComeWith } from './extras';
export { placeRest, type Lacking, type RestSoFar, type Wanted } from './place-rest';
export { SHOWN, type PlaceSearch, type PlacesSoFar, type TriedPlace } from './place-trials';
export { BY, byScore, decidedBy, type Score } from './score';
export { shownPlaces, shownRest, type ShownPlace, type ShownPlaces, type ShownRest } from './shown';
export { orderInWords, placeInWords, type PlaceWords } from './words';
