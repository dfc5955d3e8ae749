import { randomUUID } from 'node:crypto';
import { loginSchema, newPasswordSchema, pinSchema, roleSchema, type Staff, staffNameSchema } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import type { z } from 'zod';
import { StaffRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { badInput, notFound } from '../problems/problem';
import { hashPassword } from './passwords';

const wrong = (field: string, says: string): never => {
  throw badInput([{ field, says }]);
};

/** A value as its schema takes it, also where it comes from a command and not from a call. */
function read<S extends z.ZodType>(field: string, schema: S, value: unknown): z.output<S> {
  const parsed = schema.safeParse(value);
  return parsed.success ? parsed.data : wrong(field, parsed.error.issues[0]?.message ?? 'not right');
}

async function found(login: string, transaction?: Transaction): Promise<StaffRow> {
  const row = await StaffRow.findOne({ where: { login: read('login', loginSchema, login) }, transaction });
  return row ?? Promise.reject(notFound('login', `nobody here signs in as ${login.slice(0, 60)}`));
}

/**
 * Who signs in by a login, however it is written; to the letter: what the database takes for alike is not the same.
 * @returns null for nobody's
 */
export async function byLogin(login: string): Promise<StaffRow | null> {
  const clean = loginSchema.safeParse(login);
  if (!clean.success) return null;
  const row = await StaffRow.findOne({ where: { login: clean.data } });
  return row?.login === clean.data ? row : null;
}

/** Who has an id, to the letter. */
export async function byId(id: string): Promise<StaffRow | null> {
  const row = await StaffRow.findByPk(id);
  return row?.id === id ? row : null;
}

/** Ends the sessions of somebody, all but one: whoever came in by what was theirs before is out. */
const endSessions = (db: Sequelize, staffId: string, but = ''): Promise<unknown> =>
  db.query("DELETE FROM sessions WHERE JSON_VALUE(data, '$.staffId') = :staffId AND sid <> :but", {
    replacements: { staffId, but },
  });

/** A shop has somebody who manages it, always. */
async function managedWithout(row: StaffRow, transaction: Transaction): Promise<void> {
  if (row.role !== 'manager' || row.ended !== null) return;
  const managers = await StaffRow.findAll({
    where: { role: 'manager', ended: null },
    transaction,
    lock: transaction.LOCK.UPDATE,
  });
  if (managers.every((m) => m.id === row.id)) wrong('login', 'the only manager there is: make somebody else manager first');
}

/** A member of staff as the interface knows them. */
export const staffOf = (row: Pick<StaffRow, 'id' | 'name' | 'role'>): Staff => ({
  id: row.id,
  name: row.name,
  role: row.role as Staff['role'],
});

/** Whoever left is signed in no more. */
export const isHere = (row: StaffRow | null): row is StaffRow => row !== null && row.ended === null;

/** Whether anybody manages the shop. */
export const isManaged = async (): Promise<boolean> => (await StaffRow.count({ where: { role: 'manager', ended: null } })) > 0;

/** Who works here, and who did. */
export const allStaff = (): Promise<StaffRow[]> =>
  StaffRow.findAll({
    order: [
      ['ended', 'ASC'],
      ['name', 'ASC'],
    ],
  });

export interface NewStaff {
  readonly login: string;
  readonly name: string;
  readonly role: string;
  readonly password: string;
}

/**
 * Takes somebody on.
 * @throws HttpProblem what is wrong by field: a login that is taken, a short password
 */
export async function addStaff({ login, name, role, password }: NewStaff): Promise<StaffRow> {
  const row = {
    id: randomUUID(),
    login: read('login', loginSchema, login),
    name: read('name', staffNameSchema, name),
    role: read('role', roleSchema, role),
  };
  const passwordHash = await hashPassword(read('password', newPasswordSchema, password));
  if (await StaffRow.findOne({ where: { login: row.login } }))
    wrong('login', 'somebody here has this one, or had it: choose another');
  if (await StaffRow.findOne({ where: { name: row.name } }))
    wrong('name', 'somebody here is called so: add what tells them apart');
  return StaffRow.create({ ...row, passwordHash });
}

/**
 * Gives somebody another password; their sessions end.
 * @param but the session of whoever gives it, which goes on
 */
export async function setPassword(db: Sequelize, login: string, password: string, but?: string): Promise<void> {
  const row = await found(login);
  await endSessions(db, row.id, but);
  await row.update({ passwordHash: await hashPassword(read('password', newPasswordSchema, password)) });
}

/** Gives somebody another PIN, or none; their sessions end, but for that of whoever gives it. */
export async function setPin(db: Sequelize, login: string, pin: string | null, but?: string): Promise<void> {
  const row = await found(login);
  await endSessions(db, row.id, but);
  await row.update({ pinHash: pin === null ? null : await hashPassword(read('pin', pinSchema, pin)) });
}

/** Gives somebody another role. */
export const setRole = (db: Sequelize, login: string, role: string): Promise<void> =>
  inTransaction(db, async (transaction) => {
    const row = await found(login, transaction);
    const wanted = read('role', roleSchema, role);
    if (wanted !== 'manager') await managedWithout(row, transaction);
    await row.update({ role: wanted }, { transaction });
  });

/** Somebody leaves, or is back. What they did stays theirs; their sessions end at once. */
export const setEnded = (db: Sequelize, login: string, ended: boolean): Promise<void> =>
  inTransaction(db, async (transaction) => {
    const row = await found(login, transaction);
    if (ended) await managedWithout(row, transaction);
    await row.update({ ended: ended ? new Date().toISOString() : null }, { transaction });
  });

/** Those who work here now, by name. */
export const hereNow = (): Promise<StaffRow[]> => StaffRow.findAll({ where: { ended: null }, order: [['name', 'ASC']] });
