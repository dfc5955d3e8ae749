import { API_VERSION, ROUTES, type Session, type Staff } from '@plain-cleat/api';
import type { Request, Response, Router } from 'express';
import { StaffRow } from '../database/models';
import { bind } from '../http/bind';
import { HttpProblem } from '../http/problem';
import { hashPassword, verifyPassword } from './passwords';
import { makeProof } from './proof';

type MakeToken = (req: Request, res: Response) => string;

const promised = (work: (done: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => work((error) => (error ? reject(error) : resolve())));

/** Sign-in, sign-out, swapping on a shared tablet, and who is here. */
export function staffRoutes(router: Router, makeToken: MakeToken, secret: string): void {
  const state = (req: Request, res: Response): Session => {
    const staff = req.session.staff ?? null;
    return {
      staff,
      csrf: staff ? makeToken(req, res) : null,
      apiVersion: API_VERSION,
      proof: staff ? makeProof(staff.id, secret) : null,
    };
  };
  const enter = async (req: Request, res: Response, row: StaffRow): Promise<Session> => {
    await promised((done) => req.session.regenerate(done));
    req.session.staff = { id: row.id, name: row.name, role: row.role as Staff['role'] };
    await promised((done) => req.session.save(done));
    return state(req, res);
  };
  // Somebody unknown costs as long as a wrong password, so that logins cannot be guessed by the clock.
  const nobodysHash = hashPassword('nobody at all');

  bind(router, ROUTES.session, async ({ req, res }) => state(req, res));
  bind(router, ROUTES.signIn, async ({ req, res, body }) => {
    const row = await StaffRow.findOne({ where: { login: body.login.trim().toLowerCase() } });
    const right = await verifyPassword(row?.passwordHash ?? (await nobodysHash), body.password);
    if (!row || !right) throw new HttpProblem(401, 'Not signed in', 'login or password is not right', { field: 'password' });
    return enter(req, res, row);
  });
  bind(router, ROUTES.crew, async () => {
    const rows = await StaffRow.findAll({ order: [['name', 'ASC']] });
    return rows.map((r) => ({ id: r.id, name: r.name, role: r.role as Staff['role'], hasPin: r.pinHash !== null }));
  });
  bind(router, ROUTES.swap, async ({ req, res, body }) => {
    const row = await StaffRow.findByPk(body.staff);
    const right = await verifyPassword(row?.pinHash ?? (await nobodysHash), body.pin);
    if (!row?.pinHash || !right) throw new HttpProblem(422, 'Not swapped', 'the PIN is not right', { field: 'pin' });
    return enter(req, res, row);
  });
  bind(router, ROUTES.choosePin, async ({ body, staff }) => {
    const row = await StaffRow.findByPk(staff.id);
    const right = await verifyPassword(row?.passwordHash ?? (await nobodysHash), body.password);
    if (!row || !right) throw new HttpProblem(422, 'PIN not changed', 'the password is not right', { field: 'password' });
    await row.update({ pinHash: await hashPassword(body.pin) });
    return {};
  });
  bind(router, ROUTES.signOut, async ({ req, res }) => {
    await promised((done) => req.session.regenerate(done));
    return state(req, res);
  });
}
