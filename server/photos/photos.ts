import { randomUUID } from 'node:crypto';
import { PHOTO_LIMIT, type Staff } from '@plain-cleat/api';
import { Op, type Sequelize } from 'sequelize';
import { FactRow, PhotoRow } from '../database/models';
import type { SentFile } from '../http/bind';
import { badInput, HttpProblem, notFound } from '../problems/problem';
import { read } from '../imports/read';
import { saveFacts } from '../rigs/facts';
import { findRig, planOf } from '../rigs/load';

/** Whether some fact of a rig's hull shows a photo: it is evidence then. */
const isEvidence = async (hullId: string, photo: string): Promise<boolean> =>
  (await FactRow.findAll({ where: { hullId, body: { [Op.substring]: photo } }, attributes: ['body'] })).some(
    ({ body }) => (JSON.parse(body) as { readonly photo?: unknown }).photo === photo,
  );

/** Keeps a photo of a rig; sent again under the same id it is kept once. */
export async function addPhoto(
  rigId: string,
  file: SentFile | undefined,
  known: string | undefined,
  staff: Staff,
): Promise<{ id: string; name: string; width: number; height: number }> {
  const rig = await findRig(rigId);
  if (!file) throw badInput([{ field: 'photo', says: 'choose a JPEG, PNG or WebP photo' }]);
  if ((await PhotoRow.count({ where: { rigId: rig.id } })) >= PHOTO_LIMIT)
    throw badInput([{ field: 'photo', says: `this rig holds ${PHOTO_LIMIT} photos: erase some that are not needed first` }]);
  const taken = await read(staff.id, 'photo', file.buffer);
  const id = known ?? randomUUID();
  // A tablet that heard no answer sends a photo again under the same id.
  if (!(await PhotoRow.findOne({ where: { id, rigId: rig.id }, attributes: ['id'] })))
    await PhotoRow.create({ id, rigId: rig.id, mime: taken.mime, bytes: Buffer.from(taken.bytes) });
  return { id, name: file.originalname.slice(0, 120), width: taken.width, height: taken.height };
}

/** A photo of a rig. */
export async function findPhoto(rigId: string, id: string): Promise<PhotoRow> {
  const row = await PhotoRow.findOne({ where: { id, rigId } });
  if (!row) throw notFound('photo', 'there is no such photo');
  return row;
}

/** Erases a photo; one that shows what was agreed or done only a manager does, and that is a fact of its own. */
export async function erasePhoto(db: Sequelize, rigId: string, photo: string, staff: Staff): Promise<void> {
  const rig = await findRig(rigId);
  if (!(await PhotoRow.findOne({ where: { id: photo, rigId: rig.id }, attributes: ['id'] }))) return;
  if (await isEvidence(rig.hullId, photo)) {
    if (staff.role !== 'manager')
      throw new HttpProblem(403, 'Not yours to do', 'it shows what was agreed or done: a manager erases it', { field: 'photo' });
    const deviceTime = new Date().toISOString();
    const fact = { id: randomUUID(), kind: 'photoErased' as const, rig: planOf(rig).id, deviceTime, photo };
    await saveFacts(db, rig.id, { name: staff.name }, [fact]);
  }
  await PhotoRow.destroy({ where: { id: photo, rigId: rig.id } });
}
