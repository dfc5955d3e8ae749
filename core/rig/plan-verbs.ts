import { z } from 'zod';
import { ofShop } from '../base/stored';
import { kg, printMoney, say } from '../base/units';
import { ownPartSchema } from '../parts/parts';
import { GROUP_NAMES, SETTINGS_GROUPS, type SettingsGroup } from '../parts/shop';
import { briefSchema } from './brief';
import { daySchema } from './day';
import { becomesSchema } from './fitting';
import { lineSchema } from './line';
import {
  acceptanceSchema,
  photoSchema,
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
import { entry, fromTo, itemSchema, verb, yes } from './verb';

/** What a plan is pinned to, besides the parts its fittings are. */
const PINS = ['hull', 'materials', ...SETTINGS_GROUPS] as const;
export type Pin = (typeof PINS)[number];

/** What is done with the rest of a plan: a row is all there is to say of a verb. */
export const PLAN_VERBS = [
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
