import { API_VERSION, type Session, type SignIn, type Staff, type SwitchUser } from '@plain-cleat/api';
import type { Request, Response } from 'express';
import { type StaffRow } from '../database/models';
import { HttpProblem } from '../problems/problem';
import { type Attempts, pinSubjects, signInSubjects, type Subject } from './attempts';
import { byId, byLogin, isHere, staffOf } from './crew';
import { hashPassword, verifyPassword } from './passwords';
import { preferencesIn, preferencesOf } from './preferences';
import { makeProof } from './proof';

export type MakeToken = (req: Request, res: Response) => string;

const promised = (work: (done: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => work((error) => (error ? reject(error) : resolve())));

// Somebody unknown costs as long as a wrong password, so that logins cannot be guessed by the clock.
const nobodysHash = hashPassword('nobody at all');

/** A secret as it was typed, what it must be, and the address it was typed at. */
interface Tried {
  readonly hash: string | null | undefined;
  readonly secret: string;
  readonly from: string;
}

/** Whether a secret is somebody's, who is still here; tries are counted and too many end it. */
export async function proves(
  attempts: Attempts,
  subjects: readonly Subject[],
  row: StaffRow | null,
  { hash, secret, from }: Tried,
): Promise<boolean> {
  await attempts.begin(subjects);
  const right = await verifyPassword(hash ?? (await nobodysHash), secret, from);
  const passed = right && isHere(row) && Boolean(hash);
  if (passed) await attempts.passed(subjects);
  return passed;
}

/** A call as the door sees it. */
interface Caller {
  readonly req: Request;
  readonly res: Response;
  /** The address it came from. */
  readonly from: string;
}

/** The shop's door: who comes in, who goes out, and what their page is told of them. */
export class Door {
  constructor(
    private readonly attempts: Attempts,
    private readonly makeToken: MakeToken,
    private readonly secret: string,
  ) {}

  /** Who is signed in here, if anybody. */
  async who({ req, res }: Caller): Promise<Session> {
    const staff = req.staff ?? null;
    return this.state(req, res, staff, staff ? await preferencesOf(staff.id) : {});
  }

  async signIn({ req, res, from }: Caller, { login, password }: SignIn): Promise<Session> {
    const row = await byLogin(login);
    if (!(await this.knows(row, password, from)))
      throw new HttpProblem(401, 'Not signed in', 'login or password is not right', { field: 'password' });
    return this.enter(req, res, row as StaffRow);
  }

  /** Another comes to a shared tablet, by their PIN. */
  async switchUser({ req, res, from }: Caller, { staff, pin }: SwitchUser): Promise<Session> {
    const row = await byId(staff);
    if (!(await proves(this.attempts, pinSubjects(row?.id ?? null, from), row, { hash: row?.pinHash, secret: pin, from })))
      throw new HttpProblem(422, 'Not swapped', 'the PIN is not right', { field: 'pin' });
    return this.enter(req, res, row as StaffRow);
  }

  async choosePin(staff: string, password: string, pin: string, from: string): Promise<void> {
    const row = await byId(staff);
    if (!(await this.knows(row, password, from)))
      throw new HttpProblem(422, 'PIN not changed', 'the password is not right', { field: 'password' });
    await row?.update({ pinHash: await hashPassword(pin) });
  }

  async signOut({ req, res }: Caller): Promise<Session> {
    await promised((done) => req.session.regenerate(done));
    return this.state(req, res, null);
  }

  /** Whether it is somebody's password, who is still here. */
  private knows(row: StaffRow | null, password: string, from: string): Promise<boolean> {
    return proves(this.attempts, signInSubjects(row?.id ?? null, from), row, { hash: row?.passwordHash, secret: password, from });
  }

  private async enter(req: Request, res: Response, row: StaffRow): Promise<Session> {
    await promised((done) => req.session.regenerate(done));
    req.session.staffId = row.id;
    req.session.since = Date.now();
    await promised((done) => req.session.save(done));
    return this.state(req, res, staffOf(row), preferencesIn(row));
  }

  private state(req: Request, res: Response, staff: Staff | null, preferences: Session['preferences'] = {}): Session {
    return {
      staff,
      csrf: staff ? this.makeToken(req, res) : null,
      apiVersion: API_VERSION,
      proof: staff ? makeProof(staff.id, this.secret) : null,
      preferences,
    };
  }
}
