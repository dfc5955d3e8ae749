import { stockFittings, type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { PELLIN } from '../documents';
import { file, fitted, on } from '../draft';

/** A child, a cooler and a crate on a borrowed boat: nothing drilled. */
export const family = (today: string): RigFile =>
  file({
    seed: 151,
    owner: 'The Okafor family',
    hull: PELLIN,
    title: 'family day rig',
    opened: dayAfter(today, -1),
    promised: dayAfter(today, 9),
    brief: {
      waters: ['pond', 'lake'],
      work: ['day trips', 'camping'],
      stature: 1680,
      weightKg: 60,
      second: { stature: 1450, weightKg: 36, at: 2250, recline: 5 },
      way: { metres: 80, ground: 'grass', by: 'carried', minutes: 25 },
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'none',
      wires: 'outside',
      road: 'truck bed',
      carries: ['dog', 'crate'],
      tier: 'working',
      budgetCents: 45_000,
    },
    fittings: {
      ...stockFittings(PELLIN),
      mat: fitted('dog-mat', on(1000, 0), 'loose'),
      crate: fitted('crate-open', on(2540, 0, 90), 'strap', {
        straps: [
          { from: 'hull.well-1-p', to: 'crate.aft-port' },
          { from: 'hull.well-1-s', to: 'crate.fore-port' },
          { from: 'hull.well-2-p', to: 'crate.aft-starboard' },
          { from: 'hull.well-2-s', to: 'crate.fore-starboard' },
        ],
      }),
      cooler: fitted('cooler-soft', on(450, 0), 'loose'),
      ladder: fitted('reboard-ladder', on(2030, -185), 'loose'),
      first: fitted('first-aid', on(1790, 0), 'loose'),
      throw: fitted('throw-bag', on(1320, 0), 'loose'),
    },
    wishes: {
      w1: { text: 'somewhere soft for the dog', part: 'dog-mat' },
      w2: { text: 'crate for picnic things', part: 'crate-open' },
    },
    more: {
      stowage: {
        s1: {
          of: 'crate',
          in: 'crate',
          what: 'bowls and water for the dog',
          kg: 2.5,
          litres: 6,
          wantsDry: false,
          use: 'stopped',
          later: false,
        },
        s2: { of: 'cooler', in: 'cooler', what: 'picnic', kg: 3, litres: 8, wantsDry: false, use: 'stopped', later: false },
        s3: { in: 'bow-bag', what: 'rain jackets', kg: 1.2, litres: 5, wantsDry: false, use: 'stopped', later: false },
      },
    },
    facts: () => [],
  });
