import type { Change, NewFact } from '@plain-cleat/core/rig';
import type { Changed, SavedFacts, Override, SendChange, SendFacts, Staff } from '@plain-cleat/api';
import type { Sequelize } from 'sequelize';
import { badInput } from '../problems/problem';
import { read } from '../imports/read';
import { type Signing, wantsManager } from '../staff/signing';
import { withOwnAmounts } from './amounts';
import { recordChange } from './changes';
import { acceptedBy, checkAcceptance } from './check';
import { saveFacts, provenBy, vouchesForPasses, whoKept } from './facts';

/** What is sent to be kept is checked by. */
export interface Sending {
  readonly db: Sequelize;
  readonly signing: Signing;
  readonly secret: string;
}

/** From whom something came, and from where. */
export interface Sender {
  readonly staff: Staff;
  readonly from: string;
}

type Overridden = Awaited<ReturnType<Signing>> | null;

const managerOf = ({ signing }: Sending, override: Override | undefined, { from }: Sender): Promise<Overridden> =>
  override ? signing(override, from) : Promise.resolve(null);

/** Applies a change that somebody sent: as its maker's, or as the manager's who typed their password for it. */
export async function sendChange(
  sending: Sending,
  rigId: string,
  { override, keptBy, ...sent }: SendChange,
  sender: Sender,
): Promise<Changed> {
  const manager = await managerOf(sending, override, sender);
  const change: Change = manager ? acceptedBy(manager, sent.change) : sent.change;
  // Made by one and sent by another, after a tablet was swapped with no network: it is logged as of who made it.
  const maker = (keptBy && (await provenBy(keptBy.proof, sending.secret))) || sender.staff;
  checkAcceptance(change, maker, manager);
  const own = await withOwnAmounts(rigId, change, sent.undoes);
  return recordChange(sending.db, { rigId, author: (manager ?? maker).id, ...sent, change: own });
}

/** Keeps facts that somebody sent: as theirs, as of who kept them on the tablet, or as the manager's who let a step pass. */
export async function sendFacts(
  sending: Sending,
  rigId: string,
  { facts, override, keptBy }: SendFacts,
  sender: Sender,
): Promise<SavedFacts> {
  await checkOverride(rigId, facts, override);
  const manager = await managerOf(sending, override, sender);
  for (const f of facts) if ('drawing' in f) await read(sender.staff.id, 'signature', f.drawing);
  const { name } = manager ?? sender.staff;
  const by = keptBy && !manager ? await whoKept(keptBy, name, sending.secret) : { name };
  return saveFacts(sending.db, rigId, by, facts);
}

/** A manager's password is typed for letting one step pass, and for nothing else. */
async function checkOverride(rigId: string, facts: readonly NewFact[], override: Override | undefined): Promise<void> {
  const passes = facts.some((f) => f.kind === 'gatePassed') || (await vouchesForPasses(rigId, facts));
  if (passes && !override) throw wantsManager();
  if (override && !passes) throw badInput([{ field: 'override', says: 'it is for letting a step pass, and for nothing else' }]);
  // The password covers what it was typed for, and nothing that is sent along with it.
  if (override && facts.length > 1) throw badInput([{ field: 'override', says: 'it is for one fact: send the others apart' }]);
}
