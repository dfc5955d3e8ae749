import { z } from 'zod';
import { VERBS } from './verbs';
import { type About, type Path, type Verb, verb } from './verb';

type SchemasOf<Rows extends readonly { readonly schema: z.ZodType }[]> = {
  -readonly [N in keyof Rows]: Rows[N]['schema'];
};
const simple = VERBS.map((v) => v.schema) as unknown as SchemasOf<typeof VERBS>;

const simpleChangeSchema = z.discriminatedUnion('kind', simple);
export type SimpleChange = z.infer<typeof simpleChangeSchema>;

/** Everything a person can do to a plan, in the trade's verbs, one per gesture. */
export const changeSchema = z.discriminatedUnion('kind', [
  ...simple,
  verb('together', { changes: z.array(simpleChangeSchema).min(1).max(100) }, () => [], { called: 'the plan', tells: () => [] })
    .schema,
]);
export type Change = z.infer<typeof changeSchema>;

/** The single changes a change is made of, in their order. */
export const singleChanges = (c: Change): readonly SimpleChange[] => (c.kind === 'together' ? c.changes : [c]);

/** A change with each of the single ones in it made another. */
export const withEach = (c: Change, make: (single: SimpleChange) => SimpleChange): Change =>
  c.kind === 'together' ? { ...c, changes: c.changes.map(make) } : make(c);

const ROWS: readonly Verb[] = VERBS;
const BY_KIND: ReadonlyMap<string, Verb> = new Map(ROWS.map((v) => [v.kind, v]));

/** The row of a verb. */
export const verbOf = (kind: SimpleChange['kind']): Verb => BY_KIND.get(kind) as Verb;

/** Stands for whatever a path names between its fixed words. */
const ANY = '*';
const PATTERNS = ROWS.map((v) => ({ row: v, path: v.path(new Proxy({}, { get: () => ANY }) as About) }));

/** The verb that sets a field of the plan: the one whose path it fits the closest; undefined where none does. */
export function verbSetting(path: Path): Verb | undefined {
  const fits = PATTERNS.filter(
    ({ path: pattern }) => pattern.length <= path.length && pattern.every((key, i) => key === ANY || key === path[i]),
  );
  const [best] = fits.sort((a, b) => b.path.length - a.path.length);
  // A revision of the hull or of materials is one of the pins, as one of the shop's settings is.
  return best?.row ?? ROWS.find((v) => v.path({})[0] === path[0]);
}

/** One field of the plan set from one value to another; null stands for absent. */
export interface Edit {
  readonly path: Path;
  readonly from: unknown;
  readonly to: unknown;
}

/** The fields that a single change sets; one, but for an answer of the brief, which may be several. */
export function editsOf(change: SimpleChange): Edit[] {
  const { from = null, to = null } = change as { from?: unknown; to?: unknown };
  if (change.kind === 'answerBrief')
    return Object.keys(change.to).map((question) => ({
      path: ['brief', question],
      from: change.from[question as keyof typeof change.from],
      to: change.to[question as keyof typeof change.to],
    }));
  const path = verbOf(change.kind).path(change as unknown as About);
  return [{ path, from, to }];
}

/** A change before it has an id. */
export type DraftChange = SimpleChange extends infer C ? (C extends SimpleChange ? Omit<C, 'id'> : never) : never;
