import { readySteps, unsettled, workUp, type Workup } from '@plain-cleat/core';
import type { Progress } from '@plain-cleat/api';
import type { Logger } from 'pino';
import { RigRow } from '../database/models';
import { loadRig, todayIn } from './load';

/** What the floor shows of a rig: how far it is and what comes next. */
export function progressOf(w: Workup): Progress {
  const open = unsettled(w.findings);
  const toSettle: Record<string, number> = {};
  for (const f of open) toSettle[f.step] = (toSettle[f.step] ?? 0) + 1;
  const done = w.steps.filter((s) => s.done).length;
  const stops = open.filter((f) => f.severity === 'stop').length;
  const [next] = readySteps(w.steps);
  const settled = stops === 0;
  return {
    done,
    total: w.steps.length,
    toSettle,
    stops,
    next: w.closing.closed
      ? `Signed by ${w.ledger.signed?.name ?? ''}`
      : w.closing.changed
        ? 'Changed since signed: a new signature'
        : w.items.length === 0
          ? 'Lay it out'
          : !settled && done === 0
            ? `Settle ${stops} ${stops === 1 ? 'stop' : 'stops'} before drilling`
            : (next?.says ?? 'Walk the owner through and hand over'),
  };
}

/** Projects a rig's progress onto its row. It can always be made again, so a failure is only logged. */
export async function project(rigId: string, log: Logger): Promise<void> {
  try {
    const loaded = await loadRig(rigId);
    const w = workUp({ ...loaded, asOf: todayIn(loaded.shop.timeZone) });
    // Signed for, it leaves the floor; changed since, it is back.
    const { place } = loaded.row;
    const moved = w.closing.closed ? 'handed over' : place === 'handed over' && w.closing.changed ? 'yard' : place;
    await RigRow.update(
      { progress: JSON.stringify(progressOf(w)), place: moved },
      { where: { id: rigId, version: loaded.row.version } },
    );
  } catch (error) {
    log.warn({ err: error, rigId }, 'progress not projected');
  }
}
