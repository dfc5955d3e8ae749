import { QueryTypes } from 'sequelize';
import { shop } from '../testing/shop';

/** Lists and opening a rig in a large shop, against the bare queries of the same rows in the same run. */
const RIGS = 2000;
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

const median = (took: number[]): number => took.sort((a, b) => a - b)[Math.floor(took.length / 2)] ?? NaN;
async function timed(work: () => Promise<unknown>): Promise<number> {
  const took: number[] = [];
  for (let i = 0; i < 15; i++) {
    const start = performance.now();
    await work();
    if (i > 3) took.push(performance.now() - start);
  }
  return median(took);
}

const listed = 'r.id, r.number, r.title, r.place, r.promised, r.ownerId, p.hull, p.progress';
const joined = 'rigs r LEFT JOIN projections p ON p.rigId = r.id';
const first = 'bench-1';
const CASES: readonly (readonly [name: string, path: string, bare: readonly string[]])[] = [
  ['floor', '/api/floor', [`SELECT ${listed}, p.outline FROM ${joined} WHERE r.place = 'yard'`]],
  ['rigs', '/api/rigs', [`SELECT ${listed} FROM ${joined} ORDER BY r.number`]],
  ['hulls', '/api/hulls', ['SELECT * FROM hulls ORDER BY id', 'SELECT id, number, hullId FROM rigs ORDER BY number']],
  [
    'cuts',
    '/api/cuts',
    [
      `SELECT r.id, r.version, p.version AS projected, p.cuts FROM ${joined} WHERE r.place <> 'handed over'`,
      'SELECT piece FROM cut_pieces',
    ],
  ],
  [
    `a rig whose hull has ${ON_ONE_HULL}`,
    `/api/rigs/${first}`,
    [
      `SELECT * FROM rigs WHERE id = '${first}'`,
      "SELECT * FROM facts WHERE hullId = 'bench-shared' ORDER BY seq",
      `SELECT r.id, p.holes FROM ${joined} WHERE r.hullId = 'bench-shared'`,
    ],
  ],
];
console.log(`${RIGS} rigs, ${IN_THE_SHOP} in the shop, ${ON_ONE_HULL} on one hull`);
for (const [name, path, bare] of CASES) {
  const served = await timed(() => ama.get(path).expect(200));
  const queried = await timed(async () => {
    for (const sql of bare) await rows(sql);
  });
  const { text } = await ama.get(path).expect(200);
  const wrapped = await timed(async () => Promise.resolve(JSON.parse(text)));
  console.log(
    `${name.padEnd(26)} ${(served / queried).toFixed(1).padStart(5)} × the bare query  (${served.toFixed(0)} ms, ${queried.toFixed(1)} ms; ${Math.round(text.length / 1000)} kB sent, read in ${wrapped.toFixed(1)} ms)`,
  );
}
await s.close();
process.exit(0);
