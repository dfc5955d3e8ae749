import { randomUUID } from 'node:crypto';
import type { RigDocument } from '@plain-cleat/api';
import { QueryTypes, Transaction } from 'sequelize';
import { connect } from '../database/connect';
import { type Caller, callerAt, ended, startServer } from '../testing/process';
import { shop, testUrl } from '../testing/shop';

/** Five editors of one rig and thirty staff on others over two processes, against the bare lock, insert and update. */
const EDITORS = 5;
const OTHERS = 30;
const EACH = 12;

const s = await shop();
const ama = await s.signIn('ama');
const shared = await ama.newRig('bench: shared');
const own: string[] = [];
for (let i = 0; i < OTHERS; i++) own.push(await ama.newRig(`bench: ${i}`));
const rigs = [...Array<string>(EDITORS).fill(shared), ...own];

const took: number[] = [];
const timed = async (work: () => Promise<void>): Promise<void> => {
  const start = performance.now();
  await work();
  took.push(performance.now() - start);
};
const rate = async (one: (rig: string, n: number, who: number) => Promise<void>): Promise<number> => {
  took.length = 0;
  const start = performance.now();
  await Promise.all(
    rigs.map(async (rig, who) => {
      for (let n = 0; n < EACH; n++) await timed(() => one(rig, n, who));
    }),
  );
  return (rigs.length * EACH * 1000) / (performance.now() - start);
};
const percentile = (p: number): number => [...took].sort((a, b) => a - b)[Math.floor(took.length * p)] ?? NaN;

const running = [await startServer(), await startServer()];
const callers: Caller[] = [];
for (let i = 0; i < rigs.length; i++) callers.push(await callerAt(running[i % 2]?.address ?? ''));
const wish = (): object => ({
  id: randomUUID(),
  kind: 'writeWish',
  wish: randomUUID().slice(0, 12),
  from: null,
  to: { text: 'a wish of the bench', part: null },
});
let lost = 0;
const served = async (rig: string, _n: number, who: number, change: object = wish()): Promise<void> => {
  const { address, headers } = callers[who] as Caller;
  const body = JSON.stringify({ baseVersion: 0, undoes: null, change });
  for (;;) {
    const answer = await fetch(`${address}/api/rigs/${rig}/changes`, { method: 'POST', headers, body });
    if (answer.ok) return;
    // Told to come again: the tablet does.
    if (answer.status !== 503) lost++;
    await new Promise((r) => setTimeout(r, 200));
  }
};
await served(rigs[0] ?? '', 0, 0);
const ours = await rate(served);
const [p50, p95] = [percentile(0.5), percentile(0.95)];

const bare = connect(testUrl(), { max: 32 });
const plan = JSON.stringify(((await ama.rig(shared)) satisfies RigDocument).plan);
let version = 1_000_000;
const plainly = async (rig: string): Promise<void> => {
  await bare.transaction({ isolationLevel: Transaction.ISOLATION_LEVELS.READ_COMMITTED }, async (transaction) => {
    await bare.query('SELECT version FROM rigs WHERE id = :rig FOR UPDATE', {
      replacements: { rig },
      type: QueryTypes.SELECT,
      transaction,
    });
    const body = JSON.stringify(wish());
    const replacements = { rig, id: randomUUID(), version: version++, body, plan };
    await bare.query(
      `INSERT INTO changes (rigId, id, version, author, baseVersion, serverTime, body, inverse) VALUES (:rig, :id, :version, 'bench', 0, '', :body, :body)`,
      { replacements, transaction },
    );
    await bare.query('UPDATE rigs SET plan = :plan WHERE id = :rig', { replacements, transaction });
  });
};
const theirs = await rate(plainly);
console.log(
  `${EDITORS} editors of one rig, ${OTHERS} staff on others, two processes: ${ours.toFixed(0)} changes a second, ${(ours / theirs).toFixed(2)} of the bare lock, insert and update (${theirs.toFixed(0)} a second); p50 ${p50.toFixed(0)} ms, p95 ${p95.toFixed(0)} ms; refused ${lost}`,
);
const doc = await ama.rig(shared);
console.log(`kept of the shared rig: ${Object.keys(doc.plan.wishes).length} of ${EDITORS * EACH + 1}`);

// Somebody brings a file that takes all the time there is: how long others wait meanwhile, against an idle server.
const somebody = await callerAt(running[0]?.address ?? '', 'tom', 'bench-two');
const ask = async (n: number, path = '/api/owners'): Promise<number> => {
  const all: number[] = [];
  for (let i = 0; i < n; i++) {
    const start = performance.now();
    await (await fetch(`${somebody.address}${path}`, { headers: somebody.headers })).text();
    all.push(performance.now() - start);
  }
  return all.sort((a, b) => a - b)[Math.floor(n / 2)] ?? NaN;
};
const idle = await ask(60);
const { address, headers } = callers[0] as Caller;
const heights = { gunwale: 300, keel: 0 };
const text = `<svg><path d="${'M1 1'.repeat(490_000)}"/></svg>`;
let busy = true;
const hostile = (async () => {
  while (busy)
    await fetch(`${address}/api/hull-files`, { method: 'POST', headers, body: JSON.stringify({ kind: 'svg', text, heights }) });
})();
const under = await ask(60);
busy = false;
await hostile;
console.log(`another's request while hostile drawings are read: ${(under / idle).toFixed(1)} × idle (${idle.toFixed(1)} ms)`);

// The floor while six people work, each on a rig of the demo: as fast as they are answered, and as fast as hands are.
const WORKING = 6;
const { rigs: floor } = (await (await fetch(`${address}/api/floor`, { headers })).json()) as { rigs: { id: string }[] };
const quiet = await ask(60, '/api/floor');
for (const pause of [250, 0]) {
  let working = true;
  let made = 0;
  const editors = floor.slice(0, WORKING).map(async ({ id }, who) => {
    // One wish of each, written anew again and again.
    const name = randomUUID().slice(0, 12);
    const text = (n: number): object | null => (n === 0 ? null : { text: `a wish of the bench, ${n}`, part: null });
    for (let n = 0; working; n++, made++) {
      const change = { id: randomUUID(), kind: 'writeWish', wish: name, from: text(n), to: text(n + 1) };
      await served(id, n, who, change);
      if (pause) await new Promise((r) => setTimeout(r, pause));
    }
  });
  const start = performance.now();
  const beside = await ask(60, '/api/floor');
  const each = (1000 * made) / (performance.now() - start);
  working = false;
  await Promise.all(editors);
  console.log(
    `the floor beside ${WORKING} editors, ${pause ? `a change each ${pause} ms` : 'as fast as they are answered'} (${each.toFixed(0)} changes a second): ${(beside / quiet).toFixed(1)} × idle (${quiet.toFixed(1)} ms)`,
  );
}
await bare.close();
for (const one of running) await ended(one, 'SIGTERM');
await s.close();
