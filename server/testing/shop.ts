import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Problem, RigDocument, Session } from '@plain-cleat/api';
import { DEMO_SHOP, STAFF } from '@plain-cleat/demo';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import supertest from 'supertest';
import { makeApp, type App } from '../app';
import { readConfig } from '../config';
import { connect } from '../database/connect';
import { migrate } from '../database/migrate';
import { defineModels } from '../database/models';
import { fill } from '../fill';

const log = pino({ level: 'silent' });

/** The database of the specs; bin/test starts it, never the demo's. */
export const testUrl = (): string => {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error('TEST_DATABASE_URL: run the server specs with bin/test server');
  return url;
};

/** A whole server on an ephemeral port, with the demo, for one run of specs. */
export class Shop {
  private constructor(
    readonly db: Sequelize,
    private readonly app: App,
    readonly server: Server,
  ) {}

  static async open(): Promise<Shop> {
    const db = connect(testUrl());
    defineModels(db);
    await migrate(db, { DATABASE_ADMIN_URL: process.env.TEST_DATABASE_ADMIN_URL });
    await fill(db, log, DEMO_SHOP);
    const app = makeApp(readConfig({ DATABASE_URL: testUrl(), LOG_LEVEL: 'silent' }, true), db, log);
    const server = createServer(app.express);
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
    return new Shop(db, app, server);
  }

  get address(): string {
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  async close(): Promise<void> {
    await this.app.stop();
    this.server.closeAllConnections();
    await new Promise((done) => this.server.close(done));
    await this.db.close();
  }

  signIn(login: (typeof STAFF)[number]['login']): Promise<Person> {
    return this.signInAs(login, STAFF.find((s) => s.login === login)?.password ?? '');
  }

  async signInAs(login: string, password: string): Promise<Person> {
    const agent = supertest.agent(this.server);
    const { body } = await agent.post('/api/sign-in').send({ login, password }).expect(200);
    return new Person(agent, (body as Session).csrf ?? '');
  }

  nobody = (): Person => new Person(supertest.agent(this.server), '');
}

/** Somebody with a session, or without. */
export class Person {
  constructor(
    readonly agent: ReturnType<typeof supertest.agent>,
    private readonly csrf: string,
  ) {}

  /** A writing call with its token, and whatever else is set on it. */
  raw = (path: string) => this.agent.post(path).set('x-csrf-token', this.csrf);
  /** Its cookies, as a header. */
  cookies = (): string =>
    this.agent.jar.getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false }).toValueString();
  get = (path: string) => this.agent.get(path);
  post = (path: string, body: object) => this.agent.post(path).set('x-csrf-token', this.csrf).send(body);
  sendFile = (path: string, field: string, bytes: Buffer, name: string) =>
    this.agent.post(path).set('x-csrf-token', this.csrf).attach(field, bytes, name);
  remove = (path: string) => this.agent.delete(path).set('x-csrf-token', this.csrf);

  /** The bytes of a file. */
  async bytes(path: string): Promise<Buffer> {
    const answer = await this.get(path)
      .buffer(true)
      .parse((res, done) => {
        const chunks: Buffer[] = [];
        res.on('data', (c: Buffer) => chunks.push(c));
        res.on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200);
    return answer.body as Buffer;
  }

  async rig(id: string): Promise<RigDocument> {
    return (await this.get(`/api/rigs/${id}`).expect(200)).body as RigDocument;
  }

  /** Opens a new, empty rig; only the front desk and managers may. */
  async newRig(title = 'spec rig'): Promise<string> {
    const { body } = await this.post('/api/rigs', {
      title,
      owner: { name: 'Spec Owner', email: '' },
      hull: 'tolvane-118',
      serial: 'S1',
      promised: null,
    }).expect(200);
    return (body as { id: string }).id;
  }
}

export const problemOf = (response: { body: unknown }): Problem => response.body as Problem;

let shared: Promise<Shop> | undefined;
/** One server for all specs of a run. */
export const shop = (): Promise<Shop> => (shared ??= Shop.open());
