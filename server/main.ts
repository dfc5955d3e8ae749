import { createServer } from 'node:http';
import { STAFF } from '@plain-cleat/demo';
import { makeApp } from './app';
import { type Config, readConfig } from './config';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { defineModels } from './database/models';
import { makeLog } from './http/log';
import { found, seed } from './seed';

/** What whoever started it need not try again. */
const CANNOT_BEGIN = 3;

const config = settings();
const log = makeLog(config.LOG_LEVEL);
const db = connect(config.DATABASE_URL);
defineModels(db);

const ran = await migrate(db, config);
if (ran.length) log.info({ ran }, 'schema brought up to date');
if (config.DEMO === 'yes' ? await seed(db, log) : await found(db)) log.info('the shop has what it starts from');

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
  if (config.DEMO === 'yes')
    for (const p of STAFF)
      console.log(`  sign in as ${p.login.padEnd(6)} password ${p.password.padEnd(12)} PIN ${p.pin} (${p.role})`);
});

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeAllConnections();
  await Promise.all([app.stop(), closed]);
  await db.close();
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());

/** The settings; without them there is nothing to begin. */
function settings(): Config {
  try {
    return readConfig(process.env);
  } catch (error) {
    console.error((error as Error).message);
    process.exit(CANNOT_BEGIN);
  }
}
