import {
  type Change,
  changeSchema,
  savedFactSchema,
  type Plan,
  planSchema,
  type RigSet,
  type SimpleChange,
  upcastPlan,
  withEach,
} from '@plain-cleat/core/rig';
import { withoutOwner } from '@plain-cleat/core/base/stored';
import { QueryTypes, type Sequelize } from 'sequelize';
import { notFound } from '../problems/problem';

/** What stands where somebody's name stood. */
export const FORGOTTEN = 'a forgotten owner';
/** Figures of nobody: a body is not told apart by them, and the plan still holds together. */
const NOBODY = { stature: 1750, weightKg: 80 } as const;
type Brief = Plan['brief'];

/** A brief, or what was answered of one, without what it says of a body. */
function withoutBody<T extends Partial<Brief>>(brief: T): T {
  const out: Record<string, unknown> = { ...brief };
  for (const key of ['stature', 'weightKg'] as const) if (key in out) out[key] = NOBODY[key];
  if ('second' in out && out.second) out.second = { ...NOBODY };
  if ('paddle' in out) out.paddle = null;
  return out as T;
}

/** A set without the bodies of guests: where and how the seat stands is of the boat. */
function withoutGuests(set: RigSet): RigSet {
  const { sits } = set;
  if (!sits) return set;
  const bare = <S extends { body?: unknown }>({ body: _, ...how }: S): Omit<S, 'body'> => how;
  const { first, second } = sits;
  return {
    ...set,
    sits: { ...sits, ...(first ? { first: bare(first) } : {}), ...(second ? { second: bare(second) } : {}) },
  };
}

/** A plan without the owner: their words are overwritten, body figures are said not to be kept, photos are gone. */
function forgottenPlan(stored: Plan): Plan {
  const plan = withoutOwner(planSchema, stored) as Plan;
  return {
    ...plan,
    brief: { ...withoutBody(plan.brief), forgotten: true },
    sets: Object.fromEntries(Object.entries(plan.sets).map(([id, set]) => [id, withoutGuests(set)])),
    photos: {},
  };
}

/** One change of the log without what it says of bodies; its id, kind and fields stay. */
function withoutBodies(change: SimpleChange): SimpleChange {
  if (change.kind === 'answerBrief') return { ...change, from: withoutBody(change.from), to: withoutBody(change.to) };
  if (change.kind === 'nameSet')
    return { ...change, from: change.from && withoutGuests(change.from), to: change.to && withoutGuests(change.to) };
  return change;
}

/** A change of the log with its values overwritten. One of an earlier version, which nobody reads any more, keeps its id alone. */
function forgottenChange(stored: unknown): unknown {
  const read = changeSchema.safeParse(stored);
  if (!read.success) return { id: (stored as { readonly id?: unknown }).id, kind: 'forgotten' };
  return withEach(withoutOwner(changeSchema, read.data) as Change, withoutBodies);
}

/**
 * Forgets an owner: name, address, body, photos, signatures and every text in which their words or name may stand leave
 * the register, the plans, the log and its inverses, the facts and what was made of them. Values are overwritten and ids
 * stay; undo ends here. Holes, parts and the ledger of the hull stay: they are of the boat (docs/installing.md lists it).
 *
 * @param db opened by the account that may erase
 * @throws HttpProblem 404 when there is no such owner
 */
