import { containersOf, contentsOf } from '../../holding/inside';
import type { Fitted } from '../../holding/fitted';
import type { HullSurface } from '../../boat/hull';
import { OFTEN } from '../../parts/parts';
import type { Plan } from '../../rig';

/** What is in one container, as its owner reads it, in the order it is packed. */
export interface Contents {
  readonly letter: string;
  readonly name: string;
  readonly french: string;
  readonly things: readonly string[];
}

/** What is in each container that has anything in it: rooms bow to stern, then fittings; what is only planned is left out. */
export const contents = (hull: HullSurface, items: readonly Fitted[], { stowage }: Pick<Plan, 'stowage'>): Contents[] =>
  containersOf(hull, items).flatMap((c): Contents[] => {
    const things = contentsOf(stowage, c)
      .flatMap(([, s]) => (s.later ? [] : [s]))
      // As it is packed: what is wanted least often goes in first, the heavy before the light.
      .sort((a, b) => OFTEN.indexOf(b.use) - OFTEN.indexOf(a.use) || b.kg - a.kg)
      .map((s) => s.what);
    return things.length ? [{ letter: c.letter, name: c.name, french: c.french, things }] : [];
  });
