import { API_VERSION, ROUTES, type Session, type Staff } from '@plain-cleat/api';
import type { Request, Response, Router } from 'express';
import { StaffRow } from '../database/models';
import { bind } from '../http/bind';
import { HttpProblem } from '../http/problem';
import { hashPassword, verifyPassword } from './passwords';

type MakeToken = (req: Request, res: Response) => string;

const promised = (work: (done: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => work((error) => (error ? reject(error) : resolve())));

/** Sign-in, sign-out and who is here. */
export function staffRoutes(router: Router, makeToken: MakeToken): void {
  const state = (req: Request, res: Response): Session => {
    const staff = req.session.staff ?? null;
    return { staff, csrf: staff ? makeToken(req, res) : null, apiVersion: API_VERSION };
  };
  // Somebody unknown costs as long as a wrong password, so that logins cannot be guessed by the clock.
  const nobodysHash = hashPassword('nobody at all');

  bind(router, ROUTES.session, async ({ req, res }) => state(req, res));
  bind(router, ROUTES.signIn, async ({ req, res, body }) => {
    const row = await StaffRow.findOne({ where: { login: body.login.trim().toLowerCase() } });
    const right = await verifyPassword(row?.passwordHash ?? (await nobodysHash), body.password);
    if (!row || !right) throw new HttpProblem(401, 'Not signed in', 'login or password is not right', { field: 'password' });
    await promised((done) => req.session.regenerate(done));
    req.session.staff = { id: row.id, name: row.name, role: row.role as Staff['role'] };
    await promised((done) => req.session.save(done));
    return state(req, res);
  });
  bind(router, ROUTES.signOut, async ({ req, res }) => {
    await promised((done) => req.session.regenerate(done));
    return state(req, res);
  });
}
