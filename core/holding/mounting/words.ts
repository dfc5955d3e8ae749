import type { Hold, Part } from '../../parts/parts';
import type { ShopSettings } from '../../parts/shop';
import type { HullModel } from '../../boat/hull';
import type { Mounted } from './mounted';

const TIGHTEN: Readonly<Record<Hold, string>> = {
  loose: 'Draw the strap tight; tails of ties point inward, they are sharp.',
  strap: 'Draw each strap tight from eye to eye, tail turned inward.',
  clamp: 'Tighten until it does not turn by hand.',
  track: 'Tighten by hand, then a quarter turn. Again after the first outing.',
  insert: 'Tighten by hand, then an eighth turn: an insert that turns is lost.',
  scupper: 'Press it home; it still lets go by hand.',
  glue: 'Clean, roughen, press for a minute; no load until it is cured.',
  screw: 'Stop when the head sits: one turn more strips the wall.',
  rivet: 'Pull until the mandrel breaks, base flat on the wall.',
  'well nut': 'Tighten until the rubber bulges, no more.',
  through: 'Tighten to squeeze-out. A quarter turn more when the sealant has cured.',
  'pulled plate': 'Draw the plate up on its wires, first screw locates it, then the rest, a turn each.',
  stud: 'Lock the stud on the deck to squeeze-out; the wing nut by hand.',
  'cable tie': 'Two ties, drawn tight, cut flush; tails turned inward, they are sharp.',
  'hook and loop': 'Wipe dry, press for a minute, no load for a day.',
  magnet: 'Set it on clean steel; its tether made fast first.',
};

/** What goes on with one fastener, in the order it goes on, and how tight it is drawn. */
export interface FastenerWords {
  readonly goesOn: string;
  readonly tighten: string;
}

/** Washer, nut, sealant and torque, in a rigger's words. */
export function fastenerWords(
  mounted: Mounted,
  part: Part,
  hull: Pick<HullModel, 'material'>,
  shop: ShopSettings,
): FastenerWords {
  const { hold, plate } = mounted;
  const sealed = mounted.holes > 0;
  const nut = shop.holding.nut === 'lock' ? 'lock nut' : 'nut with thread lock';
  const soft = hull.material === 'polyethylene' || hull.material === 'abs';
  const stack = [
    sealed ? `${shop.holding.sealant} under the base and in the holes` : '',
    hold === 'through' && !part.holes.at.every((h) => h.bore)
      ? plate
        ? `plate, washer and ${nut} behind`
        : `${soft ? 'wide washer' : 'washer'} and ${nut} behind`
      : '',
    hold === 'stud' ? `head and wide washer inside, nut on the deck, wing nut over the base` : '',
    hold === 'rivet' ? 'the longer rivet where two would do' : '',
    hold === 'insert' ? 'a drop of thread lock' : '',
    hold === 'track' ? 'head crosswise in the slot, washer under the knob' : '',
  ].filter(Boolean);
  return { goesOn: stack.join('; '), tighten: TIGHTEN[hold] };
}
