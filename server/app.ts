import { randomBytes, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { ROUTES } from '@plain-cleat/api';
import { openApiDocument } from '@plain-cleat/api/openapi';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import { doubleCsrf } from 'csrf-csrf';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import session from 'express-session';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { assemblyRoutes } from './assemblies/routes';
import type { Config } from './config';
import { cutRoutes } from './cuts/routes';
import { documentRoutes } from './documents/routes';
import { News } from './events/news';
import { eventRoutes } from './events/routes';
import { floorRoutes } from './floor/routes';
import { stopDrafting } from './drafting/draft';
import { bind } from './http/bind';
import { HttpProblem, problems } from './problems/problem';
import { SERIALIZERS } from './http/log';
import { healthRoutes } from './http/health';
import { hullRoutes } from './hulls/routes';
import { ownerRoutes } from './owners/routes';
import { photoRoutes } from './photos/routes';
import { stopReading } from './imports/read';
import { Range } from './parts/range';
import { partRoutes } from './parts/routes';
import { Projection } from './rigs/projection';
import { rigRoutes } from './rigs/routes';
import { shopRoutes } from './shop/routes';
import { Attempts } from './staff/attempts';
import { Door, type MakeToken } from './staff/door';
import { Sessions } from './staff/sessions';
import { managersSign } from './staff/signing';
import { staffRoutes } from './staff/routes';
import { wishRoutes } from './wishes/routes';

export interface App {
  readonly express: Express;
  /** Ends open streams, timers and processes. */
  stop(): Promise<void>;
}

const HOURS = 3_600_000;

function security(app: Express): void {
  app.use((_req, res, next) => {
    res.locals.nonce = randomBytes(16).toString('base64');
    next();
  });
  const nonce = (_req: unknown, res: unknown): string => `'nonce-${(res as Response).locals.nonce}'`;
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", nonce],
          styleSrc: ["'self'", nonce],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          frameAncestors: ["'none'"],
          formAction: ["'self'"],
        },
      },
      referrerPolicy: { policy: 'no-referrer' },
    }),
  );
}

/** Serves the built page, with this request's nonce in it, for every address the web routes itself. */
function pages(app: Express, root: string): void {
  const index = resolve(root, 'index.html');
  const serve = express.static(root, {
    index: false,
    maxAge: '1y',
    immutable: true,
    // The service worker and its list of files are asked for anew each time: they say whether there is a newer build.
    setHeaders: (res, path) =>
      void (/\/(ngsw|safety-worker|worker-basic)[^/]*$/.test(path) && res.setHeader('Cache-Control', 'no-cache')),
  });
  // Pages carry a nonce: none is served as it lies in the folder. What the server answers is not looked for there.
  app.use((req, res, next) => (/^\/api\/|\.html$/.test(req.path) ? next() : serve(req, res, next)));
  // Read each time, so that a new build is served without a restart; a file that is gone stays gone.
  app.get(/^\/(?!api\/|healthz|readyz)([^.]*|index\.html)$/, async (_req: Request, res: Response, next: NextFunction) => {
    if (!existsSync(index)) return next();
    const page = (await readFile(index, 'utf8')).replaceAll('REQUEST_NONCE', String(res.locals.nonce));
    res.set('Cache-Control', 'no-store').type('html').send(page);
  });
}

/** Cookies that only this very host reads, where HTTPS lets it be said. */
function cookieNames(secure: boolean): { session: string; csrf: string } {
  const host = secure ? '__Host-' : '';
  return { session: `${host}plain-cleat`, csrf: `${host}plain-cleat-csrf` };
}