export async function forgetOwner(db: Sequelize, ownerId: string): Promise<{ rigs: number; photos: number }> {
  return db.transaction(async (transaction) => {
    const run = (sql: string, replacements: Record<string, unknown>): Promise<unknown> =>
      db.query(sql, { replacements, transaction });
    const rows = <T extends object>(sql: string, replacements: Record<string, unknown>): Promise<T[]> =>
      db.query<T>(sql, { replacements, type: QueryTypes.SELECT, transaction });
    const [owner] = await rows<{ id: string }>('SELECT id FROM owners WHERE id = :ownerId FOR UPDATE', { ownerId });
    if (!owner) throw notFound('owner', 'there is no such owner');
    await run(`UPDATE owners SET name = :name, email = '' WHERE id = :ownerId`, { name: FORGOTTEN, ownerId });
    // A hull's serial number tells whose it is; what was drilled into it stays.
    await run(`UPDATE hulls SET notes = '' WHERE ownerId = :ownerId`, { ownerId });
    for (const { id, body } of await rows<{ id: number; body: string }>(
      'SELECT f.seq AS id, f.body FROM facts f JOIN hulls h ON h.id = f.hullId WHERE h.ownerId = :ownerId',
      { ownerId },
    )) {
      // A fact of the boat stays; whose name, words and hand stood under it go.
      const after = JSON.stringify(withoutOwner(savedFactSchema, JSON.parse(body)));
      if (after !== body) await run('UPDATE facts SET body = :after WHERE seq = :id', { after, id });
    }
    const rigs = await rows<{ id: string; plan: string }>('SELECT id, plan FROM rigs WHERE ownerId = :ownerId FOR UPDATE', {
      ownerId,
    });
    for (const rig of rigs) await forgetInRig(rig, run, (id) => rows('SELECT id, body FROM changes WHERE rigId = :id', { id }));
    const [{ photos = 0 } = {}] = await rows<{ photos: number }>(
      'SELECT COUNT(*) AS photos FROM photos p JOIN rigs r ON r.id = p.rigId WHERE r.ownerId = :ownerId',
      { ownerId },
    );
    await run('DELETE p FROM photos p JOIN rigs r ON r.id = p.rigId WHERE r.ownerId = :ownerId', { ownerId });
    await run('DELETE p FROM projections p JOIN rigs r ON r.id = p.rigId WHERE r.ownerId = :ownerId', { ownerId });
    await run('DELETE l FROM owner_links l JOIN rigs r ON r.id = l.rigId WHERE r.ownerId = :ownerId', { ownerId });
    return { rigs: rigs.length, photos };
  });
}

async function forgetInRig(
  rig: { readonly id: string; readonly plan: string },
  run: (sql: string, replacements: Record<string, unknown>) => Promise<unknown>,
  changesOf: (rigId: string) => Promise<{ id: string; body: string }[]>,
): Promise<void> {
  const plan = forgottenPlan(planSchema.parse(upcastPlan(JSON.parse(rig.plan))));
  // A new version, so that whoever has the rig open is told.
  await run('UPDATE rigs SET plan = :plan, title = :title, version = version + 1 WHERE id = :id', {
    plan: JSON.stringify(plan),
    title: plan.title,
    id: rig.id,
  });
  for (const { id, body } of await changesOf(rig.id)) {
    const after = JSON.stringify(forgottenChange(JSON.parse(body)));
    await run(`UPDATE changes SET body = :after, inverse = 'null' WHERE rigId = :rig AND id = :id`, { after, rig: rig.id, id });
  }
}

/**
 * All the shop keeps of an owner, as one document.
 * @throws HttpProblem 404 when there is no such owner
 */
export async function dataOf(db: Sequelize, ownerId: string): Promise<unknown> {
  const rows = <T extends object>(sql: string): Promise<T[]> =>
    db.query<T>(sql, { replacements: { ownerId }, type: QueryTypes.SELECT });
  const [owner] = await rows<{ id: string; name: string; email: string }>(
    'SELECT id, name, email FROM owners WHERE id = :ownerId',
  );
  if (!owner) throw notFound('owner', 'there is no such owner');
  const [hulls, rigs, facts, photos] = await Promise.all([
    rows('SELECT id, modelId AS model, serial, year, colour, notes FROM hulls WHERE ownerId = :ownerId ORDER BY id'),
    rows<{ plan: string }>('SELECT number, hullId AS hull, plan FROM rigs WHERE ownerId = :ownerId ORDER BY number'),
    rows<{ body: string }>(
      'SELECT f.hullId AS hull, f.body FROM facts f JOIN hulls h ON h.id = f.hullId WHERE h.ownerId = :ownerId ORDER BY f.seq',
    ),
    rows<{ bytes: Buffer }>(
      'SELECT p.id, r.number AS rig, p.mime, p.bytes FROM photos p JOIN rigs r ON r.id = p.rigId WHERE r.ownerId = :ownerId ORDER BY p.id',
    ),
  ]);
  return {
    owner,
    hulls,
    rigs: rigs.map((r) => ({ ...r, plan: JSON.parse(r.plan) as unknown })),
    facts: facts.map((f) => ({ ...f, body: JSON.parse(f.body) as unknown })),
    photos: photos.map((p) => ({ ...p, bytes: p.bytes.toString('base64') })),
  };
}
