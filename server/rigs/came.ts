import type { HullModel } from '@plain-cleat/core/boat/hull';
import { partKey, type Part } from '@plain-cleat/core/parts/parts';
import {
  fromEarlier,
  isMakers,
  linesKept,
  ownParts,
  partRef,
  runWithout,
  stockFittings,
  type CutFor,
  type Fitting,
  type Ledger,
  type Left,
  type Plan,
} from '@plain-cleat/core/rig';
import { cablesOf } from '@plain-cleat/core/electric/wiring';
import { workUp } from '@plain-cleat/core/workup';
import { randomUUID } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import { RigRow } from '../database/models';
import { newestParts, partsAt } from '../revisions/revisions';
import { factsOf, pinnedOf, planOf } from './load';

/** What is aboard a boat as a rig is opened on it. */
export interface Came extends Left {
  /** The rig it was left by, when that was signed for: what it left is the new one's now. */
  readonly setAside: RigRow | null;
}

/**
 * What comes with a boat: what its maker fits, and what the last rig on that very hull left on it. What the stores do not
 * know is left out: it is entered when stock is taken.
 *
 * @param hullId a hull that was here before; null for a new one
 */
export async function cameWith(model: HullModel, hullId: string | null, transaction: Transaction): Promise<Came> {
  const stock = await knownStock(model, transaction);
  const earlier = hullId === null ? null : await lastOn(hullId, transaction);
  if (!earlier) return { fittings: stock, sets: {}, own: {}, runs: {}, lines: {}, setAside: null };
  const { plan, ledger, cut } = earlier;
  const left = fromEarlier(plan, ledger, () => `c-${randomUUID().slice(0, 13)}`, cut);
  const there = [
    ...(await partsAt(Object.values(left.fittings).map(partRef), transaction)),
    ...ownParts({ ...plan, own: left.own }),
  ];
  const known = new Set(there.map(partKey));
  const fittings = standing(
    Object.entries({ ...stock, ...left.fittings }).filter(([, f]) => known.has(partKey(partRef(f))) || isMakers(f)),
  );
  const gone = (fitting: string): boolean => !Object.hasOwn(fittings, fitting);
  const runs = Object.fromEntries(
    Object.entries(left.runs).flatMap(([id, run]) => {
      const kept = runWithout(run, gone);
      return kept ? [[id, kept] as const] : [];
    }),
  );
  const lines = linesKept(left.lines, gone);
  return { fittings, sets: left.sets, own: left.own, runs, lines, setAside: ledger.signed ? earlier.row : null };
}

/** Without what stands on something that is not among them. */
function standing(all: readonly (readonly [string, Fitting])[]): Plan['fittings'] {
  const ids = new Set(all.map(([id]) => id));
  const held = all.filter(([, { place, tether }]) => {
    const on = place.on === 'fitting' ? place.fitting : null;
    return (on === null || ids.has(on)) && (!tether?.to || ids.has(tether.to));
  });
  return held.length === all.length ? Object.fromEntries(held) : standing(held);
}

/** The hull's stock, each in the newest revision of its part. */
async function knownStock(model: HullModel, transaction: Transaction): Promise<Plan['fittings']> {
  const parts = new Map<string, Part>(
    (await newestParts([...new Set(model.stock?.map((s) => s.part))], transaction)).map((p) => [p.id, p]),
  );
  return Object.fromEntries(
    Object.entries(stockFittings(model)).flatMap(([id, fitting]): [string, Fitting][] => {
      const part = parts.get(fitting.part);
      return part ? [[id, part.revision === undefined ? fitting : { ...fitting, revision: part.revision }]] : [];
    }),
  );
}

/** The last rig on a hull that was not set aside, with its plan and what was done for it. */
async function lastOn(
  hullId: string,
  transaction: Transaction,
): Promise<{ row: RigRow; plan: Plan; ledger: Ledger; cut: CutFor } | null> {
  const row = await RigRow.findOne({
    where: { hullId, place: { [Op.ne]: 'set aside' } },
    order: [['number', 'DESC']],
    transaction,
  });
  if (!row) return null;
  const plan = planOf(row);
  const [pinned, facts] = await Promise.all([pinnedOf(row, plan, transaction), factsOf(hullId)]);
  const { ledger, wiring, lines } = workUp({ plan, facts, ...pinned, asOf: plan.opened });
  return { row, plan, ledger, cut: { cables: cablesOf(wiring), lines } };
}
