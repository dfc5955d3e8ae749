import { randomUUID } from 'node:crypto';
import { foundFitting, SAMPLE, VERBS, type Change, type Plan } from '@plain-cleat/core/rig';
import { deck, emptyPlan, partOf } from './plans';

export const { crate, battery, sounder, run } = SAMPLE;
const id = (): string => randomUUID();

/** The plan that the samples of the verbs fit: a battery and a sounder fed by it, a crate, an eye that was found, and a set. */
export const laid = (): Plan => ({
  ...emptyPlan(),
  sets: { away: { name: 'away', order: 1 } },
  fittings: { g: crate, b: battery, s: sounder, e: foundFitting(partOf('pad-eye'), deck(3300, -60)) },
  runs: { r: run },
});

/** The samples of every verb, and several changes made together. */
export const CHANGES: readonly Change[] = [
  ...VERBS.flatMap(({ kind, samples }) => samples.map((sample) => ({ id: id(), kind, ...sample }) as Change)),
  {
    id: id(),
    kind: 'together',
    changes: [
      { id: id(), kind: 'freezeLetters', from: null, to: { g: 'C' } },
      { id: id(), kind: 'letterItem', item: 's', from: null, to: 'C2' },
    ],
  },
  {
    id: id(),
    kind: 'together',
    changes: [
      { id: id(), kind: 'routeRun', run: 'r', from: run, to: null },
      { id: id(), kind: 'takeOffItem', item: 's', from: sounder },
    ],
  },
];
