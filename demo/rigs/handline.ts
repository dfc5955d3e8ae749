import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { ORRISK } from '../documents';
import { file, fitted, on, track } from '../draft';

/** Handlines and trolling in three sets, with stops to settle. */
export const handline = (today: string): RigFile =>
  file({
    seed: 149,
    owner: 'Petra Holm',
    hull: ORRISK,
    title: 'mackerel and pollack rig',
    opened: dayAfter(today, -4),
    promised: dayAfter(today, 17),
    brief: {
      waters: ['inshore', 'offshore'],
      work: ['handline', 'rods'],
      stature: 1720,
      weightKg: 74,
      castHand: 'right',
      reelHand: 'left',
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'few',
      road: 'trailer',
      rods: 3,
      rodLength: 2100,
      distanceKm: 18,
      rules: ['skerry-day'],
      budgetCents: 140_000,
    },
    fittings: {
      reelP: fitted('handline-reel', track('aft-port', 2620), 'track'),
      tubeS: fitted('rod-tube-track', track('aft-star', 2760), 'track'),
      trollP: fitted('rod-tube-troll', track('aft-port', 2900), 'track', { sets: ['troll'] }),
      trollS: fitted('rod-tube-troll-star', track('aft-star', 2960), 'track', { sets: ['troll'] }),
      crate: fitted('crate-open', on(3000, 0), 'loose', { elsewhere: { guest: on(3080, 0) } }),
      tubes: fitted('rod-tubes-crate-2', { on: 'fitting', fitting: 'crate', u: 258, v: 0, heading: 0 }, 'loose', {
        sets: ['day', 'troll'],
      }),
      board: fitted('measuring-board', on(1740, -80, 0), 'loose', { tether: { to: null, length: 700 } }),
      net: fitted('net-folding', on(2360, 190, 180), 'loose'),
      knife: fitted('knife-deck', on(2150, 290), 'rivet'),
      jacket: fitted('jacket-pockets', on(2160, 0), 'loose', { suppliedBy: "owner's own" }),
      ladder: fitted('reboard-ladder', on(1700, 200), 'loose'),
      anchor: fitted('anchor-3', on(3852, 0), 'loose', { tether: { to: null, length: 900 } }),
      guestSeat: fitted('child-seat', on(1500, 0), 'loose', { sets: ['guest'] }),
      radio: fitted('radio-vhf', on(2260, -222), 'loose'),
    },
    wishes: {
      w1: { text: 'two rod holders, out to the sides', part: 'rod-tube-troll' },
      w2: { text: 'reel for the handline', part: 'handline-reel', count: 1, cents: 4000 },
      w3: { text: 'something to measure pollack on', part: 'measuring-board' },
    },
    more: {
      sets: {
        day: { name: 'all-day', order: 1 },
        troll: { name: 'trolling', order: 2 },
        guest: { name: 'guest', order: 3 },
      },
      stowage: {
        s1: { of: 'jacket', in: 'left', what: 'whistle', kg: 0.02, litres: 0.05, wantsDry: false, use: 'always', later: false },
        s2: { in: 'day-hatch', what: 'lunch and spare line', kg: 1.4, litres: 3, wantsDry: false, use: 'stopped', later: false },
        s3: {
          in: 'bow-hold',
          what: 'a place for a battery next year',
          kg: 0,
          litres: 4,
          wantsDry: true,
          use: 'ashore',
          later: true,
        },
      },
      scuppers: { 'scup-1': 'plugged' },
    },
    facts: () => [],
  });
