import { type Change, changeSchema } from '@plain-cleat/core/rig';
import type { RigSince } from '@plain-cleat/api';
import { Op } from 'sequelize';
import { ChangeRow } from '../database/models';
import { factsOf, findRig, holesOnHull, planOf } from './load';
import { loggedChange } from './logged';

/** Whoever is farther behind fetches the rig anew. */
const MOST = 200;

/** What a page knows of a rig. */
interface Known {
  readonly version: number;
  readonly facts: number;
}

/** A change of the log as it was made, with its row. */
interface Told {
  readonly row: ChangeRow;
  readonly change: Change;
}

/** The changes after a version, oldest first; null when they are too many, or were written by an earlier version of this product. */
async function changesSince(rigId: string, { version }: Known): Promise<Told[] | null> {
  const rows = await ChangeRow.findAll({
    where: { rigId, version: { [Op.gt]: version } },
    order: [['version', 'ASC']],
    limit: MOST + 1,
  });
  if (rows.length > MOST) return null;
  const told: Told[] = [];
  for (const row of rows) {
    const read = changeSchema.safeParse(JSON.parse(row.body));
    if (!read.success) return null;
    told.push({ row, change: read.data });
  }
  return told;
}

/** What happened to a rig since somebody last looked: changes and facts, and whatever else moved with them. */
export async function rigSince(rigId: string, author: string, known: Known): Promise<RigSince> {
  const row = await findRig(rigId);
  const [changes, facts] = await Promise.all([changesSince(row.id, known), factsOf(row.hullId)]);
  const plan = planOf(row);
  const upTo = (changes ?? []).filter((told) => told.row.version <= row.version);
  return {
    version: row.version,
    changes: changes && upTo.map((told) => ({ version: told.row.version, change: told.change })),
    mine: upTo.flatMap((told) => (told.row.author === author ? (loggedChange(told.row) ?? []) : [])),
    facts: facts.slice(known.facts),
    factCount: facts.length,
    others: await holesOnHull(row.hullId, facts, row.id),
    place: row.place as RigSince['place'],
    signed: facts.some((f) => f.kind === 'signed' && f.rig === plan.id),
  };
}
