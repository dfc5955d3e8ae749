/** Rigs `r` with their hulls `h`, and with what was projected of them `p`. */
export const RIGS_PROJECTED = 'rigs r JOIN hulls h ON h.id = r.hullId LEFT JOIN projections p ON p.rigId = r.id';

/** Whether a projection is of the rig as it is: of its version, and of so many facts of its hull. */
export const asItIs = (facts = 'h.factCount'): string => `(p.version <=> r.version AND p.factCount <=> ${facts})`;
