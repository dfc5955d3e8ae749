import { type Fact, type NewFact, sameJson } from '@plain-cleat/core/rig';
import type { SavedFacts, SendFacts } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { inTransaction } from '../database/transaction';
import { inTurn } from '../database/turns';
import { FactRow, HullRow, RigRow, StaffRow } from '../database/models';
import { badInput, notFound } from '../problems/problem';
import { readProof } from '../staff/proof';

/** Who kept some facts; and whether they were gone by when the facts came. */
export interface SavedBy {
  readonly name: string;
  readonly left?: boolean;
}

/**
 * Appends facts to the hull of a rig. Never refused as stale; an id that came before is kept once.
 * Lock order is hull, then rig; facts need the hull alone.
 */
export async function saveFacts(db: Sequelize, rigId: string, by: SavedBy, facts: readonly NewFact[]): Promise<SavedFacts> {
  const rig = await RigRow.findByPk(rigId);
  if (!rig) throw notFound('rig', `there is no rig ${rigId.slice(0, 64)}`);
  const planId = (JSON.parse(rig.plan) as { id: string }).id;
  facts.forEach((f, i) => {
    if (f.rig !== null && f.rig !== planId) throw badInput([{ field: `facts.${i}.rig`, says: `this rig's plan is ${planId}` }]);
  });
  return appendFacts(db, rig.hullId, by, facts);
}

/** Whom the proof of a tablet names; null when it names nobody any more. */
export async function provenBy(proof: string, secret: string): Promise<StaffRow | null> {
  const id = readProof(proof, secret);
  return id ? StaffRow.findByPk(id) : null;
}

/**
 * Whose facts they are that a tablet kept without a network and somebody else may send now: those of whom its
 * proof names, and marked when they left since; when it no longer holds, of whom the tablet says, and who sent them.
 */
export async function whoKept(
  { name, proof }: NonNullable<SendFacts['keptBy']>,
  sender: string,
  secret: string,
): Promise<SavedBy> {
  const row = await provenBy(proof, secret);
  if (row) return { name: row.name, left: row.ended !== null };
  return { name: name === sender ? sender : `${name}, sent by ${sender}`.slice(0, 80) };
}

/** Whether facts vouch for a step let pass: that is a manager's to say, as letting it pass was. */
export async function vouchesForPasses(rigId: string, facts: readonly NewFact[]): Promise<boolean> {
  const named = facts.flatMap((f) => (f.kind === 'vouched' ? f.facts : []));
  if (named.length === 0) return false;
  const rig = await RigRow.findByPk(rigId, { attributes: ['hullId'] });
  return rig !== null && (await FactRow.count({ where: { hullId: rig.hullId, id: named, kind: 'gatePassed' } })) > 0;
}

/** What may be kept of a hull that is under no rig: holes found, opened, plugged, and its measures. */
const OF_A_HULL: readonly NewFact['kind'][] = ['holeFound', 'holeOpened', 'holePlugged', 'readingTaken', 'tookBack'];

/** Appends facts to a hull that concern no rig. */
export async function saveHullFacts(db: Sequelize, hullId: string, by: string, facts: readonly NewFact[]): Promise<SavedFacts> {
  facts.forEach((f, i) => {
    if (f.rig !== null) throw badInput([{ field: `facts.${i}.rig`, says: 'a fact of the hull alone names no rig' }]);
    if (!OF_A_HULL.includes(f.kind)) throw badInput([{ field: `facts.${i}.kind`, says: `${f.kind} happens under a rig` }]);
  });
  return appendFacts(db, hullId, { name: by }, facts);
}

const appendFacts = (db: Sequelize, hullId: string, by: SavedBy, facts: readonly NewFact[]): Promise<SavedFacts> =>
  inTurn(`hull ${hullId}`, () => inTransaction(db, (transaction) => append(hullId, by, facts, transaction)));

async function append(hullId: string, by: SavedBy, facts: readonly NewFact[], transaction: Transaction): Promise<SavedFacts> {
  const hull = await HullRow.findByPk(hullId, { transaction, lock: transaction.LOCK.UPDATE });
  if (!hull) throw notFound('hull', 'there is no such hull');
  const known = await FactRow.findAll({ where: { hullId: hull.id, id: facts.map((f) => f.id) }, transaction });
  const seen = new Map(known.map((k) => [k.id, JSON.parse(k.body) as Fact]));
  const kept: Fact[] = [];
  for (const [i, f] of facts.entries()) {
    const before = seen.get(f.id);
    if (before && !sameJson(saidOf(before), f))
      throw badInput([{ field: `facts.${i}.id`, says: 'this id came before with another fact: give yours a new one' }]);
    const mark = by.left ? { unproven: 'of one who left' as const } : {};
    const fact: Fact = before ?? { ...f, by: by.name, serverTime: new Date().toISOString(), ...mark };
    kept.push(fact);
    if (before) continue;
    seen.set(f.id, fact);
    await FactRow.create(
      { hullId: hull.id, id: f.id, kind: f.kind, by: by.name, serverTime: fact.serverTime, body: JSON.stringify(fact) },
      { transaction },
    );
  }
  const factCount = await FactRow.count({ where: { hullId: hull.id }, transaction });
  await HullRow.update({ factCount }, { where: { id: hull.id }, transaction });
  return { factCount, facts: kept };
}

/** A fact as it was sent, without who kept it and when. */
function saidOf({ by: _by, serverTime: _time, unproven: _mark, ...said }: Fact): unknown {
  return said;
}
