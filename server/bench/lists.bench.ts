import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { median } from '../../bench';
import compression from 'compression';
import express from 'express';
import { QueryTypes } from 'sequelize';
import { shop } from '../testing/shop';

/**
 * Lists and opening a rig in a large shop, against the bare queries of the same rows and a server that does no more than
 * send the same text, compressed, in the same run.
 */
const RIGS = 2000;
const PARTS = 20_000;
const IN_RANGE = 2800;
const IN_THE_SHOP = 200;
const ON_ONE_HULL = 16;

const s = await shop();
const ama = await s.signIn('ama');
const run = (sql: string): Promise<unknown> => s.db.query(sql);
const rows = (sql: string): Promise<Record<string, unknown>[]> => s.db.query(sql, { type: QueryTypes.SELECT });

const [model] = await rows(
  "SELECT r.id, r.hullId FROM rigs r JOIN projections p ON p.rigId = r.id WHERE r.title = 'river survey rig' LIMIT 1",
);
const [from, hull] = [String(model?.id), String(model?.hullId)];
// Copies of one rig, each on a hull of its own but for those that share one, with what was projected of it.
const hullOf = `IF(n.seq <= ${ON_ONE_HULL}, 'bench-shared', CONCAT('bench-hull-', n.seq))`;
const numbers = `seq_1_to_${RIGS} n`;
await run(
  `INSERT INTO hulls (id, ownerId, modelId, serial, factCount, colour, notes)
   SELECT DISTINCT ${hullOf}, h.ownerId, h.modelId, '', h.factCount, '', '' FROM ${numbers} JOIN hulls h ON h.id = '${hull}'`,
);
await run(
  `INSERT INTO facts (hullId, id, kind, \`by\`, serverTime, body, \`foreign\`)
   SELECT g.id, f.id, f.kind, f.\`by\`, f.serverTime, f.body, 0 FROM hulls g JOIN facts f ON f.hullId = '${hull}' WHERE g.id LIKE 'bench-%'`,
);
await run(
  `INSERT INTO rigs (id, number, ownerId, hullId, place, version, plan, carried, title, promised)
   SELECT CONCAT('bench-', n.seq), CONCAT('B-', LPAD(n.seq, 4, '0')), r.ownerId, ${hullOf},
     IF(n.seq <= ${IN_THE_SHOP}, 'yard', 'handed over'), r.version, r.plan, r.carried, r.title, r.promised
   FROM ${numbers} JOIN rigs r ON r.id = '${from}'`,
);
await run(
  `INSERT INTO projections (rigId, version, factCount, hull, outline, progress, holes, cuts)
   SELECT CONCAT('bench-', n.seq), p.version, p.factCount, p.hull, p.outline, p.progress, p.holes, p.cuts
   FROM ${numbers} JOIN projections p ON p.rigId = '${from}'`,
);

await run(
  `INSERT INTO owners (id, name, email) SELECT CONCAT('bench-owner-', n.seq), CONCAT('Bench Owner ', n.seq), '' FROM ${numbers}`,
);
await run(
  `INSERT INTO part_revisions (id, revision, document)
   SELECT CONCAT('bench-part-', n.seq), 1, REPLACE(r.document, '"id":"pad-eye"', CONCAT('"id":"bench-part-', n.seq, '"'))
   FROM seq_1_to_${PARTS} n JOIN part_revisions r ON r.id = 'pad-eye'`,
);
await run(
  `INSERT INTO parts (id, revision, name, french, kind, active)
   SELECT CONCAT('bench-part-', n.seq), 1, CONCAT('Bench eye ', n.seq), CONCAT('Piton ', n.seq), 'eye', n.seq <= ${IN_RANGE}
   FROM seq_1_to_${PARTS} n`,
);
await run("INSERT INTO counters (name, value) VALUES ('range', 1) ON DUPLICATE KEY UPDATE value = value + 1");

/** A server that sends what it was given last, and nothing else. */
let sent = '';
const bare = express();
bare.use(compression());
bare.get('/', (_req, res) => void res.type('json').send(sent));
const sender = createServer(bare);
await new Promise<void>((ready) => sender.listen(0, '127.0.0.1', ready));
const bareAddress = `http://127.0.0.1:${(sender.address() as AddressInfo).port}/`;

