import type { StaffRow } from '../database/models';
import { HttpProblem } from '../problems/problem';
import { type Attempts, signInSubjects } from './attempts';
import { byLogin } from './crew';
import { proves } from './door';

/** Who signs one act with their password, typed there: it signs nobody in. */
export type Signing = (who: { readonly login: string; readonly password: string }, address: string) => Promise<StaffRow>;

/** What is a manager's to do was sent without one's password. */
export const wantsManager = (): HttpProblem =>
  new HttpProblem(403, 'Not yours to do', 'a manager types their password for it, each time', { field: 'override.password' });

/** Managers sign; failures count as at sign-in. */
export const managersSign =
  (attempts: Attempts): Signing =>
  async ({ login, password }, address) => {
    const row = await byLogin(login);
    const subjects = signInSubjects(row?.id ?? null, address);
    const right = await proves(attempts, subjects, row, { hash: row?.passwordHash, secret: password, from: address });
    if (!row || !right)
      throw new HttpProblem(422, 'Not signed', 'login or password is not right', { field: 'override.password' });
    if (row.role !== 'manager')
      throw new HttpProblem(403, 'Not yours to do', 'it takes a manager’s login', { field: 'override.login' });
    return row;
  };
