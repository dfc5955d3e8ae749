import { faultsOf } from '@plain-cleat/core/rig';
import type { PathParameters, Role, Route, Staff } from '@plain-cleat/api';
import express, { type Request, type RequestHandler, type Response, type Router } from 'express';
import multer, { MulterError } from 'multer';
import type { z } from 'zod';
import { callingFor } from './caller';
import { badInput, HttpProblem, malformed } from '../problems/problem';

/** A file that came with a call. */
export type SentFile = Pick<Express.Multer.File, 'buffer' | 'originalname'>;

export interface Call<B, Q, Path extends string> {
  readonly req: Request;
  readonly res: Response;
  readonly body: B;
  readonly query: Q;
  readonly params: PathParameters<Path>;
  readonly file: SentFile | undefined;
  /** The address it came from. */
  readonly from: string;
  /** Who is signed in. Only routes open to anyone may find nobody here. */
  readonly staff: Staff;
}

const NOBODY: Staff = { id: '', name: 'nobody', role: 'rigger' };

/** What a call may carry when its route says nothing else, bytes. */
const USUAL_BYTES = 300_000;

/** The route's rule about who may call it. */
function admit(r: Route, staff: Staff | undefined): Staff {
  if (typeof r.who === 'string') return staff ?? NOBODY;
  if (!staff) throw new HttpProblem(401, 'Sign in', 'sign in first; nothing you typed is lost');
  if (!r.who.includes(staff.role as Role)) throw new HttpProblem(403, 'Not yours to do', `this is for ${r.who.join(' or ')}`);
  return staff;
}

function read<S extends z.ZodType>(schema: S | undefined, value: unknown): z.infer<S> {
  if (!schema) return undefined as z.infer<S>;
  const parsed = schema.safeParse(value ?? {});
  if (!parsed.success) throw badInput(faultsOf(parsed.error));
  return parsed.data;
}

/** Takes in what a route may carry and no more: one file, or so much JSON. */
function intake({ upload, body, bytes = USUAL_BYTES }: Route): RequestHandler[] {
  if (!body && !upload) return [];
  if (!upload) return [express.json({ limit: bytes })];
  const one = multer({ limits: { fileSize: upload.bytes, files: 1, fields: 4, parts: 6, fieldSize: 10_000 } }).single(
    upload.field,
  );
  return [
    (req, res, next) =>
      one(req, res, (error?: unknown) =>
        next(error === undefined || error instanceof MulterError ? error : malformed('the upload is cut short')),
      ),
  ];
}

/** Binds one route to its handler: who may call, what comes in, then the answer as JSON. */
export function bind<B extends z.ZodType, Q extends z.ZodType, A extends z.ZodType, P extends string>(
  router: Router,
  r: Route<B, Q, A, P>,
  handle: (call: Call<z.infer<B>, z.infer<Q>, P>) => Promise<z.input<A> | void>,
): void {
  const rule = r as unknown as Route;
  // Who may call is settled before a byte of a body is taken in.
  const door: RequestHandler = (req, res, next) => {
    admit(rule, req.staff);
    // What is told of owners and their boats is kept by nobody on the way.
    res.set('Cache-Control', 'no-store');
    next();
  };
  router[r.method.toLowerCase() as 'get' | 'post' | 'delete'](
    r.path,
    door,
    ...intake(rule),
    async (req: Request, res: Response) => {
      const staff = admit(rule, req.staff);
      const call = {
        req,
        res,
        staff,
        body: read(r.body, req.body),
        query: read(r.query, req.query),
        params: req.params as PathParameters<P>,
        file: req.file,
        from: req.ip ?? '',
      };
      const answer = await callingFor(staff.id, () => handle(call));
      if (!r.file && !res.headersSent) res.json(answer ?? {});
    },
  );
}
