import { readFileSync } from 'node:fs';
import type { Sequelize } from 'sequelize';
import { runCommand, Usage } from '../database/command';
import { readCatalog, takeCatalog, wholeCatalog } from './catalog';

const USAGE = `usage: bin/parts import FILE              its parts come into the shop's range
       bin/parts import FILE --beside     they are found by their names alone
       bin/parts export                   the range and the materials, as such a file`;

async function run(db: Sequelize, [command, file, flag]: readonly string[]): Promise<void> {
  if (command === 'export') return console.log(JSON.stringify(await wholeCatalog(), null, 1));
  if (command !== 'import' || !file || (flag !== undefined && flag !== '--beside')) throw new Usage(USAGE);
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new Usage(`${file}: cannot be read; name a file that exists`);
  }
  const { added, renewed, same, materials } = await takeCatalog(db, readCatalog(text), flag === undefined);
  console.log(
    `${added} parts added, ${renewed} renewed, ${same} the same${materials ? `, materials at revision ${materials}` : ''}`,
  );
}

// A reader that has seen enough, such as head, is no error.
process.stdout.on('error', () => process.exit(0));
await runCommand(run);
