import {
  asPlanned,
  dayAfter,
  makeRigFile,
  openPlan,
  workUp,
  type Brief,
  type Fact,
  type Fitting,
  type HullModel,
  type Hold,
  type NewFact,
  type Place,
  type Plan,
  type RigFile,
  type Run,
  type Workup,
} from '@plain-cleat/core';
import { BRACKWEN, CATALOG, QUENBY, TOLVANE } from './documents';
import { SHOP } from './shop';

const DAY = 86_400_000;

/** Ids that look like any other but are the same on every load. */
function idMaker(seed: number): () => string {
  let n = 0;
  return () => `${String(seed).padStart(8, '0')}-0000-4000-8000-${String(++n).padStart(12, '0')}`;
}

const on = (x: number, y: number, heading = 0): Place => ({ on: 'deck', x, y, heading });
const track = (id: string, x: number, heading = 0): Place => ({ on: 'track', track: id, x, heading });
const fitted = (part: string, place: Place, hold: Hold, more: Partial<Fitting> & { plate?: boolean } = {}): Fitting => {
  const { plate = false, ...rest } = more;
  return { part, place, lift: 0, mount: { hold, plate, reason: '' }, suppliedBy: 'shop', note: '', ...rest };
};
const feed = (from: string, to: string, lane: Run['lane'], via: Run['via'] = []): Run => ({ from, to, lane, via, awg: null });

interface Draft {
  readonly seed: number;
  readonly owner: string;
  readonly hull: HullModel;
  readonly title: string;
  readonly opened: string;
  readonly promised: string;
  readonly brief: Partial<Brief>;
  readonly fittings: Plan['fittings'];
  readonly runs?: Plan['runs'];
  readonly wishes?: Plan['wishes'];
  readonly facts: (w: Workup, make: (kind: object) => NewFact) => NewFact[];
}

function file(d: Draft): RigFile {
  const makeId = idMaker(d.seed);
  const id = `demo-${d.seed}`;
  const start = openPlan({
    id,
    title: d.title,
    opened: d.opened,
    promised: d.promised,
    pins: { hull: { id: d.hull.id, revision: d.hull.revision }, catalog: 1, shop: 1 },
  });
  const plan: Plan = {
    ...start,
    brief: { ...start.brief, ...d.brief },
    fittings: d.fittings,
    runs: d.runs ?? {},
    wishes: d.wishes ?? {},
  };
  const w = workUp({ plan, hull: d.hull, facts: [], catalog: CATALOG, shop: SHOP, asOf: d.opened });
  let minute = 0;
  const time = (): string => new Date(Date.parse(d.opened) + DAY + 14 * 3_600_000 + ++minute * 7 * 60_000).toISOString();
  const make = (kind: object): NewFact => ({ id: makeId(), rig: id, deviceTime: time(), ...kind }) as NewFact;
  const facts = d.facts(w, make).map((f): Fact => ({ ...f, by: 'Mara Voss', serverTime: f.deviceTime }));
  const letters = facts.length ? Object.fromEntries(w.items.map((i) => [i.placed.id, i.letter])) : null;
  return makeRigFile({ owner: d.owner, plan: { ...plan, letters }, hull: d.hull, facts, catalog: CATALOG, shop: SHOP });
}

const drilled = (
  w: Workup,
  plan: { hull: HullModel },
  make: (kind: object) => NewFact,
  some: (label: string) => boolean,
): NewFact[] =>
  w.holes
    .filter((h) => some(h.label))
    .map((h) =>
      make({
        kind: 'holeDrilled',
        hole: h.id,
        label: h.label,
        bit: h.bit.mm,
        measured: asPlanned(h, { datum: 'bow', run: 'taut' }, plan.hull.revision),
        elsewhere: false,
      }),
    );

const stepsDone = (make: (kind: object) => NewFact, steps: readonly string[], minutes: number): NewFact[] =>
  steps.flatMap((step) => [make({ kind: 'stepDone', step }), make({ kind: 'minutesBooked', step, minutes })]);

const PEN =
  'data:image/svg+xml;base64,PHN2ZyB4bWxucz0iaHR0cDovL3d3dy53My5vcmcvMjAwMC9zdmciIHZpZXdCb3g9IjAgMCAyMDAgNjAiPjxwYXRoIGQ9Ik0xMCA0MGMyMC00MCAzMC00MCAyOCAwczMwLTMwIDQ0LTEwIDMwIDIwIDYwLTIwIiBmaWxsPSJub25lIiBzdHJva2U9IiMxZDJiMzMiIHN0cm9rZS13aWR0aD0iMyIvPjwvc3ZnPg==';

