import { z } from 'zod';

/** A revision, counted from 1; the first is not written. */
export const laterRevisionSchema = z.int().min(2, 'the first revision is left out');

/** A part as a plan names it: by its id, in one of its revisions. */
export interface PartRef {
  readonly id: string;
  /** The first when left out. */
  readonly revision?: number;
}

/** Which revision of a part it is, from 1. */
export const revisionOf = ({ revision = 1 }: Pick<PartRef, 'revision'>): number => revision;

/** A part in one revision as the key of a map. */
export const partKey = (ref: PartRef): string => `${ref.id} ${revisionOf(ref)}`;

/** The newest of each of some parts, by id. */
export function newestById<T extends PartRef>(parts: readonly T[]): Map<string, T> {
  const newest = new Map<string, T>();
  for (const part of parts) {
    const before = newest.get(part.id);
    if (!before || revisionOf(part) > revisionOf(before)) newest.set(part.id, part);
  }
  return newest;
}
