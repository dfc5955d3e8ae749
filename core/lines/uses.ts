import type { Line, LineUse } from '../rig';
import type { Cord } from './cords';

/** What is so of every line of a use. */
export interface UseTraits {
  /** It goes there and back between its ends, and carries a ring. */
  readonly loop: boolean;
  /** One pulls or lets go of it on the water. */
  readonly worked: boolean;
  /** Its end is held by a cleat, a jam cleat or a reel. */
  readonly cleated: boolean;
  /** What it is made of as a rule. */
  readonly cord: Cord;
  /** What its ends are made with. */
  readonly ends: readonly [string, string];
  /** What its owner is warned of. */
  readonly caution: string;
}

const BRAID: Cord = { of: 'polyester', diameter: 6 };
const THIN: Cord = { of: 'polyester', diameter: 5 };

/** Lines by their use (common practice, no source). */
export const USES: Readonly<Record<LineUse, UseTraits>> = {
  'anchor trolley': {
    loop: true,
    worked: true,
    cleated: false,
    cord: THIN,
    ends: ['bowline on the ring', 'bowline on the ring'],
    caution: 'In a stream draw the ring to bow or stern before the anchor bites: across the stream the boat can capsize.',
  },
  'anchor line': {
    loop: false,
    worked: true,
    cleated: true,
    cord: { of: 'nylon', diameter: 6 },
    ends: ['shackle at the foot of the anchor, cable tie at its head', 'stopper knot; a float to leave it by'],
    caution: 'Anchoring in a stream can capsize: let go at once, and keep a knife in reach.',
  },
  'motor lift': {
    loop: false,
    worked: true,
    cleated: true,
    cord: THIN,
    ends: ['bowline', 'handle'],
    caution: 'Stop the motor before it is lifted; keep fingers off its hinge.',
  },
  'stake-out cord': {
    loop: false,
    worked: true,
    cleated: true,
    cord: BRAID,
    ends: ['bowline on the pole', 'stopper knot'],
    caution: 'Let the cord go before the pole bends: the boat swings on it in wind and stream.',
  },
  'rudder line': {
    loop: false,
    worked: false,
    cleated: false,
    cord: { of: 'high-modulus', diameter: 3 },
    ends: ['figure of eight on the rudder', 'figure of eight on the peg'],
    caution: 'Look where it bends each season: it frays there first.',
  },
  'drag rope': {
    loop: false,
    worked: false,
    cleated: false,
    cord: { of: 'nylon', diameter: 8 },
    ends: ['bowline', 'loop for the hand'],
    caution: 'Stow it before launching: a rope in the water finds feet and propellers.',
  },
  'drogue line': {
    loop: false,
    worked: true,
    cleated: true,
    cord: { of: 'polyester', diameter: 6 },
    ends: ['swivel', 'stopper knot'],
    caution: 'Stream it from the end, never from the side in breaking water; trip it before it is hauled.',
  },
  bungee: {
    loop: false,
    worked: false,
    cleated: false,
    cord: { of: 'shock cord', diameter: 6 },
    ends: ['hook or knot', 'hook or knot'],
    caution: 'A stretched bungee that lets go strikes: never stretch it to its end.',
  },
};

/** What a line of a use starts from. */
export const usualLine = (use: LineUse): Pick<Line, 'use' | 'of' | 'diameter' | 'way'> => ({
  use,
  ...USES[use].cord,
  way: 'over the deck',
});
