import { z } from 'zod';
import { ownPartSchema } from '../parts/parts';
import { ofShop } from '../base/stored';
import { SETTINGS_GROUPS } from '../parts/shop';
import { briefSchema } from './brief';
import { daySchema } from './day';
import { lineSchema } from './line';
import {
  acceptanceSchema,
  becomesSchema,
  fittingSchema,
  type Fitting,
  keySchema,
  mountSchema,
  photoSchema,
  placeSchema,
  planSchema,
  type Plan,
  rigSetSchema,
  runSchema,
  SCUPPER_PLANS,
  stowedSchema,
  SUPPLIERS,
  tapeSchema,
  wishSchema,
} from './plan';

/** Where in the plan a change sets a value: `fittings`, the fitting, `place`. */
type Path = readonly string[];

/** A change as its verb's row reads it: what it is about, by name. */
type About = Readonly<Record<string, string>>;

const row = <K extends string, T extends z.ZodRawShape>(kind: K, shape: T, path: (about: About) => Path) => ({
  kind,
  path,
  schema: z.strictObject({
    id: z.uuid().describe('made by the client; sent twice, applied once'),
    kind: z.literal(kind),
    ...shape,
  }),
});

/** What a change of one field expects to find (`from`), and what it puts there (`to`). */
const fromTo = <T extends z.ZodType>(value: T) => ({ from: value, to: value });
const itemSchema = keySchema.describe('the fitting');

/** A verb that sets one field of a fitting. */
const ofItem = <K extends string, T extends z.ZodType>(kind: K, field: keyof Fitting, value: T) =>
  row(kind, { item: itemSchema, ...fromTo(value) }, (about) => ['fittings', about.item ?? '', field]);

/** A verb that sets one entry of a list of the plan, named by one of its own fields; null is no entry. */
const entry = <K extends string, N extends string, T extends z.ZodType>(kind: K, list: keyof Plan, by: N, value: T) =>
  row(
    kind,
    { [by]: keySchema, ...fromTo(value.nullable()) } as Record<N, typeof keySchema> & FromTo<z.ZodNullable<T>>,
    (about) => [list, about[by] ?? ''],
  );
type FromTo<T extends z.ZodType> = ReturnType<typeof fromTo<T>>;

/** What a plan is pinned to, besides the parts its fittings are. */
export const PINS = ['hull', 'materials', ...SETTINGS_GROUPS] as const;
export type Pin = (typeof PINS)[number];

