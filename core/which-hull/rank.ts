import { crewMasses, floatBy, immersed, shellCentre, slicesOf, waterAt, type Floating, type Slices } from '../float';
import { fairHull, satIn, seated, type HullModel, type HullSurface } from '../hull';
import { floorGrid, seatForLegs, standingRoom } from '../layout';
import { BY_WORDS, GROUND_WORDS, type Brief } from '../rig';
import type { ShopSettings } from '../shop';
import { kg, mm, say, type Sentence } from '../units';
import { mostCarried, ROLLS } from '../way';

/** What is asked of a hull before one is chosen: the answers of a brief that matter to it, and a guess of the gear. */
export interface HullAsk {
  readonly brief: Brief;
  readonly gearKg: number;
}

/** A hull for a brief: what rules it out, what would have to give, and the reasons for it. */
export interface HullRank {
  readonly hull: HullModel;
  /** What nobody can settle on this hull. */
  readonly fails: readonly Sentence[];
  /** What would have to give. */
  readonly gives: readonly Sentence[];
  readonly reasons: readonly Sentence[];
  /** Under its rating with crew and gear, kg. */
  readonly reserveKg: number;
  /** Metacentric height as they use it, mm: an estimate. */
  readonly steady: number;
  /** Length on the water, mm. */
  readonly waterline: number;
}

/** So much gear a tier brings, before anything is chosen (judgement), kg. */
export const USUAL_GEAR: Readonly<Record<Brief['tier'], number>> = { bare: 8, working: 18, everything: 35 };

const GRAVITY = 9.80665;
/** A hull that pushes water aside is held back by its own wave from about this Froude number (any text on ship resistance). */
const FROUDE = 0.4;
/** A loaded boat is driven at about this share of that all day (judgement; 5 to 7 km/h is common practice). */
const ALL_DAY = 0.7;

/** What a day's pace is for a length on the water: km/h. */
export const paceOf = (waterline: number): number => ALL_DAY * FROUDE * Math.sqrt((GRAVITY * waterline) / 1000) * 3.6;

/** Things that are carried, by the room they want on deck: length and width, mm (a 13 × 16 in crate is common practice; the rest judgement). */
const ROOM: Readonly<Partial<Record<Brief['carries'][number], readonly [number, number]>>> = {
  crate: [406, 330],
  cooler: [480, 330],
  dog: [700, 450],
};
/** Less than this share of the rating left is little (judgement). */
const LITTLE = 0.1;
/** Waters that a short or a light hull is not for (judgement). */
const OPEN_WATER: readonly Brief['waters'][number][] = ['inshore', 'offshore'];
const SHORT = 3300;

/** Metacentric height of a floating: centre of buoyancy over the keel, and the water plane's second moment over the volume. */
export function metacentric(slices: Slices, float: Floating): number {
  const f = immersed(slices, float.level, float.slope);
  return f.volume === 0 ? 0 : f.up / f.volume + f.across / f.volume - float.centre.z;
}

/** How long the boat is on the water, mm. */
function waterlineOf(hull: HullSurface, float: Floating): number {
  const STEP = 10;
  const wet = Array.from({ length: Math.ceil(hull.length / STEP) }, (_, i) => (i + 0.5) * STEP).filter(
    (x) => hull.keel(x) < waterAt(float, x),
  );
  return wet.length * STEP;
}

function fitsOnDeck({ decks }: HullModel, [long, wide]: readonly [number, number], kinds: readonly string[]): boolean {
  return decks.some((d) => {
    const [l, w] = [d.aft - d.fore, d.starboard - d.port];
    return kinds.includes(d.kind) && ((long <= l && wide <= w) || (wide <= l && long <= w));
  });
}