/** Who calls, and whether they may write: session, staff, token. Answers with what makes tokens. */
function whoCalls(app: Express, config: Config, db: Sequelize): { sessions: Sessions; makeToken: MakeToken } {
  const [idle, longest] = [config.SESSION_IDLE_HOURS * HOURS, config.SESSION_HOURS * HOURS];
  const sessions = new Sessions(db, { idle, longest });
  const secure = config.SECURE_COOKIES === 'yes';
  const cookie = { httpOnly: true, sameSite: 'lax', secure, path: '/' } as const;
  const names = cookieNames(secure);
  app.use(cookieParser());
  app.use(
    session({
      name: names.session,
      secret: config.SESSION_SECRET,
      store: sessions,
      resave: false,
      rolling: true,
      saveUninitialized: false,
      cookie: { ...cookie, maxAge: idle },
    }),
  );
  app.use(sessions.present);
  const { doubleCsrfProtection, generateCsrfToken } = doubleCsrf({
    getSecret: () => config.SESSION_SECRET,
    getSessionIdentifier: (req) => req.session.id,
    cookieName: names.csrf,
    cookieOptions: cookie,
    getCsrfTokenFromRequest: (req) => req.get('x-csrf-token'),
  });
  // Before sign-in there is no session to protect; from then on every writing call carries the token.
  app.use((req, res, next) => (req.staff ? doubleCsrfProtection(req, res, next) : next()));
  // A second tab is given the token that the first one has: both go on writing.
  return { sessions, makeToken: (req, res) => generateCsrfToken(req, res, { overwrite: false, validateOnReuse: false }) };
}

/** A line of the log for each request, by a number that its answer carries. */
function logged(app: Express, config: Config, log: Logger): void {
  app.use(
    pinoHttp({
      logger: log,
      serializers: SERIALIZERS,
      wrapSerializers: false,
      autoLogging: config.LOG_LEVEL === 'debug',
      genReqId: (_req, res) => {
        const id = randomUUID();
        res.setHeader('X-Request-Id', id);
        return id;
      },
    }),
  );
}

/** Owners' pages are open to whoever has the link: nobody tries links out. */
function fewOwnerPages(app: Express, config: Config): void {
  app.use(
    ROUTES.ownerPage.path,
    rateLimit({
      windowMs: 60_000,
      limit: config.OWNER_PAGES_A_MINUTE,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_req, _res, next) => next(new HttpProblem(429, 'Too many tries', 'wait a minute, then open the page again')),
    }),
  );
}

/** Builds the whole Express application on an open database. */
export function makeApp(config: Config, db: Sequelize, log: Logger): App {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', config.TRUST_PROXY === 'no' ? false : config.TRUST_PROXY);
  logged(app, config, log);
  security(app);
  app.use(compression({ filter: (req, res) => req.path !== '/api/events' && compression.filter(req, res) }));
  pages(app, config.WEB_ROOT);
  const health = healthRoutes(app, config.DATABASE_URL);
  const { sessions, makeToken } = whoCalls(app, config, db);
  fewOwnerPages(app, config);

  const router = express.Router();
  const document = openApiDocument();
  bind(router, ROUTES.openApi, async () => document);
  const attempts = new Attempts(db);
  const projection = new Projection(log).follow();
  void projection.sweep();
  const range = new Range();
  staffRoutes(router, db, new Door(attempts, makeToken, config.SESSION_SECRET));
  floorRoutes(router, db, projection);
  ownerRoutes(router, db);
  rigRoutes(router, range, { db, signing: managersSign(attempts), secret: config.SESSION_SECRET });
  documentRoutes(router, db);
  hullRoutes(router, db);
  shopRoutes(router, db, range);
  partRoutes(router, db, range);
  wishRoutes(router);
  photoRoutes(router, db);
  assemblyRoutes(router, db);
  cutRoutes(router, db);
  const news = new News(db, sessions);
  eventRoutes(router, news);
  app.use(router);
  app.use((_req, _res, next) => next(new HttpProblem(404, 'Not found', 'there is nothing at this address')));
  app.use(problems);
  return {
    express: app,
    async stop() {
      news.stop();
      sessions.stopExpiringSessions();
      await projection.stop();
      await Promise.all([stopReading(), stopDrafting(), health.stop()]);
    },
  };
}
