export { inHand, inHandAfloat, insideZone, standsOnLid, touchedOf } from './hand';
export { isInside, roomAbout, roomAt, roomIdOf, trespassOf } from './room';
export { freeSlides, letsGoAt, slidesAmong, tipsAt, type Slide } from './sliding';
export { wayIn } from './way-in';
export { roomsFor, type RoomOffer } from './offer';
export { handSays, standsSays, wayInSays } from './says';
export { containersOf, contentsOf, isIn, type Container } from './containers';
