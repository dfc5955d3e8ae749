export { heldBy, stopsOf, type HeldWay, type Load } from './held';
export { lash, lashingsOf, strapsOf, type Lashing } from './straps';
export { tiePointsOf, type TiePoint } from './tie-points';
