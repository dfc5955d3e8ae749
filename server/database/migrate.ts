import { readdir, readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { fileURLToPath } from 'node:url';
import { QueryTypes, type Sequelize } from 'sequelize';
import type { Config } from '../config';
import { connect } from './connect';
import { SequelizeStorage, Umzug } from 'umzug';

/** Frozen once they landed: a later wish is a later file. Each statement may run twice. */
const FOLDER = fileURLToPath(new URL('../database/migrations/', import.meta.url));

/** What is only ever added to: the server itself neither changes nor deletes a row of it. */
const APPENDED = ['changes', 'facts'];

const statements = (sql: string): string[] =>
  sql
    .split(';\n')
    .map((s) => s.trim())
    .filter(Boolean);

/** How long one process waits for another that is bringing the schema up to date, seconds. */
const PATIENCE = 120;

/**
 * Brings the schema up to date, one process at a time, each step as often as it takes; says which steps ran. With an
 * account of its own for that (`DATABASE_ADMIN_URL`), the server's account is granted what it needs of every table and
 * no more.
 *
 * @throws Error when another process holds the schema for too long
 */
export async function migrate(server: Sequelize, { DATABASE_ADMIN_URL }: Pick<Config, 'DATABASE_ADMIN_URL'>): Promise<string[]> {
  const db = DATABASE_ADMIN_URL ? connect(DATABASE_ADMIN_URL, { max: 3 }) : server;
  try {
    return await db.transaction(async (transaction) => {
      // The lock belongs to this connection, and goes with it.
      const [{ got } = { got: 0 }] = await db.query<{ got: number | null }>(
        "SELECT GET_LOCK('plain-cleat schema', :patience) AS got",
        { replacements: { patience: PATIENCE }, type: QueryTypes.SELECT, transaction },
      );
      if (got !== 1) throw new Error('another process is bringing the database up to date and does not finish');
      try {
        await refuseHalf(db);
        const ran = await run(db);
        if (db !== server) await grant(db, server);
        return ran;
      } finally {
        await db.query("SELECT RELEASE_LOCK('plain-cleat schema')", { type: QueryTypes.SELECT, transaction });
      }
    });
  } finally {
    if (db !== server) await db.close();
  }
}

/** A database into which a copy was put by half is served by nobody. */
async function refuseHalf(db: Sequelize): Promise<void> {
  const half = await db.query("SHOW TABLES LIKE 'restore_unfinished'", { type: QueryTypes.SELECT });
  if (half.length > 0) throw new Error('a restore into this database was cut short: go on with bin/restore --again FILE');
}

async function run(db: Sequelize): Promise<string[]> {
  const files = (await readdir(FOLDER)).filter((f) => f.endsWith('.sql')).sort();
  const umzug = new Umzug({
    migrations: files.map((file) => ({
      name: basename(file, '.sql'),
      up: async () => {
        for (const statement of statements(await readFile(`${FOLDER}${file}`, 'utf8'))) await db.query(statement);
      },
    })),
    context: db.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize: db }),
    logger: undefined,
  });
  return (await umzug.up()).map((m) => m.name);
}

/** Table by table: the log can be read and added to, all else worked with; no table can be made, changed or dropped. */
async function grant(db: Sequelize, server: Sequelize): Promise<void> {
  const [{ me } = { me: '' }] = await server.query<{ me: string }>('SELECT CURRENT_USER() AS me', { type: QueryTypes.SELECT });
  const [user = '', host = '%'] = me.split('@');
  const account = `${db.escape(user)}@${db.escape(host)}`;
  const tables = await db.query<{ name: string }>(
    'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
    { type: QueryTypes.SELECT },
  );
  for (const { name } of tables) {
    const may =
      name === 'SequelizeMeta' ? 'SELECT' : APPENDED.includes(name) ? 'SELECT, INSERT' : 'SELECT, INSERT, UPDATE, DELETE';
    await db.query(`GRANT ${may} ON \`${name}\` TO ${account}`);
  }
}
