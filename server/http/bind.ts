import { faultsOf } from '@plain-cleat/core';
import type { Role, Route, Staff } from '@plain-cleat/api';
import { type Request, type Response, type Router } from 'express';
import type { z } from 'zod';
import { badInput, HttpProblem } from './problem';

declare module 'express-session' {
  interface SessionData {
    staff: Staff;
  }
}

export interface Call<B, Q> {
  readonly req: Request;
  readonly res: Response;
  readonly body: B;
  readonly query: Q;
  readonly params: Readonly<Record<string, string>>;
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
  router[r.method.toLowerCase() as 'get' | 'post' | 'delete'](r.path, async (req: Request, res: Response) => {
    const staff = admit(r as unknown as Route, req.session?.staff);
    const answer = await handle({
      req,
      res,
      staff,
      body: read(r.body, req.body),
      query: read(r.query, req.query),
      params: req.params as Record<string, string>,
    });
    if (!r.file && !res.headersSent) res.json(answer ?? {});
  });
}
