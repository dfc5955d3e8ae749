import { countWishes, type CountedWish, type Fact, type Ledger, type SignedArea } from '../../rig';
import type { BuildStep } from '../scheduling';
import { changedSince, signedFor, signedForBefore, type SignedThings } from './signed-for';

/** Whether the rig is handed over: signed for, as it is now, with nothing open that was not accepted by name. */
export interface Closing {
  readonly signed: Extract<Fact, { kind: 'signed' }> | null;
  /** Steps still open, and not accepted with the signature. */
  readonly open: readonly BuildStep[];
  /** What is not any more as it was signed for; of signatures of before areas, that something is not. */
  readonly changed: readonly SignedArea[];
  readonly closed: boolean;
  /** What a signature now would be for. */
  readonly signs: () => Readonly<Record<SignedArea, string>>;
  /** Wishes of which something is not aboard, in their order. */
  readonly wishes: readonly CountedWish[];
}

/** What each area is called in a sentence. */
const AREA_WORDS: Readonly<Record<SignedArea, string>> = {
  aboard: 'what stands aboard and where',
  cables: 'the cables',
  lines: 'the lines',
  parts: 'parts themselves',
  hull: 'the hull',
  materials: 'materials',
  charges: 'the price',
  rules: 'the shop’s rules',
  holes: 'the holes',
  steps: 'the steps of the work',
  brief: 'the brief',
  papers: 'title or wishes',
  accepted: 'what was accepted with a reason',
};

/** Some areas as a list in a sentence: `the cables, the holes and the price`. */
export const areasInWords = (areas: readonly SignedArea[]): string => {
  const words = areas.map((area) => AREA_WORDS[area]);
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
};

/** What is not any more as it was signed for. Of an owner who was forgotten nothing is left to compare. */
function changes(things: SignedThings & { readonly ledger: Ledger }): readonly SignedArea[] {
  const { plan, ledger } = things;
  const { signed } = ledger;
  if (!signed || plan.brief.forgotten) return [];
  if (signed.areas) return changedSince(signed.areas, signedFor(things));
  return signed.for !== undefined && signed.for !== signedForBefore(plan, ledger) ? ['aboard'] : [];
}

/** Whether a rig is handed over, and what stands against it. */
export function closingOf(things: SignedThings & { readonly ledger: Ledger }): Closing {
  const { plan, steps } = things;
  const { signed } = things.ledger;
  const accepted = new Set(signed?.open ?? []);
  const open = steps.filter((s) => !s.done && !accepted.has(s.id));
  const changed = changes(things);
  const closed = signed !== null && changed.length === 0 && open.length === 0;
  return {
    signed,
    open,
    changed,
    closed,
    signs: () => signedFor(things),
    wishes: countWishes(plan).filter((w) => w.placed < w.count),
  };
}