/** The three demo rigs: one half drilled, one with stops to settle, one handed over. */
export function demoRigs(today: string): { file: RigFile; place: string }[] {
  const survey = file({
    seed: 147,
    owner: 'Ines Varga, river trust',
    hull: TOLVANE,
    title: 'river survey rig',
    opened: dayAfter(today, -9),
    promised: dayAfter(today, 6),
    brief: {
      waters: ['river', 'inshore'],
      work: ['survey'],
      stature: 1778,
      weightKg: 82,
      propulsion: ['paddle', 'pedals'],
      seat: 'low',
      budgetCents: 180_000,
      notes: 'Twelve stops a day. The anchor must be at hand.',
    },
    fittings: {
      sidelights: fitted('side-lights', on(265, 0), 'through'),
      battery: fitted('battery-18', on(600, 0), 'loose'),
      sampler: fitted('sampler-socket', track('fwd-star', 1480), 'track'),
      sounder: fitted('sounder-arm-7', track('fwd-port', 1230), 'track'),
      board: fitted('chart-board', track('aft-port', 2400, 0), 'track', { suppliedBy: 'home-made' }),
      cleat: fitted('jam-cleat', on(2345, 385), 'through'),
      rod: fitted('rod-tube-raised', track('aft-star', 2560), 'track'),
      pulley: fitted('anchor-pulley', on(3290, 0), 'rivet'),
      box: fitted('dry-box', on(2760, 0), 'loose', { suppliedBy: "owner's own" }),
      light: fitted('mast-light', on(3400, 30), 'through'),
      flip: fitted('flip-line', on(1700, -240), 'loose'),
    },
    runs: {
      'feed-sounder': feed('battery', 'sounder', 'inside port'),
      'feed-bow': feed('battery', 'sidelights', 'inside port'),
      'feed-mast': feed('battery', 'light', 'inside starboard'),
    },
    wishes: {
      w1: { text: 'water sampler, long handle', part: 'sampler-socket' },
      w2: { text: 'depth sounder 7"', part: 'sounder-arm-7' },
      w3: { text: 'somewhere for the clipboard', part: 'chart-board' },
      w4: { text: 'dry box 40 × 30 cm', part: 'dry-box' },
    },
    facts: (w, make) => [
      ...stepsDone(make, ['receive', 'measure', 'tape', 'agree'], 12),
      ...drilled(w, { hull: TOLVANE }, make, (label) => w.holes.slice(0, 5).some((h) => h.label === label)),
    ],
  });
  const photographer = file({
    seed: 152,
    owner: 'Bastien Corde',
    hull: QUENBY,
    title: 'bird photographer’s rig',
    opened: dayAfter(today, -3),
    promised: dayAfter(today, 13),
    brief: {
      waters: ['river', 'lake'],
      work: ['camera'],
      stature: 1850,
      weightKg: 88,
      propulsion: ['paddle', 'motor'],
      seat: 'both',
      holes: 'as needed',
      road: 'trailer',
      tier: 'everything',
    },
    fittings: {
      frame: fitted('blind-socket', track('fwd-port', 1260), 'track'),
      frame2: fitted('blind-socket', track('fwd-star', 1260), 'track'),
      mast: fitted('camera-mast', track('fwd-star', 1700), 'track'),
      radio: fitted('radio-clip', track('fwd-port', 1850), 'track'),
      electronics: fitted('battery-30', on(2860, -120), 'loose'),
      motorbat: fitted('battery-80', on(3080, 60), 'loose'),
      ports: fitted('usb-ports', on(2580, -60), 'rivet'),
      drive: fitted('motor-quiet-40', on(3640, 0), 'through', { plate: true }),
      mark: fitted('flag-pole', track('aft-port', 3150), 'track'),
    },
    runs: {
      'feed-drive': feed('motorbat', 'drive', 'inside starboard'),
      'feed-ports': feed('electronics', 'ports', 'inside port'),
    },
    facts: () => [],
  });
  const minimum = file({
    seed: 144,
    owner: 'Noor Tessel',
    hull: BRACKWEN,
    title: 'minimum rig',
    opened: dayAfter(today, -20),
    promised: dayAfter(today, -2),
    brief: {
      waters: ['pond', 'lake'],
      work: ['rods', 'day trips'],
      stature: 1650,
      weightKg: 63,
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'few',
      tier: 'bare',
      budgetCents: 20_000,
    },
    fittings: {
      bungee: fitted('bungee-deck', on(720, 0), 'rivet'),
      leash: fitted('paddle-leash', on(1300, -150), 'loose'),
      tube: fitted('rod-tube-flush', on(2300, 60), 'rivet'),
    },
    facts: (w, make) => [
      ...drilled(w, { hull: BRACKWEN }, make, () => true),
      ...stepsDone(
        make,
        w.steps.map((s) => s.id),
        9,
      ),
      ...w.walk.map((s) => make({ kind: 'stopShown', stop: s.fitting })),
      make({ kind: 'signed', name: 'Noor Tessel', drawing: PEN }),
    ],
  });
  return [
    { file: minimum, place: 'handed over' },
    { file: survey, place: 'bench 1' },
    { file: photographer, place: 'bench 2' },
  ];
}
