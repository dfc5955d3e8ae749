import { isTrolley, type LinePoint } from '@plain-cleat/core/rig';
import { tiePointsOf } from '@plain-cleat/core/holding/ties';
import type { Choice } from '../controls/choice-field';
import type { RigState } from '../stores/rig.store';

/** Where a line can be led or made fast: on fittings, on the hull, at a trolley's ring. */
export function tieChoices({ plan, workup }: Pick<RigState, 'plan' | 'workup'>): Choice<string>[] {
  const ties = tiePointsOf(workup.surface, workup.aboard.owned, workup.ledger).filter((t) => t.room === null);
  const aboard = ties.filter((t) => t.fitting !== null);
  return [
    ...aboard.map((t) => ({ value: t.key, says: `${t.letter}, ${t.name}`, under: 'On fittings' })),
    ...ties.filter((t) => t.fitting === null).map((t) => ({ value: t.key, says: t.name, under: 'On the hull' })),
    ...Object.entries(plan.lines).flatMap(([id, line]) =>
      isTrolley(line) ? [{ value: keyOf({ at: 'ring', line: id }), says: 'ring of the trolley', under: 'On a line' }] : [],
    ),
  ];
}

/** What a point is chosen by: a tie point by its name, a ring by its trolley's. */
export const keyOf = (p: LinePoint): string => (p.at === 'ring' ? `ring ${p.line}` : p.tie);

/** The point that is chosen by a key. */
export const pointOf = (key: string): LinePoint =>
  key.startsWith('ring ') ? { at: 'ring', line: key.slice(5) } : { at: 'tie', tie: key };
