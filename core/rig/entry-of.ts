/**
 * What a record holds under a name that came from outside. A plain object also answers to `constructor`, `toString`
 * and the like, which nobody put there: this does not.
 */
export const entryOf = <T>(record: Readonly<Record<string, T>> | null | undefined, name: string): T | undefined =>
  record && Object.hasOwn(record, name) ? record[name] : undefined;
