import type { FloorPlace, Staff } from '@plain-cleat/api';
import { RigRow } from '../database/models';
import { HttpProblem, notFound } from '../problems/problem';
import { findRig } from './load';

/** Says where a rig lies; only a manager sets one aside, or takes it up again. */
export async function moveRig(rigId: string, place: FloorPlace, staff: Staff): Promise<void> {
  const { place: before } = await findRig(rigId);
  if (staff.role !== 'manager' && (before === 'set aside' || place === 'set aside'))
    throw new HttpProblem(403, 'Not yours to do', 'only a manager sets a rig aside or takes it up again', { field: 'place' });
  const [count] = await RigRow.update({ place }, { where: { id: rigId } });
  if (count === 0 && !(await RigRow.findByPk(rigId))) throw notFound('rig', 'there is no such rig');
}
