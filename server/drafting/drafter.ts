import { holesOfRig, type OtherHole } from '@plain-cleat/core/holding/drilling';
import type { HowBad } from '@plain-cleat/core/checks/findings';
import { workUp, type WorkupInput } from '@plain-cleat/core/workup';
import { draw } from './draw';
import { ownersPage } from './owners-page';
import { project, type Projected } from './project';
import { serve } from '../workers/serve';

/** A rig of the shop by its number. */
export interface Numbered {
  readonly number: string;
  readonly input: WorkupInput;
}

/** The letters of everything aboard, null when there is nothing to name. */
function lettersOf(input: WorkupInput): Record<string, string> | null {
  const {
    aboard: { items },
  } = workUp(input);
  return items.length ? Object.fromEntries(items.map((i) => [i.placed.id, i.letter])) : null;
}

/** All that works a rig up, in a process of its own. */
const DRAFTS = {
  draw,
  ownersPage,
  letters: lettersOf,
  /** How bad some findings are; those that do not stand are left out. */
  amounts: (input: WorkupInput, keys: readonly string[]): Record<string, HowBad> =>
    Object.fromEntries(
      workUp(input).findings.flatMap(({ key, severity, measure }) => (keys.includes(key) ? [[key, { severity, measure }]] : [])),
    ),
  project: ({ number, input }: Numbered): Projected => project(number, input, workUp(input)),
  holes: (rigs: readonly Numbered[]): OtherHole[][] =>
    rigs.map(({ number, input }) => {
      const { drilling, ledger, aboard } = workUp(input);
      return holesOfRig(number, drilling.holes, ledger, aboard.owned);
    }),
};
export type Drafts = typeof DRAFTS;

serve(DRAFTS);