/** One hull for a brief. */
function judgeHull(hull: HullModel, { brief, gearKg }: HullAsk, shop: ShopSettings): HullRank {
  const [fails, gives, reasons]: [Sentence[], Sentence[], Sentence[]] = [[], [], []];
  const { limits } = shop;
  const crewKg = brief.weightKg + (brief.second?.weightKg ?? 0);
  const reserveKg = hull.capacityKg - crewKg - gearKg;
  if (reserveKg < 0) fails.push(say`Crew and gear are ${kg(-reserveKg)} over its rating of ${kg(hull.capacityKg)}.`);
  else if (reserveKg < LITTLE * hull.capacityKg) gives.push(say`Only ${kg(reserveKg)} are left under its rating.`);
  else reasons.push(say`${kg(reserveKg)} are left under its rating of ${kg(hull.capacityKg)}.`);

  const legs = seatForLegs(brief.stature, hull);
  if (!legs) fails.push(say`No place of its seat fits these legs.`);
  else if (hull.feet)
    reasons.push(say`These legs fit with the seat ${mm(legs.fore, 'up')} to ${mm(legs.aft, 'down')} from the bow.`);
  if (brief.second && !hull.secondSeat) fails.push(say`It has one seat.`);
  if (!brief.second && hull.traits?.includes('tandem')) gives.push(say`It is built for two.`);

  const at = legs ? Math.min(legs.aft, Math.max(legs.fore, hull.seat.x)) : hull.seat.x;
  const plain = { at: null, raise: 0 };
  const drawn = fairHull(hull);
  const model = seated(hull, {
    first: { at: Math.abs(at - hull.seat.x) < 1 ? null : at, raise: brief.raise },
    second: plain,
    feet: null,
  });
  const surface = satIn(drawn, model);
  const slices = slicesOf(drawn);
  const shell = shellCentre(drawn);
  const well = hull.decks.find((d) => d.kind === 'tank well');
  const gearAt = well
    ? { x: (well.fore + well.aft) / 2, y: 0, z: well.height + 150 }
    : { x: hull.seat.x + 600, y: 0, z: drawn.gunwale(hull.seat.x) };
  const floatOf = (stands: Brief['stands']): Floating =>
    floatBy(slices, [{ kg: hull.massKg, at: shell }, { kg: gearKg, at: gearAt }, ...crewMasses(surface, { ...brief, stands })]);
  const stands = brief.stands !== 'sits';
  const float = floatOf('sits');
  const steady = metacentric(slices, stands ? floatOf('stands') : float);
  if (float.fault) fails.push(say`It does not float under all that: ${float.fault}.`);
  else if (steady <= 0) fails.push(say`It does not stay upright with them ${stands ? 'standing' : 'seated'} (an estimate).`);
  else reasons.push(say`Steady ${stands ? 'standing' : 'seated'}: metacentric height ${mm(steady, 'down')}, an estimate.`);

  const waterline = waterlineOf(drawn, float);
  const pace = paceOf(waterline);
  if (brief.distanceKm > 0)
    reasons.push(
      say`${mm(waterline)} on the water: about ${pace.toFixed(1)} km/h all day, ${(brief.distanceKm / pace).toFixed(1)} hours for the day's way.`,
    );
  if (brief.waters.some((w) => OPEN_WATER.includes(w))) {
    if (hull.kind === 'inflatable') gives.push(say`Light in wind for open water.`);
    else if (drawn.length < SHORT) gives.push(say`Short for open water.`);
  }

  if (stands) {
    const floor = floorGrid(drawn);
    const room = floor && standingRoom(floor, []);
    const side = room ? Math.min(room.aft - room.fore, room.starboard - room.port) : 0;
    if (side < limits.standing)
      fails.push(say`Its clear deck is ${mm(side, 'down')} across; standing wants ${mm(limits.standing)}.`);
    else reasons.push(say`Clear deck of ${mm(side, 'down')} across to stand on.`);
  }
  if (brief.propulsion.includes('pedals') && !hull.traits?.includes('pedal')) fails.push(say`It has no place for a pedal drive.`);
  if (brief.propulsion.includes('motor') && !hull.traits?.includes('motor'))
    gives.push(say`No motor mount: a plate has to be bolted on.`);
  for (const thing of brief.carries) {
    const room = ROOM[thing];
    if (room && !fitsOnDeck(hull, room, thing === 'dog' ? ['tank well', 'cockpit'] : ['tank well']))
      gives.push(say`No well for the ${thing}: ${mm(room[0])} by ${mm(room[1])}.`);
  }
  if (hull.material === 'pvc fabric' && brief.holes === 'as needed')
    gives.push(say`Fabric is not drilled: everything is strapped or glued.`);

  const lifted = limits.aloneKg * (brief.lifts === 'two' ? 2 : 1);
  if (brief.road === 'roof' && hull.massKg > lifted)
    fails.push(
      say`The bare hull weighs ${kg(hull.massKg)}; ${brief.lifts === 'two' ? 'two lift' : 'one lifts'} ${kg(lifted)} to a roof.`,
    );
  const { way } = brief;
  if (way.by === 'carried' && way.metres > 0) {
    const most = mostCarried(way, brief.lifts, limits);
    if (hull.massKg > most)
      fails.push(
        say`Bare it weighs ${kg(hull.massKg)}; ${kg(most)} is carried ${way.metres} m over ${GROUND_WORDS[way.ground]}.`,
      );
    else reasons.push(say`${kg(hull.massKg)}: it is carried to the water.`);
  } else if (way.metres > 0) {
    const bears = way.by === 'own wheels' ? (hull.wheelsKg ?? 0) : way.by === 'cradle' ? limits.cradleKg : limits.cartKg;
    if (way.by === 'own wheels' && hull.wheelsKg === undefined) gives.push(say`It has no wheels of its own: a cart.`);
    else if (way.by !== 'trailer' && hull.massKg > bears)
      fails.push(say`Bare it weighs ${kg(hull.massKg)}; it goes ${BY_WORDS[way.by]}, which bears ${kg(bears)}.`);
    else reasons.push(say`${kg(hull.massKg)}, ${BY_WORDS[way.by]}.`);
    if (way.by !== 'trailer' && !ROLLS[way.ground]) gives.push(say`Wheels stick in ${GROUND_WORDS[way.ground]}.`);
  }
  return { hull, fails, gives, reasons, reserveKg, steady, waterline };
}

/** A boat with this share of its rating left has enough (judgement). */
const ENOUGH = 0.3;
/** Further than this a day a longer hull is worth more than a steadier one (judgement), km. */
const FAR = 12;

/**
 * The shop's hulls for a brief. What nothing rules out comes first, then what least would have to give; of equals the
 * longer for a long way, the steadier for who stands, else what has enough left under its rating and is lightest. Never one
 * score: the reasons are said.
 */
export function rankHulls(hulls: readonly HullModel[], ask: HullAsk, shop: ShopSettings): HullRank[] {
  const { brief } = ask;
  // Enough is enough: past that a lighter boat is worth more.
  const reserve = (r: HullRank): number => Math.min(ENOUGH, r.reserveKg / r.hull.capacityKg) - r.hull.massKg / 10_000;
  const better = (r: HullRank): number =>
    brief.distanceKm > FAR ? r.waterline : brief.stands === 'sits' ? reserve(r) : r.steady;
  return hulls
    .map((hull) => judgeHull(hull, ask, shop))
    .sort((a, b) => a.fails.length - b.fails.length || a.gives.length - b.gives.length || better(b) - better(a));
}
