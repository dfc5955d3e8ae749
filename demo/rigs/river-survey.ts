import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { TOLVANE } from '../documents';
import { by, drilled, feed, file, fitted, on, stepsDone, track, within } from '../draft';

/** A survey boat, half drilled: five of its holes are marked and made. */
export const survey = (today: string): RigFile =>
  file({
    seed: 147,
    owner: 'Ines Varga, river trust',
    hull: TOLVANE,
    title: 'river survey rig',
    opened: dayAfter(today, -9),
    promised: dayAfter(today, 9),
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
      // The second shows what the side beam sees; one network joins both.
      second: fitted('sounder-arm-7', track('fwd-star', 1230), 'track'),
      down: fitted('transducer-scupper', { on: 'scupper', scupper: 'scup-4', heading: 0 }, 'scupper'),
      side: fitted('transducer-arm', track('aft-port', 2700), 'track'),
      block: fitted('fuse-block-6', within('bow-hold', 820, 0), 'strap'),
      board: fitted('chart-board', track('aft-port', 2400, 0), 'track', { suppliedBy: 'home-made' }),
      cleat: fitted('jam-cleat', on(2345, 385), 'well nut'),
      rod: fitted('rod-tube-raised', track('aft-star', 2560), 'track'),
      pulley: fitted('anchor-pulley', on(3290, 0), 'rivet'),
      box: fitted('dry-box', on(2760, -15), 'loose', { suppliedBy: "owner's own" }),
      light: fitted('mast-light', on(3400, 30), 'through'),
      flip: fitted('flip-line', on(1700, -240), 'loose'),
    },
    runs: {
      'feed-block': feed('battery', 'block', 'inside port'),
      'feed-sounder': feed('block', 'sounder', 'inside port', { way: 1, name: 'sounder 1' }),
      'feed-second': feed('block', 'second', 'inside starboard', { way: 2, name: 'sounder 2' }),
      'feed-mast': feed('block', 'light', 'inside starboard', { way: 3, name: 'mast light' }),
      'feed-bow': feed('battery', 'sidelights', 'inside port'),
      'signal-net': feed('sounder', 'second', 'under deck', { has: 'signal' }),
      'signal-down': feed('down', 'second', 'outside starboard', { has: 'signal', via: by([2369], [1421]) }),
      'signal-side': feed('side', 'sounder', 'inside port', { has: 'signal' }),
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
