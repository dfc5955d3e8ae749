import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { QUENBY } from '../documents';
import { by, feed, file, fitted, on, strap, track, within } from '../draft';

/** A blind, a camera mast and a motor on the widest hull. */
export const photographer = (today: string): RigFile =>
  file({
    seed: 152,
    owner: 'Bastien Corde',
    hull: QUENBY,
    title: 'bird photographer’s rig',
    opened: dayAfter(today, -3),
    promised: dayAfter(today, 13),
    brief: {
      waters: ['river', 'lake'],
      work: ['camera'],
      stature: 1850,
      weightKg: 88,
      propulsion: ['paddle', 'motor'],
      seat: 'both',
      holes: 'as needed',
      road: 'trailer',
      tier: 'everything',
    },
    fittings: {
      frame: fitted('blind-socket', track('fwd-port', 1260), 'track'),
      frame2: fitted('blind-socket', track('fwd-star', 1260), 'track'),
      mast: fitted('camera-mast', track('fwd-star', 1700), 'track'),
      radio: fitted('radio-clip', track('fwd-port', 1850), 'track'),
      electronics: fitted('battery-30', within('bow-hold', 800, -160), 'strap'),
      motorbat: fitted('battery-80', within('bow-hold', 620, 0), 'strap', {
        straps: [strap('bow-eye-1p', 'bow-eye-1s'), strap('bow-eye-1s', 'bow-eye-2p')],
      }),
      ports: fitted('usb-ports', on(2482, -60, 90), 'rivet'),
      kill: fitted('kill-switch', on(2300, -430), 'through'),
      port1: fitted('charge-port', on(2482, 60), 'through'),
      port2: fitted('charge-port', on(2560, 120), 'through'),
      drive: fitted('motor-quiet-40', on(3640, 0), 'through', { plate: true }),
      mark: fitted('flag-pole', track('aft-port', 3150), 'track'),
    },
    runs: {
      'feed-kill': feed('motorbat', 'kill', 'under gunwale port', { via: by([849, 'under gunwale port'], [2111]) }),
      'feed-drive': feed('kill', 'drive', 'under gunwale port', { via: by([2500, 'under gunwale port'], [3460]) }),
      'feed-port1': feed('motorbat', 'port1', 'inside port', { guard: { is: 'breaker', amps: null, along: 100 } }),
      'feed-port2': feed('electronics', 'port2', 'inside port'),
      'feed-ports': feed('electronics', 'ports', 'inside port'),
    },
    facts: () => [],
  });
