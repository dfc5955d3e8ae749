import { isTrolley } from '@plain-cleat/core/rig';
import { tiePointsOf } from '@plain-cleat/core/ties';
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
      isTrolley(line) ? [{ value: `ring ${id}`, says: 'ring of the trolley', under: 'On a line' }] : [],
    ),
  ];
}
