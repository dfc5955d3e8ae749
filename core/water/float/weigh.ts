import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import type { Placed, Seating, Seatings } from '../../layout';
import { isMakers, type Plan } from '../../rig';
import type { ShopSettings } from '../../parts/shop';
import type { Memory } from '../../base/stages';
import { centreOf, floatBy, slicesOf, stabilityOf, type Floating, type Mass } from './floating';
import { afloatKg, centreOfPart, crewMasses, passengers, shellCentre, stowedMasses } from './masses';

/** What the weight follows from. */
export interface WeightInput extends Pick<Plan, 'stowage'> {
  readonly seats: Seatings;
  /** What stands aboard in the set shown. */
  readonly items: readonly Fitted[];
  readonly limits: ShopSettings['limits'];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
}

/** How the boat floats with what stands aboard: without what comes and goes, and with all of it. */
export interface Laden {
  readonly light: Floating;
  readonly laden: Floating;
  /** All of it without hull and crew, children and dogs among the crew. */
  readonly gearKg: number;
  /** Metacentric height with everything aboard, of who stands where somebody does, mm; null where it does not float. An estimate. */
  readonly steady: () => number | null;
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
export function weigh({ seats, items, takenOff, stowage, limits }: WeightInput, memory: Memory): Weight {
  const { surface } = seats.whole;
  const still = memory.while('still', [surface, stowage, takenOff]);
  const { slices, hull } = still.last('masses', [], () => ({ slices: slicesOf(surface), hull: hullAsItIs(surface, takenOff) }));
  const sittersOf = (seating: Seating): Mass[] => still.of('crew', seating, () => crewMasses(seating.surface, seating.brief));
  const ridersOf = (all: readonly Fitted[], { surface: here, brief }: Seating): Mass[] =>
    still.last('passengers', [brief, here, limits, ...all.filter((i) => i.placed.part.body.bears)], () =>
      passengers(here, all, brief, limits),
    );
  const crewOf = (all: readonly Fitted[], seating: Seating): Mass[] => [...sittersOf(seating), ...ridersOf(all, seating)];
  const massOf = ({ placed }: Fitted): Mass =>
    still.of('mass', placed, () => ({ kg: isMakers(placed.fitting) ? 0 : afloatKg(placed), at: centreOfPart(placed) }));
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
  const crew = crewOf(items, seats.shown);
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
      const gear = [...here.loose, ...here.fixed];
      const crew = crewOf(all, seating);
      const laden = floatOf([...gear, ...crew, hull]);
      return {
        light: floatOf([...here.fixed, ...crew, hull]),
        laden,
        gearKg: gear.reduce((sum, m) => sum + m.kg, 0),
        steady() {
          const { brief, surface: on } = seating;
          const up =
            brief.stands === 'both' ? [...crewMasses(on, { ...brief, stands: 'stands' }), ...ridersOf(all, seating)] : null;
          const worst = up ? floatOf([...gear, ...up, hull]) : laden;
          return worst.fault ? null : stabilityOf(slices, worst).gm;
        },
      };
    },
  };
}

/** The hull with what its maker fitted, less what is taken off of that. */
export function hullAsItIs(surface: HullSurface, takenOff: readonly Placed[]): Mass {
  const off = takenOff.filter((p) => isMakers(p.fitting)).map((p) => ({ kg: -p.part.body.massKg, at: centreOfPart(p) }));
  return centreOf([{ kg: surface.model.massKg, at: shellCentre(surface) }, ...off]);
}

const isLoose = (i: Fitted): boolean => i.mounted.hold === 'loose';
