import { type TapeReading, fairReadings, type HullModel, readingFaults } from '@plain-cleat/core/boat/hull';
import { kg, say, type Sentence, plainLetters } from '@plain-cleat/core/base/units';

/** A hull being measured: what was read off the bench, and everything else of its model. */
export interface HullDraft {
  readonly readings: readonly TapeReading[];
  readonly section: { readonly fullness: number; readonly flare: number };
  readonly rest: Omit<HullModel, 'stations' | 'fairing'>;
  /** The revision it was made from; nought for a new hull. */
  readonly expects: number;
}

/** Both sides as the model has them: it keeps one half-breadth. */
export function draftOf(model: HullModel): HullDraft {
  const { stations, fairing: _, ...rest } = model;
  const [first] = stations;
  const middle = stations[Math.floor(stations.length / 2)] ?? first;
  return {
    readings: stations.map((s) => ({ x: s.x, port: s.halfBreadth, starboard: s.halfBreadth, gunwale: s.gunwale, keel: s.keel })),
    section: { fullness: middle?.fullness ?? 5, flare: middle?.flare ?? 0.25 },
    rest,
    expects: model.revision,
  };
}

const START: readonly [x: number, half: number, gunwale: number, keel: number][] = [
  [0, 0, 400, 160],
  [400, 230, 350, 15],
  [1200, 400, 305, 0],
  [1800, 430, 297, 0],
  [2400, 390, 302, 0],
  [3200, 230, 332, 20],
  [3500, 0, 360, 160],
];

/** A boat of the usual size to measure against, so that nothing starts empty. */
export const newDraft = (): HullDraft => ({
  readings: START.map(([x, half, gunwale, keel]) => ({ x, port: half, starboard: half, gunwale, keel })),
  section: { fullness: 5, flare: 0.25 },
  expects: 0,
  rest: {
    id: '',
    revision: 1,
    maker: '',
    name: '',
    kind: 'sit-on-top',
    material: 'polyethylene',
    massKg: 30,
    capacityKg: 180,
    wall: 5,
    seat: { x: 2000, low: 240, high: 350 },
    decks: [],
    hatches: [],
    tracks: [],
    inserts: [],
    scuppers: [],
    hazards: [],
  },
});

/** A name as an id: lower-case letters, digits and hyphens. */
export const idOf = (name: string): string =>
  plainLetters(name)
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60);

/** The model of a draft, with the sections of the hull it came from where a station was there before. */
export function modelOf(draft: HullDraft, before?: HullModel): HullModel {
  const faired = fairReadings(draft.readings, draft.section);
  const known = new Map(before?.stations.map((s) => [s.x, s]));
  return {
    ...draft.rest,
    id: draft.rest.id || idOf(draft.rest.name),
    fairing: faired.fairing,
    stations: faired.stations.map((s) => {
      const own = known.get(s.x);
      return own ? { ...s, fullness: own.fullness, flare: own.flare } : s;
    }),
  };
}

/** What keeps a draft from being kept, by field; null when nothing does. */
export function draftFault(draft: HullDraft): Sentence | null {
  const { rest } = draft;
  if (!rest.name.trim()) return say`Name: what the hull is called.`;
  if (!rest.maker.trim()) return say`Maker: who made it.`;
  if (!(rest.massKg > 0 && rest.massKg <= 500)) return say`Weight: between nothing and ${kg(500)}.`;
  if (!(rest.capacityKg > 0 && rest.capacityKg <= 2000)) return say`Maker's rating: up to ${kg(2000)}.`;
  const [fault] = readingFaults(draft.readings);
  return fault ? say`Station ${fault.row + 1}, ${fault.column}: ${fault.says}.` : null;
}

/** The single figures of a hull, by what they are called. */
export const FIGURES = {
  massKg: 'Weight',
  capacityKg: 'Rated for',
  wall: 'Wall',
  seatX: 'Seat, aft of bow',
  seatLow: 'Seat height, low',
  seatHigh: 'Seat height, high',
  slideFore: 'Seat slides from',
  slideAft: 'Seat slides to',
  feetFore: 'Pegs from',
  feetAft: 'Pegs to',
  secondX: 'Second seat at',
  secondLow: 'Second, low',
  secondHigh: 'Second, high',
  secondFore: 'Second from',
  secondAft: 'Second to',
  wheelsKg: 'Wheels bear',
} as const;
export type Figure = keyof typeof FIGURES;
/** Those that are masses. */
type Weighed = 'massKg' | 'capacityKg' | 'wheelsKg';

export const weighs = (key: Figure): key is Weighed => key === 'massKg' || key === 'capacityKg' || key === 'wheelsKg';

/** One figure of a hull, mm or kg; null where it has none. */
export function figureOf(rest: HullDraft['rest'], key: Figure): number | null {
  const { seat, feet, secondSeat } = rest;
  if (weighs(key)) return rest[key] ?? null;
  const lengths: Record<Exclude<Figure, Weighed>, number | undefined> = {
    wall: rest.wall,
    seatX: seat.x,
    seatLow: seat.low,
    seatHigh: seat.high,
    slideFore: seat.slide?.fore,
    slideAft: seat.slide?.aft,
    feetFore: feet?.fore,
    feetAft: feet?.aft,
    secondX: secondSeat?.x,
    secondLow: secondSeat?.low,
    secondHigh: secondSeat?.high,
    secondFore: secondSeat?.slide?.fore,
    secondAft: secondSeat?.slide?.aft,
  };
  return lengths[key] ?? null;
}

/** One figure of a hull set; a seat that slides and pegs that move start from one place each, a second seat behind the first. */
export function withFigure(rest: HullDraft['rest'], key: Figure, value: number): HullDraft['rest'] {
  const { seat } = rest;
  const slide = seat.slide ?? { fore: seat.x, aft: seat.x };
  const feet = rest.feet ?? { kind: 'pegs' as const, fore: value, aft: value };
  const second = rest.secondSeat ?? { x: seat.x + 1000, low: seat.low, high: seat.high };
  switch (key) {
    case 'seatX':
      return { ...rest, seat: { ...seat, x: value } };
    case 'seatLow':
      return { ...rest, seat: { ...seat, low: value } };
    case 'seatHigh':
      return { ...rest, seat: { ...seat, high: value } };
    case 'slideFore':
      return { ...rest, seat: { ...seat, slide: { ...slide, fore: value } } };
    case 'slideAft':
      return { ...rest, seat: { ...seat, slide: { ...slide, aft: value } } };
    case 'feetFore':
      return { ...rest, feet: { ...feet, fore: value } };
    case 'feetAft':
      return { ...rest, feet: { ...feet, aft: value } };
    case 'secondX':
      return { ...rest, secondSeat: { ...second, x: value } };
    case 'secondLow':
      return { ...rest, secondSeat: { ...second, low: value } };
    case 'secondHigh':
      return { ...rest, secondSeat: { ...second, high: value } };
    case 'secondFore':
      return { ...rest, secondSeat: { ...second, slide: { ...(second.slide ?? { aft: second.x }), fore: value } } };
    case 'secondAft':
      return { ...rest, secondSeat: { ...second, slide: { ...(second.slide ?? { fore: second.x }), aft: value } } };
    default:
      return { ...rest, [key]: value };
  }
}
