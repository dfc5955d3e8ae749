import type { Sequelize } from 'sequelize';
import { readConfig } from '../config';
import { HttpProblem } from '../problems/problem';
import { connect } from './connect';
import { migrate } from './migrate';
import { defineModels } from './models';

/** A command was not given what it wants: what it says is all there is to say. */
export class Usage extends Error {}

/** Runs a command of the shop's on its database, brought up to date first. What is refused is said, and ends it with code 2. */
export async function runCommand(work: (db: Sequelize, args: readonly string[]) => Promise<void>): Promise<void> {
  const config = readConfig(process.env);
  const db = connect(config.DATABASE_URL, { max: 2 });
  defineModels(db);
  try {
    await migrate(db, config);
    await work(db, process.argv.slice(2));
  } catch (error) {
    const told = error instanceof HttpProblem ? error.says : error instanceof Usage ? error.message : null;
    if (told === null) throw error;
    console.error(told);
    process.exitCode = 2;
  } finally {
    await db.close();
  }
}
