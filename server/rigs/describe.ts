import type { FloorPlace, RigDocument } from '@plain-cleat/api';
import type { Range } from '../parts/range';
import { loadRig, todayIn } from './load';

/** A rig with all that its workup needs, for one who reads it. */
export async function describe(rigId: string, author: string, range: Range): Promise<RigDocument> {
  const [{ row, plan, hull, facts, others, mine, catalog, shop }, { hash }] = await Promise.all([
    loadRig(rigId, author),
    range.now(),
  ]);
  return {
    id: row.id,
    number: row.number,
    owner: { id: row.ownerId, name: row.owner, email: row.email },
    serial: row.serial,
    place: row.place as FloorPlace,
    version: row.version,
    factCount: row.factCount,
    plan,
    hull,
    facts: [...facts],
    others: [...(others ?? [])],
    catalog,
    range: hash,
    shop,
    today: todayIn(shop.timeZone),
    mine: [...mine],
    signed: facts.some((f) => f.kind === 'signed' && f.rig === plan.id),
  };
}