const signedIn = { headers: { cookie: ama.cookies() } };
/** What an address answers, whole. */
async function fetched(url: string, init: RequestInit = {}): Promise<string> {
  const answer = await fetch(url, init);
  if (!answer.ok) throw new Error(`${url}: ${answer.status}`);
  return answer.text();
}
const asked = (path: string): Promise<string> => fetched(s.address + path, signedIn);
const sending = (): Promise<string> => fetched(bareAddress);

/** So many before it is measured, and so many measured: a server that has been up for a moment. */
const [WARM, ROUNDS] = [30, 60];
/** What each of some things takes, done by turns, ms. */
async function byTurns(...works: readonly (() => Promise<unknown>)[]): Promise<number[]> {
  const took = works.map((): number[] => []);
  for (let i = 0; i < WARM + ROUNDS; i++)
    for (const [w, work] of works.entries()) {
      const start = performance.now();
      await work();
      if (i >= WARM) took[w]?.push(performance.now() - start);
    }
  return took.map(median);
}

const listed = 'r.id, r.number, r.title, r.place, r.promised, o.name, p.hull, p.progress';
const joined = 'rigs r LEFT JOIN projections p ON p.rigId = r.id LEFT JOIN owners o ON o.id = r.ownerId';
const first = 'bench-1';
const { range } = (await ama.get('/api/stores').expect(200)).body as { range: string };
const used = 'SELECT * FROM part_revisions WHERE revision = 1 LIMIT 12';
const CASES: readonly (readonly [name: string, path: string, bare: readonly string[]])[] = [
  ['floor', '/api/floor', [`SELECT ${listed}, p.outline FROM ${joined} WHERE r.place = 'yard'`]],
  ['rigs', '/api/rigs', [`SELECT ${listed} FROM ${joined} ORDER BY r.number`]],
  ["owners' hulls", '/api/hulls', ['SELECT * FROM hulls ORDER BY id', 'SELECT id, number, hullId FROM rigs ORDER BY number']],
  ['owners', '/api/owners', ['SELECT id, name, email FROM owners ORDER BY name']],
  ['cuts', '/api/cuts', [`SELECT r.id, r.version, p.version AS projected, p.cuts FROM ${joined} WHERE r.place <> 'handed over'`]],
  [
    `a rig whose hull has ${ON_ONE_HULL}`,
    `/api/rigs/${first}`,
    [
      `SELECT * FROM rigs WHERE id = '${first}'`,
      "SELECT * FROM facts WHERE hullId = 'bench-shared' ORDER BY seq",
      `SELECT r.id, p.holes FROM ${joined} WHERE r.hullId = 'bench-shared'`,
      used,
    ],
  ],
  [`the range, ${IN_RANGE} parts`, `/api/range/${range}`, ['SELECT id, revision FROM parts WHERE active = 1 LIMIT 1']],
  [
    `a page of ${PARTS} parts`,
    '/api/parts?text=bench+eye+177',
    ["SELECT * FROM parts WHERE MATCH (name, french, kind) AGAINST ('+bench* +eye* +177*' IN BOOLEAN MODE) LIMIT 30"],
  ],
];
sent = '{}';
const [signed = NaN, nobody = NaN] = await byTurns(() => asked('/api/session'), sending);
const who = signed - nobody;
console.log(`who calls is asked at every call: ${who.toFixed(1)} ms; the second ratio counts it as wanted`);
console.log(`${RIGS} rigs, ${IN_THE_SHOP} in the shop, ${ON_ONE_HULL} on one hull, ${PARTS} parts`);
for (const [name, path, queries] of CASES) {
  sent = await asked(path);
  const [served = NaN, queried = NaN, alone = NaN] = await byTurns(
    () => asked(path),
    async () => {
      for (const sql of queries) await rows(sql);
    },
    sending,
  );
  console.log(
    `${name.padEnd(26)} ${(served / (queried + alone)).toFixed(1).padStart(5)} × the bare query and what is sent, ${(served / (queried + alone + who)).toFixed(1)} ×  (${served.toFixed(0)} ms; ${queried.toFixed(1)} and ${alone.toFixed(1)} ms, ${Math.round(sent.length / 1000)} kB)`,
  );
}
sender.close();
await s.close();
process.exit(0);
