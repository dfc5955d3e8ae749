import type { Transaction } from 'sequelize';
import { CounterRow } from './models';

/** Counts one on, one transaction at a time: whoever counts the same waits until this one is through. Returns the new count. */
export async function countOn(name: string, transaction: Transaction): Promise<number> {
  const counter = await CounterRow.findByPk(name, { transaction, lock: transaction.LOCK.UPDATE });
  const value = (counter?.value ?? 0) + 1;
  await CounterRow.upsert({ name, value }, { transaction });
  return value;
}
