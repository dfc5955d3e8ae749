import { type Fix, type FixSearch, leadWell, searchFixes } from '@plain-cleat/core/proposals/fixes';
import type { LineProposal } from '@plain-cleat/core/lines';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import { expose } from 'comlink';

export interface FixWorker {
  fixes(
    input: WorkupInput,
    keys: readonly string[],
    how: Pick<FixSearch, 'units' | 'range'>,
    found: (key: string, fixes: Fix[]) => Promise<void>,
  ): Promise<void>;
  lines(input: WorkupInput): LineProposal;
}

/** Searches fixes of the findings asked for, bow to stern, and leads lines as is judged best, away from the screen. */
const worker: FixWorker = {
  async fixes(input, keys, how, found) {
    const { findings } = workUp(input);
    for (const f of findings.filter((one) => keys.includes(one.key)))
      await found(f.key, searchFixes(input, f, { ...how, budget: 90, newId: () => crypto.randomUUID() }));
  },
  lines: (input) => leadWell(input, workUp(input)),
};
expose(worker);
