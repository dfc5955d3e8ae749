import { type Cure, searchCures } from '@plain-cleat/core/cures';
import type { UnitSystem } from '@plain-cleat/core/units';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import { expose } from 'comlink';

export interface CureWorker {
  cures(input: WorkupInput, keys: readonly string[], units: UnitSystem, found: (key: string, cures: Cure[]) => void): void;
}

/** Searches cures of the findings asked for, bow to stern, away from the screen. */
const worker: CureWorker = {
  cures(input, keys, units, found) {
    const { findings } = workUp(input);
    for (const f of findings.filter((one) => keys.includes(one.key)))
      found(f.key, searchCures(input, f, { units, budget: 90, newId: () => crypto.randomUUID() }));
  },
};
expose(worker);