/** Every verb: what it carries, and the one field of the plan that it sets. */
const VERBS = [
  row('placeItem', { item: itemSchema, to: fittingSchema }, ({ item = '' }) => ['fittings', item]),
  row('takeOffItem', { item: itemSchema, from: fittingSchema }, ({ item = '' }) => ['fittings', item]),
  ofItem('slideItem', 'place', placeSchema),
  ofItem('liftItem', 'lift', fittingSchema.shape.lift),
  row('slideInSet', { item: itemSchema, set: keySchema, ...fromTo(placeSchema.nullable()) }, ({ item = '', set = '' }) => [
    'fittings',
    item,
    'elsewhere',
    set,
  ]),
  ofItem('joinSets', 'sets', z.array(keySchema).max(20).nullable()),
  ofItem('leanItem', 'lean', z.number().min(-90).max(90).nullable()),
  ofItem('groupItem', 'group', keySchema.nullable()),
  ofItem('lockItem', 'locked', z.literal(true).nullable()),
  ofItem('swapItem', 'swap', keySchema.nullable()),
  ofItem('tetherItem', 'tether', fittingSchema.shape.tether.unwrap().nullable()),
  ofItem('floatItem', 'float', z.literal(true).nullable()),
  ofItem('useItem', 'often', fittingSchema.shape.often.unwrap().nullable()),
  ofItem('roadItem', 'comesOff', fittingSchema.shape.comesOff.unwrap().nullable()),
  ofItem('rideItem', 'rides', fittingSchema.shape.rides.unwrap().nullable()),
  ofItem('userItem', 'by', fittingSchema.shape.by.unwrap().nullable()),
  ofItem('handItem', 'hand', fittingSchema.shape.hand.unwrap().nullable()),
  ofItem('strapItem', 'straps', fittingSchema.shape.straps.unwrap().nullable()),
  ofItem('measureFound', 'aboard', fittingSchema.shape.aboard.unwrap().nullable()),
  ofItem('keepItem', 'becomes', becomesSchema.nullable()),
  ofItem('travelItem', 'travels', z.literal(true).nullable()),
  ofItem('cutTrack', 'length', fittingSchema.shape.length.unwrap().nullable()),
  ofItem('reuseHoles', 'uses', fittingSchema.shape.uses.unwrap().nullable()),
  ofItem('renewItem', 'of', fittingSchema.shape.of.unwrap().nullable()),
  entry('nameSet', 'sets', 'set', rigSetSchema),
  entry('stowThing', 'stowage', 'thing', stowedSchema),
  entry('keepPhoto', 'photos', 'photo', photoSchema),
  entry('makePart', 'own', 'part', ownPartSchema),
  entry('keepFeature', 'features', 'feature', becomesSchema),
  entry('planScupper', 'scuppers', 'scupper', z.enum(SCUPPER_PLANS)),
  ofItem('chooseMount', 'mount', mountSchema),
  ofItem('supplyItem', 'suppliedBy', z.enum(SUPPLIERS)),
  ofItem('noteItem', 'note', fittingSchema.shape.note),
  entry('routeRun', 'runs', 'run', runSchema),
  entry('leadLine', 'lines', 'line', lineSchema),
  entry('writeWish', 'wishes', 'wish', wishSchema),
  // Each answer that it gives is a field of its own.
  row('answerBrief', fromTo(briefSchema.partial()), () => ['brief']),
  row('acceptFinding', { finding: ofShop(z.string().max(160)), ...fromTo(acceptanceSchema.nullable()) }, ({ finding = '' }) => [
    'accepted',
    finding,
  ]),
  row('hookTape', fromTo(tapeSchema), () => ['tape']),
  row('planDay', fromTo(daySchema.nullable()), () => ['day']),
  row('nameRig', fromTo(planSchema.shape.title), () => ['title']),
  row('promiseRig', fromTo(planSchema.shape.promised), () => ['promised']),
  ofItem('adoptPart', 'revision', fittingSchema.shape.revision.unwrap().nullable()),
  row('adoptRevision', { pin: z.enum(PINS), ...fromTo(z.int().min(1)) }, ({ pin = '' }) =>
    pin === 'hull' ? ['pins', 'hull', 'revision'] : pin === 'materials' ? ['pins', pin] : ['pins', 'shop', pin],
  ),
  row('freezeLetters', fromTo(planSchema.shape.letters), () => ['letters']),
  row('letterItem', { item: itemSchema, ...fromTo(ofShop(z.string().min(1).max(4)).nullable()) }, ({ item = '' }) => [
    'letters',
    item,
  ]),
] as const;

type SchemasOf<Rows extends readonly { readonly schema: z.ZodType }[]> = {
  -readonly [N in keyof Rows]: Rows[N]['schema'];
};
const simple = VERBS.map((v) => v.schema) as unknown as SchemasOf<typeof VERBS>;

const simpleChangeSchema = z.discriminatedUnion('kind', simple);
export type SimpleChange = z.infer<typeof simpleChangeSchema>;

/** Everything a person can do to a plan, in the trade's verbs, one per gesture. */
export const changeSchema = z.discriminatedUnion('kind', [
  ...simple,
  row('together', { changes: z.array(simpleChangeSchema).min(1).max(100) }, () => []).schema,
]);
export type Change = z.infer<typeof changeSchema>;

/** The single changes a change is made of, in their order. */
export const singleChanges = (c: Change): readonly SimpleChange[] => (c.kind === 'together' ? c.changes : [c]);

/** A change with each of the single ones in it made another. */
export const withEach = (c: Change, make: (single: SimpleChange) => SimpleChange): Change =>
  c.kind === 'together' ? { ...c, changes: c.changes.map(make) } : make(c);

const PATHS: ReadonlyMap<string, (about: About) => Path> = new Map(VERBS.map((v) => [v.kind, v.path]));

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
  const path = PATHS.get(change.kind)?.(change as unknown as About);
  return path ? [{ path, from, to }] : [];
}

/** A change before it has an id. */
export type DraftChange = SimpleChange extends infer C ? (C extends SimpleChange ? Omit<C, 'id'> : never) : never;
