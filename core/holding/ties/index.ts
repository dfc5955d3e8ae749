export { heldBy, stopsOf, type HeldAgainst, type Load } from './held';
export { lash, lashingsOf, strapsOf, type Lashing } from './straps';
export { tiePointsOf, type TiePoint } from './tie-points';
