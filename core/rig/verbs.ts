import { z } from 'zod';
import { ofShop } from '../base/stored';
import { kg, mm, printMoney, say } from '../base/units';
import { OFTEN_WORDS, ownPartSchema } from '../parts/parts';
import { GROUP_NAMES, SETTINGS_GROUPS, type SettingsGroup } from '../parts/shop';
import { briefSchema } from './brief';
import { daySchema } from './day';
import { becomesSchema, fittingSchema, mountSchema, RIDES_WORDS, SUPPLIERS } from './fitting';
import { lineSchema } from './line';
import {
  acceptanceSchema,
  keySchema,
  photoSchema,
  placeSchema,
  planSchema,
  rigSetSchema,
  SCUPPER_PLANS,
  stowedSchema,
  tapeSchema,
  wishSchema,
} from './plan';
import { runSchema } from './run';
import { SAMPLE } from './sample-plan';
import { sitsWords } from './sits-words';
import { entry, fromTo, itemSchema, mayBe, ofItem, verb } from './verb';

/** What a plan is pinned to, besides the parts its fittings are. */
const PINS = ['hull', 'materials', ...SETTINGS_GROUPS] as const;
export type Pin = (typeof PINS)[number];

/** A thing that is so, or is not. */
const yes = (value: unknown) => say`${value ? 'yes' : 'no'}`;
const count = (value: object) => say`${Object.keys(value).length || 'none'}`;
const deckAt = (x: number, y = 0) => ({ on: 'deck', x, y, heading: 0 });

