import { type RigFile } from '@plain-cleat/core/rig';
import { dayAfter } from '@plain-cleat/core/base/units';
import { ORRISK } from '../documents';
import { by, feed, file, fitted, on, track, within } from '../draft';

/** A guide who leads boats out after dark. */
export const guide = (today: string): RigFile =>
  file({
    seed: 148,
    owner: 'Lantern Walks',
    hull: ORRISK,
    title: 'night-tour guide’s rig',
    opened: dayAfter(today, -5),
    promised: dayAfter(today, 12),
    brief: {
      waters: ['inshore', 'river', 'night'],
      work: ['guiding'],
      stature: 1760,
      weightKg: 79,
      propulsion: ['paddle'],
      seat: 'low',
      holes: 'as needed',
      road: 'trailer',
      distanceKm: 9,
      tier: 'working',
      budgetCents: 120_000,
      notes: 'Leads six boats out after dark. Radio and light at hand without looking.',
    },
    fittings: {
      lantern: fitted('lantern-bow', on(1170, 95), 'through'),
      deckLight: fitted('deck-light', on(1272, 95), 'rivet'),
      // A track of its own beside the legs, for what every guide wants elsewhere.
      rail: fitted('slot-track-24', on(1890, -219), 'rivet', { length: 420 }),
      radio: fitted('radio-clip', { on: 'fitting', fitting: 'rail', u: 130, v: 0, heading: 0 }, 'track'),
      tool: fitted('gaff-clip', { on: 'fitting', fitting: 'rail', u: -60, v: 0, heading: 0 }, 'track'),
      mast: fitted('mast-light', track('aft-star', 3000), 'track'),
      battery: fitted('battery-30', within('stern-hold', 3530, 0), 'strap'),
      bulk: fitted('gland-bulkhead', { on: 'bulkhead', bulkhead: 'aft-bulkhead', y: 120, up: 60 }, 'through'),
      relay: fitted('relay-box', within('stern-hold', 3710, 0, 90), 'strap'),
      tow: fitted('tow-charger', within('stern-hold', 3450, -110), 'strap'),
      spare: fitted('spare-paddle', on(900, -60), 'loose', { tether: { to: null, length: 900 } }),
      jacket: fitted('jacket-pockets', on(2250, 0), 'loose', { suppliedBy: "owner's own" }),
      bag: fitted('throw-bag', on(1960, 0), 'loose'),
      flip: fitted('flip-line', on(1900, 215), 'loose'),
    },
    runs: {
      'feed-relay': feed('battery', 'relay', 'inside starboard'),
      'feed-tow': feed('battery', 'tow', 'inside starboard'),
      'feed-lantern': feed('relay', 'lantern', 'inside starboard', {
        ...{ way: 1, name: 'lantern', via: by([3505, 'inside starboard'], 'bulk', [3109, 'inside starboard'], [1363]) },
      }),
      'feed-deck': feed('relay', 'deckLight', 'inside starboard', {
        ...{ way: 2, name: 'deck light', via: by([3509, 'inside starboard'], 'bulk', [3115, 'inside starboard'], [1303]) },
      }),
      'feed-mast': feed('relay', 'mast', 'inside starboard', {
        ...{ way: 3, name: 'mast light', via: by([3507, 'inside starboard'], 'bulk', [3112, 'inside starboard']) },
      }),
    },
    wishes: {
      w1: { text: 'a light they see from the last boat', part: 'mast-light' },
      w2: { text: 'radio where I find it in the dark', part: 'radio-clip' },
    },
    facts: () => [],
  });
