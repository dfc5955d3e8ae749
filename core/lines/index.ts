export { bodiesAlong } from './bodies';
export {
  breaksAt,
  CORD_TRAITS,
  cordFloats,
  cordId,
  cordList,
  cordWords,
  kgPerMetre,
  KNOTTED,
  newBy,
  TETHER,
  tethersOf,
  THICKNESSES,
  type Cord,
} from './cords';
export { leadLines, USUAL_GROUND, type Led, type LedLine } from './lead-lines';
export { USES, usualLine } from './uses';
export { lineChanges, otherLeads, proposeLines, type LineProposal, type LineProposalInput } from './propose';
