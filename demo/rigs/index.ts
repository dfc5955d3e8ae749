import type { RigFile } from '@plain-cleat/core/rig';
import { adaptive } from './left-hand';
import { family } from './family-day';
import { guide } from './night-guide';
import { handline } from './handline';
import { minimum } from './minimum';
import { photographer } from './bird-photographer';
import { returned } from './returned';
import { survey } from './river-survey';
import { tandem } from './tandem';

/** The demo rigs in their different states, and where they stand: half drilled, with stops to settle, with sets, undrilled, handed over. */
export const demoRigs = (today: string): { readonly file: RigFile; readonly place: string }[] => [
  { file: minimum(today), place: 'handed over' },
  { file: survey(today), place: 'bench 1' },
  { file: handline(today), place: 'bench 2' },
  { file: adaptive(today), place: 'yard' },
  { file: family(today), place: "owner's move" },
  { file: photographer(today), place: 'bench 2' },
  { file: returned(today), place: 'bench 1' },
  { file: guide(today), place: 'yard' },
  { file: tandem(today), place: 'yard' },
];
