import type { Finding } from '@plain-cleat/core/checks/findings';
import { isInside } from '@plain-cleat/core/holding/inside';
import { markedAt } from '@plain-cleat/core/layout';
import type { Workup } from '@plain-cleat/core/workup';
import type { Standing, BoatMark } from './drawing';

/** The worst unsettled finding about a fitting. */
export function standingOf(findings: readonly Finding[], id: string): Standing {
  const open = findings.filter((f) => f.where === id && !f.accepted);
  return open.some((f) => f.severity === 'stop') ? 'stop' : open.some((f) => f.severity === 'look') ? 'look' : 'ok';
}

/** Every fitting as a mark on the boat view, bow to stern. */
export const marksOf = (w: Workup): BoatMark[] =>
  w.aboard.items.map((i) => ({
    id: i.placed.id,
    label: i.letter,
    name: i.placed.part.name,
    at: markedAt(i.placed),
    standing: standingOf(w.findings, i.placed.id),
    bodies: i.placed.bodies,
    rods: i.placed.rods,
    inside: isInside(i.placed),
  }));
