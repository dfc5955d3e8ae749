import type { HullModel } from '../../boat/hull';
import { floorGrid, standingRoom } from '../../layout';
import { BY_WORDS, GROUND_WORDS, type Brief } from '../../rig';
import { ground, kg, kmh, mm, say, type Sentence } from '../../base/units';
import { liftedEasily, mostCarried, ROLLS } from '../../water/to-water';
import type { Considered } from './considered';

/** What one question says of a hull: it rules it out, something would have to give, or it speaks for it. */
interface Told {
  readonly as: 'fails' | 'gives' | 'reasons';
  readonly says: Sentence;
}

/** One question asked of a hull: one pure function; a new one is a line in the list. */
type Aspect = (c: Considered) => readonly Told[];

const fails = (says: Sentence): Told[] => [{ as: 'fails', says }];
const gives = (says: Sentence): Told[] => [{ as: 'gives', says }];
const speaks = (says: Sentence): Told[] => [{ as: 'reasons', says }];

/** Less than this share of the rating left is little (judgement). */
const LITTLE = 0.1;

const rating: Aspect = ({ hull, reserveKg }) => {
  if (reserveKg < 0) return fails(say`Crew and gear are ${kg(-reserveKg)} over its rating of ${kg(hull.capacityKg)}.`);
  if (reserveKg < LITTLE * hull.capacityKg) return gives(say`Only ${kg(reserveKg)} are left under its rating.`);
  return speaks(say`${kg(reserveKg)} are left under its rating of ${kg(hull.capacityKg)}.`);
};

const seats: Aspect = ({ hull, brief, legs }) => [
  ...(!legs
    ? fails(say`No place of its seat fits these legs.`)
    : hull.feet
      ? speaks(say`These legs fit with the seat ${mm(legs.fore, 'up')} to ${mm(legs.aft, 'down')} from the bow.`)
      : []),
  ...(brief.second && !hull.secondSeat ? fails(say`It has one seat.`) : []),
  ...(!brief.second && hull.traits?.includes('tandem') ? gives(say`It is built for two.`) : []),
];

const steadiness: Aspect = ({ float, steady, stands }) => {
  if (float.fault) return fails(say`It does not float under all that: ${float.fault}.`);
  if (steady <= 0)
    return (stands ? gives : fails)(
      say`It does not stay upright by itself with them ${stands ? 'standing' : 'seated'} (an estimate).`,
    );
  return speaks(say`Steady ${stands ? 'standing' : 'seated'}: metacentric height ${mm(steady, 'down')}, an estimate.`);
};

const GRAVITY = 9.80665;
/** A hull that pushes water aside is held back by its own wave from about this Froude number (any text on ship resistance). */
const FROUDE = 0.4;
/** A loaded boat is driven at about this share of that all day (judgement; 5 to 7 km/h is common practice). */
const ALL_DAY = 0.7;

/** What a day's pace is for a length on the water: km/h. */
export const paceOf = (waterline: number): number => ALL_DAY * FROUDE * Math.sqrt((GRAVITY * waterline) / 1000) * 3.6;

const pace: Aspect = ({ brief, waterline }) => {
  if (brief.distanceKm <= 0) return [];
  const pace = paceOf(waterline);
  return speaks(
    say`${mm(waterline)} on the water: about ${kmh(pace)} all day, ${(brief.distanceKm / pace).toFixed(1)} hours for the day's way.`,
  );
};

/** Waters that a short or a light hull is not for (judgement). */
const OPEN_WATER: readonly Brief['waters'][number][] = ['inshore', 'offshore'];
const SHORT = 3300;

const waters: Aspect = ({ hull, drawn, brief }) => {
  if (!brief.waters.some((w) => OPEN_WATER.includes(w))) return [];
  if (hull.kind === 'inflatable') return gives(say`Light in wind for open water.`);
  return drawn.length < SHORT ? gives(say`Short for open water.`) : [];
};

