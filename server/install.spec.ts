import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { appendFileSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { connect } from 'node:http2';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { writeRigFile } from '@plain-cleat/core/rig';
import { demoRigs } from '@plain-cleat/demo';
import { chromium } from '@playwright/test';
import { below, emptyServer, freePort } from './testing/started';
import { scratchFolder } from './testing/scratch';

const PAGE = readFileSync(new URL('../docs/installing.md', import.meta.url), 'utf8');
const HERE = fileURLToPath(new URL('..', import.meta.url));

/** The blocks of the page under a heading, as they stand, with what is this machine's put in. */
function blocks(heading: string, put: Readonly<Record<string, string>>): string[] {
  const section = PAGE.split(/^## /m).find((s) => s.startsWith(heading)) ?? '';
  const found = [...section.matchAll(/^```\n([\s\S]*?)^```/gm)].map((m) => m[1] ?? '');
  if (found.length === 0) throw new Error(`no block under ${heading}`);
  return found.map((text) => Object.entries(put).reduce((t, [from, to]) => t.replaceAll(from, to), text));
}

interface Ran {
  readonly code: number;
  readonly said: string;
}

/** Installs a shop by the page on this machine, under a user, an address and folders of the spec's own; root alone can. */
class Installation {
  readonly home = scratchFolder();
  readonly files = scratchFolder();
  readonly user = `cleat-${process.pid}`;
  readonly origin = join(this.files, 'origin');
  private readonly shown: ChildProcess;
  readonly settings = join(this.files, 'plain-cleat.env');
  readonly app = join(this.home, 'app');
  readonly env = {
    ...process.env,
    SERVICE_USER: this.user,
    SETTINGS: this.settings,
    GIT_AUTHOR_NAME: 'spec',
    GIT_AUTHOR_EMAIL: 'spec@example.com',
    GIT_COMMITTER_NAME: 'spec',
    GIT_COMMITTER_EMAIL: 'spec@example.com',
    DATABASE_URL: '',
    DATABASE_ADMIN_URL: '',
  };
  private serving?: ChildProcess;

  constructor(
    readonly port: number,
    /** Where its repository is fetched from. */
    readonly gitPort: number,
    readonly database: { readonly port: number; readonly socket: string },
  ) {
    execFileSync('chmod', ['755', this.files]);
    this.sh(`git clone -q '${HERE}' '${this.origin}'`);
    this.shown = spawn(
      'git',
      ['daemon', '--export-all', '--listen=127.0.0.1', `--port=${gitPort}`, `--base-path=${this.files}`, this.files],
      { stdio: 'ignore' },
    );
  }

  /** What of the page is another place here. */
  get put(): Record<string, string> {
    return {
      REPOSITORY: `git://127.0.0.1:${this.gitPort}/origin`,
      '/srv/plain-cleat': this.home,
      '/etc/plain-cleat.env': this.settings,
      '127.0.0.1:3306': `127.0.0.1:${this.database.port}`,
      'ANOTHER-LONG-PASSWORD': 'another-one-of-the-spec',
      'ONE-LONG-PASSWORD': 'one-of-the-spec',
      'what openssl rand -base64 32 prints': 'c2VjcmV0IG9mIHRoaXMgc3BlYyBhbG9uZSwgYW5kIGxvbmc=',
      'mariadb -e': `mariadb --no-defaults --socket=${this.database.socket} -u root -e`,
      '-u plain-cleat': `-u ${this.user}`,
      ':4600': `:${this.port}`,
    };
  }

  sh(script: string, input = ''): Ran {
    try {
      return {
        code: 0,
        said: execFileSync('bash', ['-c', `set -e\n{ ${script}\n} 2>&1`], {
          env: this.env,
          encoding: 'utf8',
          input,
          cwd: this.files,
        }),
      };
    } catch (error) {
      const { status, stdout } = error as { status: number; stdout: string };
      return { code: status, said: stdout };
    }
  }

  /** A commit on what is fetched from. */
  publish(file: string, text: string): void {
    appendFileSync(join(this.origin, file), text);
    this.sh(`cd '${this.origin}' && git commit -qam 'Change ${file}'`);
  }
  withdraw = (): Ran => this.sh(`cd '${this.origin}' && git reset -q --hard HEAD~1`);

  /** Served as its unit says: the settings, the user, the command. */
  async serve(): Promise<void> {
    const script = `set -a; . '${this.settings}'; set +a; export PORT=${this.port}; cd '${this.app}'; exec runuser -u ${this.user} -- env HOME='${this.home}' bin/serve`;
    const child = spawn('bash', ['-c', script], { env: this.env, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (said += chunk.toString()));
    this.serving = child;
    while (!(await fetch(`http://127.0.0.1:${this.port}/readyz`).catch(() => null))?.ok) {
      if (child.exitCode !== null) throw new Error(said);
      await wait(200);
    }
  }

  async stop(): Promise<void> {
    const child = this.serving;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((done) => child.once('exit', done));
    for (const pid of below(child.pid, 'node')) process.kill(pid, 'SIGTERM');
    child.kill('SIGTERM');
    await gone;
  }

  /** What in the service's home is not the service's. */
  strangers = (): string => this.sh(`find '${this.home}' -not -user ${this.user} | head`).said;

  remove(): void {
    this.shown.kill('SIGTERM');
    this.sh(`userdel ${this.user} || true\nrm -rf '${this.home}' '${this.files}'`);
  }
}

/** Reached by nine tabs through the proxy of the page, by a certificate that tablets take. */
async function reachedByNineTabs(shop: Installation): Promise<void> {
  const port = await freePort();
  const etc = join(shop.files, 'nginx');
  mkdirSync(etc);
  const [certificates = '', site = ''] = blocks('6. HTTPS', {
    ...shop.put,
    '/etc/nginx': etc,
    'listen 443': `listen 127.0.0.1:${port}`,
  });
  expect(shop.sh(certificates).code).toBe(0);
  const verified = shop.sh(`openssl verify -CAfile shop-ca.crt -purpose sslserver -verify_hostname rigs.shop.lan rigs.crt`);
  expect(verified.said.trim()).toBe('rigs.crt: OK');
  const extensions = shop.sh('openssl x509 -in rigs.crt -noout -text').said;
  // What a tablet asks of a certificate besides: whom it is for by name, what for, and for how long at the most (825 days).
  expect(extensions).toContain('DNS:rigs.shop.lan');
  expect(extensions).toContain('TLS Web Server Authentication');
  writeFileSync(
    join(etc, 'nginx.conf'),
    `daemon off; pid ${etc}/pid; error_log ${etc}/error.log; events {} http { access_log off; client_body_temp_path ${etc}/b; proxy_temp_path ${etc}/p; fastcgi_temp_path ${etc}/f; uwsgi_temp_path ${etc}/u; scgi_temp_path ${etc}/s; ${site} }`,
  );
  const nginx = spawn('nginx', ['-c', join(etc, 'nginx.conf')], { stdio: 'ignore' });
  while (!shop.sh(`curl -sk -o /dev/null https://127.0.0.1:${port}/healthz && echo up`).said.includes('up')) await wait(100);
  const answered = await new Promise<string>((resolve, failed) => {
    const client = connect(`https://127.0.0.1:${port}`, {
      ca: readFileSync(join(shop.files, 'shop-ca.crt')),
      servername: 'rigs.shop.lan',
    });
    client.on('error', failed);
    const call = client.request({ ':path': '/healthz' });
    call.on('response', (head) => {
      resolve(`${client.alpnProtocol} ${head[':status']}`);
      client.close();
    });
    call.end();
  });
  expect(answered).toBe('h2 200');
  const key = shop.sh(
    'openssl x509 -in rigs.crt -noout -pubkey | openssl pkey -pubin -outform der | openssl dgst -sha256 -binary | openssl enc -base64',
  );
  const browser = await chromium.launch({
    executablePath: process.env.CHROME_BIN ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--host-resolver-rules=MAP rigs.shop.lan 127.0.0.1',
      `--ignore-certificate-errors-spki-list=${key.said.trim()}`,
    ],
  });
  try {
    const page = await (await browser.newContext({ baseURL: `https://rigs.shop.lan:${port}` })).newPage();
    await page.goto('/sign-in');
    await page.getByLabel('Login').fill('orla');
    await page.getByLabel('Password').fill('a password of hers');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('button', { name: 'New rig' }).waitFor();
    const [demo] = demoRigs('2026-06-01');
    if (!demo) throw new Error('no demo rig');
    const id = await page.evaluate(async (text) => {
      const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string };
      const headers = { 'content-type': 'application/json', 'x-csrf-token': csrf };
      const answer = await fetch('/api/rig-files', { method: 'POST', headers, body: JSON.stringify({ text }) });
      return ((await answer.json()) as { id: string }).id;
    }, writeRigFile(demo.file));
    const tabs = [page, ...(await Promise.all(Array.from({ length: 8 }, () => page.context().newPage())))];
    for (const tab of tabs) {
      await tab.goto(`/rigs/${id}/build`);
      await tab.getByText('all changes saved').waitFor();
    }
    const named = tabs[4] ?? page;
    await named.getByRole('button', { name: 'Rename the rig' }).click();
    await named.getByLabel('Name of the rig').fill('seen in nine tabs');
    await named.getByRole('button', { name: 'Save' }).click();
    for (const tab of tabs) await tab.getByText('seen in nine tabs').waitFor();
  } finally {
    await browser.close();
    nginx.kill('SIGTERM');
  }
}

const LONG = process.env.LONG === 'yes' && process.getuid?.() === 0;

// Too long for every run, and for root alone.
const long = LONG ? describe : (): void => undefined;
long('a shop installed by docs/installing.md', () => {
  let there: Awaited<ReturnType<typeof emptyServer>>;
  let shop: Installation;
  beforeAll(async () => {
    there = await emptyServer();
    // The page makes the database and its accounts itself.
    const database = { port: Number(new URL(there.url).port), socket: join(there.folder, 'db.sock') };
    shop = new Installation(await freePort(), await freePort(), database);
    shop.sh(
      `mariadb --no-defaults --socket=${database.socket} -u root -e "DROP DATABASE plain_cleat; DROP USER 'cleat'@'127.0.0.1'; DROP USER 'cleat_admin'@'127.0.0.1'"`,
    );
  });
  afterAll(async () => {
    await shop.stop();
    shop.remove();
    there.stop();
  });

  // One after the other, of one installation.
  it('comes up, is left as it was by a version that cannot be built, is upgraded with a proved copy, and is reached by nine tabs', async () => {
    const [machine = ''] = blocks('1. The machine', shop.put);
    expect(shop.sh(machine.split('\n').slice(1).join('\n')).code).toBe(0);
    const [accounts = ''] = blocks('2. Two database accounts', shop.put);
    expect(shop.sh(accounts)).toEqual({ code: 0, said: '' });
    const [settings = ''] = blocks('3. Settings', shop.put);
    writeFileSync(shop.settings, settings);

    const [upgrade = '', first = ''] = blocks('4. The first run', shop.put);
    const installed = shop.sh(upgrade);
    expect(installed.code).withContext(installed.said).toBe(0);
    expect(shop.strangers()).toBe('');
    const asked = shop.sh(first, 'orla\nOrla Venn\na password of hers\n');
    expect(asked.said).withContext(asked.said).toContain('Orla Venn may sign in');
    await shop.serve();
    await shop.stop();

    // One that cannot be built: said, and the one before it is there.
    const before = shop.sh(`git -C '${shop.app}' rev-parse HEAD`).said;
    shop.publish('web/src/main.ts', '\nthis is no program\n');
    const broken = shop.sh(upgrade);
    expect(broken.code).toBe(1);
    expect(broken.said).toContain('the shop is served by the one before it');
    expect(shop.sh(`git -C '${shop.app}' rev-parse HEAD`).said).toBe(before);
    await shop.serve();
    await shop.stop();

    // A newer one, with a copy proved before it.
    shop.withdraw();
    shop.publish('web/src/styles.scss', '\n/* a newer version */\n');
    const newer = shop.sh(upgrade);
    expect(newer.code).withContext(newer.said).toBe(0);
    expect(readdirSync(join(shop.home, 'backups')).filter((f) => f.endsWith('.sql.gz')).length).toBeGreaterThan(0);
    expect(shop.strangers()).toBe('');
    await shop.serve();
    await reachedByNineTabs(shop);
  }, 1_740_000);
});
