import { randomUUID } from 'node:crypto';
import { ROLES, type Role } from '@plain-cleat/api';
import type { Sequelize, Transaction } from 'sequelize';
import { StaffRow } from '../database/models';
import { inTransaction } from '../database/transaction';
import { badInput, notFound } from '../http/problem';
import { hashPassword } from './passwords';

/** Passwords are this long at least; how they are made up is their owner's affair (NIST SP 800-63B, from memory). */
const LEAST = 10;

const wrong = (field: string, says: string): never => {
  throw badInput([{ field, says }]);
};

const loginOf = (login: string): string => {
  const clean = login.trim().toLowerCase();
  return /^[a-z][a-z0-9.-]{1,58}$/.test(clean)
    ? clean
    : wrong('login', 'letters, digits, dots and hyphens, two at least, like mara');
};
const nameOf = (name: string): string => {
  const clean = name.trim();
  return clean.length > 0 && clean.length <= 80 ? clean : wrong('name', 'a name of up to 80 letters, as it stands on papers');
};
const roleOf = (role: string): Role => ROLES.find((r) => r === role) ?? wrong('role', `one of ${ROLES.join(', ')}`);
const passwordOf = (password: string): string =>
  password.length >= LEAST && password.length <= 200 ? password : wrong('password', `${LEAST} characters at least`);
const pinOf = (pin: string): string => (/^\d{4,8}$/.test(pin) ? pin : wrong('pin', 'four to eight digits'));

async function found(login: string, transaction?: Transaction): Promise<StaffRow> {
  const row = await StaffRow.findOne({ where: { login: loginOf(login) }, transaction });
  return row ?? Promise.reject(notFound('login', `nobody here signs in as ${login.slice(0, 60)}`));
}

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
  const row = { id: randomUUID(), login: loginOf(login), name: nameOf(name), role: roleOf(role) };
  const passwordHash = await hashPassword(passwordOf(password));
  if (await StaffRow.findOne({ where: { login: row.login } }))
    wrong('login', 'somebody here has this one, or had it: choose another');
  if (await StaffRow.findOne({ where: { name: row.name } }))
    wrong('name', 'somebody here is called so: add what tells them apart');
  return StaffRow.create({ ...row, passwordHash });
}

/** Gives somebody another password. */
export async function setPassword(login: string, password: string): Promise<void> {
  const row = await found(login);
  await row.update({ passwordHash: await hashPassword(passwordOf(password)) });
}

/** Gives somebody another PIN, or none. */
export async function setPin(login: string, pin: string | null): Promise<void> {
  const row = await found(login);
  await row.update({ pinHash: pin === null ? null : await hashPassword(pinOf(pin)) });
}

/** Gives somebody another role. */
export const setRole = (db: Sequelize, login: string, role: string): Promise<void> =>
  inTransaction(db, async (transaction) => {
    const row = await found(login, transaction);
    const wanted = roleOf(role);
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
