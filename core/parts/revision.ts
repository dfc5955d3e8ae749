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
export const partKey = ({ id, revision = 1 }: PartRef): string => `${id} ${revision}`;
