import { foundFitting, stockFittings, stockKey, type Fitting, type Plan, type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { CATALOG, SARROCK } from '../documents';
import { feed, file, fitted, on, strap, within } from '../draft';

const STOCK = stockFittings(SARROCK);
const BUNGEE = stockKey('bungee');
const cleat = CATALOG.parts.find((p) => p.id === 'jam-cleat');

/** A rack of pipe and a block of foam: made at the bench. */
const OWN: Plan['own'] = {
  rack: {
    ...{ name: 'Rod rack of pipe', kind: 'rod rack', shape: { is: 'box', length: 90, width: 330 }, height: 260, massKg: 1.1 },
    ...{ ways: ['through', 'rivet'], bolts: { count: 2, along: 0, across: 280, thread: 'M6' }, offers: [], ports: 0 },
    ...{ carries: false, sinks: true, cents: null, photo: null },
    made: {
      minutes: 75,
      of: [
        { what: 'pipe 40 mm, a metre', count: 1.2, cents: 640 },
        { what: 'caps and bolts', count: 1, cents: 420 },
      ],
    },
  },
  block: {
    ...{
      name: 'Foam block for the feet',
      kind: 'foam block',
      shape: { is: 'cylinder', diameter: 240 },
      height: 120,
      massKg: 0.3,
    },
    ...{ ways: ['loose', 'glue'], bolts: null, offers: [], ports: 0, carries: false, sinks: false, cents: null, photo: null },
    made: { minutes: 20, of: [{ what: 'foam, cut', count: 1, cents: 900 }] },
  },
};

const own = (key: string, x: number, y: number, hold: Fitting['mount']['hold']): Fitting =>
  fitted(`own-${key}`, on(x, y), hold, { suppliedBy: 'home-made' });

/** A second-hand tandem that came in with gear nobody had listed: half of it looked at. */
export const tandem = (today: string): RigFile =>
  file({
    seed: 154,
    owner: 'Wren Marlow',
    hull: SARROCK,
    title: 'second-hand tandem',
    opened: dayAfter(today, -1),
    promised: dayAfter(today, 12),
    brief: {
      waters: ['lake', 'inshore'],
      work: ['rods', 'day trips'],
      stature: 1780,
      weightKg: 76,
      second: { stature: 1640, weightKg: 61 },
      propulsion: ['paddle'],
      holes: 'few',
      road: 'roof',
      carries: ['crate'],
      rods: 2,
    },
    fittings: {
      ...STOCK,
      [BUNGEE]: { ...(STOCK[BUNGEE] as Fitting), becomes: { is: 'replaced', for: 'crate' } },
      ...(cleat ? { cleat: foundFitting(cleat, on(3980, 70)) } : {}),
      crate: fitted('crate-open', on(3630, 0), 'strap', {
        straps: [
          { from: 'hull.well-1p', to: 'crate.fore-port' },
          { from: 'hull.well-1s', to: 'crate.fore-starboard' },
          { from: 'hull.well-2p', to: 'crate.aft-port' },
          { from: 'hull.well-2s', to: 'crate.aft-starboard' },
        ],
      }),
      rack: own('rack', 4060, 0, 'through'),
      block: own('block', 2740, -150, 'loose'),
      battery: fitted('battery-18', within('bow-hold', 640, 0), 'strap', {
        straps: [strap('bow-eye-p', 'bow-eye-2s'), strap('bow-eye-s', 'bow-eye-2p')],
      }),
      light: fitted('mast-light', { on: 'track', track: 'aft-star', x: 3480, heading: 0 }, 'track'),
    },
    runs: { 'feed-light': feed('battery', 'light', 'inside starboard') },
    wishes: {
      w1: { text: 'somewhere for two rods', part: 'own-rack' },
      w2: { text: 'new name on the bow', part: null, count: 1, cents: 3500 },
    },
    more: {
      own: OWN,
      stowage: {
        s1: { of: 'crate', in: 'crate', what: 'lunch for two', kg: 3, litres: 8, wantsDry: false, use: 'stopped', later: false },
        s2: { in: 'mid-bay', what: 'spare clothes in a bag', kg: 1.5, litres: 9, wantsDry: true, use: 'ashore', later: false },
      },
    },
    facts: (_, make) => [
      make({ kind: 'thingSeen', thing: 'handle-bow-handle', is: 'sound', says: '' }),
      make({ kind: 'thingSeen', thing: stockKey('eye-p'), is: 'sound', says: '' }),
      make({ kind: 'thingSeen', thing: stockKey('eye-s'), is: 'worn', says: 'grooved by a wire leash' }),
      make({ kind: 'thingSeen', thing: 'feet', is: 'broken', says: 'starboard peg does not lock' }),
      make({ kind: 'thingSeen', thing: BUNGEE, is: 'worn', says: 'slack, hooks rusted' }),
    ],
  });
