import { z } from 'zod';
import { ofOwner, ofShop } from '../base/stored';

const keySchema = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9.-]{0,79}$/, 'letters, digits, dots and hyphens');
const wordsSchema = z.string().max(400);
/** What somebody wrote of the boat or its owner. */
const remarkSchema = ofOwner(wordsSchema);
const saidSchema = ofOwner(wordsSchema.min(1));
const reasonSchema = ofOwner(wordsSchema.min(3));
/** Whoever signs or agrees. */
const signerSchema = ofOwner(z.string().trim().min(1).max(120), 'a forgotten owner');
/** One white dot, where a signature was. */
const BLANK =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAAAAAA6fptVAAAACklEQVR4nGP6DwABBQECz6AuzQAAAABJRU5ErkJggg==';

const fact = <K extends string, T extends z.ZodRawShape>(kind: K, shape: T) =>
  z.strictObject({
    id: z.uuid().describe('made by the client; sent twice, kept once'),
    kind: z.literal(kind),
    rig: keySchema.nullable().describe('the plan it happened under'),
    deviceTime: z.iso.datetime(),
    ...shape,
  });

/** What the rigger measured. The coordinates follow from it and are never stored in its place. */
const measuredSchema = z.strictObject({
  hullRevision: z.int().min(1),
  datum: ofShop(z.string().max(80)),
  run: z.enum(['taut', 'centre', 'gunwale']),
  reading: z.number().min(0).max(10_000).describe('mm on the tape'),
  offCentre: z.number().min(-2000).max(2000).describe('mm, starboard positive'),
  down: z.number().min(0).max(2000).nullable().describe('down from the gunwale edge for a hole in the side'),
  downBy: z.enum(['level', 'girth']).optional().describe('down in height, or by a tape laid on the side; height when left out'),
  up: z
    .number()
    .min(0)
    .max(1500)
    .optional()
    .describe('up from the inside of the bottom on the centre line, for a hole in a bulkhead'),
  aimed: z
    .number()
    .min(-2000)
    .max(10_000)
    .optional()
    .describe('where the plan had it, x: settles which of two places that read alike it is'),
  towards: z.enum(['aft', 'forward']).optional().describe('which way the tape ran; aft but for the stern when left out'),
});
export type Measured = z.infer<typeof measuredSchema>;

/** What a signature for a finished rig is for, area by area. */
export const SIGNED_AREAS = [
  ...(['aboard', 'cables', 'lines', 'parts', 'hull', 'materials', 'charges', 'rules'] as const),
  ...(['holes', 'steps', 'brief', 'papers', 'accepted'] as const),
] as const;
export type SignedArea = (typeof SIGNED_AREAS)[number];

/** A signature as it was drawn. */
const drawingSchema = ofOwner(
  z
    .string()
    .max(200_000)
    .regex(/^data:image\/(png|svg\+xml);base64,[A-Za-z0-9+/=]+$/, 'a PNG or SVG data address'),
  BLANK,
);

