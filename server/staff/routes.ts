import { ROUTES, type StaffList } from '@plain-cleat/api';
import type { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { bind } from '../http/bind';
import { addStaff, allStaff, hereNow, setEnded, setPassword, setPin, setRole, staffOf } from './crew';
import type { Door } from './door';
import { prefer } from './preferences';

const everybody = async (): Promise<StaffList> =>
  (await allStaff()).map((r) => ({ ...staffOf(r), login: r.login, hasPin: r.pinHash !== null, ended: r.ended }));

/** Sign-in, sign-out, swapping on a shared tablet, and who is here. */
export function staffRoutes(router: Router, db: Sequelize, door: Door): void {
  bind(router, ROUTES.session, async (call) => door.who(call));
  bind(router, ROUTES.signIn, async ({ body, ...call }) => door.signIn(call, body));
  bind(router, ROUTES.switchUser, async ({ body, ...call }) => door.switchUser(call, body));
  bind(router, ROUTES.signOut, async (call) => door.signOut(call));
  bind(router, ROUTES.choosePin, async ({ body, staff, from }) => {
    await door.choosePin(staff.id, body.password, body.pin, from);
    return {};
  });
  bind(router, ROUTES.prefer, async ({ body, staff }) => prefer(staff.id, body));
  bind(router, ROUTES.crew, async () => (await hereNow()).map((r) => ({ ...staffOf(r), hasPin: r.pinHash !== null })));
  bind(router, ROUTES.staffList, everybody);
  bind(router, ROUTES.addStaff, async ({ body }) => {
    await addStaff(body);
    return everybody();
  });
  bind(router, ROUTES.changeStaff, async ({ req, params: { login }, body }) => {
    if ('role' in body) await setRole(db, login, body.role);
    else if ('password' in body) await setPassword(db, login, body.password, req.session.id);
    else if ('pin' in body) await setPin(db, login, body.pin, req.session.id);
    else await setEnded(db, login, body.ended);
    return everybody();
  });
}
