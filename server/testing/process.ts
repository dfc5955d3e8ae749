import { spawn, type ChildProcess } from 'node:child_process';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';
import type { Session } from '@plain-cleat/api';
import { testUrl } from './shop';

/** A server in a process of its own, and where it listens. */
export interface Running {
  readonly child: ChildProcess;
  readonly address: string;
}

/** Starts a server process on the specs' database; resolves once it listens. */
export function startServer(settings: Record<string, string> = {}): Promise<Running> {
  const child = spawn(process.execPath, ['server/dist/demo.js'], {
    env: {
      ...process.env,
      DATABASE_URL: testUrl(),
      DATABASE_ADMIN_URL: process.env.TEST_DATABASE_ADMIN_URL,
      PORT: '0',
      LOG_LEVEL: 'silent',
      ...settings,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let out = '';
    child.stdout?.on('data', (chunk: Buffer) => {
      out += chunk.toString();
      const found = /http:\/\/127\.0\.0\.1:\d+/.exec(out);
      if (found) resolve({ child, address: found[0] });
    });
    child.on('exit', (code) => reject(new Error(`server ended early with ${code}: ${out}`)));
  });
}

/** Ends a server, by default without a chance to tidy up. */
export const ended = ({ child }: Running, signal: NodeJS.Signals = 'SIGKILL'): Promise<void> =>
  new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.once('exit', () => resolve());
    child.kill(signal);
  });

/** Somebody signed in at a server process. */
export interface Caller {
  readonly address: string;
  readonly headers: Record<string, string>;
}

/** Signs in with a login and a password. */
export async function callerAt(address: string, login = 'ama', password = 'quay-street'): Promise<Caller> {
  const answer = await fetch(`${address}/api/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ login, password }),
  });
  const cookie = answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ');
  const { csrf } = (await answer.json()) as Session;
  return { address, headers: { 'content-type': 'application/json', cookie, 'x-csrf-token': csrf ?? '' } };
}

/** A way to the database that can be cut and joined again. */
export interface Cuttable {
  readonly url: string;
  cut(): void;
  join(): void;
  close(): Promise<void>;
}

export async function lineTo(url = testUrl()): Promise<Cuttable> {
  const { hostname, port } = new URL(url);
  const open = new Set<Socket>();
  let whole = true;
  const server = createServer((here) => {
    if (!whole) return void here.destroy();
    const there = connect(Number(port), hostname);
    for (const [a, b] of [
      [here, there],
      [there, here],
    ] as const) {
      open.add(a);
      a.pipe(b);
      a.on('error', () => b.destroy());
      a.on('close', () => open.delete(a));
    }
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const local = new URL(url);
  local.port = String((server.address() as AddressInfo).port);
  const cut = (): void => {
    whole = false;
    for (const socket of open) socket.destroy();
  };
  return {
    url: local.href,
    cut,
    join: () => void (whole = true),
    close() {
      cut();
      return new Promise((done) => server.close(() => done()));
    },
  };
}
