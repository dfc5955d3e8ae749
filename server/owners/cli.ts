import { QueryTypes } from 'sequelize';
import { connect } from '../database/connect';
import { HttpProblem } from '../problems/problem';
import { dataOf, forgetOwner } from './erase';

const USAGE = `usage: bin/owner list [PART OF A NAME]
       bin/owner data ID          everything the shop keeps of them, as JSON
       bin/owner forget ID        body, photos, contact and signatures; holes and ledger stay`;

const db = connect(process.env.DATABASE_ADMIN_URL ?? process.env.DATABASE_URL ?? '', { max: 2 });
const [command, given = ''] = process.argv.slice(2);
try {
  if (command === 'list') {
    const owners = await db.query<{ id: string; name: string; email: string; rigs: string | null }>(
      `SELECT o.id, o.name, o.email, GROUP_CONCAT(r.number ORDER BY r.number SEPARATOR ' ') AS rigs
       FROM owners o LEFT JOIN rigs r ON r.ownerId = o.id WHERE INSTR(o.name, :given) GROUP BY o.id ORDER BY o.name`,
      { replacements: { given }, type: QueryTypes.SELECT },
    );
    for (const o of owners) console.log(`${o.id}  ${o.name.padEnd(30)} ${o.email.padEnd(30)} ${o.rigs ?? ''}`);
  } else if (command === 'data' && given) {
    console.log(JSON.stringify(await dataOf(db, given), null, 1));
  } else if (command === 'forget' && given) {
    const { rigs, photos } = await forgetOwner(db, given);
    console.log(
      `Forgotten, with ${photos} photos of ${rigs} rigs. Backups made before still hold them until they are rotated out.`,
    );
  } else {
    console.error(USAGE);
    process.exitCode = 2;
  }
} catch (error) {
  if (!(error instanceof HttpProblem)) throw error;
  console.error(error.says);
  process.exitCode = 2;
} finally {
  await db.close();
}
