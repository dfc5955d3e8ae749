import { createInterface } from 'node:readline/promises';
import type { Sequelize } from 'sequelize';
import { dayIn } from '@plain-cleat/core/base/units';
import { newestShop } from '../revisions/revisions';
import { runCommand, Usage } from '../database/command';
import { addStaff, allStaff, isManaged, setEnded, setPassword, setPin, setRole } from './crew';

const USAGE = `usage: bin/staff list
       bin/staff add LOGIN "NAME" ROLE     asks for a password
       bin/staff password LOGIN            asks for it
       bin/staff pin LOGIN                 asks for it; empty takes it away
       bin/staff role LOGIN ROLE
       bin/staff end LOGIN | back LOGIN
Roles: front desk, rigger, manager`;

const lines = createInterface({ input: process.stdin, output: process.stderr, terminal: process.stdin.isTTY });
const answers = lines[Symbol.asyncIterator]();

/** Asks, and reads a line; what is typed into a terminal is not shown. */
async function ask(question: string, hidden = false): Promise<string> {
  process.stderr.write(`${question}: `);
  const shown = (lines as unknown as { _writeToOutput?: (text: string) => void })._writeToOutput;
  if (hidden && process.stdin.isTTY) Object.assign(lines, { _writeToOutput: () => undefined });
  const { value, done } = await answers.next();
  if (hidden && process.stdin.isTTY) {
    Object.assign(lines, { _writeToOutput: shown });
    process.stderr.write('\n');
  }
  if (done) throw new Usage(`${question}: nothing was given`);
  return String(value);
}

/** The first run of a shop: somebody has to manage it. */
async function first(): Promise<void> {
  if (await isManaged()) return;
  console.error('Nobody manages this shop yet. Who does?');
  const login = await ask('Login');
  const name = await ask('Name, as it stands on papers');
  await addStaff({ login, name, role: 'manager', password: await ask('Password, ten characters at least', true) });
  console.error(`${name} may sign in as ${login.trim().toLowerCase()}.`);
}

async function run(db: Sequelize, [command, login, ...rest]: readonly string[]): Promise<void> {
  if (command === 'first') return first();
  if (command === 'list') {
    const { timeZone } = await newestShop();
    for (const p of await allStaff())
      console.log(
        `${p.login.padEnd(20)} ${p.name.padEnd(30)} ${p.role.padEnd(11)}${p.ended ? ` left ${dayIn(p.ended, timeZone)}` : p.pinHash ? ' PIN' : ''}`,
      );
    return;
  }
  const [one, two] = rest;
  if (!login) throw new Usage(USAGE);
  switch (command) {
    case 'add':
      if (!one || !two) throw new Usage(USAGE);
      await addStaff({ login, name: one, role: two, password: await ask(`Password of ${one}`, true) });
      return;
    case 'password':
      return setPassword(db, login, await ask(`New password of ${login}`, true));
    case 'pin':
      return setPin(db, login, (await ask(`New PIN of ${login}, or nothing`, true)).trim() || null);
    case 'role':
      if (!one) throw new Usage(USAGE);
      return setRole(db, login, one);
    case 'end':
    case 'back':
      return setEnded(db, login, command === 'end');
    default:
      throw new Usage(USAGE);
  }
}

await runCommand(run).finally(() => lines.close());
