import { API_VERSION, ROUTES, type Session, type Staff, type StaffList } from '@plain-cleat/api';
import type { Request, Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { StaffRow } from '../database/models';
import { bind } from '../http/bind';
import { HttpProblem } from '../problems/problem';
import { type Attempts, pinSubjects, signInSubjects, type Subject } from './attempts';
import { addStaff, allStaff, byId, byLogin, isHere, setEnded, setPassword, setPin, setRole, staffOf } from './crew';
import { hashPassword, verifyPassword } from './passwords';
import { prefer, preferencesIn, preferencesOf } from './preferences';
import { makeProof } from './proof';

type MakeToken = (req: Request, res: Response) => string;

const promised = (work: (done: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => work((error) => (error ? reject(error) : resolve())));

// Somebody unknown costs as long as a wrong password, so that logins cannot be guessed by the clock.
const nobodysHash = hashPassword('nobody at all');

/** Whether a secret is somebody's, who is still here; tries are counted and too many end it. */
export async function proves(
  attempts: Attempts,
  subjects: readonly Subject[],
  row: StaffRow | null,
  hash: string | null | undefined,
  secret: string,
  from: string,
): Promise<boolean> {
  await attempts.begin(subjects);
  const right = await verifyPassword(hash ?? (await nobodysHash), secret, from);
  const passed = right && isHere(row) && Boolean(hash);
  if (passed) await attempts.passed(subjects);
  return passed;
}

/** Sign-in, sign-out, swapping on a shared tablet, and who is here. */
export function staffRoutes(router: Router, db: Sequelize, attempts: Attempts, makeToken: MakeToken, secret: string): void {
  const state = (req: Request, res: Response, staff: Staff | null, preferences: Session['preferences'] = {}): Session => ({
    staff,
    csrf: staff ? makeToken(req, res) : null,
    apiVersion: API_VERSION,
    proof: staff ? makeProof(staff.id, secret) : null,
    preferences,
  });
  const enter = async (req: Request, res: Response, row: StaffRow): Promise<Session> => {
    await promised((done) => req.session.regenerate(done));
    req.session.staffId = row.id;
    req.session.since = Date.now();
    await promised((done) => req.session.save(done));
    return state(req, res, staffOf(row), preferencesIn(row));
  };

  bind(router, ROUTES.session, async ({ req, res }) =>
    state(req, res, req.staff ?? null, req.staff && (await preferencesOf(req.staff.id))),
  );
  bind(router, ROUTES.signIn, async ({ req, res, body }) => {
    const row = await byLogin(body.login);
    const from = req.ip ?? '';
    const subjects = signInSubjects(row?.id ?? null, from);
    if (!(await proves(attempts, subjects, row, row?.passwordHash, body.password, from)) || !row)
      throw new HttpProblem(401, 'Not signed in', 'login or password is not right', { field: 'password' });
    return enter(req, res, row);
  });
  bind(router, ROUTES.crew, async () => {
    const rows = await StaffRow.findAll({ where: { ended: null }, order: [['name', 'ASC']] });
    return rows.map((r) => ({ ...staffOf(r), hasPin: r.pinHash !== null }));
  });
  bind(router, ROUTES.swap, async ({ req, res, body }) => {
    const row = await byId(body.staff);
    const from = req.ip ?? '';
    if (!(await proves(attempts, pinSubjects(row?.id ?? null, from), row, row?.pinHash, body.pin, from)) || !row)
      throw new HttpProblem(422, 'Not swapped', 'the PIN is not right', { field: 'pin' });
    return enter(req, res, row);
  });
  bind(router, ROUTES.choosePin, async ({ req, body, staff }) => {
    const row = await byId(staff.id);
    const from = req.ip ?? '';
    const subjects = signInSubjects(row?.id ?? null, from);
    if (!(await proves(attempts, subjects, row, row?.passwordHash, body.password, from)) || !row)
      throw new HttpProblem(422, 'PIN not changed', 'the password is not right', { field: 'password' });
    await row.update({ pinHash: await hashPassword(body.pin) });
    return {};
  });
  bind(router, ROUTES.prefer, async ({ body, staff }) => prefer(staff.id, body));
  bind(router, ROUTES.signOut, async ({ req, res }) => {
    await promised((done) => req.session.regenerate(done));
    return state(req, res, null);
  });

  const everybody = async (): Promise<StaffList> =>
    (await allStaff()).map((r) => ({ ...staffOf(r), login: r.login, hasPin: r.pinHash !== null, ended: r.ended }));
  bind(router, ROUTES.staffList, everybody);
  bind(router, ROUTES.addStaff, async ({ body }) => {
    await addStaff(body);
    return everybody();
  });
  bind(router, ROUTES.changeStaff, async ({ req, params, body }) => {
    const login = params.login ?? '';
    if ('role' in body) await setRole(db, login, body.role);
    else if ('password' in body) await setPassword(db, login, body.password, req.session.id);
    else if ('pin' in body) await setPin(db, login, body.pin, req.session.id);
    else await setEnded(db, login, body.ended);
    return everybody();
  });
}
