import type { Hold, Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import type { HullModel } from '../../boat/hull';
import type { Placed } from '../../layout';
import type { Mount } from '../../rig';
import { fine, say, type Sentence } from '../../base/units';
import type { FastenerChoice } from './fastener';
import type { FastenerSpot } from './loads';
import type { Rivet, Thread } from './tables';

/** Gasket of bedded sealant (common practice, no source), mm. */
export const GASKET = 1;

/** How one fitting is held, worked out. */
export interface Mounted {
  readonly hold: Hold;
  readonly thread?: Thread;
  readonly bolt?: FastenerChoice;
  readonly rivet?: Rivet;
  /** Holes through the hull. */
  readonly holes: number;
  /** The hole each takes, where the fastener and not the thread's clearance says, mm. */
  readonly bore?: number;
  /** Fastener as it is picked, and how many. */
  readonly fastener: string | null;
  readonly count: number;
  readonly plate: boolean;
  /** A nut, washer or plate is put on from inside. */
  readonly hand: boolean;
  /** How far the longest of it stands out behind the wall, mm. */
  readonly behind: number;
  /** Where its fasteners stand, in the part's frame. */
  readonly spots: readonly FastenerSpot[];
  /** How far what stays on the hull stands out of it while the part is off, mm. */
  readonly proud: number;
  /** It came aboard and stands as it did: there is nothing to fasten. */
  readonly there: boolean;
  /** Why it cannot be held so, or null. */
  readonly cannot: Sentence | null;
  /** Work on the part before it goes on, or null. */
  readonly first: Sentence | null;
}

/** What each way to hold a thing is called. */
export const HOLD_WORDS: Readonly<Record<Hold, string>> = {
  loose: 'set in place',
  strap: 'straps to tie points',
  clamp: 'a clamp on the rail',
  track: 'T-bolts in a track',
  insert: 'a factory insert',
  scupper: 'a scupper insert',
  glue: 'a glue pad',
  screw: 'self-tapping screws',
  rivet: 'blind rivets',
  'well nut': 'rubber well nuts',
  through: 'through bolts',
  'pulled plate': 'a plate pulled up from inside',
  stud: 'studs with wing nuts',
  'cable tie': 'cable ties',
  'hook and loop': 'hook-and-loop',
  magnet: 'a magnet on steel',
};

/** What is held by nothing that is drilled, tightened or counted. */
export const none = {
  there: false,
  holes: 0,
  fastener: null,
  count: 0,
  plate: false,
  hand: false,
  behind: 0,
  proud: 0,
  spots: [],
  cannot: null,
  first: null,
};

/** A part bored for its own nut and gasket closes its holes itself. */
export const ownNut = (part: Part): boolean => part.holes.at.length > 0 && part.holes.at.every((h) => h.bore);

/** How a thing is held one way, worked out where it stands: or why it cannot be. */
export type MountedBy = (placed: Placed, mount: Mount, shop: ShopSettings, hull: HullModel) => Omit<Mounted, 'hold'>;

/** It cannot be held so. */
export const refuse = (cannot: Sentence): Omit<Mounted, 'hold'> => ({ ...none, cannot });

/** Why no bolt does. */
export const tooLong = (bolt: FastenerChoice & { ok: false }): Sentence =>
  say`no bolt sold is long enough for this stack: ${fine(bolt.needed)} wanted, ${fine(bolt.short)} longer than the longest`;
