/** A JSON object of which nothing more is known yet. */
export type Json = Record<string, unknown>;

/** Whether something read from a file or the database is a JSON object: not an array, not null. */
export const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value);