/** Every verb: a row is all there is to say of one. */
export const VERBS = [
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
  entry(
    'nameSet',
    { list: 'sets', by: 'set' },
    rigSetSchema,
    { called: (set) => `the set “${set?.name ?? ''}”`, tells: sitsWords, deletes: true },
    { set: 'away', from: { name: 'away', order: 1 }, to: { name: 'all day', order: 1 } },
  ),
  entry(
    'stowThing',
    { list: 'stowage', by: 'thing' },
    stowedSchema,
    { called: (thing) => thing?.what ?? 'a thing stowed', tells: 'stowed', deletes: true },
    {
      ...{ thing: 'knife', from: null },
      to: { in: 'bow', what: 'knife', kg: 0.1, litres: 0.2, wantsDry: false, use: 'always', later: false },
    },
  ),
  entry(
    'keepPhoto',
    { list: 'photos', by: 'photo' },
    photoSchema,
    { called: 'a photo', tells: ({ caption, name }) => say`${caption || name}`, deletes: true },
    { photo: 'p1', from: null, to: { name: 'deck.jpg', width: 800, height: 600, x: 900, caption: '' } },
  ),
  entry(
    'makePart',
    { list: 'own', by: 'part' },
    ownPartSchema,
    {
      called: (part) => `the part of our own “${part?.name ?? ''}”`,
      tells: ({ name, massKg }) => say`${name}, ${kg(massKg)}`,
      deletes: true,
    },
    {
      ...{ part: 'rack', from: null },
      to: {
        ...{ name: 'Rack', kind: 'rod rack', shape: { is: 'box', length: 300, width: 100 }, height: 200, massKg: 1 },
        ...{ ways: ['loose'], bolts: null, offers: [], ports: 0, carries: false, sinks: true, cents: 2500 },
        ...{ made: { minutes: 0, of: [] }, photo: null },
      },
    },
  ),
  entry(
    'keepFeature',
    { list: 'features', by: 'feature' },
    becomesSchema,
    { called: { by: 'feature' }, tells: 'becomes', absent: 'used' },
    { feature: 'feet', from: null, to: { is: 'replaced', for: 'g' } },
  ),
  entry(
    'planScupper',
    { list: 'scuppers', by: 'scupper' },
    z.enum(SCUPPER_PLANS),
    { called: { by: 'scupper' }, tells: (v) => say`${v}`, absent: 'open' },
    { scupper: 'scup-1', from: null, to: 'plugged' },
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
  entry(
    'routeRun',
    { list: 'runs', by: 'run' },
    runSchema,
    { called: { by: 'run' }, tells: 'run', deletes: true },
    { run: 'r', from: SAMPLE.run, to: null },
    { run: 'r2', from: null, to: SAMPLE.run },
  ),
  entry(
    'leadLine',
    { list: 'lines', by: 'line' },
    lineSchema,
    { called: { by: 'line' }, tells: 'line', deletes: true },
    { line: 'l', from: null, to: SAMPLE.line },
  ),
  entry(
    'writeWish',
    { list: 'wishes', by: 'wish' },
    wishSchema,
    {
      called: (wish) => `the wish “${wish?.text ?? ''}”`,
      tells: ({ text, part, count: many, cents }) =>
        say`${text}${many ? `, ${many} of them` : ''}${cents ? `, ${printMoney(cents)}` : ''}${part ? ', matched to a part' : ''}`,
      deletes: true,
    },
    { wish: 'w', from: null, to: { text: 'a net', part: null } },
  ),
  // Each answer that it gives is a field of its own; what an answer is called stands with the brief.
  verb(
    'answerBrief',
    fromTo(briefSchema.partial()),
    () => ['brief'],
    { called: 'the brief', tells: yes },
    {
      from: { holes: 'few', hand: 'right' },
      to: { holes: 'none', hand: 'left' },
    },
  ),
  verb(
    'acceptFinding',
    { finding: ofShop(z.string().max(160)), ...fromTo(acceptanceSchema.nullable()) },
    ({ finding = '' }) => ['accepted', finding],
    {
      called: 'an accepted finding',
      tells: ({ by, reason }: { by: string; reason: string }) => say`accepted by ${by}: ${reason}`,
    },
    { finding: 'overlap:g:b', from: null, to: { reason: 'it is soft', by: 'Tom' } },
  ),
  verb(
    'hookTape',
    fromTo(tapeSchema),
    () => ['tape'],
    { called: 'the tape', tells: 'tape' },
    {
      from: { datum: 'bow', run: 'taut' },
      to: { datum: 'stern', run: 'centre' },
    },
  ),
  verb(
    'planDay',
    fromTo(daySchema.nullable()),
    () => ['day'],
    {
      called: 'the day on the water',
      tells: ({ legs }: z.infer<typeof daySchema>) =>
        say`${legs.length} ${legs.length === 1 ? 'leg' : 'legs'}, ${legs.reduce((sum, l) => sum + l.minutes, 0)} min in all`,
      absent: 'the usual one',
    },
    {
      from: null,
      to: {
        ...{ starts: 420, legs: [{ does: 'paddle', minutes: 60, kmh: 4 }], dark: { from: 1260, to: 360 } },
        ...{ duty: {}, readings: [] },
      },
    },
  ),
  verb(
    'nameRig',
    fromTo(planSchema.shape.title),
    () => ['title'],
    { called: 'the name of the rig', tells: (v: string) => say`${v}` },
    {
      from: 'spec rig',
      to: 'another',
    },
  ),
  verb(
    'promiseRig',
    fromTo(planSchema.shape.promised),
    () => ['promised'],
    { called: 'the promised day', tells: (v: string) => say`${v}`, absent: 'no day' },
    { from: '2026-06-12', to: null },
  ),
  ofItem(
    'adoptPart',
    'revision',
    mayBe('revision'),
    { called: 'the revision of', tells: (v) => say`${v}`, absent: '1' },
    { to: 2 },
  ),
  verb(
    'adoptRevision',
    { pin: z.enum(PINS), ...fromTo(z.int().min(1)) },
    ({ pin = '' }) =>
      pin === 'hull' ? ['pins', 'hull', 'revision'] : pin === 'materials' ? ['pins', pin] : ['pins', 'shop', pin],
    {
      called: (_, [, of, group]) =>
        of === 'shop'
          ? `the revision of the shop’s ${GROUP_NAMES[group as SettingsGroup] ?? 'settings'}`
          : `the revision of the ${of}`,
      tells: (v: number) => say`revision ${v}`,
    },
    { pin: 'hull', from: 1, to: 2 },
    { pin: 'materials', from: 1, to: 2 },
    { pin: 'charges', from: 1, to: 2 },
  ),
  verb(
    'freezeLetters',
    fromTo(planSchema.shape.letters),
    () => ['letters'],
    { called: 'the letters', tells: () => say`printed`, absent: 'not printed yet' },
    { from: null, to: { g: 'C' } },
  ),
  // Once letters are printed; its sample goes with the one before.
  verb(
    'letterItem',
    { item: itemSchema, ...fromTo(ofShop(z.string().min(1).max(4)).nullable()) },
    ({ item = '' }) => ['letters', item],
    { called: 'the letters', tells: (v: string) => say`${v}`, absent: 'not printed yet' },
  ),
] as const;
