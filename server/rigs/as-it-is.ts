/** Rigs `r` with their hulls `h`, and with what was projected of them `p`. */
export const RIGS_PROJECTED = 'rigs r JOIN hulls h ON h.id = r.hullId LEFT JOIN projections p ON p.rigId = r.id';

/**
 * Whether a projection is of the rig as it is: of its version, of so many facts of its hull, and with all that is projected now:
 * one of an earlier release lacks what comes off reels.
 */
export const asItIs = (facts = 'h.factCount'): string =>
  `(p.version <=> r.version AND p.factCount <=> ${facts} AND IFNULL(JSON_EXISTS(p.cuts, '$.reels'), 0))`;
