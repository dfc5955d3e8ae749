import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { BRACKWEN } from '../documents';
import { drilled, file, fitted, on, PEN, stepsDone } from '../draft';

/** The least a boat is rigged with; handed over. */
export const minimum = (today: string): RigFile =>
  file({
    seed: 144,
    owner: 'Noor Tessel',
    hull: BRACKWEN,
    title: 'minimum rig',
    opened: dayAfter(today, -20),
    promised: dayAfter(today, -2),
    brief: {
      waters: ['pond', 'lake'],
      work: ['rods', 'day trips'],
      stature: 1650,
      weightKg: 63,
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'few',
      tier: 'bare',
      budgetCents: 20_000,
    },
    fittings: {
      bungee: fitted('bungee-deck', on(720, 0), 'rivet'),
      leash: fitted('paddle-leash', on(1300, -150), 'loose'),
      tube: fitted('rod-tube-flush', on(2300, 60), 'rivet'),
    },
    off: [-1, 2.5],
    facts: (w, make) => [
      ...stepsDone(make, ['receive', 'measure', 'tape', 'agree'], 9),
      ...drilled(w, { hull: BRACKWEN }, make, () => true),
      ...stepsDone(
        make,
        w.build.steps.map((s) => s.id).filter((step) => !['receive', 'measure', 'tape', 'agree'].includes(step)),
        9,
      ),
      ...w.handover.walk.map((s) => make({ kind: 'stopShown', stop: s.fitting })),
      make({ kind: 'signed', name: 'Noor Tessel', drawing: PEN }),
    ],
  });
