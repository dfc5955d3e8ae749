import { stockFittings, type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { QUENBY } from '../documents';
import { feed, file, fitted, on, track, within } from '../draft';

/** Everything for the left hand, on a raised seat. */
export const adaptive = (today: string): RigFile =>
  file({
    seed: 150,
    owner: 'Jonas Weir',
    hull: QUENBY,
    title: 'left-hand rig, raised seat',
    opened: dayAfter(today, -6),
    promised: dayAfter(today, 21),
    brief: {
      waters: ['river', 'lake'],
      work: ['day trips', 'camera'],
      stature: 1690,
      weightKg: 71,
      hand: 'left',
      castHand: 'left',
      reelHand: 'left',
      propulsion: ['motor'],
      backUp: ['paddle'],
      seat: 'high',
      stands: 'sits',
      holes: 'as needed',
      road: 'trailer',
      carries: ['camera'],
      tier: 'everything',
    },
    fittings: {
      ...stockFittings(QUENBY),
      seat: fitted('seat-high', on(2180, 0), 'loose'),
      bar: fitted('transfer-bar', track('fwd-port', 1200), 'track'),
      drive: fitted('motor-stern-45', on(3655, 0), 'through', { plate: true }),
      kill: fitted('kill-switch', on(2060, -430), 'through'),
      steer: fitted('steering-kit', track('fwd-port', 1840), 'track', { hand: 'left' }),
      socket: fitted('pipe-socket', on(3250, -200), 'well nut'),
      cup: fitted('pipe-cup', { on: 'fitting', fitting: 'socket', u: 0, v: 0, heading: 0 }, 'loose', {
        often: 'stopped',
        rides: 'car',
      }),
      plate: fitted('own-plate', on(1080, 0), 'loose', { suppliedBy: 'home-made' }),
      power: fitted('battery-100', within('bow-hold', 665, 0), 'strap'),
      clip: fitted('paddle-clip', track('fwd-star', 1880), 'track'),
      paddle: fitted('paddle-main', { on: 'fitting', fitting: 'clip', u: 0, v: 0, heading: 0 }, 'loose', {
        tether: { to: null, length: 1000 },
      }),
      strap: fitted('stand-strap', on(2050, 380), 'rivet'),
      light: fitted('mast-light', track('aft-star', 3150), 'track'),
      horn: fitted('air-horn', track('aft-port', 2640), 'track'),
    },
    runs: {
      'feed-kill': feed('power', 'kill', 'inside port'),
      'feed-drive': feed('kill', 'drive', 'inside starboard'),
      'feed-light': feed('power', 'light', 'inside port', { guard: { is: 'breaker', amps: null, along: 100 } }),
    },
    more: {
      own: {
        plate: {
          ...{ name: 'Step of foam and board', kind: 'step', shape: { is: 'box', length: 140, width: 300 }, height: 60 },
          ...{ massKg: 0.8, ways: ['loose', 'glue'], bolts: null, offers: [], ports: 0, carries: false, sinks: false },
          ...{ cents: null, photo: null },
          made: { minutes: 40, of: [{ what: 'board and foam, cut', count: 1, cents: 1400 }] },
        },
      },
      sets: {
        his: { name: 'his own', order: 1 },
        carer: {
          name: 'carer drives',
          order: 2,
          sits: { first: { body: { stature: 1640, weightKg: 62 }, at: 2120, recline: 5 } },
        },
      },
    },
    facts: () => [],
  });
