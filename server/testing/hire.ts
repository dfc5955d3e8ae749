import { StaffRow } from '../database/models';
import { hashPassword } from '../staff/passwords';
import { shop, type Shop } from './shop';

/** Somebody who is here for one spec. */
export async function hire(login: string, role = 'rigger'): Promise<StaffRow> {
  await shop();
  return StaffRow.create({
    id: login,
    login,
    name: `Spec ${login}`,
    role,
    passwordHash: await hashPassword('right-password'),
    pinHash: await hashPassword('2468'),
  });
}

/** A try to sign in. */
export const signIn = async (s: Shop, login: string, password: string, forwarded = '') => {
  const call = s.nobody().agent.post('/api/sign-in');
  return (forwarded ? call.set('x-forwarded-for', forwarded) : call).send({ login, password });
};
