import type { Run } from '@plain-cleat/core/rig';
import type { RigStore } from '../stores/rig.store';

/** A run with other fields, as the rigger's own: a new proposal leaves it. Another gauge or other conductors is another cable. */
export function ownRun(plan: Run, more: Partial<Run>): Run {
  const { proposed: _, aboard, ...own } = { ...plan, ...more };
  const same = !('awg' in more) && !('has' in more);
  return { ...own, ...(aboard && same ? { aboard } : {}) };
}

/** Sets a run of the plan; null deletes it. */
export const putRun = (store: RigStore, run: string, from: Run | null, to: Run | null): void =>
  store.change({ id: crypto.randomUUID(), kind: 'routeRun', run, from, to });
