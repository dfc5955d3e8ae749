import { isObject } from '../stored';
import type { HullModel } from './schema';

/** What moves on a hull of before: a drive was known by its name alone. */
const toldApart = (moving: unknown): unknown =>
  isObject(moving) && moving.drives === undefined && typeof moving.name === 'string' && /drive/i.test(moving.name)
    ? { ...moving, drives: true }
    : moving;

/** A stored hull of any version as one of this version; anything else is left for the schema to refuse. */
export function upcastHull(stored: unknown): HullModel {
  if (!isObject(stored) || !Array.isArray(stored.moving)) return stored as unknown as HullModel;
  return { ...stored, moving: stored.moving.map(toldApart) } as unknown as HullModel;
}
