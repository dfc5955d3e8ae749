import type { Part, ShopSettings } from '../catalog';
import type { HullModel } from '../hull';
import { slotFault, type Placed } from '../layout';
import { boltName, chooseBolt, type FastenerChoice } from './fastener';
import { findThread, rivetFor, type Rivet, type Thread } from './tables';

/** Gasket of bedded sealant, and plate from 1/2 in board (common practice, no source). */
export const GASKET = 1;
export const PLATE = 12.7;

/** How one fitting is held, worked out. */
export interface Mounted {
  readonly hold: Placed['fitting']['mount']['hold'];
  readonly thread?: Thread;
  readonly bolt?: FastenerChoice;
  readonly rivet?: Rivet;
  /** Holes through the hull. */
  readonly holes: number;
  /** Fastener as it is picked, and how many. */
  readonly fastener: string | null;
  readonly count: number;
  readonly plate: boolean;
  /** Why it cannot be held so, or null. */
  readonly cannot: string | null;
}

const none = { holes: 0, fastener: null, count: 0, plate: false, cannot: null } as const;

/** Slot geometry decides what fits, not the maker. */
function trackFault(part: Part, hull: HullModel, id: string): string | null {
  const track = hull.tracks.find((t) => t.id === id);
  return track ? slotFault(part, track.slot) : 'no track here for its T-bolts';
}

/** Works out fasteners and holes of a fitting for the way it is held. */
export function mountFitting(placed: Placed, shop: ShopSettings, hull: HullModel): Mounted {
  const { part, fitting, frame, place } = placed;
  const { hold } = fitting.mount;
  if (!part.holds.includes(hold)) return { ...none, hold, cannot: `${part.name} cannot be held by ${HOLD_WORDS[hold]}` };
  switch (hold) {
    case 'loose':
      return { ...none, hold };
    case 'track':
      if (place.on !== 'track') return { ...none, hold, cannot: 'no track here for its T-bolts' };
      return { ...none, hold, fastener: 'T-bolt M6', count: part.trackBolts, cannot: trackFault(part, hull, place.track) };
    case 'insert':
      if (place.on !== 'insert') return { ...none, hold, cannot: 'no factory insert here' };
      return { ...none, hold, fastener: 'Insert screw 1/4-20', count: 1 };
    case 'scupper':
      return { ...none, hold, cannot: place.on === 'scupper' ? null : 'no scupper here for it' };
    case 'rivet': {
      const rivet = part.rivet ? rivetFor(part.rivet, part.base.thickness + frame.wall) : undefined;
      const cannot = rivet ? null : 'no rivet sold grips this stack';
      return {
        ...none,
        hold,
        rivet,
        holes: part.holes.length,
        count: part.holes.length,
        fastener: rivet ? `Rivet ${rivet.grade}` : null,
        cannot,
      };
    }
    case 'through': {
      if (part.holes.every((h) => h.bore)) return { ...none, hold, holes: part.holes.length };
      const thread = findThread(part.thread, shop.drilling.threads);
      if (!thread) return { ...none, hold, cannot: `no thread ${part.thread} in the tables` };
      const plate = fitting.mount.plate;
      const bolt = chooseBolt(thread, { base: part.base.thickness, gasket: GASKET, wall: frame.wall, plate: plate ? PLATE : 0 });
      return {
        ...none,
        hold,
        thread,
        bolt,
        plate,
        holes: part.holes.length,
        count: part.holes.length,
        fastener: bolt.ok ? boltName(thread, bolt.length) : null,
        cannot: bolt.ok ? null : 'no bolt sold is long enough for this stack',
      };
    }
  }
}

export const HOLD_WORDS: Readonly<Record<Mounted['hold'], string>> = {
  track: 'T-bolts in a track',
  through: 'through bolts',
  rivet: 'blind rivets',
  insert: 'a factory insert',
  scupper: 'a scupper insert',
  loose: 'set in place, strapped',
};
