import type { Fitted } from '../../holding/fitted';
import { centreOf, centreOfPart, hullAsItIs, type Mass } from '../float';
import type { HullSurface } from '../../boat/hull';
import { comesOff, type Placed } from '../../layout';
import { isMakers, type Brief, type Plan } from '../../rig';
import type { Memory } from '../../base/stages';
import { launchSteps, rigUpMinutes, roofTies, type LaunchStep, type RoofTies } from './launch';

/** What the boat off the water follows from. */
export interface AshoreInput extends Pick<Plan, 'runs'> {
  readonly surface: HullSurface;
  readonly road: Brief['road'];
  /** Every fitting of the rig once. */
  readonly owned: readonly Fitted[];
  /** What is taken off the boat. */
  readonly takenOff: readonly Placed[];
}

/** The boat off the water: what travels on it, and what is put on when it gets there. */
export interface Ashore {
  /** What stays on for the road. */
  readonly stays: readonly Fitted[];
  /** The hull with what its maker fitted, less what is taken off of that, kg. */
  readonly hullKg: number;
  /** What stays on besides, kg. */
  readonly gearKg: number;
  /** All that travels: hull and gear, and where it balances. */
  readonly all: Mass;
  /** What comes off for the road, in the order it goes on again at the water. */
  readonly launch: readonly LaunchStep[];
  /** How long that takes, whole minutes. */
  readonly rigUpMinutes: number;
  /** How it is tied on a roof; null where it does not go there. */
  readonly roof: RoofTies | null;
}

/** What travels on the boat, how it is tied, and what goes on at the water. */
export function goAshore({ surface, road, owned, takenOff, runs }: AshoreInput, memory: Memory): Ashore {
  const hull = memory.last('hull', [surface, takenOff], () => hullAsItIs(surface, takenOff));
  const stays = owned.filter((i) => !comesOff(i.placed));
  const gear = stays
    .filter((i) => !isMakers(i.placed.fitting))
    .map(({ placed }) => ({ kg: placed.part.body.massKg, at: centreOfPart(placed) }));
  const all = centreOf([hull, ...gear]);
  const launch = launchSteps(owned, runs);
  return {
    stays,
    hullKg: hull.kg,
    gearKg: all.kg - hull.kg,
    all,
    launch,
    rigUpMinutes: rigUpMinutes(launch),
    roof: road === 'roof' ? roofTies(surface, stays) : null,
  };
}
