import { createServer } from 'node:http';
import { makeApp } from './app';
import { type Config, readConfig } from './config';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { defineModels } from './database/models';
import { fill, type Filling } from './fill';
import { makeLog } from './http/log';

/** What whoever started it need not try again. */
const CANNOT_BEGIN = 3;

/**
 * Serves a shop until it is told to stop, by the settings of the environment.
 * @param filling what an empty database is filled with; how its people sign in is printed
 * @param demo whether it is one, on a secret that everybody knows
 */
export async function serve(filling: Filling, demo = false): Promise<void> {
  const config = settings(demo);
  const log = makeLog(config.LOG_LEVEL);
  const db = connect(config.DATABASE_URL);
  defineModels(db);

  const ran = await migrate(db, config);
  if (ran.length) log.info({ ran }, 'schema brought up to date');
  if (await fill(db, log, filling)) log.info('the shop has what it starts from');

  const app = makeApp(config, db, log);
  const server = createServer(app.express);
  server.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE') console.error(`Port ${config.PORT} is busy. Choose another: PORT=4610 bin/start`);
    else console.error(error.message);
    process.exit(CANNOT_BEGIN);
  });
  server.listen(config.PORT, config.HOST, () => {
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : config.PORT;
    console.log(`Plain Cleat is at http://${config.HOST}:${port}`);
    for (const p of filling.people)
      console.log(`  sign in as ${p.login.padEnd(6)} password ${p.password.padEnd(12)} PIN ${p.pin} (${p.role})`);
  });

  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    const closed = new Promise((resolve) => server.close(resolve));
    server.closeAllConnections();
    await Promise.all([app.stop(), closed]);
    await db.close();
    process.exit(0);
  };
  process.on('SIGTERM', () => void stop());
  process.on('SIGINT', () => void stop());
}

/** The settings; without them there is nothing to begin. */
function settings(demo: boolean): Config {
  try {
    return readConfig(process.env, demo);
  } catch (error) {
    console.error((error as Error).message);
    process.exit(CANNOT_BEGIN);
  }
}
