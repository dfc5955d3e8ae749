import type { ShopSettings } from '../shop';
import type { Fitted } from '../drilling';
import type { HullSurface } from '../hull';
import type { Plan } from '../rig';
import type { Memory } from '../stages';
import { wireRun, type WiredRun } from './run';

/** What the wiring follows from. */
export interface WiringInput {
  readonly surface: HullSurface;
  readonly runs: Plan['runs'];
  readonly owned: readonly Fitted[];
  readonly shop: ShopSettings;
}

export interface Wiring {
  readonly runs: readonly WiredRun[];
}

/** Every run between fittings aboard, worked out; one without both its ends is left out. */
export function wireUp({ surface, runs, owned, shop }: WiringInput, memory: Memory): Wiring {
  const byId = new Map(owned.map((i) => [i.placed.id, i.placed]));
  return {
    runs: Object.entries(runs).flatMap(([id, run]) => {
      const [source, load] = [byId.get(run.from), byId.get(run.to)];
      if (!source || !load) return [];
      return (
        memory.last(id, [surface, run, source, load, shop], () => wireRun({ hull: surface, id, run, source, load, shop })) ?? []
      );
    }),
  };
}
