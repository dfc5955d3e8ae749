import { z } from 'zod';
import { say, type Sentence } from '../base/units';
import { type Fitting, fittingSchema } from './fitting';
import { keySchema, type Plan } from './plan';

/** Where in the plan a change sets a value: `fittings`, the fitting, `place`. */
export type Path = readonly string[];

/** A change as its verb's row reads it: what it is about, by name. */
export type About = Readonly<Record<string, string>>;

/** What only a workup can tell: a place by the tape, a fitting by its letter. */
export type Teller =
  'place' | 'aboard' | 'becomes' | 'mount' | 'tether' | 'sets' | 'fitting' | 'run' | 'line' | 'stowed' | 'tape';

/** What only a workup can name. */
export type Namer = 'fitting' | 'run' | 'line' | 'feature' | 'scupper';

/** How what a verb sets is told to a person. */
export interface Words<V = never> {
  /** What the field is called: before its fitting, with its entry's name where there is one, or alone. */
  readonly called: string | ((value: V | undefined, path: Path) => string) | { readonly by: Namer };
  /** What it holds: by itself, or by what only the workup knows. */
  readonly tells: ((value: V) => Sentence) | Teller;
  /** What it is when it holds nothing; deleted, when left out. */
  readonly absent?: string;
  /** Set to nothing, something is gone that a person had. */
  readonly deletes?: true;
}

/** A verb: what a change of its kind carries, the one field of the plan that it sets, how that is told, and a sample. */
export interface Verb<K extends string = string, S extends z.ZodType = z.ZodType> {
  readonly kind: K;
  readonly schema: S;
  readonly path: (about: About) => Path;
  readonly words: Words;
  /** Changes of its kind that fit the sample plan, without what all changes have. */
  readonly samples: readonly object[];
}

/** The id of a change of a sample. */
const SAMPLE_ID = '00000000-0000-4000-8000-000000000000';

export const verb = <K extends string, T extends z.ZodRawShape>(
  kind: K,
  shape: T,
  path: (about: About) => Path,
  words: Words,
  ...samples: readonly object[]
) => ({
  ...{ kind, path, words, samples },
  schema: z
    .strictObject({
      id: z.uuid().describe('made by the client; sent twice, applied once'),
      kind: z.literal(kind),
      ...shape,
    })
    .meta({ examples: samples.map((sample) => ({ id: SAMPLE_ID, kind, ...sample })) }),
});

/** What a change of one field expects to find (`from`), and what it puts there (`to`). */
export const fromTo = <T extends z.ZodType>(value: T) => ({ from: value, to: value });
export type FromTo<T extends z.ZodType> = ReturnType<typeof fromTo<T>>;

export const itemSchema = keySchema.describe('the fitting');

/** A verb that sets one field of a fitting; its sample says what of what. */
export const ofItem = <K extends string, T extends z.ZodType>(
  kind: K,
  field: keyof Fitting,
  value: T,
  words: Words<NonNullable<z.infer<T>>>,
  sample: { readonly item?: string; readonly from?: unknown; readonly to: unknown },
) =>
  verb(kind, { item: itemSchema, ...fromTo(value) }, (about) => ['fittings', about.item ?? '', field], words as Words, {
    ...{ item: 'g', from: null },
    ...sample,
  });

/** A field of a fitting that may be left out. */
export const mayBe = <F extends OptionalField>(field: F) =>
  (fittingSchema.shape[field] as (typeof fittingSchema.shape)[F]).unwrap().nullable() as unknown as z.ZodNullable<
    (typeof fittingSchema.shape)[F] extends z.ZodOptional<infer T> ? T : never
  >;
type OptionalField = {
  [F in keyof typeof fittingSchema.shape]: (typeof fittingSchema.shape)[F] extends z.ZodOptional ? F : never;
}[keyof typeof fittingSchema.shape];

/** A verb that sets one entry of a list of the plan, named by one of its own fields; null is no entry. */
export const entry = <K extends string, N extends string, T extends z.ZodType>(
  kind: K,
  { list, by }: { readonly list: keyof Plan; readonly by: N },
  value: T,
  words: Words<z.infer<T>>,
  ...samples: readonly object[]
) =>
  verb(
    kind,
    { [by]: keySchema, ...fromTo(value.nullable()) } as Record<N, typeof keySchema> & FromTo<z.ZodNullable<T>>,
    (about) => [list, about[by] ?? ''],
    words as Words,
    ...samples,
  );

/** A thing that is so, or is not. */
export const yes = (value: unknown): Sentence => say`${value ? 'yes' : 'no'}`;
