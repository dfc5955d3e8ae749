import { execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { materialsSchema } from '@plain-cleat/core/parts/catalog';
import { fairHull, hullModelSchema, upcastHull } from '@plain-cleat/core/boat/hull';
import { type Fact, foldLedger, planSchema, upcastPlan, upcastShop } from '@plain-cleat/core/rig';
import { shopSettingsSchema } from '@plain-cleat/core/parts/shop';
import { partSchema, upcastPart } from '@plain-cleat/core/parts/parts';
import { workUp } from '@plain-cleat/core/workup';
import { QueryTypes, type Sequelize } from 'sequelize';
import { judgedIn } from '@plain-cleat/testing';
import { API_VERSION, type Session } from '@plain-cleat/api';
import { callerAt, ended, startServer } from '../testing/process';
import { emptyServer } from '../testing/started';
import { connect } from './connect';
import { migrate } from './migrate';

const FIXTURES = fileURLToPath(new URL('./fixtures/', import.meta.url));

/** What a workup of each plan of each dump said when the dump was the newest: kept through every upgrade. */
const SAID = JSON.parse(readFileSync(new URL('./upgraded.json', import.meta.url), 'utf8')) as Record<
  string,
  Record<string, object>
>;

interface Rig {
  readonly id: string;
  readonly plan: string;
  readonly hullId: string;
  readonly version: number;
}
interface Listed {
  readonly plan: string;
  readonly title: string;
  readonly promised: string | null;
}
/** The title and the promised date of a stored plan. */
function shownOf(plan: string): Omit<Listed, 'plan'> {
  const { title, promised } = JSON.parse(plan) as Listed;
  return { title, promised };
}
const rowsOf = <T extends object>(db: Sequelize, sql: string): Promise<T[]> => db.query<T>(sql, { type: QueryTypes.SELECT });
const rigsOf = (db: Sequelize): Promise<Rig[]> => rowsOf<Rig>(db, 'SELECT id, plan, hullId, version FROM rigs ORDER BY id');
const factsOf = (db: Sequelize): Promise<{ hullId: string; body: string }[]> =>
  rowsOf(db, 'SELECT hullId, body FROM facts ORDER BY seq');

describe('a database of every schema that ever landed', () => {
  for (const file of readdirSync(FIXTURES))
    it(`${file} is brought up to date with its data, twice over and by two at once`, async () => {
      const there = await emptyServer();
      load(file, there.url);
      const db = connect(there.url, { max: 4 });
      const [rigs, facts] = [await rigsOf(db), await factsOf(db)];
      expect(rigs.length).toBeGreaterThan(2);

      const admin = { DATABASE_ADMIN_URL: there.adminUrl };
      await Promise.all([migrate(db, admin), migrate(db, admin)]);
      expect(await migrate(db, admin)).toEqual([]);
      expect(await rigsOf(db)).toEqual(rigs);
      expect(await factsOf(db)).toEqual(facts);
      // What lists show of a plan stands beside it.
      for (const { plan, title, promised } of await rowsOf<Listed>(db, 'SELECT plan, title, promised FROM rigs'))
        expect({ title, promised }).toEqual(shownOf(plan));

      // Every plan still opens and is worked up.
      const parse = <T>(rows: { document: string }[]): T[] => rows.map((r) => JSON.parse(r.document) as T);
      const models = parse<object>(await rowsOf(db, 'SELECT document FROM hull_models')).map(upcastHull);
      const parts = (await rowsOf<{ document: string }>(db, 'SELECT document FROM part_revisions ORDER BY id')).map((r) =>
        partSchema.parse(upcastPart(JSON.parse(r.document))),
      );
      expect(parts.length).toBeGreaterThan(20);
      expect(
        (await rowsOf<{ id: string }>(db, 'SELECT id FROM parts WHERE revision = 1 AND active ORDER BY id')).map((p) => p.id),
      ).toEqual(parts.map((p) => p.id));
      const [materials] = parse<object>(await rowsOf(db, 'SELECT document FROM materials')).map((m) => materialsSchema.parse(m));
      const [shop] = parse<object>(await rowsOf(db, 'SELECT document FROM shops ORDER BY revision DESC LIMIT 1'));
      expect(shopSettingsSchema.safeParse(upcastShop(shop)).success).toBeTrue();
      for (const rig of rigs) {
        const plan = upcastPlan(JSON.parse(rig.plan));
        expect(planSchema.safeParse(plan).success).withContext(rig.plan.slice(0, 200)).toBeTrue();
        const hull = models.find((m) => m.id === plan.pins.hull.id && m.revision === plan.pins.hull.revision);
        if (!hull || !materials || !shop) throw new Error('the plan’s hull, materials or settings are gone');
        const own = facts.filter((f) => f.hullId === rig.hullId).map((f) => JSON.parse(f.body) as Fact);
        const ledger = foldLedger(fairHull(hull), own, plan.id);
        const w = workUp({
          plan,
          hull,
          facts: own,
          catalog: { parts, consumables: materials.consumables },
          shop: upcastShop(shop),
          asOf: plan.opened,
        });
        expect(w.ledger.holes.length).toBe(ledger.holes.length);
        expect(w.aboard.owned.length).toBe(Object.keys(plan.fittings).length);
        // As it was said of this very plan before parts came in facets.
        expect({
          findings: w.findings
            .filter(judgedIn(9))
            .map((f) => f.key)
            .sort(),
          cents: w.price.totals.totalCents,
          holes: w.drilling.holes.map((h) => `${h.label} ${h.reading.toFixed(3)} ${h.bit.name}`),
          steps: w.build.steps.length,
          level: Number(w.weight.float.level.toFixed(3)),
        })
          .withContext(plan.title)
          .toEqual(SAID[file]?.[plan.id] as never);
      }
      expect(models.every((m) => hullModelSchema.safeParse(m).success)).toBeTrue();

      // The server's own account adds to the log and no more, and changes no table.
      await expectAsync(db.query('DELETE FROM facts')).toBeRejected();
      await expectAsync(db.query("UPDATE changes SET body = '{}'")).toBeRejected();
      await expectAsync(db.query('ALTER TABLE rigs ADD COLUMN x INT')).toBeRejected();
      await expectAsync(db.query("SELECT * INTO OUTFILE '/tmp/plain-cleat-rows' FROM staff")).toBeRejected();
      await db.query('UPDATE owners SET email = email');
      await db.close();
      there.stop();
    });

  for (const file of readdirSync(FIXTURES))
    it(`takes what a tablet still holds that was written by the build of ${file}, and tells it to reload`, async () => {
      const there = await emptyServer();
      load(file, there.url);
      const server = await startServer({ DATABASE_URL: there.url, DATABASE_ADMIN_URL: there.adminUrl });
      const { address, headers } = await callerAt(server.address, 'tom', 'bench-two');
      const db = connect(there.url, { max: 2 });
      const [rig] = await rigsOf(db);
      const { id: plan } = upcastPlan(JSON.parse(rig?.plan ?? '{}'));
      const kept = (await factsOf(db)).map((f) => JSON.parse(f.body) as Fact);
      await db.close();
      // One of each kind as that build wrote it, sent at last by who kept it.
      const kinds = new Map(kept.map(({ by: _, serverTime: __, ...fact }) => [fact.kind, fact]));
      expect(kinds.size).withContext(file).toBeGreaterThan(3);
      for (const fact of kinds.values()) {
        const body = JSON.stringify({ facts: [{ ...fact, id: randomUUID(), rig: plan }] });
        const answer = await fetch(`${address}/api/rigs/${rig?.id}/facts`, { method: 'POST', headers, body });
        expect(answer.status)
          .withContext(`${file}: ${fact.kind}: ${await answer.text()}`)
          .toBe(200);
      }
      // What the page compares with its own: another number and it says that a newer build is there.
      const session = (await (await fetch(`${address}/api/session`, { headers })).json()) as Session;
      expect(session.apiVersion).toBe(API_VERSION);
      await ended(server);
      there.stop();
    });

  it('the oldest of them, killed while it is brought up to date, ends up to date all the same', async () => {
    const there = await emptyServer();
    load('schema-0001.sql.gz', there.url);
    const env = {
      ...process.env,
      DATABASE_URL: there.url,
      DATABASE_ADMIN_URL: there.adminUrl,
      PORT: '0',
      LOG_LEVEL: 'silent',
    };
    const began = performance.now();
    const whole = spawn(process.execPath, ['server/dist/demo.js'], { env, stdio: ['ignore', 'pipe', 'ignore'] });
    await new Promise((ready) => whole.stdout.once('data', ready));
    whole.kill('SIGKILL');
    const long = performance.now() - began;
    for (const share of [0.5, 0.65, 0.8, 0.9]) {
      const db = connect(there.adminUrl, { max: 2 });
      await db.query('DROP DATABASE plain_cleat');
      await db.close();
      await remade(there.adminUrl);
      load('schema-0001.sql.gz', there.url);
      const child = spawn(process.execPath, ['server/dist/demo.js'], { env, stdio: 'ignore' });
      await wait(long * share);
      child.kill('SIGKILL');
      const own = connect(there.url, { max: 4 });
      await migrate(own, { DATABASE_ADMIN_URL: there.adminUrl });
      expect((await rigsOf(own)).length).toBeGreaterThan(2);
      expect(await migrate(own, { DATABASE_ADMIN_URL: there.adminUrl })).toEqual([]);
      await own.query('SELECT ended FROM staff', { type: QueryTypes.SELECT });
      await own.query('SELECT `foreign` FROM facts', { type: QueryTypes.SELECT });
      await own.close();
    }
    there.stop();
  });
});

/** A dump's statements, run in an empty database. */
function load(file: string, url: string): void {
  const command = 'gzip -dc "$1" | mariadb --no-defaults -h 127.0.0.1 -P "$2" -u cleat_admin -pcleat_admin plain_cleat';
  execFileSync('bash', ['-c', command, 'bash', `${FIXTURES}${file}`, new URL(url).port]);
}

/** The database itself, made anew and empty. */
async function remade(adminUrl: string): Promise<void> {
  const url = new URL(adminUrl);
  url.pathname = '/';
  const db = connect(url.href, { max: 1 });
  await db.query('CREATE DATABASE plain_cleat CHARACTER SET utf8mb4');
  await db.close();
}