/** What happened on the real boat. Never changed, corrected only by a later fact. */
export const newFactSchema = z.discriminatedUnion('kind', [
  fact('holeDrilled', {
    hole: keySchema,
    label: ofShop(z.string().max(8)),
    bit: z.number().min(1).max(80),
    measured: measuredSchema,
    elsewhere: z.boolean(),
    photo: keySchema.optional(),
  }),
  fact('holeFound', {
    hole: keySchema,
    label: ofShop(z.string().max(8)),
    bit: z.number().min(1).max(200),
    measured: measuredSchema,
    says: remarkSchema,
  }),
  fact('holeOpened', {
    of: z.uuid().describe('the fact the hole was kept by'),
    bit: z.number().min(1).max(80),
    photo: keySchema.optional(),
  }),
  fact('holeAbandoned', { hole: keySchema, why: saidSchema, photo: keySchema.optional() }),
  fact('readingTaken', {
    from: ofShop(z.string().max(80).describe('the hook')),
    to: ofShop(z.string().max(80).describe('what was measured to')),
    run: z.enum(['taut', 'centre', 'gunwale']),
    reading: z.number().min(1).max(12_000).describe('mm on the tape'),
  }),
  fact('layoutAgreed', { name: signerSchema, photo: keySchema.nullable() }),
  fact('barMeasured', {
    paper: z.enum(['A4', 'LETTER']),
    bar: z.enum(['100 mm', '4 in']),
    reading: z.number().min(1).max(500).describe('mm on the rule'),
  }),
  fact('holePlugged', { hole: keySchema, with: ofShop(wordsSchema.min(1)) }),
  fact('fastenerSubstituted', {
    fitting: keySchema,
    with: ofShop(wordsSchema.min(1)),
    why: saidSchema,
    photo: keySchema.optional(),
  }),
  fact('thingSeen', {
    thing: keySchema.describe('a fitting that came aboard, or a feature of the hull'),
    is: z.enum(['sound', 'worn', 'broken']),
    says: ofOwner(wordsSchema.describe('what is wrong with it, or empty')),
    photo: keySchema.optional(),
  }),
  fact('received', { name: signerSchema, for: ofShop(z.string().max(40)), drawing: drawingSchema }),
  fact('circuitRead', {
    reading: ofShop(z.string().min(1).max(200).describe('which reading of the bench test')),
    volts: z.number().min(-100).max(100),
    circuit: ofShop(z.string().max(40).describe('the circuit it was read on, as a fingerprint')),
    meter: z.enum(['typed', 'bench meter']),
  }),
  fact('circuitChecked', {
    check: ofShop(z.string().min(1).max(200).describe('which check of the bench test')),
    ok: z.boolean(),
    circuit: ofShop(z.string().max(40).describe('the circuit it was checked on, as a fingerprint')),
  }),
  fact('stepDone', { step: keySchema }),
  fact('gatePassed', {
    step: keySchema.describe('the step, or drill for what stands before the first hole'),
    why: reasonSchema,
  }),
  fact('gateAsked', { step: keySchema.describe('the step a manager is asked to let pass'), why: reasonSchema }),
  fact('acceptanceAsked', {
    finding: ofShop(z.string().max(160).describe('the finding a manager is asked to accept')),
    why: reasonSchema,
  }),
  fact('minutesBooked', { step: keySchema, minutes: z.number().min(0.5).max(1440) }),
  fact('stopShown', { stop: keySchema }),
  fact('snagNoted', { stop: keySchema, says: saidSchema }),
  fact('signed', {
    name: ofOwner(z.string().min(1).max(120), 'a forgotten owner'),
    open: z.array(keySchema).max(400).optional().describe('steps still open that they accept by name'),
    for: ofShop(z.string().max(40).describe('what was signed for, as a fingerprint, in signatures of before areas')).optional(),
    areas: z
      .partialRecord(z.enum(SIGNED_AREAS), ofShop(z.string().max(40)))
      .optional()
      .describe('what was signed for, each area of it as a fingerprint'),
    drawing: drawingSchema,
  }),
  fact('tookBack', { fact: z.uuid(), why: remarkSchema }),
  fact('photoErased', { photo: keySchema.describe('what another fact showed') }),
  fact('vouched', { facts: z.array(z.uuid()).min(1).max(1000).describe('what nobody here saw done, and now counts') }),
]);
export type NewFact = z.infer<typeof newFactSchema>;

/** A fact as kept: with who and the server's time. */
export const savedFactSchema = z.intersection(
  newFactSchema,
  z.object({
    by: ofShop(z.string().max(80)),
    serverTime: z.iso.datetime(),
    unproven: z
      .enum(['from a file', 'of one who left'])
      .optional()
      .describe('nobody here saw it done: it counts when somebody of the shop says so; holes are there in any case'),
  }),
);
export type Fact = NewFact & {
  readonly by: string;
  readonly serverTime: string;
  readonly unproven?: 'from a file' | 'of one who left';
};

/** What each kind of fact tells, for people. */
export const FACT_WORDS: Readonly<Record<NewFact['kind'], string>> = {
  holeDrilled: 'a hole drilled',
  holeFound: 'a hole found on the boat',
  holeOpened: 'a hole opened up',
  holeAbandoned: 'a hole not drilled',
  readingTaken: 'a distance measured',
  layoutAgreed: 'the owner’s agreement to the layout',
  barMeasured: 'a printed bar measured',
  holePlugged: 'a hole plugged',
  fastenerSubstituted: 'another fastener',
  thingSeen: 'how a thing aboard is',
  received: 'the owner’s signature for how the boat came in',
  circuitRead: 'a reading of the bench test',
  circuitChecked: 'a check of the bench test',
  stepDone: 'a step done',
  gatePassed: 'a step overridden',
  gateAsked: 'a manager asked to let a step pass',
  acceptanceAsked: 'a manager asked to accept a finding',
  minutesBooked: 'minutes spent',
  stopShown: 'a stop of the walk shown',
  snagNoted: 'something not right',
  signed: 'a signature',
  tookBack: 'something taken back',
  photoErased: 'a photo erased',
  vouched: 'what others did, made to count',
};
