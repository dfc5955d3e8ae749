/** The fields of a document down to its leaves, by their names with points between: `limits.rods.usual`. */
export type PathIn<T> = T extends readonly unknown[]
  ? never
  : T extends object
    ? { [K in keyof T & string]-?: Under<K, NonNullable<T[K]>> }[keyof T & string]
    : never;

/** A field, and what is under it where it has fields of its own. */
type Under<K extends string, V> = V extends readonly unknown[] ? K : V extends object ? `${K}.${PathIn<V>}` : K;
