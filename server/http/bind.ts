import { faultsOf } from '@plain-cleat/core';
import type { Role, Route, Staff } from '@plain-cleat/api';
import type { Request, RequestHandler, Response, Router } from 'express';
import multer from 'multer';
import type { z } from 'zod';
import { badInput, HttpProblem } from './problem';

declare module 'express-session' {
  interface SessionData {
    staff: Staff;
  }
}

/** A file that came with a call. */
export type SentFile = Pick<Express.Multer.File, 'buffer' | 'originalname'>;

export interface Call<B, Q> {
  readonly req: Request;
  readonly res: Response;
  readonly body: B;
  readonly query: Q;
  readonly params: Readonly<Record<string, string>>;
  readonly file: SentFile | undefined;
  /** Who is signed in. Only routes open to anyone may find nobody here. */
  readonly staff: Staff;
}

const NOBODY: Staff = { id: '', name: 'nobody', role: 'rigger' };

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

/** Binds one route to its handler: who may call, what comes in, then the answer as JSON. */
export function bind<B extends z.ZodType, Q extends z.ZodType, A extends z.ZodType>(
  router: Router,
  r: Route<B, Q, A>,
  handle: (call: Call<z.infer<B>, z.infer<Q>>) => Promise<z.input<A> | void>,
): void {
  const { upload } = r;
  const parts: RequestHandler[] = upload
    ? [multer({ limits: { fileSize: upload.bytes, files: 1, fields: 4 } }).single(upload.field)]
    : [];
  // Who may call is settled before a byte of a file is taken in.
  const door: RequestHandler = (req, _res, next) => {
    admit(r as unknown as Route, req.session?.staff);
    next();
  };
  router[r.method.toLowerCase() as 'get' | 'post' | 'delete'](r.path, door, ...parts, async (req: Request, res: Response) => {
    const staff = admit(r as unknown as Route, req.session?.staff);
    const answer = await handle({
      req,
      res,
      staff,
      body: read(r.body, req.body),
      query: read(r.query, req.query),
      params: req.params as Record<string, string>,
      file: req.file,
    });
    if (!r.file && !res.headersSent) res.json(answer ?? {});
  });
}
