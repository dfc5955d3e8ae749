import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import type { Placed, Seating, Seatings } from '../layout';
import { isMakers, type Plan } from '../rig';
import type { Memory } from '../stages';
import { centreOf, floatBy, slicesOf, type Floating, type Mass } from './floating';
import { centreOfPart, crewMasses, shellCentre, stowedMasses } from './masses';

/** What the weight follows from. */
export interface WeightInput extends Pick<Plan, 'stowage'> {
  readonly seats: Seatings;
  /** What stands aboard in the set shown. */
  readonly items: readonly Fitted[];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
}

/** How the boat floats with what stands aboard: without what comes and goes, and with all of it. */
export interface Laden {
  readonly light: Floating;
  readonly laden: Floating;
}

/** Where the weight is, and how it floats the boat. */
export interface Weight {
  readonly gearKg: number;
  readonly totalKg: number;
  /** Balance point of gear and paddler, without the hull. */
  readonly x: number;
  readonly y: number;
  /** With everything in the set shown. */
  readonly float: Floating;
  /** The same of what stands aboard in any set, with those who sit there. */
  readonly of: (items: readonly Fitted[], seating: Seating) => Laden;
}

/** Weighs what stands aboard: fittings, stowage, crew and the hull itself. */
export function weigh({ seats, items, takenOff, stowage }: WeightInput, memory: Memory): Weight {
  const { surface } = seats.whole;
  const still = memory.while('still', [surface, stowage, takenOff]);
  const { slices, hull } = still.last('masses', [], () => ({ slices: slicesOf(surface), hull: hullAsItIs(surface, takenOff) }));
  const crewOf = (seating: Seating): Mass[] => still.of('crew', seating, () => crewMasses(seating.surface, seating.brief));
  const massOf = ({ placed }: Fitted): Mass =>
    still.of('mass', placed, () => ({ kg: isMakers(placed.fitting) ? 0 : placed.part.body.massKg, at: centreOfPart(placed) }));
  const floatOf = (masses: readonly Mass[]): Floating => {
    const { kg, at } = centreOf(masses);
    return still.among('floats', [kg, at.x, at.y, at.z].join(), () => floatBy(slices, masses));
  };
  /** What is stowed moves with what it is in. */
  const stowedIn = (all: readonly Fitted[], { surface: here, brief }: Seating): Mass[] => {
    const holders = all.filter((i) => i.placed.part.contains);
    return still.last('stowed', [brief, here, ...holders], () => stowedMasses(here, holders, { brief, stowage }));
  };
  const parted = (all: readonly Fitted[], seating: Seating): { loose: Mass[]; fixed: Mass[] } => ({
    loose: [...all.filter(isLoose).map(massOf), ...stowedIn(all, seating)],
    fixed: all.filter((i) => !isLoose(i)).map(massOf),
  });
  const { loose, fixed } = parted(items, seats.shown);
  const crew = crewOf(seats.shown);
  const gear = centreOf([...loose, ...fixed]);
  const carried = centreOf([...loose, ...fixed, ...crew]);
  return {
    gearKg: gear.kg,
    totalKg: carried.kg + hull.kg,
    x: carried.at.x,
    y: carried.at.y,
    float: floatOf([...loose, ...fixed, ...crew, hull]),
    of(all, seating) {
      const here = parted(all, seating);
      const light = [...here.fixed, ...crewOf(seating), hull];
      return { light: floatOf(light), laden: floatOf([...here.loose, ...light]) };
    },
  };
}

/** The hull with what its maker fitted, less what is taken off of that. */
export function hullAsItIs(surface: HullSurface, takenOff: readonly Placed[]): Mass {
  const off = takenOff.filter((p) => isMakers(p.fitting)).map((p) => ({ kg: -p.part.body.massKg, at: centreOfPart(p) }));
  return centreOf([{ kg: surface.model.massKg, at: shellCentre(surface) }, ...off]);
}

const isLoose = (i: Fitted): boolean => i.mounted.hold === 'loose';
