import { z } from 'zod';
import {
  acceptance,
  brief,
  fitting,
  mount,
  photo,
  place,
  plan,
  rigSet,
  run,
  SCUPPER_PLANS,
  stowed,
  SUPPLIERS,
  tape,
  wish,
} from './plan';

const key = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,63}$/, 'letters, digits and hyphens');

/** One change of one field: what it expects to find (`from`) and what it puts there (`to`). */
const verb = <K extends string, T extends z.ZodRawShape>(kind: K, shape: T) =>
  z.strictObject({ id: z.uuid().describe('made by the client; sent twice, applied once'), kind: z.literal(kind), ...shape });

const fromTo = <T extends z.ZodType>(value: T) => ({ from: value, to: value });
const item = key.describe('the fitting');

const simple = [
  verb('placeItem', { item, to: fitting }),
  verb('takeOffItem', { item, from: fitting }),
  verb('slideItem', { item, ...fromTo(place) }),
  verb('liftItem', { item, ...fromTo(fitting.shape.lift) }),
  verb('slideInSet', { item, set: key, ...fromTo(place.nullable()) }),
  verb('joinSets', { item, ...fromTo(z.array(key).max(20).nullable()) }),
  verb('leanItem', { item, ...fromTo(z.number().min(-90).max(90).nullable()) }),
  verb('groupItem', { item, ...fromTo(key.nullable()) }),
  verb('lockItem', { item, ...fromTo(z.literal(true).nullable()) }),
  verb('swapItem', { item, ...fromTo(key.nullable()) }),
  verb('tetherItem', { item, ...fromTo(fitting.shape.tether.unwrap().nullable()) }),
  verb('floatItem', { item, ...fromTo(z.literal(true).nullable()) }),
  verb('travelItem', { item, ...fromTo(z.literal(true).nullable()) }),
  verb('cutTrack', { item, ...fromTo(fitting.shape.length.unwrap().nullable()) }),
  verb('reuseHoles', { item, ...fromTo(fitting.shape.uses.unwrap().nullable()) }),
  verb('renewItem', { item, ...fromTo(fitting.shape.of.unwrap().nullable()) }),
  verb('nameSet', { set: key, ...fromTo(rigSet.nullable()) }),
  verb('stowThing', { thing: key, ...fromTo(stowed.nullable()) }),
  verb('keepPhoto', { photo: key, ...fromTo(photo.nullable()) }),
  verb('planScupper', { scupper: key, ...fromTo(z.enum(SCUPPER_PLANS).nullable()) }),
  verb('chooseMount', { item, ...fromTo(mount) }),
  verb('supplyItem', { item, ...fromTo(z.enum(SUPPLIERS)) }),
  verb('noteItem', { item, ...fromTo(fitting.shape.note) }),
  verb('routeRun', { run: key, ...fromTo(run.nullable()) }),
  verb('writeWish', { wish: key, ...fromTo(wish.nullable()) }),
  verb('answerBrief', { ...fromTo(brief.partial()) }),
  verb('acceptFinding', { finding: z.string().max(160), ...fromTo(acceptance.nullable()) }),
  verb('hookTape', { ...fromTo(tape) }),
  verb('nameRig', { ...fromTo(plan.shape.title) }),
  verb('promiseRig', { ...fromTo(plan.shape.promised) }),
  verb('adoptRevision', { pin: z.enum(['hull', 'catalog', 'shop']), ...fromTo(z.int().min(1)) }),
  verb('freezeLetters', { ...fromTo(plan.shape.letters) }),
  verb('letterItem', { item, ...fromTo(z.string().min(1).max(4).nullable()) }),
] as const;

const simpleChange = z.discriminatedUnion('kind', simple);
export type SimpleChange = z.infer<typeof simpleChange>;

/** Everything a person can do to a plan, in the trade's verbs, one per gesture. */
export const change = z.discriminatedUnion('kind', [
  ...simple,
  verb('together', { changes: z.array(simpleChange).min(1).max(100) }),
]);
export type Change = z.infer<typeof change>;

/** The single changes a change is made of, in their order. */
export const singleChanges = (c: Change): readonly SimpleChange[] => (c.kind === 'together' ? c.changes : [c]);

/** A change before it has an id. */
export type DraftChange = SimpleChange extends infer C ? (C extends SimpleChange ? Omit<C, 'id'> : never) : never;
