import { type Cure, type CureSearch, leadWell, searchCures } from '@plain-cleat/core/cures';
import type { LineProposal } from '@plain-cleat/core/lines';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import { expose } from 'comlink';

export interface CureWorker {
  cures(
    input: WorkupInput,
    keys: readonly string[],
    how: Pick<CureSearch, 'units' | 'range'>,
    found: (key: string, cures: Cure[]) => void,
  ): void;
  lines(input: WorkupInput): LineProposal;
}

/** Searches cures of the findings asked for, bow to stern, and leads lines as is judged best, away from the screen. */
const worker: CureWorker = {
  cures(input, keys, how, found) {
    const { findings } = workUp(input);
    for (const f of findings.filter((one) => keys.includes(one.key)))
      found(f.key, searchCures(input, f, { ...how, budget: 90, newId: () => crypto.randomUUID() }));
  },
  lines: (input) => leadWell(input, workUp(input)),
};
expose(worker);
