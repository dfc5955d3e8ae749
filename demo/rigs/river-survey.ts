import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/units';
import { TOLVANE } from '../documents';
import { drilled, feed, file, fitted, on, stepsDone, track, within } from '../draft';

/** A survey boat, half drilled: five of its holes are marked and made. */
export const survey = (today: string): RigFile =>
  file({
    seed: 147,
    owner: 'Ines Varga, river trust',
    hull: TOLVANE,
    title: 'river survey rig',
    opened: dayAfter(today, -9),
    promised: dayAfter(today, 6),
    brief: {
      waters: ['river', 'inshore'],
      work: ['survey'],
      stature: 1778,
      weightKg: 82,
      propulsion: ['paddle', 'pedals'],
      seat: 'low',
      budgetCents: 180_000,
      notes: 'Twelve stops a day. The anchor must be at hand.',
    },
    fittings: {
      sidelights: fitted('side-lights', on(300, 0), 'through'),
      battery: fitted('battery-18', within('bow-hold', 655, 0), 'strap'),
      sampler: fitted('sampler-socket', track('fwd-star', 1480), 'track'),
      sounder: fitted('sounder-arm-7', track('fwd-port', 1230), 'track'),
      board: fitted('chart-board', track('aft-port', 2400, 0), 'track', { suppliedBy: 'home-made' }),
      cleat: fitted('jam-cleat', on(2345, 385), 'well nut'),
      rod: fitted('rod-tube-raised', track('aft-star', 2560), 'track'),
      pulley: fitted('anchor-pulley', on(3290, 0), 'rivet'),
      box: fitted('dry-box', on(2760, 0), 'loose', { suppliedBy: "owner's own" }),
      light: fitted('mast-light', on(3400, 30), 'through'),
      flip: fitted('flip-line', on(1700, -240), 'loose'),
    },
    runs: {
      'feed-sounder': feed('battery', 'sounder', 'inside port'),
      'feed-bow': feed('battery', 'sidelights', 'inside port'),
      'feed-mast': feed('battery', 'light', 'inside starboard'),
    },
    wishes: {
      w1: { text: 'water sampler, long handle', part: 'sampler-socket' },
      w2: { text: 'depth sounder 7"', part: 'sounder-arm-7' },
      w3: { text: 'somewhere for the clipboard', part: 'chart-board' },
      w4: { text: 'dry box 40 × 30 cm', part: 'dry-box' },
    },
    off: [1.5, -2],
    facts: (w, make) => [
      ...stepsDone(make, ['receive', 'measure', 'tape', 'agree'], 12),
      ...drilled(w, { hull: TOLVANE }, make, (label) => w.drilling.holes.slice(0, 5).some((h) => h.label === label)),
    ],
  });
