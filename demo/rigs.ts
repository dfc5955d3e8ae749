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
import { BRACKWEN, CATALOG, ORRISK, PELLIN, QUENBY, TOLVANE } from './documents';
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
  readonly more?: Partial<Pick<Plan, 'sets' | 'stowage' | 'scuppers'>>;
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
    ...d.more,
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

/** The demo rigs in their different states: half drilled, with stops to settle, with sets, undrilled, handed over. */
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
  const handline = file({
    seed: 149,
    owner: 'Petra Holm',
    hull: ORRISK,
    title: 'mackerel and pollack rig',
    opened: dayAfter(today, -4),
    promised: dayAfter(today, 17),
    brief: {
      waters: ['inshore', 'offshore'],
      work: ['handline', 'rods'],
      stature: 1720,
      weightKg: 74,
      castHand: 'right',
      reelHand: 'left',
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'few',
      road: 'trailer',
      rods: 3,
      rodLength: 2100,
      distanceKm: 18,
      rules: ['skerry-day'],
      budgetCents: 140_000,
    },
    fittings: {
      reelP: fitted('handline-reel', track('aft-port', 2620), 'track'),
      tubeS: fitted('rod-tube-track', track('aft-star', 2760), 'track'),
      trollP: fitted('rod-tube-troll', track('aft-port', 2900), 'track', { sets: ['troll'] }),
      trollS: fitted('rod-tube-troll-star', track('aft-star', 2960), 'track', { sets: ['troll'] }),
      crate: fitted('crate-open', on(3000, 0), 'loose', { elsewhere: { guest: on(3080, 0) } }),
      tubes: fitted('rod-tubes-crate-2', { on: 'fitting', fitting: 'crate', u: 258, v: 0, heading: 0 }, 'loose', {
        sets: ['day', 'troll'],
      }),
      board: fitted('measuring-board', on(1900, -80, 0), 'loose', { tether: { to: null, length: 700 } }),
      net: fitted('net-folding', on(2480, 190), 'loose'),
      knife: fitted('knife-deck', on(2150, 290), 'rivet'),
      jacket: fitted('jacket-pockets', on(2160, 0), 'loose', { suppliedBy: "owner's own" }),
      ladder: fitted('reboard-ladder', on(1700, 200), 'loose'),
      anchor: fitted('anchor-3', on(3560, 0), 'loose', { tether: { to: null, length: 900 } }),
      guestSeat: fitted('child-seat', on(1460, 0), 'loose', { sets: ['guest'] }),
      radio: fitted('radio-vhf', on(2080, 160), 'loose'),
    },
    wishes: {
      w1: { text: 'two rod holders, out to the sides', part: 'rod-tube-troll' },
      w2: { text: 'reel for the handline', part: 'handline-reel', count: 1, cents: 4000 },
      w3: { text: 'something to measure pollack on', part: 'measuring-board' },
    },
    more: {
      sets: {
        day: { name: 'all-day', order: 1 },
        troll: { name: 'trolling', order: 2 },
        guest: { name: 'guest', order: 3 },
      },
      stowage: {
        s1: { in: 'jacket-left', what: 'whistle', kg: 0.02, litres: 0.05, wantsDry: false, use: 'always', later: false },
        s2: { in: 'day-hatch', what: 'lunch and spare line', kg: 1.4, litres: 3, wantsDry: false, use: 'stopped', later: false },
        s3: {
          in: 'bow-hold',
          what: 'a place for a battery next year',
          kg: 0,
          litres: 4,
          wantsDry: true,
          use: 'ashore',
          later: true,
        },
      },
      scuppers: { 'scup-1': 'plugged' },
    },
    facts: () => [],
  });
  const adaptive = file({
    seed: 150,
    owner: 'Jonas Weir',
    hull: QUENBY,
    title: 'left-hand rig, raised seat',
    opened: dayAfter(today, -6),
    promised: dayAfter(today, 21),
    brief: {
      waters: ['river', 'lake'],
      work: ['day trips', 'camera'],
      stature: 1690,
      weightKg: 71,
      hand: 'left',
      castHand: 'left',
      reelHand: 'left',
      propulsion: ['motor'],
      backUp: ['paddle'],
      seat: 'high',
      stands: 'sits',
      holes: 'as needed',
      road: 'trailer',
      carries: ['camera'],
      tier: 'everything',
    },
    fittings: {
      seat: fitted('seat-high', on(2180, 0), 'loose'),
      bar: fitted('transfer-bar', track('fwd-port', 1300), 'track'),
      drive: fitted('motor-stern-45', on(3655, 0), 'through', { plate: true }),
      kill: fitted('kill-switch', on(2060, -430), 'through'),
      steer: fitted('steering-kit', track('fwd-port', 1860), 'track'),
      power: fitted('battery-100', on(1250, 40), 'loose'),
      paddle: fitted('paddle-main', on(2350, 300), 'loose', { tether: { to: null, length: 1000 } }),
      strap: fitted('stand-strap', on(2050, 380), 'rivet'),
      light: fitted('mast-light', track('aft-star', 3150), 'track'),
      horn: fitted('air-horn', track('aft-port', 2640), 'track'),
    },
    runs: {
      'feed-drive': feed('power', 'drive', 'inside starboard'),
      'feed-light': feed('power', 'light', 'inside starboard'),
    },
    facts: () => [],
  });
  const family = file({
    seed: 151,
    owner: 'The Okafor family',
    hull: PELLIN,
    title: 'family day rig',
    opened: dayAfter(today, -1),
    promised: dayAfter(today, 9),
    brief: {
      waters: ['pond', 'lake'],
      work: ['day trips', 'camping'],
      stature: 1680,
      weightKg: 68,
      second: { stature: 1450, weightKg: 42 },
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'none',
      wires: 'outside',
      road: 'truck bed',
      carries: ['dog', 'crate', 'child'],
      tier: 'working',
      budgetCents: 45_000,
    },
    fittings: {
      mat: fitted('dog-mat', on(1000, 0), 'loose'),
      crate: fitted('crate-open', on(2505, 0, 90), 'loose'),
      cooler: fitted('cooler-soft', on(1960, 0), 'loose'),
      ladder: fitted('reboard-ladder', on(1500, -230), 'loose'),
      first: fitted('first-aid', on(2180, 130), 'loose'),
      throw: fitted('throw-bag', on(1490, 170), 'loose'),
    },
    wishes: {
      w1: { text: 'somewhere soft for the dog', part: 'dog-mat' },
      w2: { text: 'crate for picnic things', part: 'crate-open' },
    },
    facts: () => [],
  });
  return [
    { file: minimum, place: 'handed over' },
    { file: survey, place: 'bench 1' },
    { file: handline, place: 'bench 2' },
    { file: adaptive, place: 'yard' },
    { file: family, place: "owner's move" },
    { file: photographer, place: 'bench 2' },
  ];
}
