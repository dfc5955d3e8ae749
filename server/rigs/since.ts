import { type Change, changeSchema } from '@plain-cleat/core/rig';
import type { RigSince } from '@plain-cleat/api';
import { Op } from 'sequelize';
import { ChangeRow } from '../database/models';
import { factsOf, findRig, holesOnHull, planOf } from './load';

/** Whoever is farther behind fetches the rig anew. */
const MOST = 200;

/** What a page knows of a rig. */
interface Known {
  readonly version: number;
  readonly facts: number;
}

/** The changes after a version, oldest first; null when they are too many, or were written by an earlier version of this product. */
async function changesSince(rigId: string, { version }: Known): Promise<ChangeRow[] | null> {
  const rows = await ChangeRow.findAll({
    where: { rigId, version: { [Op.gt]: version } },
    order: [['version', 'ASC']],
    limit: MOST + 1,
  });
  const readable = rows.every((r) => changeSchema.safeParse(JSON.parse(r.body)).success);
  return rows.length > MOST || !readable ? null : rows;
}

/** What happened to a rig since somebody last looked: changes and facts, and whatever else moved with them. */
export async function rigSince(rigId: string, author: string, known: Known): Promise<RigSince> {
  const row = await findRig(rigId);
  const [changes, facts] = await Promise.all([changesSince(row.id, known), factsOf(row.hullId)]);
  const plan = planOf(row);
  const upTo = (changes ?? []).filter((c) => c.version <= row.version);
  return {
    version: row.version,
    changes: changes && upTo.map((c) => ({ version: c.version, change: JSON.parse(c.body) as Change })),
    mine: upTo
      .filter((c) => c.author === author)
      .map((c) => ({ id: c.id, version: c.version, undoes: c.undoes, inverse: JSON.parse(c.inverse) as Change })),
    facts: facts.slice(known.facts),
    factCount: facts.length,
    others: await holesOnHull(row.hullId, facts, row.id),
    place: row.place as RigSince['place'],
    signed: facts.some((f) => f.kind === 'signed' && f.rig === plan.id),
  };
}
