import { randomUUID } from 'node:crypto';
import type { Plan } from '@plain-cleat/core/rig';
import type { Sequelize } from 'sequelize';
import { draft } from '../drafting/draft';
import { HttpProblem } from '../problems/problem';
import { recordChange } from './changes';
import { inputOf, loadRig } from './load';

/** Whether something is aboard whose letter may still change. */
export const lettersOpen = ({ letters, fittings }: Pick<Plan, 'letters' | 'fittings'>): boolean =>
  letters === null && Object.keys(fittings).length > 0;

/** Freezes the letters before the first print: paper and boat must go on saying the same. */
export async function freezeLetters(db: Sequelize, rigId: string, author: string): Promise<void> {
  const loaded = await loadRig(rigId);
  if (!lettersOpen(loaded.plan)) return;
  const letters = await draft('letters', inputOf(loaded));
  try {
    await recordChange(db, {
      rigId,
      author,
      baseVersion: loaded.row.version,
      undoes: null,
      change: { id: randomUUID(), kind: 'freezeLetters', from: null, to: letters },
    });
  } catch (error) {
    // Somebody else printed at the same moment: their letters stand.
    if (!(error instanceof HttpProblem && error.status === 409)) throw error;
  }
}
