import { z } from 'zod';

/** Whose words a text field takes. */
type Whose = 'owner' | 'shop';

interface Mark {
  readonly whose: Whose;
  /** What stands there once an owner is forgotten, where an empty text or a plain word does not do. */
  readonly blank?: string;
}

const marks = z.registry<Mark>();

/** A field in which an owner's words, name or hand may stand: it is overwritten when they are forgotten. */
export function ofOwner<S extends z.ZodType<string>>(schema: S, blank?: string): S {
  marks.add(schema, { whose: 'owner', ...(blank === undefined ? {} : { blank }) });
  return schema;
}

/** A field in which the shop's own words stand, or a name of its staff: it stays. */
export function ofShop<S extends z.ZodType<string>>(schema: S): S {
  marks.add(schema, { whose: 'shop' });
  return schema;
}

interface Def {
  readonly type: string;
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly element?: z.ZodType;
  readonly valueType?: z.ZodType;
  readonly innerType?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly items?: readonly z.ZodType[];
  readonly left?: z.ZodType;
  readonly right?: z.ZodType;
  readonly in?: z.ZodType;
  readonly out?: z.ZodType;
}
const defOf = (schema: z.ZodType): Def => schema.def as unknown as Def;

/** Whether anything may be written into a string: no format, pattern or length of one kind holds it. */
function isFree(schema: z.ZodType): boolean {
  const { format, checks = [] } = schema.def as {
    readonly format?: string;
    readonly checks?: readonly { readonly _zod?: { readonly def?: { readonly format?: string } } }[];
  };
  return format === undefined && !checks.some((check) => check._zod?.def?.format !== undefined);
}

/** What is a step further down a schema, by the name of the field it is in. */
function below(schema: z.ZodType): readonly (readonly [string, z.ZodType])[] {
  const { type, shape, element, valueType, innerType, options, items, left, right, in: from } = defOf(schema);
  if (type === 'object') return Object.entries(shape ?? {});
  if (type === 'array') return element ? [['*', element]] : [];
  if (type === 'record') return valueType ? [['*', valueType]] : [];
  if (type === 'tuple') return (items ?? []).map((item, i) => [String(i), item]);
  if (type === 'union') return (options ?? []).map((option) => ['', option]);
  if (type === 'intersection') return [left, right].flatMap((side) => (side ? [['', side] as const] : []));
  const inner = innerType ?? from;
  return inner ? [['', inner]] : [];
}

/** Text fields of a schema that anything may be written into and that say of nobody whose they are, as paths. */
export function unmarked(schema: z.ZodType, path = '', seen = new Set<z.ZodType>()): string[] {
  if (seen.has(schema)) return [];
  seen.add(schema);
  if (defOf(schema).type === 'string') return marks.has(schema) || !isFree(schema) ? [] : [path];
  return below(schema).flatMap(([name, one]) => unmarked(one, name ? `${path}/${name}` : path, seen));
}

/** Whether what a choice names to the letter stands in a value. */
function isOfKind(option: z.ZodType, value: unknown): boolean {
  const { type, shape = {} } = defOf(option);
  const named = Object.entries(shape).filter(([, one]) => defOf(one).type === 'literal');
  if (type !== 'object' || named.length === 0 || value === null || typeof value !== 'object') return false;
  return named.every(([k, one]) => one.safeParse((value as Record<string, unknown>)[k]).success);
}

/** What stands for a word of the owner's that may not be empty. */
const GONE = 'forgotten';

const withoutOne = (schema: z.ZodType, { blank }: Mark): string => {
  const all = blank === undefined ? ['', GONE, ...[8, 4, 2, 1].map((n) => GONE.slice(0, n))] : [blank];
  return all.find((text) => schema.safeParse(text).success) ?? '';
};

/**
 * A value without the owner's words in it: each text field of theirs is overwritten, so that the value still holds
 * together. What the schema does not take stays as it is.
 */
export function withoutOwner(schema: z.ZodType, value: unknown): unknown {
  const { type, shape, element, valueType, options, items, left, right } = defOf(schema);
  if (type === 'string') {
    const mark = marks.get(schema);
    return typeof value === 'string' && mark?.whose === 'owner' ? withoutOne(schema, mark) : value;
  }
  if (type === 'union') {
    // Of two that are put together neither takes the other's fields: its kind tells which it is.
    const taken =
      options?.find((option) => option.safeParse(value).success) ?? options?.find((option) => isOfKind(option, value));
    return taken ? withoutOwner(taken, value) : value;
  }
  if (type === 'intersection' && left && right) return withoutOwner(right, withoutOwner(left, value));
  if (value === null || typeof value !== 'object') {
    const [[, inner] = []] = type === 'object' || type === 'array' || type === 'record' || type === 'tuple' ? [] : below(schema);
    return inner && value !== undefined && value !== null ? withoutOwner(inner, value) : value;
  }
  if (type === 'array' && element && Array.isArray(value)) return value.map((one) => withoutOwner(element, one));
  if (type === 'tuple' && items && Array.isArray(value))
    return value.map((one, i) => (items[i] ? withoutOwner(items[i], one) : one));
  const entries = Object.entries(value as object);
  if (type === 'record' && valueType) return Object.fromEntries(entries.map(([k, one]) => [k, withoutOwner(valueType, one)]));
  if (type === 'object' && shape)
    return Object.fromEntries(
      entries.map(([k, one]) => {
        const own = Object.hasOwn(shape, k) ? shape[k] : undefined;
        return [k, own ? withoutOwner(own, one) : one];
      }),
    );
  const [[, inner] = []] = below(schema);
  return inner ? withoutOwner(inner, value) : value;
}
