import { type Cure, searchCures, type UnitSystem, workUp, type WorkupInput } from '@plain-cleat/core';
import { expose } from 'comlink';

export interface CureWorker {
  cures(input: WorkupInput, units: UnitSystem): Record<string, Cure[]>;
}

/** Searches cures of every curable finding, away from the screen. */
const worker: CureWorker = {
  cures(input, units) {
    const { findings } = workUp(input);
    const open = findings.filter((f) => f.curable && !f.accepted);
    return Object.fromEntries(
      open.map((f) => [f.key, searchCures(input, f, { units, budget: 160, newId: () => crypto.randomUUID() })]),
    );
  },
};
expose(worker);
