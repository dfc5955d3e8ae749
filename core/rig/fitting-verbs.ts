import { z } from 'zod';
import { mm, say } from '../base/units';
import { OFTEN_WORDS } from '../parts/parts';
import { becomesSchema, fittingSchema, mountSchema, RIDES_WORDS, SUPPLIERS } from './fitting';
import { keySchema, placeSchema } from './plan';
import { SAMPLE } from './sample-plan';
import { fromTo, itemSchema, mayBe, ofItem, verb, yes } from './verb';

const count = (value: object) => say`${Object.keys(value).length || 'none'}`;
const deckAt = (x: number, y = 0) => ({ on: 'deck', x, y, heading: 0 });

/** What is done with one fitting: a row is all there is to say of a verb. */
export const FITTING_VERBS = [
  verb(
    'placeItem',
    { item: itemSchema, to: fittingSchema },
    ({ item = '' }) => ['fittings', item],
    { called: { by: 'fitting' }, tells: 'fitting' },
    { item: 'new', to: SAMPLE.crate },
  ),
  verb(
    'takeOffItem',
    { item: itemSchema, from: fittingSchema },
    ({ item = '' }) => ['fittings', item],
    { called: { by: 'fitting' }, tells: 'fitting', deletes: true },
    { item: 'g', from: SAMPLE.crate },
  ),
  ofItem(
    'slideItem',
    'place',
    placeSchema,
    { called: 'the place of', tells: 'place' },
    {
      from: SAMPLE.crate.place,
      to: deckAt(2600, 20),
    },
  ),
  ofItem(
    'liftItem',
    'lift',
    fittingSchema.shape.lift,
    { called: 'the riser under', tells: (v) => (v ? say`raised ${mm(v)}` : say`none`) },
    { from: 0, to: 100 },
  ),
  verb(
    'slideInSet',
    { item: itemSchema, set: keySchema, ...fromTo(placeSchema.nullable()) },
    ({ item = '', set = '' }) => ['fittings', item, 'elsewhere', set],
    { called: 'the place in one set of', tells: 'place', absent: 'as in the other sets' },
    { item: 'g', set: 'away', from: null, to: deckAt(2500) },
  ),
  ofItem(
    'joinSets',
    'sets',
    z.array(keySchema).max(20).nullable(),
    { called: 'the sets of', tells: 'sets', absent: 'all' },
    { to: ['away'] },
  ),
  ofItem(
    'leanItem',
    'lean',
    z.number().min(-90).max(90).nullable(),
    { called: 'the lean of', tells: (v) => say`${v}°`, absent: '0°' },
    { item: 's', to: 10 },
  ),
  ofItem('groupItem', 'group', keySchema.nullable(), { called: 'the group of', tells: yes, absent: 'no' }, { to: 'pair' }),
  ofItem('lockItem', 'locked', z.literal(true).nullable(), { called: 'the lock of', tells: yes, absent: 'no' }, { to: true }),
  ofItem(
    'swapItem',
    'swap',
    keySchema.nullable(),
    { called: 'the plate shared by', tells: yes, absent: 'no' },
    { to: 'stern-plate' },
  ),
  ofItem(
    'tetherItem',
    'tether',
    mayBe('tether'),
    { called: 'the tether of', tells: 'tether', absent: 'none' },
    { to: { to: 'b', length: 600 } },
  ),
  ofItem('floatItem', 'float', z.literal(true).nullable(), { called: 'the float on', tells: yes, absent: 'no' }, { to: true }),
  ofItem(
    'useItem',
    'often',
    mayBe('often'),
    { called: 'how often one uses', tells: (v) => say`${OFTEN_WORDS[v]}`, absent: 'as usual' },
    { to: 'stopped' },
  ),
  ofItem(
    'roadItem',
    'comesOff',
    mayBe('comesOff'),
    { called: 'what the road asks of', tells: (v) => say`${v ? 'comes off' : 'stays on'}`, absent: 'as usual' },
    { to: false },
  ),
  ofItem(
    'rideItem',
    'rides',
    mayBe('rides'),
    { called: 'where by road goes', tells: (v) => say`${RIDES_WORDS[v]}`, absent: 'not said' },
    { to: 'car' },
  ),
  ofItem(
    'userItem',
    'by',
    mayBe('by'),
    { called: 'who uses', tells: (v) => say`the ${v} paddler`, absent: 'whoever reaches it best' },
    { to: 'first' },
  ),
  ofItem(
    'handItem',
    'hand',
    mayBe('hand'),
    { called: 'the hand that uses', tells: (v) => say`the ${v} hand`, absent: 'the hand that is free' },
    { to: 'left' },
  ),
  ofItem(
    'strapItem',
    'straps',
    mayBe('straps'),
    { called: 'the straps over', tells: count, absent: 'none' },
    {
      to: [{ from: 'hull.well-p', to: 'e.eye' }],
    },
  ),
  ofItem(
    'measureFound',
    'aboard',
    mayBe('aboard'),
    { called: 'where the boat came with', tells: 'aboard', absent: 'not aboard before' },
    {
      item: 'e',
      from: { from: 'found', place: deckAt(3300, -60), hold: 'rivet' },
      to: { from: 'found', place: deckAt(3310, -60), hold: 'rivet' },
    },
  ),
  ofItem(
    'keepItem',
    'becomes',
    becomesSchema.nullable(),
    { called: 'what is done with', tells: 'becomes', absent: 'used' },
    {
      item: 'e',
      to: { is: 'removed' },
    },
  ),
  ofItem(
    'travelItem',
    'travels',
    z.literal(true).nullable(),
    { called: 'whether the owner moves', tells: yes, absent: 'no' },
    { to: true },
  ),
  ofItem(
    'cutTrack',
    'length',
    mayBe('length'),
    { called: 'the cut length of', tells: (v) => say`${mm(v)}`, absent: 'as it is sold' },
    { to: 400 },
  ),
  ofItem(
    'reuseHoles',
    'uses',
    mayBe('uses'),
    { called: 'the old holes used by', tells: count, absent: 'none' },
    {
      to: { 1: '00000000-0000-4000-8000-000000000001' },
    },
  ),
  ofItem(
    'renewItem',
    'of',
    mayBe('of'),
    { called: 'the assembly of', tells: ({ version }) => say`version ${version}`, absent: 'none' },
    { to: { assembly: 'crate-kit', version: 1 } },
  ),
  ofItem(
    'chooseMount',
    'mount',
    mountSchema,
    { called: 'the mount of', tells: 'mount' },
    {
      item: 's',
      from: SAMPLE.sounder.mount,
      to: { hold: 'through', plate: true, reason: 'stiffer' },
    },
  ),
  ofItem(
    'supplyItem',
    'suppliedBy',
    z.enum(SUPPLIERS),
    { called: 'who supplies', tells: (v) => say`${v}` },
    { from: 'shop', to: 'gift' },
  ),
  ofItem(
    'noteItem',
    'note',
    fittingSchema.shape.note,
    { called: 'the note of', tells: (v) => say`${v || 'nothing written'}` },
    { from: '', to: 'hers' },
  ),
  ofItem(
    'adoptPart',
    'revision',
    mayBe('revision'),
    { called: 'the revision of', tells: (v) => say`${v}`, absent: '1' },
    { to: 2 },
  ),
] as const;
