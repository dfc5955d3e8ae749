import { createHash, randomBytes } from 'node:crypto';
import { LinkRow } from '../database/models';
import { HttpProblem } from '../problems/problem';
import { findRig } from '../rigs/load';

/** A link holds so many days. */
const DAYS = 60;
const hashed = (token: string): string => createHash('sha256').update(token).digest('hex');

const revoke = (rigId: string): Promise<unknown> => LinkRow.update({ revoked: true }, { where: { rigId } });

/** Ends every link to the page of a rig. */
export async function revokeLinks(rig: string): Promise<void> {
  await revoke((await findRig(rig)).id);
}

/** A new link to the page of a rig; the ones before end, unless they are kept. */
export async function makeLink(rig: string, keep: boolean): Promise<{ url: string; expires: string }> {
  const { id: rigId } = await findRig(rig);
  if (!keep) await revoke(rigId);
  const token = randomBytes(24).toString('base64url');
  const expires = new Date(Date.now() + DAYS * 86_400_000).toISOString();
  await LinkRow.create({ tokenHash: hashed(token), rigId, expires, revoked: false });
  return { url: `/owner/${token}`, expires };
}

/**
 * The rig that a link is to.
 * @throws HttpProblem 404 when there is none, 410 when it has ended
 */
export async function rigBehind(token: string): Promise<string> {
  const link = await LinkRow.findByPk(hashed(token));
  if (!link) throw new HttpProblem(404, 'No such link', 'ask the shop for a new link');
  if (link.revoked || link.expires < new Date().toISOString())
    throw new HttpProblem(410, 'This link has ended', 'ask the shop for a new link');
  return link.rigId;
}