const standing: Aspect = ({ stands, drawn, limits }) => {
  if (!stands) return [];
  const floor = floorGrid(drawn);
  const room = floor && standingRoom(floor, []);
  const side = room ? Math.min(room.aft - room.fore, room.starboard - room.port) : 0;
  return side < limits.standing
    ? fails(say`Its clear deck is ${mm(side, 'down')} across; standing wants ${mm(limits.standing)}.`)
    : speaks(say`Clear deck of ${mm(side, 'down')} across to stand on.`);
};

const drive: Aspect = ({ brief, hull }) => [
  ...(brief.propulsion.includes('pedals') && !hull.traits?.includes('pedal')
    ? fails(say`It has no place for a pedal drive.`)
    : []),
  ...(brief.propulsion.includes('motor') && !hull.traits?.includes('motor')
    ? gives(say`No motor mount: a plate has to be bolted on.`)
    : []),
];

type Carried = Brief['carries'][number];
type Kind = HullModel['decks'][number]['kind'];

/**
 * Things that are carried, by the room they want on deck, length and width, mm (a 13 × 16 in crate is common practice; the
 * rest judgement), and where they go.
 */
const ROOM: Readonly<Partial<Record<Carried, { readonly room: readonly [number, number]; readonly on: readonly Kind[] }>>> = {
  crate: { room: [406, 330], on: ['tank well'] },
  cooler: { room: [480, 330], on: ['tank well'] },
  dog: { room: [700, 450], on: ['tank well', 'cockpit'] },
};

const fitsOnDeck = ({ decks }: HullModel, [long, wide]: readonly [number, number], on: readonly Kind[]): boolean =>
  decks.some(({ kind, fore, aft, port, starboard }) => {
    const [l, w] = [aft - fore, starboard - port];
    return on.includes(kind) && ((long <= l && wide <= w) || (wide <= l && long <= w));
  });

const carries: Aspect = ({ brief, hull }) =>
  brief.carries.flatMap((thing) => {
    const wants = ROOM[thing];
    return wants && !fitsOnDeck(hull, wants.room, wants.on)
      ? gives(say`No well for the ${thing}: ${mm(wants.room[0])} by ${mm(wants.room[1])}.`)
      : [];
  });

const holes: Aspect = ({ brief, hull }) =>
  hull.material === 'pvc fabric' && brief.holes === 'as needed'
    ? gives(say`Fabric is not drilled: everything is strapped or glued.`)
    : [];

const roof: Aspect = ({ brief: { road, lifts }, hull, limits }) => {
  const most = liftedEasily(lifts, limits);
  return road === 'roof' && hull.massKg > most
    ? fails(say`The bare hull weighs ${kg(hull.massKg)}; ${lifts === 'two' ? 'two lift' : 'one lifts'} ${kg(most)} to a roof.`)
    : [];
};

const way: Aspect = ({ brief: { way: how, lifts }, hull, limits }) => {
  if (how.metres <= 0) return [];
  if (how.by === 'carried') {
    const most = mostCarried(how, lifts, limits);
    return hull.massKg > most
      ? fails(
          say`Bare it weighs ${kg(hull.massKg)}; ${kg(most)} is carried ${ground(how.metres)} over ${GROUND_WORDS[how.ground]}.`,
        )
      : speaks(say`${kg(hull.massKg)}: it is carried to the water.`);
  }
  if (how.by === 'trailer') return speaks(say`${kg(hull.massKg)}, ${BY_WORDS.trailer}.`);
  const bears = { 'own wheels': hull.wheelsKg, cradle: limits.cradleKg, 'scupper cart': limits.cartKg }[how.by];
  return [
    ...(bears === undefined
      ? gives(say`It has no wheels of its own: a cart.`)
      : hull.massKg > bears
        ? fails(say`Bare it weighs ${kg(hull.massKg)}; it goes ${BY_WORDS[how.by]}, which bears ${kg(bears)}.`)
        : speaks(say`${kg(hull.massKg)}, ${BY_WORDS[how.by]}.`)),
    ...(ROLLS[how.ground] ? [] : gives(say`Wheels stick in ${GROUND_WORDS[how.ground]}.`)),
  ];
};

/** All that is asked of a hull, in the order it is told. */
export const ASPECTS: readonly Aspect[] = [rating, seats, steadiness, pace, waters, standing, drive, carries, holes, roof, way];
