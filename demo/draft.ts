import type { Hold } from '@plain-cleat/core/parts/parts';
import { asPlanned } from '@plain-cleat/core/holding/drilling';
import { fairHull, findDatum, reading, type HullModel } from '@plain-cleat/core/boat/hull';
import {
  makeRigFile,
  openPlan,
  pinsTo,
  type Brief,
  type Fact,
  type Fitting,
  type Line,
  type NewFact,
  type Place,
  type Plan,
  type RigFile,
  type Run,
  type Strap,
} from '@plain-cleat/core/rig';
import { usualLine } from '@plain-cleat/core/lines';
import { workUp, type Workup } from '@plain-cleat/core/workup';
import { CATALOG } from './documents';
import { SHOP } from './shop';

const DAY = 86_400_000;

const idOf = (seed: number, n: number): string =>
  `${String(seed).padStart(8, '0')}-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** The id of the fact a found hole is kept by: found holes come before everything else. */
export const foundId = (seed: number, index: number): string => idOf(seed, index + 1);

/** Ids that look like any other but are the same on every load. */
function idMaker(seed: number): () => string {
  let n = 0;
  return () => idOf(seed, ++n);
}

export const on = (x: number, y: number, heading = 0): Place => ({ on: 'deck', x, y, heading });
/** On the floor of a room inside. */
export const within = (space: string, x: number, y: number, heading = 0): Place => ({ on: 'space', space, x, y, heading });
/** Over a thing, from one tie point of the hull to another. */
export const strap = (from: string, to: string): Strap => ({ from: `hull.${from}`, to: `hull.${to}` });
export const track = (id: string, x: number, heading = 0): Place => ({ on: 'track', track: id, x, heading });
export const fitted = (part: string, place: Place, hold: Hold, more: Partial<Fitting> & { plate?: boolean } = {}): Fitting => {
  const { plate = false, ...rest } = more;
  return { part, place, lift: 0, mount: { hold, plate, reason: '' }, suppliedBy: 'shop', note: '', ...rest };
};
export const feed = (from: string, to: string, lane: Run['lane'], more: Partial<Run> = {}): Run => ({
  ...{ from, to, lane, via: [], awg: null },
  ...more,
});

/** What a run passes: a place in a lane, from there on another, a gland by its name. */
export const by = (...steps: readonly (readonly [x: number, lane?: Run['lane']] | string)[]): Run['via'] =>
  steps.map((step) => {
    if (typeof step === 'string') return { at: 'gland', fitting: step };
    const [x, lane] = step;
    return lane === undefined ? { at: 'lane', x } : { at: 'lane', x, lane };
  });

/** A line from tie point to tie point; what begins with `ring` is the ring of that trolley. */
export const led = (use: Line['use'], through: readonly string[], more: Partial<Line> = {}): Line => ({
  ...usualLine(use),
  through: through.map((at) => (at.startsWith('ring ') ? { at: 'ring', line: at.slice(5) } : { at: 'tie', tie: at })),
  ...more,
});

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
  readonly lines?: Plan['lines'];
  readonly wishes?: Plan['wishes'];
  readonly more?: Partial<Pick<Plan, 'sets' | 'stowage' | 'scuppers' | 'own'>>;
  /** How far the known distances of this very boat are off its drawing, mm; not measured when left out. */
  readonly off?: readonly number[];
  /** Holes found on the boat when it came in, on deck; with what a plugged one is plugged. */
  readonly found?: readonly {
    readonly x: number;
    readonly y: number;
    readonly bit: number;
    readonly of: string;
    readonly plugged?: string;
  }[];
  readonly facts: (w: Workup, make: (kind: object) => NewFact) => NewFact[];
}

export function file(d: Draft): RigFile {
  const makeId = idMaker(d.seed);
  const id = `demo-${d.seed}`;
  const start = openPlan({
    id,
    title: d.title,
    opened: d.opened,
    promised: d.promised,
    pins: pinsTo(d.hull, CATALOG.revision, SHOP.revision),
  });
  const plan: Plan = {
    ...start,
    brief: { ...start.brief, ...d.brief },
    fittings: d.fittings,
    runs: d.runs ?? {},
    lines: d.lines ?? {},
    wishes: d.wishes ?? {},
    ...d.more,
  };
  const worked = (facts: Fact[]): Workup => workUp({ plan, hull: d.hull, facts, catalog: CATALOG, shop: SHOP, asOf: d.opened });
  let minute = 0;
  const time = (): string =>
    new Date(Date.parse(d.opened) + DAY + 14 * 3_600_000 + Math.ceil(++minute) * 7 * 60_000).toISOString();
  const make = (kind: object): NewFact => {
    // Nobody works while the sealant cures; the next morning but one it is done.
    if ('step' in kind && kind.step === 'cure') minute += Math.ceil((SHOP.cureHours + 12) * 60) / 7;
    return { id: makeId(), rig: id, deviceTime: time(), ...kind } as NewFact;
  };
  const kept = (f: NewFact): Fact => ({ ...f, by: 'Mara Voss', serverTime: f.deviceTime });
  const surface = fairHull(d.hull);
  const old = (d.found ?? []).map(({ x, y, bit, of }, i) =>
    make({
      kind: 'holeFound',
      rig: null,
      hole: `old.${i + 1}`,
      label: `O${i + 1}`,
      bit,
      says: of,
      measured: {
        hullRevision: d.hull.revision,
        datum: 'bow',
        run: 'centre',
        reading: reading(surface, findDatum(surface, 'bow'), 'centre', { x, y, z: surface.spot(x, y).z }),
        offCentre: y,
        down: null,
      },
    }),
  );
  const closed = (d.found ?? []).flatMap(({ plugged }, i) =>
    plugged ? [make({ kind: 'holePlugged', rig: null, hole: `old.${i + 1}`, with: plugged })] : [],
  );
  const readings = worked([])
    .drilling.gate.distances.flatMap(({ from, to, expected }, i) => {
      const off = d.off?.[i];
      return off === undefined ? [] : [make({ kind: 'readingTaken', from, to, run: 'taut', reading: expected + off })];
    })
    .map(kept);
  const before = [...[...old, ...closed].map(kept), ...readings];
  const w = worked(before);
  const facts = [...before, ...d.facts(w, make).map(kept)];
  const letters = facts.length ? Object.fromEntries(w.aboard.items.map((i) => [i.placed.id, i.letter])) : null;
  return makeRigFile({ owner: d.owner, plan: { ...plan, letters }, hull: d.hull, facts, catalog: CATALOG, shop: SHOP });
}

export const drilled = (
  w: Workup,
  plan: { hull: HullModel },
  make: (kind: object) => NewFact,
  some: (label: string) => boolean,
): NewFact[] =>
  w.drilling.holes
    .filter((h) => some(h.label))
    .map((h) =>
      make({
        kind: 'holeDrilled',
        hole: h.id,
        label: h.label,
        bit: h.bit.mm,
        measured: asPlanned(h, { datum: 'bow', run: 'centre' }, plan.hull.revision),
        elsewhere: false,
      }),
    );

export const stepsDone = (make: (kind: object) => NewFact, steps: readonly string[], minutes: number): NewFact[] =>
  steps.flatMap((step) => [make({ kind: 'stepDone', step }), make({ kind: 'minutesBooked', step, minutes })]);

export const PEN =
  'data:image/svg+xml;base64,PHN2ZyB4bWxucz0iaHR0cDovL3d3dy53My5vcmcvMjAwMC9zdmciIHZpZXdCb3g9IjAgMCAyMDAgNjAiPjxwYXRoIGQ9Ik0xMCA0MGMyMC00MCAzMC00MCAyOCAwczMwLTMwIDQ0LTEwIDMwIDIwIDYwLTIwIiBmaWxsPSJub25lIiBzdHJva2U9IiMxZDJiMzMiIHN0cm9rZS13aWR0aD0iMyIvPjwvc3ZnPg==';
