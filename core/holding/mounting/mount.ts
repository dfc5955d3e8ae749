import type { Hold, Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import type { HullModel } from '../../boat/hull';
import type { Placed } from '../../layout';
import { isThere } from '../../rig';
import { say } from '../../base/units';
import { HOLD_WORDS, none, ownNut, type Mounted, type MountedBy } from './mounted';
import { bolted, onStuds, onWellNuts, riveted, screwed } from './ways-bolted';
import { inInsert, inTrack } from './ways-made';
import { clamped, glued, onSteel, padded, strapped, tied } from './ways-undrilled';

/** Whether a part can be held a certain way at all: what its catalog says, and what follows from holes through its base. */
export function canBe(part: Part, hold: Hold): boolean {
  if (part.holding.ways.includes(hold)) return true;
  // What may be set down may be strapped down.
  if (hold === 'strap') return part.holding.ways.includes('loose');
  const drilled =
    part.holes.at.length > 0 && !ownNut(part) && (part.holding.ways.includes('through') || part.holding.ways.includes('rivet'));
  return drilled && (hold === 'screw' || hold === 'well nut' || hold === 'pulled plate' || hold === 'through' || hold === 'stud');
}

/** What may hold a thing inside the hull: nothing is drilled through the boat from there. */
const INSIDE: readonly Hold[] = ['loose', 'strap', 'glue'];

const MOUNTED_BY: Readonly<Record<Hold, MountedBy>> = {
  loose: () => none,
  strap: strapped,
  clamp: clamped,
  track: inTrack,
  insert: inInsert,
  scupper: ({ place }) => ({ ...none, cannot: place.on === 'scupper' ? null : say`no scupper here for it` }),
  glue: glued,
  screw: screwed,
  rivet: riveted,
  'well nut': onWellNuts,
  through: bolted(false),
  'pulled plate': bolted(true),
  stud: onStuds,
  'cable tie': tied,
  'hook and loop': padded,
  magnet: onSteel,
};

/** How a thing is held that came aboard and stays: what holds it is on the boat, whatever we would hold it with today. */
const asItCame = (placed: Placed, shop: ShopSettings, hull: HullModel): Mounted => ({
  ...MOUNTED_BY[placed.fitting.mount.hold](placed, placed.fitting.mount, shop, hull),
  hold: placed.fitting.mount.hold,
  there: true,
  holes: 0,
  cannot: null,
  first: null,
});

/** Works out fasteners and holes of a fitting for the way it is held. */
export function mountFitting(placed: Placed, shop: ShopSettings, hull: HullModel): Mounted {
  const { part, fitting } = placed;
  const { hold } = fitting.mount;
  if (isThere(fitting, placed.place)) return asItCame(placed, shop, hull);
  if (!canBe(part, hold)) return { ...none, hold, cannot: say`${part.name} cannot be held by ${HOLD_WORDS[hold]}` };
  if (placed.place.on === 'space' && !INSIDE.includes(hold))
    return { ...none, hold, cannot: say`inside the hull it is strapped, glued or set down: nothing is drilled there` };
  return { ...MOUNTED_BY[hold](placed, fitting.mount, shop, hull), hold };
}
