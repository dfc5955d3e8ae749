import { type Preferences, preferencesSchema } from '@plain-cleat/api';
import { StaffRow } from '../database/models';

/** How somebody likes it, as far as they have said; what cannot be read any more is not said. */
export function preferencesIn(row: Pick<StaffRow, 'preferences'> | null): Partial<Preferences> {
  const read = preferencesSchema.partial().safeParse(JSON.parse(row?.preferences ?? '{}'));
  return read.success ? read.data : {};
}

/** The same of somebody whose row is not at hand. */
export const preferencesOf = async (staff: string): Promise<Partial<Preferences>> =>
  preferencesIn(await StaffRow.findByPk(staff, { attributes: ['preferences'] }));

/** Remembers what somebody says of how they like it, beside what they said before. */
export async function prefer(staff: string, said: Partial<Preferences>): Promise<Partial<Preferences>> {
  const all = { ...(await preferencesOf(staff)), ...said };
  await StaffRow.update({ preferences: JSON.stringify(all) }, { where: { id: staff } });
  return all;
}
