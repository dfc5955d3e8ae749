import type { Fitted } from '../drilling';
import { centreOf, centreOfPart, shellCentre, type Mass } from '../float';
import type { HullSurface } from '../hull';
import { comesOff } from '../layout';
import { isMakers } from '../rig';

/** What goes by road on the boat. */
export interface Travelling {
  readonly stays: readonly Fitted[];
  /** What stays on weighs so much; what the maker fitted is in the hull's own weight. */
  readonly gearKg: number;
  /** Hull and all that stays on it, and where it balances. */
  readonly all: Mass;
}

/** What travels on the boat: the hull with everything that is not taken off for the road. */
export function travelling(hull: HullSurface, owned: readonly Fitted[]): Travelling {
  const stays = owned.filter((i) => !comesOff(i.placed));
  const gear = stays
    .filter((i) => !isMakers(i.placed.fitting))
    .map(({ placed }) => ({ kg: placed.part.body.massKg, at: centreOfPart(placed) }));
  const all = centreOf([{ kg: hull.model.massKg, at: shellCentre(hull) }, ...gear]);
  return { stays, gearKg: all.kg - hull.model.massKg, all };
}
