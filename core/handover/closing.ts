import { fingerprint, type Fact, type Ledger, type Plan } from '../rig';
import type { BuildStep } from '../scheduling';

/** A wish nothing aboard answers. */
export interface OpenWish {
  readonly id: string;
  readonly text: string;
  readonly count: number;
}

/** Whether the rig is handed over: signed for, as it is now, with nothing open that was not accepted by name. */
export interface Closing {
  readonly signed: Extract<Fact, { kind: 'signed' }> | null;
  /** Steps still open, and not accepted with the signature. */
  readonly open: readonly BuildStep[];
  /** What was signed for has changed since. */
  readonly changed: boolean;
  readonly closed: boolean;
  readonly wishes: readonly OpenWish[];
}

/** Wishes that nothing aboard answers, in their order. */
function openWishes({ wishes, fittings }: Pick<Plan, 'wishes' | 'fittings'>): OpenWish[] {
  const aboard = new Map<string, number>();
  for (const f of Object.values(fittings)) aboard.set(f.part, (aboard.get(f.part) ?? 0) + 1);
  return Object.entries(wishes).flatMap(([id, { text, part, count = 1 }]): OpenWish[] => {
    const there = part === null ? 0 : (aboard.get(part) ?? 0);
    return there >= count ? [] : [{ id, text, count: count - there }];
  });
}

/** What a signature is for: what stands aboard, how, and the holes there are. */
export function signedFor(
  { fittings, runs, lines, sets, stowage, scuppers, features }: Plan,
  ledger: Pick<Ledger, 'holes'>,
): string {
  const holes = ledger.holes.map((h) => [h.fact, h.bit, h.plugged]);
  return fingerprint([fittings, runs, sets, stowage, scuppers, ...some(features), ...some(lines), holes]);
}

/** A list that has anything in it: what was signed for before there was such a list stays signed for. */
const some = (list: object): object[] => (Object.keys(list).length ? [list] : []);

/** Whether a rig is handed over, and what stands against it. */
export function closingOf(plan: Plan, ledger: Ledger, steps: readonly BuildStep[]): Closing {
  const { signed } = ledger;
  const accepted = new Set(signed?.open ?? []);
  const open = steps.filter((s) => !s.done && !accepted.has(s.id));
  const changed = signed?.for !== undefined && signed.for !== signedFor(plan, ledger);
  return { signed, open, changed, closed: signed !== null && !changed && open.length === 0, wishes: openWishes(plan) };
}
