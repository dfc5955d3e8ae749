import { execFileSync, spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { setTimeout as wait } from 'node:timers/promises';
import { fairHull, type HullModel } from '@plain-cleat/core/boat/hull';
import { foldLedger, type Fact, upcastPlan } from '@plain-cleat/core/rig';
import { QueryTypes, type Sequelize } from 'sequelize';
import sharp from 'sharp';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { BackupRow, PhotoRow } from './database/models';
import { shop, testUrl } from './testing/shop';
import { emptyServer } from './testing/started';
import { scratchFolder } from './testing/scratch';

const LONG = process.env.LONG === 'yes';
const adminUrl = (): string => process.env.TEST_DATABASE_ADMIN_URL ?? testUrl();

/** Every row of every table but who is signed in, and every ledger folded from its facts. */
async function wholeOf(db: Sequelize): Promise<Record<string, string>> {
  const select = <T extends object>(sql: string): Promise<T[]> => db.query<T>(sql, { type: QueryTypes.SELECT });
  const out: Record<string, string> = {};
  const tables = await select<{ name: string }>(
    "SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME NOT IN ('sessions', 'attempts', 'backups', 'rigs')",
  );
  for (const { name } of tables) {
    const rows = (await select(`SELECT * FROM \`${name}\``)).map((row) => JSON.stringify(row)).sort();
    out[name] = `${rows.length} ${createHash('sha256').update(rows.join()).digest('hex')}`;
  }
  const models = new Map(
    (await select<{ id: string; document: string }>('SELECT id, document FROM hull_models')).map((m) => [m.id, m.document]),
  );
  for (const rig of await select<{ id: string; plan: string; hullId: string; modelId: string; version: number }>(
    'SELECT r.id, r.plan, r.hullId, r.version, h.modelId FROM rigs r JOIN hulls h ON h.id = r.hullId',
  )) {
    const facts = await db.query<{ body: string }>('SELECT body FROM facts WHERE hullId = :hull ORDER BY seq', {
      replacements: { hull: rig.hullId },
      type: QueryTypes.SELECT,
    });
    const plan = upcastPlan(JSON.parse(rig.plan));
    const ledger = foldLedger(
      fairHull(JSON.parse(models.get(rig.modelId) ?? '') as HullModel),
      facts.map((f) => JSON.parse(f.body) as Fact),
      plan.id,
    );
    const { holes, steps, minutes, readings } = ledger;
    out[`rig ${rig.id}`] = createHash('sha256')
      .update(JSON.stringify([rig.version, plan, holes, [...steps], [...minutes], readings]))
      .digest('hex');
  }
  return out;
}

const run = (command: string, args: string[], env: Record<string, string>): { code: number; out: string } => {
  try {
    return { code: 0, out: execFileSync(command, args, { env: { ...process.env, ...env }, encoding: 'utf8', stdio: 'pipe' }) };
  } catch (error) {
    const { status, stdout, stderr } = error as { status: number; stdout: string; stderr: string };
    return { code: status, out: `${stdout}${stderr}` };
  }
};

describe('a backup', () => {
  it('made while the shop works restores into an empty server, every row and every ledger as it was', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const rig = await ama.newRig('backed up');
    const photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#864' } })
      .jpeg()
      .toBuffer();
    await ama.sendFile(`/api/rigs/${rig}/photos`, 'photo', photo, 'boat.jpg').expect(200);
    await ama.get('/api/floor').expect(200);

    const folder = scratchFolder();
    const copy = (...how: string[]): string =>
      run('bin/backup', [...how, folder], { DATABASE_ADMIN_URL: adminUrl(), KEEP: '2' }).out.trim();
    const file = copy();
    const made = await BackupRow.count();
    const [before, there] = [await wholeOf(s.db), await emptyServer()];
    expect(run('bin/restore', [file], { DATABASE_ADMIN_URL: there.adminUrl }).code).toBe(0);
    const db = connect(there.url);
    await migrate(db, { DATABASE_ADMIN_URL: there.adminUrl });
    expect(await wholeOf(db)).toEqual(before);

    // A shop is not overwritten, and what is no whole copy is not begun with.
    const again = run('bin/restore', [file], { DATABASE_ADMIN_URL: there.adminUrl });
    expect([again.code, again.out]).toEqual([2, jasmine.stringContaining('not empty')]);
    const half = join(folder, 'half.sql.gz');
    writeFileSync(half, 'nothing');
    expect(run('bin/restore', [half], { DATABASE_ADMIN_URL: there.adminUrl }).out).toContain('no whole copy');
    await db.close();
    there.stop();

    // Only the newest stay, and the manager sees when the last was made.
    const second = copy();
    // What was not read back is no backup.
    expect(await BackupRow.count()).toBe(made);
    const third = copy('--prove');
    expect(await BackupRow.count()).toBe(made + 1);
    expect(
      readdirSync(folder)
        .filter((f) => f.startsWith('plain-cleat'))
        .map((f) => join(folder, f))
        .sort(),
    ).toEqual([second, third].sort());
    const idris = await s.signIn('idris');
    const { body } = await idris.get('/api/backups').expect(200);
    expect(Date.now() - Date.parse((body as { last: string }).last)).toBeLessThan(60_000);
    await ama.get('/api/backups').expect(403);
  });

  it('holds photos larger than a statement may be, and is proved; a cut one is not, and says how to go on', async () => {
    const s = await shop();
    const ama = await s.signIn('ama');
    const rig = await ama.newRig('large photos');
    // As they were kept before they were made smaller: 12 MB of what nothing makes smaller.
    const bytes = randomBytes(LONG ? 12_000_000 : 9_000_000);
    await PhotoRow.create({ id: 'large', rigId: rig, mime: 'image/jpeg', bytes });
    await PhotoRow.create({ id: 'none', rigId: rig, mime: 'image/jpeg', bytes: Buffer.alloc(0) });
    const folder = scratchFolder();
    const proved = run('bin/backup', ['--prove', folder], { DATABASE_ADMIN_URL: adminUrl() });
    expect(proved.code).withContext(proved.out).toBe(0);
    expect(readdirSync(folder).filter((f) => !f.endsWith('.sql.gz'))).toEqual([]);
    const file = proved.out.trim();

    const there = await emptyServer();
    const env = { DATABASE_ADMIN_URL: there.adminUrl };
    // Killed half way.
    const child = spawn('bin/restore', [file], { env: { ...process.env, ...env }, stdio: 'ignore', detached: true });
    const over = new Promise((done) => child.once('exit', done));
    const admin = connect(there.adminUrl, { max: 1 });
    const tables = async (): Promise<number> => (await admin.query('SHOW TABLES', { type: QueryTypes.SELECT })).length;
    while ((await tables()) < 4) await wait(5);
    process.kill(-(child.pid ?? 0), 'SIGKILL');
    await over;
    await expectAsync(migrate(connect(there.url), env)).toBeRejectedWithError(/cut short: go on with bin\/restore --again/);
    const refused = run('bin/restore', [file], env);
    expect([refused.code, refused.out]).toEqual([2, jasmine.stringContaining(`bin/restore --again ${file}`)]);
    expect(run('bin/restore', ['--again', file], env).code).toBe(0);
    const [back] = await admin.query<{ bytes: Buffer }>("SELECT bytes FROM photos WHERE id = 'large'", {
      type: QueryTypes.SELECT,
    });
    expect(back?.bytes.equals(bytes)).toBeTrue();
    // A whole shop is not emptied by it.
    expect(run('bin/restore', ['--again', file], env).out).toContain('not empty');
    await admin.close();
    there.stop();
    await PhotoRow.destroy({ where: { id: ['large', 'none'] } });

    // What cannot be read back is not kept: a photo that came back shorter than it was.
    const good = gunzipSync(readFileSync(file)).toString('latin1');
    const bad = join(folder, 'bad.sql.gz');
    writeFileSync(
      bad,
      gzipSync(Buffer.from(good.replace(/(UPDATE photos SET bytes = CONCAT\(bytes, 0x)[0-9A-F]{20}/, '$1'), 'latin1')),
    );
    const other = await emptyServer();
    const cut = run('bin/restore', [bad], { DATABASE_ADMIN_URL: other.adminUrl });
    expect([cut.code, cut.out]).toEqual([1, jasmine.stringContaining('could not be read back to its end')]);
    other.stop();
  });

  it('that is killed on its way leaves nothing that looks like one', async () => {
    await shop();
    const folder = scratchFolder();
    const env = { ...process.env, DATABASE_ADMIN_URL: adminUrl() };
    for (const after of [60, 200, 400]) {
      const child = spawn('bin/backup', [folder], { env, stdio: 'ignore' });
      const over = new Promise((done) => child.once('exit', done));
      await wait(after);
      child.kill('SIGKILL');
      await over;
    }
    // Nor is a password left anywhere, nor, by the next, half a copy.
    const whole = run('bin/backup', [folder], { DATABASE_ADMIN_URL: adminUrl() }).out.trim();
    for (const name of readdirSync(folder).filter((f) => f.endsWith('.sql.gz'))) {
      const last = execFileSync('bash', ['-c', 'gzip -dc "$1" | tail -n 1', 'bash', join(folder, name)], { encoding: 'utf8' });
      expect(last).withContext(name).toBe('-- whole\n');
    }
    expect(readdirSync(folder).map((f) => join(folder, f))).toContain(whole);
    expect(readdirSync(folder).filter((f) => !f.endsWith('.sql.gz'))).toEqual([]);
  });
});
