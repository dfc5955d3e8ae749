import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { TOLVANE } from '../documents';
import { file, fitted, foundId, led, on } from '../draft';

const rod = { x: 2225, y: 365 } as const;

/** A rig that came back: last year's holes are taken in, some used again. */
export const returned = (today: string): RigFile =>
  file({
    seed: 153,
    owner: 'Halvard Strand',
    hull: TOLVANE,
    title: 'returned for a trolley',
    opened: dayAfter(today, -2),
    promised: dayAfter(today, 8),
    brief: {
      waters: ['inshore', 'river'],
      work: ['rods'],
      stature: 1810,
      weightKg: 86,
      propulsion: ['paddle', 'pedals'],
      seat: 'low',
      holes: 'few',
      rods: 1,
      budgetCents: 60_000,
      notes: 'The rod butt dragged in the water last year: raise the tube on its old holes.',
    },
    // Last year's rod tube, a pad eye that goes, and a sounder arm and a cleat that went before it.
    found: [
      { x: rod.x - 40, y: rod.y, bit: 4.85, of: 'flush rod tube' },
      { x: rod.x + 20, y: rod.y - 34.64, bit: 4.85, of: 'flush rod tube' },
      { x: rod.x + 20, y: rod.y + 34.64, bit: 4.85, of: 'flush rod tube' },
      { x: 3120, y: -120, bit: 4.85, of: 'pad eye' },
      { x: 3154, y: -120, bit: 4.85, of: 'pad eye' },
      { x: 1090, y: -300, bit: 6.6, of: 'sounder arm', plugged: 'nylon plug in sealant' },
      { x: 1150, y: -300, bit: 6.6, of: 'sounder arm', plugged: 'nylon plug in sealant' },
      { x: 1090, y: -336, bit: 6.6, of: 'sounder arm', plugged: 'nylon plug in sealant' },
      { x: 1150, y: -336, bit: 6.6, of: 'sounder arm', plugged: 'nylon plug in sealant' },
      { x: 2210, y: -390, bit: 4.85, of: 'jam cleat', plugged: 'rivet in sealant' },
      { x: 2248, y: -390, bit: 4.85, of: 'jam cleat', plugged: 'rivet in sealant' },
      { x: rod.x, y: rod.y, bit: 50.8, of: 'flush rod tube' },
    ],
    fittings: {
      pulleyBow: fitted('anchor-pulley', on(215, 0), 'rivet'),
      cleat: fitted('jam-cleat', on(2345, 385), 'rivet'),
      rod: fitted('rod-tube-flush', on(rod.x, rod.y), 'rivet', {
        lift: 90,
        uses: { 1: foundId(153, 0), 2: foundId(153, 1), 3: foundId(153, 2), 4: foundId(153, 11) },
      }),
      pulleyStern: fitted('anchor-pulley', on(3290, 0), 'rivet'),
      flip: fitted('flip-line', on(1700, -240), 'loose'),
      leash: fitted('paddle-leash', on(1300, -150), 'loose'),
      anchor: fitted('anchor-5', on(2720, 0), 'loose'),
    },
    lines: {
      trolley: led('anchor trolley', ['pulleyBow.sheave', 'pulleyStern.sheave'], { way: 'outside starboard' }),
      rode: led('anchor line', ['ring trolley', 'cleat.jaws'], {
        ...{ way: 'outside starboard', carries: 'anchor', breaks: 220 },
        ground: { depth: 4000, bottom: 'sand', stream: 2, wind: 18 },
      }),
    },
    off: [0.5, 0.5],
    facts: () => [],
  });
